import { defineStore } from 'pinia'
import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { type AccountReport, type Progress, type RehearsalView, type SizedView } from '../api/client'
import type { Score } from '../api/bundle'
import { Core, type Shown, type Told } from '../core/core'
import { toTheMinute } from '../common/when'
import { looked } from '../core/looked'
import {
  forgetRehearsal,
  keepRehearsal,
  keepSizes,
  keptRehearsal,
  keptSizes,
  stateOf,
  type KeptRehearsal,
} from './kept'
import { playTogether, type HeldRun, type Player } from './together'
import { useProject, type Part } from '../project/useProject'
import type { Take } from '../stage/frames'

export type Played = Take<RehearsalView>

type Origin = Omit<KeptRehearsal, 'kept'>

/** One that was kept earlier, and can be played again. */
export interface Earlier extends KeptRehearsal {
  at: string
  /** Why it cannot. */
  broke?: string
}

/** A rehearsal that was kept to compare later ones with it. */
export interface Before {
  take: Played
  /** When it was kept, such as 14:05. */
  at: string
}

/** How often a score is played for the sizes of pools. */
export const RUNS = 200
/** A question is given about so much to do, ms: then progress is shown, and it can be stopped. */
const SLICE = 80
/** How long a change is left to be followed by another, ms. */
const SETTLE = 250

const worker = () => new Worker(new URL('../core/worker.ts', import.meta.url), { type: 'module' })

// A worker of its own, so that the bench stays quick while it plays.
const rehearsalCore = new Core(worker)
/** Others that help it with the sizes of pools, as many as the machine has room for; they go when they are done. */
const helpers = Array.from(
  { length: Math.max(1, Math.min(3, (navigator.hardwareConcurrency || 2) - 1)) },
  () => new Core(worker),
)

/**
 * The rehearsal of the open project: the chosen score as it was played last, and the sizes of pools for it. Both views of
 * it share them. What is changed meanwhile is played again when it is wanted.
 */
