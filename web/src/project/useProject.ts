import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { api, Refused, type Draft, type PartView, type Refusal, type Saved, type Words } from '../api/client'
import type { Effect, EventType, Payload, Rope, Sprite } from '../api/bundle'

type Kind = 'event' | 'effect' | 'rope' | 'sprite' | 'settings'

/** A part with what it says. */
export interface Part<T> {
  id: number
  revision: number
  body: T
}

interface Done {
  part: number
  before: unknown
  after: unknown
}

export interface Strengths {
  soft: Payload
  usual: Payload
  hard: Payload
}

/** A save that was refused because another came first. */
export interface Conflict {
  yours: PartView
  theirs: PartView
}

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)

/** The open project: its parts as saved, drafts over them, and the way back through what was done here. */
export const useProject = defineStore('project', () => {
  const id = ref(0)
  const name = ref('')
  const state = ref<'loading' | 'ready' | 'failed'>('loading')
  const failure = ref('')
  const parts = shallowRef(new Map<number, PartView>())
  const drafts = shallowRef(new Map<number, { body: unknown; basedOn: number }>())
  const sentences = shallowRef(new Map<number, Words[]>())
  const strengths = shallowRef(new Map<number, Strengths>())
  const conflict = ref<Conflict>()
  const refusal = ref<Partial<Refusal>>()
  const notice = ref('')
  const done = shallowRef<Done[]>([])
  const undone = shallowRef<Done[]>([])
  const saving = ref(0)
  /** Grows with every change of what is shown, drafts included. */
  const version = ref(0)
  let saves: Promise<unknown> = Promise.resolve()

  function list<T>(kind: Kind) {
    return computed<Part<T>[]>(() =>
      [...parts.value.values()]
        .filter((p) => p.kind === kind)
        .sort((a, b) => a.place - b.place || a.id - b.id)
        .map((p) => ({
          id: p.id,
          revision: p.revision,
          body: (drafts.value.get(p.id)?.body ?? p.body) as T,
        })),
    )
  }

  const events = list<EventType>('event')
  const effects = list<Effect>('effect')
  const ropes = list<Rope>('rope')
  const sprites = list<Sprite>('sprite')
  const stepsPerSecond = computed(() => {
    const settings = [...parts.value.values()].find((p) => p.kind === 'settings')
    return (settings?.body as { stepsPerSecond: number } | undefined)?.stepsPerSecond ?? 60
  })
  const draftList = computed<Draft[]>(() =>
    [...drafts.value].map(([part, draft]) => ({ part, body: draft.body })),
  )

  async function open(project: number) {
    state.value = 'loading'
    try {
      const view = await api.project(project)
      id.value = view.id
      name.value = view.name
      parts.value = new Map(view.parts.map((p) => [p.id, p]))
      sentences.value = new Map(view.sentences.map((s) => [s.rope, s.parts]))
      strengths.value = new Map(view.strengths.map((s) => [s.event, s as unknown as Strengths]))
      drafts.value = new Map()
      done.value = []
      undone.value = []
      refusal.value = undefined
      conflict.value = undefined
      version.value++
      state.value = 'ready'
    } catch (e) {
      state.value = 'failed'
      failure.value = (e as Error).message
    }
  }

  function take(saved: Saved) {
    const next = new Map(parts.value)
    if (saved.part.deleted) next.delete(saved.part.id)
    else next.set(saved.part.id, saved.part)
    parts.value = next
    const words = new Map(sentences.value)
    saved.sentences.forEach((s) => words.set(s.rope, s.parts))
    sentences.value = words
    const ready = new Map(strengths.value)
    saved.strengths.forEach((s) => ready.set(s.event, s as unknown as Strengths))
    strengths.value = ready
    version.value++
  }

  /** Takes a change made in another window. */
  function takeFromElsewhere(saved: Saved) {
    take(saved)
    notice.value = saved.part.deleted
      ? `“${saved.part.name}” was deleted in another window.`
      : `“${saved.part.name}” was changed in another window (revision ${saved.part.revision}).`
  }

  /** Shows a body without saving it. The revision it is based on is the one seen when the first draft was made. */
  function draft(part: number, body: unknown) {
    const next = new Map(drafts.value)
    const basedOn = next.get(part)?.basedOn ?? parts.value.get(part)!.revision
    next.set(part, { body, basedOn })
    drafts.value = next
    version.value++
  }

  function dropDraft(part: number) {
    if (!drafts.value.has(part)) return
    const next = new Map(drafts.value)
    next.delete(part)
    drafts.value = next
    version.value++
  }

  /** Saves a body as a new revision. Saves go one after the other, each on the revision the one before left. */
  function commit(part: number, body: unknown, way: 'do' | 'undo' | 'redo' = 'do'): Promise<boolean> {
    const present = parts.value.get(part)
    const basedOn = drafts.value.get(part)?.basedOn
    if (present && basedOn === undefined && same(present.body, body)) return Promise.resolve(true)
    if (present && basedOn === present.revision && same(present.body, body)) {
      dropDraft(part)
      return Promise.resolve(true)
    }
    draft(part, body)
    const mine = drafts.value.get(part)
    const result = saves.then(() => save(part, body, mine, way))
    saves = result.catch(() => undefined)
    return result
  }

  async function save(
    part: number,
    body: unknown,
    mine: { basedOn: number } | undefined,
    way: 'do' | 'undo' | 'redo',
  ): Promise<boolean> {
    const before = parts.value.get(part)
    saving.value++
    try {
      const draftNow = drafts.value.get(part)
      const saved = await api.save(part, draftNow?.basedOn ?? mine?.basedOn ?? before!.revision, body)
      const later = drafts.value.get(part)
      if (later && !same(later.body, body)) {
        const next = new Map(drafts.value)
        next.set(part, { body: later.body, basedOn: saved.part.revision })
        drafts.value = next
      } else {
        const next = new Map(drafts.value)
        next.delete(part)
        drafts.value = next
      }
      take(saved)
      refusal.value = undefined
      if (way === 'do' && before) {
        done.value = [...done.value, { part, before: before.body, after: saved.part.body }].slice(-500)
        undone.value = []
      }
      return true
    } catch (e) {
      if (e instanceof Refused && e.status === 409 && e.refusal.theirs && e.refusal.yours) {
        conflict.value = { yours: e.refusal.yours, theirs: e.refusal.theirs }
      } else if (e instanceof Refused && e.status === 0) {
        // The draft stays; it can be saved when the server is back.
        refusal.value = {
          title: 'Not saved',
          detail: 'The server does not answer. Your change is kept here; save it again when it is back.',
        }
      } else {
        refusal.value =
          e instanceof Refused ? e.refusal : { title: 'Not saved', detail: (e as Error).message }
        dropDraft(part)
      }
      return false
    } finally {
      saving.value--
    }
  }

  async function step(from: typeof done, to: typeof done, way: 'undo' | 'redo') {
    const last = from.value.at(-1)
    if (!last) return
    const expected = way === 'undo' ? last.after : last.before
    const wanted = way === 'undo' ? last.before : last.after
    const present = parts.value.get(last.part)
    if (present && !same(present.body, expected)) {
      notice.value = `“${present.name}” was changed in another window since; ${way} stops here.`
      from.value = []
      return
    }
    from.value = from.value.slice(0, -1)
    const moved =
      wanted === undefined
        ? await removed(last.part)
        : present
          ? await commit(last.part, wanted, way)
          : await restored(last, wanted)
    if (moved) to.value = [...to.value, last]
  }

  // One after the other: the second of two quick presses must see what the first left behind.
  let steps: Promise<void> = Promise.resolve()
  const inTurn = (take: () => Promise<void>) => (steps = steps.then(() => saves).then(take, take))
  const undo = () => inTurn(() => step(done, undone, 'undo'))
  const redo = () => inTurn(() => step(undone, done, 'redo'))

  /** Saves every draft that could not be saved. */
  async function saveDrafts() {
    for (const [part, d] of drafts.value) await commit(part, d.body)
  }

  async function attempt(work: () => Promise<Saved>): Promise<Saved | undefined> {
    try {
      const saved = await work()
      take(saved)
      refusal.value = undefined
      return saved
    } catch (e) {
      refusal.value = e instanceof Refused ? e.refusal : { title: 'Not done', detail: (e as Error).message }
      return undefined
    }
  }

  const lastRevision = new Map<number, number>()
  async function removed(part: number): Promise<boolean> {
    const present = parts.value.get(part)
    if (!present) return false
    const saved = await attempt(() => api.remove(part, present.revision))
    if (saved) lastRevision.set(part, saved.part.revision)
    return !!saved
  }
  async function restored(last: Done, body: unknown): Promise<boolean> {
    return !!(await attempt(() => api.save(last.part, lastRevision.get(last.part) ?? 1, body)))
  }

  async function add(kind: Kind, body: unknown): Promise<number | undefined> {
    const saved = await attempt(() => api.add(id.value, kind, body))
    if (!saved) return undefined
    done.value = [...done.value, { part: saved.part.id, before: undefined, after: saved.part.body }]
    undone.value = []
    return saved.part.id
  }

  async function remove(part: number) {
    const before = parts.value.get(part)?.body
    if (await removed(part)) {
      done.value = [...done.value, { part, before, after: undefined }]
      undone.value = []
    }
  }

  function keepTheirs() {
    if (conflict.value) {
      dropDraft(conflict.value.theirs.id)
      take({ part: conflict.value.theirs, change: 0, sentences: [], strengths: [] })
    }
    conflict.value = undefined
  }

  async function keepYours() {
    const c = conflict.value
    conflict.value = undefined
    if (!c) return
    take({ part: c.theirs, change: 0, sentences: [], strengths: [] })
    const next = new Map(drafts.value)
    next.set(c.theirs.id, { body: c.yours.body, basedOn: c.theirs.revision })
    drafts.value = next
    await commit(c.theirs.id, c.yours.body)
  }

  return {
    id,
    name,
    state,
    failure,
    parts,
    drafts,
    draftList,
    sentences,
    strengths,
    events,
    effects,
    ropes,
    sprites,
    stepsPerSecond,
    conflict,
    refusal,
    notice,
    done,
    undone,
    saving,
    version,
    open,
    draft,
    commit,
    undo,
    redo,
    saveDrafts,
    add,
    remove,
    keepTheirs,
    keepYours,
    takeFromElsewhere,
  }
})
