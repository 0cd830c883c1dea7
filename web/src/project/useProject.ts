import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import {
  api,
  Refused,
  type Edit,
  type PartView,
  type Refusal,
  type Rename,
  type Saved,
  type Words,
} from '../api/client'
import type { Channel, Effect, EventType, Payload, Place, Pool, Rope, Score, Sprite } from '../api/bundle'
import { Drafts } from './drafts'
import { altered, History, same, type Way } from './history'
import { WaitingSaves } from './waiting'

export type Kind =
  'event' | 'effect' | 'rope' | 'sprite' | 'settings' | 'channel' | 'place' | 'pool' | 'score'

/** A part with what it says. */
export interface Part<T> {
  id: number
  revision: number
  body: T
}

/** A change of one part among several: of one that is there, or of a new one. No body to take it away. */
export interface PartChange {
  part?: number
  kind?: Kind
  body?: unknown
  place?: number
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

/** The open project: its parts as saved, drafts over them, and the way back through what was done here. */
export const useProject = defineStore('project', () => {
  const id = ref(0)
  const name = ref('')
  const state = ref<'loading' | 'ready' | 'failed'>('loading')
  const failure = ref('')
  const parts = shallowRef(new Map<number, PartView>())
  const shown = new Drafts()
  const drafts = shown.all
  const sentences = shallowRef(new Map<number, Words[]>())
  const strengths = shallowRef(new Map<number, Strengths>())
  const conflict = ref<Conflict>()
  const refusal = ref<Partial<Refusal>>()
  const notice = ref('')
  const history = new History()
  const saving = ref(0)
  /** Grows with every change, drafts included. */
  const version = shown.version
  const unseen = ref(0)
  /** Grows with every change of what is shown: not where what was shown as a draft has only been saved. */
  const content = computed(() => version.value - unseen.value)
  let saves: Promise<unknown> = Promise.resolve()
  // How many saves of a part are on their way.
  const queued = new Map<number, number>()
  /** Parts whose last save waits until the server is back. */
  const waiting = shallowRef(new Set<number>())
  const kept = new WaitingSaves((why) => {
    notice.value = `This browser keeps nothing while the server is away (${why}): leave this window open until it is back.`
  })

  function wait(part: number, body: unknown, basedOn: number) {
    waiting.value = new Set(waiting.value).add(part)
    void kept.keep(id.value, { part, body, basedOn })
  }

  function waitNoMore(part: number) {
    if (!waiting.value.has(part)) return
    waiting.value = new Set([...waiting.value].filter((p) => p !== part))
    void kept.forget(id.value, part)
  }

  /** Takes up what another window, or this one before it was loaded again, could not save. */
  async function resume() {
    const project = id.value
    const left = (await kept.of(project)).filter((w) => !drafts.value.has(w.part))
    if (project !== id.value) return
    waiting.value = new Set(left.map((w) => w.part))
    for (const { part, body, basedOn } of left) {
      if (parts.value.has(part)) shown.over(part, body, basedOn)
      else {
        notice.value = 'A change that waited to be saved was of a part that is gone; it was dropped.'
        waitNoMore(part)
      }
    }
    if (left.length) {
      version.value++
      void saveDrafts()
    }
  }
  // Of everything seen, deleted parts included: to bring one back, its last revision must be known.
  const revisions = new Map<number, number>()

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
  const channels = list<Channel>('channel')
  const places = list<Place>('place')
  const pools = list<Pool>('pool')
  const scores = list<Score>('score')
  const stepsPerSecond = computed(() => {
    const settings = [...parts.value.values()].find((p) => p.kind === 'settings')
    return (settings?.body as { stepsPerSecond: number } | undefined)?.stepsPerSecond ?? 60
  })

  // The newest change that was seen of the project, and of each sentence and payload: what comes late never replaces it.
  let newest = { project: 0, change: 0 }
  const saidAt = new Map<string, number>()

  function isNewer(key: string, change: number): boolean {
    if (change < (saidAt.get(key) ?? 0)) return false
    saidAt.set(key, change)
    return true
  }

  async function open(project: number) {
    state.value = 'loading'
    try {
      let view = await api.project(project)
      // A save may have overtaken the answer.
      for (let i = 0; i < 5 && view.id === newest.project && view.change < newest.change; i++) {
        view = await api.project(project)
      }
      newest = { project: view.id, change: view.change }
      saidAt.clear()
      revisions.clear()
      id.value = view.id
      name.value = view.name
      parts.value = new Map(view.parts.map((p) => [p.id, p]))
      sentences.value = new Map(view.sentences.map((s) => [s.rope, s.parts]))
      strengths.value = new Map(view.strengths.map((s) => [s.event, s as unknown as Strengths]))
      drafts.value = new Map()
      history.clear()
      refusal.value = undefined
      conflict.value = undefined
      version.value++
      state.value = 'ready'
      await resume()
    } catch (e) {
      state.value = 'failed'
      failure.value = (e as Error).message
    }
  }

  function take(saved: Saved) {
    const next = new Map(parts.value)
    const seen = saved.parts.every(
      (p) => !p.deleted && same(p.body, drafts.value.get(p.id)?.body ?? next.get(p.id)?.body),
    )
    if (saved.change > newest.change) newest = { project: id.value, change: saved.change }
    for (const part of saved.parts) {
      if (part.revision < (revisions.get(part.id) ?? next.get(part.id)?.revision ?? 0)) continue
      revisions.set(part.id, part.revision)
      if (part.deleted) next.delete(part.id)
      else next.set(part.id, part)
    }
    parts.value = next
    const words = new Map(sentences.value)
    saved.sentences.forEach((s) => isNewer(`rope ${s.rope}`, saved.change) && words.set(s.rope, s.parts))
    sentences.value = words
    const ready = new Map(strengths.value)
    saved.strengths.forEach(
      (s) => isNewer(`event ${s.event}`, saved.change) && ready.set(s.event, s as unknown as Strengths),
    )
    strengths.value = ready
    if (seen) unseen.value++
    version.value++
  }

  /** Takes a change made in another window. */
  function takeFromElsewhere(saved: Saved) {
    take(saved)
    const [first] = saved.parts
    if (!first) return
    const others = saved.parts.length > 1 ? ` and ${saved.parts.length - 1} more` : ''
    notice.value = first.deleted
      ? `“${first.name}”${others} was deleted in another window.`
      : `“${first.name}”${others} was changed in another window (revision ${first.revision}).`
  }

  /** Shows a body without saving it. */
  function draft(part: number, body: unknown) {
    shown.put(part, body, parts.value.get(part)!.revision)
  }
  function dropDraft(part: number) {
    shown.drop(part)
    waitNoMore(part)
  }

  /** Saves a body as a new revision. Saves go one after the other, each on the revision the one before left. */
  function commit(part: number, body: unknown): Promise<boolean> {
    const present = parts.value.get(part)
    const basedOn = drafts.value.get(part)?.basedOn
    // While a save of the part is on its way, what is there now will not stay.
    const rests = !queued.has(part)
    if (rests && present && basedOn === undefined && same(present.body, body)) return Promise.resolve(true)
    if (rests && present && basedOn === present.revision && same(present.body, body)) {
      dropDraft(part)
      return Promise.resolve(true)
    }
    draft(part, body)
    const mine = drafts.value.get(part)
    queued.set(part, (queued.get(part) ?? 0) + 1)
    const result = saves
      .then(() => save(part, body, mine))
      .finally(() => {
        const left = queued.get(part)! - 1
        if (left) queued.set(part, left)
        else queued.delete(part)
      })
    saves = result.catch(() => undefined)
    return result
  }

  async function save(part: number, body: unknown, mine: { basedOn: number } | undefined): Promise<boolean> {
    const before = parts.value.get(part)
    // The same was saved by the one before it in the queue: Enter, and then leaving the field.
    if (before && !drafts.value.has(part) && same(before.body, body)) return true
    saving.value++
    const basedOn = drafts.value.get(part)?.basedOn ?? mine?.basedOn ?? before!.revision
    try {
      const saved = await api.save(part, basedOn, body)
      take(saved)
      shown.saved(part, body, saved.parts[0].revision)
      waitNoMore(part)
      refusal.value = undefined
      if (before) {
        history.remember([{ part, before: before.body, after: saved.parts[0].body }])
      }
      return true
    } catch (e) {
      if (e instanceof Refused && e.status === 409 && e.refusal.theirs && e.refusal.yours) {
        if (same(e.refusal.theirs.body, body)) {
          // It was taken before, by a save whose answer never came, or the other window had the same.
          take({ parts: [e.refusal.theirs], change: 0, sentences: [], strengths: [] })
          dropDraft(part)
          return true
        }
        conflict.value = { yours: e.refusal.yours, theirs: e.refusal.theirs }
      } else if (e instanceof Refused && (e.status === 0 || e.status >= 500)) {
        // The draft stays, and is saved when the server is back.
        wait(part, body, basedOn)
        refusal.value = {
          title: 'Not saved yet',
          detail: `${e.message} Your change waits in this browser, and is saved when the server is back.`,
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

  async function step(way: Way) {
    const next = history.plan(way, parts.value, (part) => revisions.get(part) ?? 1)
    if (!next) return
    if ('stale' in next) {
      notice.value = `“${next.stale}” was changed in another window since; ${way} stops here.`
      history.stop(way)
    } else if (await attempt(() => api.change(id.value, next.edits))) {
      next.parts.forEach(dropDraft)
      history.made(way)
    } else if (!away) {
      // What is refused is refused for good; a server that is away may be asked again.
      history.drop(way)
    }
  }

  // One after the other: the second of two quick presses must see what the first left behind.
  let steps: Promise<void> = Promise.resolve()
  const inTurn = (take: () => Promise<void>) => (steps = steps.then(() => saves).then(take, take))
  const undo = () => inTurn(() => step('undo'))
  const redo = () => inTurn(() => step('redo'))

  /** Saves every draft that could not be saved. */
  async function saveDrafts() {
    for (const [part, d] of drafts.value) await commit(part, d.body)
  }

  /** Goes on when the server is there again: what waited is saved, or else what others did meanwhile is read. */
  async function back() {
    await saveDrafts()
    await catchUp()
  }

  // Takes what others changed while nothing was heard; what was done here can still be undone.
  async function catchUp() {
    const view = await ask((server) => server.project(id.value), undefined)
    if (!view || view.id !== id.value || view.change === newest.change) return
    if (view.change < newest.change) return open(view.id)
    const there = new Set(view.parts.map((p) => p.id))
    const gone = [...parts.value.values()].filter((p) => !there.has(p.id))
    take({ ...view, parts: [...view.parts, ...gone.map(deleted)] })
  }
  const deleted = (part: PartView) => ({ ...part, deleted: true, revision: part.revision + 1 })

  // Whether the last attempt failed because the server did not answer, or had no room.
  let away = false

  async function attempt(work: () => Promise<Saved>): Promise<Saved | undefined> {
    away = false
    try {
      const saved = await work()
      take(saved)
      refusal.value = undefined
      return saved
    } catch (e) {
      away = e instanceof Refused && (e.status === 0 || e.status >= 500)
      refusal.value = e instanceof Refused ? e.refusal : { title: 'Not done', detail: (e as Error).message }
      return undefined
    }
  }

  /** Asks the server something; what is refused is said, and something else returned. */
  async function ask<T>(work: (server: typeof api) => Promise<T>, otherwise: T): Promise<T> {
    try {
      return await work(api)
    } catch (e) {
      refusal.value = e instanceof Refused ? e.refusal : { title: 'Not done', detail: (e as Error).message }
      return otherwise
    }
  }

  /** Makes several changes that come true together, and are undone together. Returns the parts, new ones included. */
  async function change(changes: PartChange[]): Promise<PartView[] | undefined> {
    if (!changes.length) return []
    return inOrder(() => changeNow(changes))
  }

  /** Does something after all saves before it, and before all after it. */
  function inOrder<T>(work: () => Promise<T>): Promise<T> {
    const result = saves.then(work)
    saves = result.catch(() => undefined)
    return result
  }

  async function changeNow(changes: PartChange[]): Promise<PartView[] | undefined> {
    const before = parts.value
    const saved = await attempt(() =>
      api.change(
        id.value,
        changes.map((c) => ({
          part: c.part,
          kind: c.kind,
          basedOn: c.part === undefined ? 0 : (before.get(c.part)?.revision ?? revisions.get(c.part) ?? 1),
          body: (c.body ?? null) as Edit['body'],
          place: c.place,
        })),
      ),
    )
    if (saved) history.remember(altered(saved.parts, before))
    return saved?.parts
  }

  /** Renames something everywhere. */
  async function rename(what: Rename): Promise<boolean> {
    if (what.from === what.to) return true
    return inOrder(async () => {
      const before = parts.value
      const saved = await attempt(() => api.rename(id.value, what))
      if (saved?.parts.length) history.remember(altered(saved.parts, before))
      return !!saved
    })
  }

  /** Hands the contract over under a name. */
  async function handOver(called: string, note: string): Promise<boolean> {
    return inOrder(async () => {
      const before = parts.value
      const saved = await attempt(() => api.handOver(id.value, called, note))
      if (saved?.parts.length) history.remember(altered(saved.parts, before))
      return !!saved
    })
  }

  async function add(kind: Kind, body: unknown): Promise<number | undefined> {
    return (await change([{ kind, body }]))?.[0].id
  }

  async function remove(part: number) {
    await change([{ part }])
  }

  function keepTheirs() {
    if (conflict.value) {
      dropDraft(conflict.value.theirs.id)
      take({ parts: [conflict.value.theirs], change: 0, sentences: [], strengths: [] })
    }
    conflict.value = undefined
  }

  async function keepYours() {
    const c = conflict.value
    conflict.value = undefined
    if (!c) return
    take({ parts: [c.theirs], change: 0, sentences: [], strengths: [] })
    shown.over(c.theirs.id, c.yours.body, c.theirs.revision)
    await commit(c.theirs.id, c.yours.body)
  }

  return {
    id,
    name,
    state,
    failure,
    parts,
    drafts,
    draftList: shown.list,
    sentences,
    strengths,
    events,
    effects,
    ropes,
    sprites,
    channels,
    places,
    pools,
    scores,
    stepsPerSecond,
    conflict,
    refusal,
    notice,
    done: history.done,
    undone: history.undone,
    saving,
    version,
    content,
    open,
    draft,
    commit,
    undo,
    redo,
    waiting,
    saveDrafts,
    back,
    change,
    rename,
    ask,
    handOver,
    add,
    remove,
    keepTheirs,
    keepYours,
    takeFromElsewhere,
  }
})