export const useRehearsal = defineStore('rehearsal', () => {
  const project = useProject()
  const core = rehearsalCore
  const chosen = ref(0)
  const take = shallowRef<Played>()
  const before = shallowRef<Before>()
  /** One that was kept before the page was loaded, or another score chosen; it can be played again. */
  const earlier = shallowRef<Earlier>()
  /** Whether it is that which is being played. */
  const again = ref(false)
  /** What the rehearsal that is shown is played from. */
  let origin: Origin | undefined
  const playing = ref<Progress>()
  const sizing = ref<Progress>()
  const sized = shallowRef<SizedView[]>([])
  const failure = ref('')
  /** What of the project the rehearsal shows, and the sizes. */
  const shown = ref({ project: 0, score: 0, content: -1 })
  const measured = ref({ project: 0, score: 0, content: -1 })
  let turn = 0

  const scores = computed(() => project.scores)
  const score = computed<Part<Score> | undefined>(
    () => scores.value.find((s) => s.id === chosen.value) ?? scores.value[0],
  )
  const now = () => ({ project: project.id, score: score.value?.id ?? 0, content: project.content })
  const same = (a: ReturnType<typeof now>) => {
    const b = now()
    return a.project === b.project && a.score === b.score && a.content === b.content
  }
  /** Whether what is shown is of what the project is now. */
  const fresh = computed(() => same(shown.value))
  const sizesFresh = computed(() => same(measured.value))

  // What is not saved yet is gone after a reload.
  const saved = async () => (project.draftList.length ? undefined : stateOf(project.parts.values()))
  // Sizes that were found before the page was loaded last.
  async function recall(): Promise<void> {
    const parts = project.parts
    const { project: of, score: chosen } = now()
    const state = await saved()
    const kept = state && (await keptSizes(of, chosen, state))
    if (!kept || sizing.value || sized.value.length) return
    if (project.id !== of || score.value?.id !== chosen || project.draftList.length) return
    // The page went on loading.
    if (project.parts !== parts) return recall()
    sized.value = kept
    measured.value = now()
  }

  async function recallKept(): Promise<void> {
    const { project: of, score: chosen } = now()
    const kept = await keptRehearsal(of, chosen)
    // A server that begins anew may give the number of a project to another.
    if (kept?.name === project.name && !before.value && project.id === of && score.value?.id === chosen)
      earlier.value = { ...kept, at: toTheMinute(new Date(kept.kept)) }
  }

  watch(
    [() => project.id, () => score.value?.id],
    () => {
      stop()
      take.value = undefined
      before.value = undefined
      earlier.value = undefined
      sized.value = []
      failure.value = ''
      if (score.value) {
        void recall()
        void recallKept()
      }
    },
    { immediate: true },
  )

  const ask = (question: Parameters<Core['ask']>[1], wish: object, of: Shown = project): Promise<Told> =>
    core.ask(of, question, 'the rehearsal', wish)

  function stop() {
    turn++
    again.value = false
    playing.value = undefined
    sizing.value = undefined
  }

  // Goes on until it is over or not wanted any more, in pieces that take about as long as one should.
  async function pieces(
    mine: number,
    first: number,
    most: number,
    told: (progress: Progress) => void,
  ): Promise<boolean> {
    let count = first
    for (;;) {
      const start = performance.now()
      const { answer } = await ask('rehearseOn', { steps: count })
      if (mine !== turn) return false
      const progress = answer as Progress
      told(progress)
      if (progress.over) return true
      const took = Math.max(1, performance.now() - start)
      count = Math.max(1, Math.min(most, Math.round((count * SLICE) / took)))
    }
  }

  const pictures = (kept: boolean) => async (from: number, count: number) => {
    const next = await ask('rehearsedLook', { from, count, before: kept })
    return { from: next.from!, frames: next.frames! }
  }

  /** Keeps what is shown as it is, to compare with it what is played from now on. */
  async function keep() {
    const shows = take.value
    const from = origin
    if (!shows || !from || playing.value) return
    const mine = turn
    const { project: of, score: chosen } = shown.value
    try {
      const kept = await keepPlayed(shows.head, new Date())
      if (mine !== turn && take.value !== shows) return
      before.value = kept
      earlier.value = undefined
      void keepRehearsal(of, chosen, { kept: Date.now(), ...from })
    } catch (e) {
      failure.value = (e as Error).message
    }
  }

  // The core keeps what it played last.
  async function keepPlayed(head: RehearsalView, when: Date): Promise<Before> {
    await ask('rehearsedKept', {})
    const look = pictures(true)
    return { take: looked(head, await look(0, 1), look), at: toTheMinute(when) }
  }

  /** Plays what was kept earlier, to compare with it again, and then what is now. */
  async function compareAgain() {
    const kept = earlier.value
    if (!kept || !score.value) return
    stop()
    const mine = turn
    failure.value = ''
    again.value = true
    // The core has one that was played last; what is shown is of it.
    take.value = undefined
    shown.value = { project: 0, score: 0, content: -1 }
    playing.value = { done: 0, all: kept.wish.score.seconds, over: false }
    try {
      const was: Shown = {
        id: project.id,
        name: kept.name,
        parts: new Map(kept.parts.map((part) => [part.id, part])),
      }
      await ask('rehearse', kept.wish, was)
      if (mine !== turn || !(await pieces(mine, 60, 2000, (p) => (playing.value = p)))) return
      const told = await ask('rehearsed', {})
      if (mine !== turn) return
      const again = await keepPlayed(told.head as RehearsalView, new Date(kept.kept))
      if (mine !== turn) return
      before.value = again
      earlier.value = undefined
    } catch (e) {
      if (mine === turn) earlier.value = { ...kept, broke: (e as Error).message }
    }
    if (mine === turn) await play()
  }

  /** Ends the comparison. */
  function forget() {
    before.value = undefined
    earlier.value = undefined
    void forgetRehearsal(now().project, now().score)
  }

  const wish = () => ({ score: score.value!.body, runs: RUNS, drafts: project.draftList })

  /** Plays the score with the project as it stands; what was on its way is dropped. */
  async function play() {
    if (!score.value) return
    stop()
    const mine = turn
    const what = now()
    const from: Origin = { name: project.name, parts: [...project.parts.values()], wish: wish() }
    failure.value = ''
    playing.value = { done: 0, all: score.value.body.seconds, over: false }
    try {
      await ask('rehearse', from.wish)
      if (mine !== turn) return
      if (!(await pieces(mine, 60, 2000, (p) => (playing.value = p)))) return
      const told = await ask('rehearsed', {})
      if (mine !== turn) return
      take.value = looked(
        told.head as RehearsalView,
        { from: told.from!, frames: told.frames! },
        pictures(false),
      )
      shown.value = what
      origin = from
    } catch (e) {
      if (mine === turn) failure.value = (e as Error).message
    } finally {
      if (mine === turn) playing.value = undefined
    }
  }

  /** Plays it, while a view is open, whenever it is not of what the project is now: at once, but not each of many changes. */
  function follow() {
    let later: ReturnType<typeof setTimeout> | undefined
    watch(
      [() => score.value?.id, () => project.content, () => project.id],
      (_, before) => {
        clearTimeout(later)
        if (score.value && !fresh.value) later = setTimeout(play, before[1] === undefined ? 0 : SETTLE)
      },
      { immediate: true },
    )
    onScopeDispose(() => clearTimeout(later))
  }

  // Each worker plays runs, and the rehearsal's own takes them in.
  async function runTogether(wanted: () => boolean) {
    const begun = (await ask('sizeBegun', {})).answer as Progress
    const begins = wish()
    const playing = new Set<Core>()
    const helping =
      (helper: Core): Player =>
      async (run) => {
        if (!playing.has(helper)) await helper.ask(project, 'rehearse', 'the rehearsal', begins)
        playing.add(helper)
        return (await helper.ask(project, 'sizeRun', 'the rehearsal', { run })).answer as HeldRun
      }
    const own: Player = async (run) => (await ask('sizeRun', { run })).answer as HeldRun
    try {
      await playTogether(
        [own, ...helpers.map(helping)],
        begun.done,
        RUNS,
        async (run) => {
          const { answer } = await ask('sizeTaken', run)
          if (wanted()) sizing.value = answer as Progress
        },
        wanted,
      )
    } finally {
      helpers.forEach((helper) => helper.rest())
    }
  }

  /** Plays it many times for the sizes of pools. */
  async function size() {
    if (!score.value) return
    if (!fresh.value) await play()
    if (!fresh.value || failure.value) return
    const mine = ++turn
    const what = now()
    const state = saved()
    sizing.value = { done: 0, all: RUNS, over: false }
    try {
      await runTogether(() => mine === turn)
      if (mine !== turn) return
      const { answer } = await ask('sized', {})
      if (mine !== turn) return
      sized.value = answer as SizedView[]
      measured.value = what
      const found = await state
      if (found && same(what)) void keepSizes(what.project, what.score, { state: found, sized: sized.value })
    } catch (e) {
      if (mine === turn) failure.value = (e as Error).message
    } finally {
      if (mine === turn) sizing.value = undefined
    }
  }

  /** Returns the last accounts up to a step, the newest first. */
  async function accounts(step: number, most: number): Promise<AccountReport[]> {
    if (!take.value) return []
    const { answer } = await ask('rehearsedAccounts', { step, most })
    return answer as AccountReport[]
  }

  async function account(pull: number): Promise<AccountReport | undefined> {
    const { answer } = await ask('rehearsedAccounts', { pull })
    return (answer as AccountReport[])[0]
  }

  /** Writes the score of the worst second that the project can expect. */
  async function worstSecond(name: string): Promise<Score> {
    const { answer } = await ask('worstSecond', { name, drafts: project.draftList })
    return answer as Score
  }

  return {
    chosen,
    scores,
    score,
    take,
    before,
    earlier,
    again,
    keep,
    compareAgain,
    forget,
    playing,
    sizing,
    sized,
    failure,
    fresh,
    sizesFresh,
    follow,
    play,
    stop,
    size,
    accounts,
    account,
    worstSecond,
    /** Asks the core about a trace of the project as it stands. */
    traced: async (question: Parameters<Core['ask']>[1], wish: object) =>
      (await ask(question, { ...wish, drafts: project.draftList })).answer,
  }
})
