import { onMounted, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { Refused, type AccountReport, type StageReply } from '../api/client'
import { useKept } from '../common/useKept'
import type { Payload, Vector } from '../api/bundle'
import { Core, type Question, type Told as Answered } from '../core/core'
import { record } from '../project/recorded'
import { useProject } from '../project/useProject'
import { readFrame, type Frame } from './frames'

/** A pull, as the stage takes it. */
export interface PullMessage {
  event: string
  seed: number
  payload?: Payload
  phase?: 'begin' | 'end'
  value?: string
  subject?: string
}

/** Something that game code would be told. */
export interface Told {
  name: string
  what: 'notice' | 'begins' | 'ends' | 'gone'
  rope: string
  at: number
  values: Payload
}

/** What shakes, flashes and holds still. */
export interface Comfort {
  shake: [number, number]
  flash: [number, number, number, number]
  edges: [number, number, number, number]
  paused: number
}

interface Handlers {
  /** Called at once with every frame, before anything is repainted. */
  frame: (frame: Frame) => void
  refused: (refused: Refused) => void
  /** Called whenever a stage is there, which knows nothing yet. */
  begun: () => void
}

/** Accounts of one instant that are kept. */
const MOST_TOGETHER = 100
/** The time, as the stage is told it. */
export const clock = () => performance.now() / 1000
/** Bytes before a frame: its length. */
const BEFORE = 4
const REST: Comfort = { shake: [0, 0], flash: [0, 0, 0, 0], edges: [0, 0, 0, 0], paused: 0 }

// A worker of its own, so that whatever else is computed does not hold up what plays.
export const stageCore = new Core(
  () => new Worker(new URL('../core/worker.ts', import.meta.url), { type: 'module' }),
)

/**
 * The live stage of the open project: what a hand does goes to it at once, and while something plays it is asked for the
 * newest frame as often as the page is drawn.
 */
export function useStage(handlers: Handlers, core = stageCore) {
  const project = useProject()
  /** Why the stage stopped; empty while it runs. */
  const failed = ref('')
  const account = shallowRef<AccountReport>()
  /** All accounts of the instant of the last one, in their order. */
  const together = shallowRef<AccountReport[]>([])
  const instances = ref(0)
  const told = shallowRef<Told[]>([])
  const comfort = shallowRef(REST)
  /** What the player wants less of. */
  const less = useKept('comfort', { lessShake: false, lessFlash: false })
  /** Project that the stage was begun with; 0 for none. */
  let begun = 0
  /** What is shown of the project, as the stage knows it. */
  let known = -1
  let still = true
  let ticking = false
  let bending = false

  function begin() {
    if (begun === project.id) return
    begun = project.id
    known = project.drafts.size ? -1 : project.content
    still = true
    failed.value = ''
    account.value = undefined
    together.value = []
    told.value = []
    comfort.value = REST
    instances.value = 0
    void say('startStage', 'the stage', {})
    void say('stage', 'the stage', { do: 'comfort', ...less.value })
    handlers.begun()
  }

  function say(ask: Question, what: string, wish: object, now = clock()): Promise<void> {
    const of = begun
    return core.ask(project, ask, what, { ...wish, now }).then(
      (answer) => {
        if (of === begun) hear(answer)
      },
      (e) => {
        if (of === begun) fail(e, ask)
      },
    )
  }

  function hear({ answer, frames }: Answered) {
    if (frames?.byteLength) {
      const frame = readFrame(frames, BEFORE)
      handlers.frame(frame)
      instances.value = frame.instances
    }
    const reply = answer as StageReply
    for (const one of reply.accounts) {
      together.value = account.value?.at === one.at ? [...together.value, one].slice(-MOST_TOGETHER) : [one]
      account.value = one
      record(one)
    }
    if (reply.told.length)
      told.value = [...(reply.told as unknown as Told[]).reverse(), ...told.value].slice(0, 8)
    if (reply.comfort) comfort.value = reply.comfort as Comfort
    still = reply.still
    if (!still) run()
  }

  function fail(e: unknown, ask: Question) {
    if (e instanceof Refused && [404, 422].includes(e.status) && ask !== 'startStage') {
      // A draft that is wrong is told with the take that it would give.
      if (ask !== 'retuneStage') handlers.refused(e)
      return
    }
    begun = 0
    still = true
    instances.value = 0
    failed.value = (e as Error).message
  }

  // One question for a frame is on its way at a time, so a slow machine gets fewer frames and never falls behind.
  function run() {
    if (ticking) return
    ticking = true
    requestAnimationFrame(async () => {
      if (begun) await say('stage', 'the stage', { do: 'tick' })
      ticking = false
      if (!still) run()
    })
  }

  function retune() {
    known = project.content
    return say('retuneStage', 'the change', { drafts: project.draftList })
  }

  // What plays bends to a change; of many that come quickly, to the newest.
  async function bend() {
    if (bending) return
    bending = true
    while (begun && instances.value > 0 && known !== project.content) await retune()
    bending = false
  }

  function act(wish: object, now = clock()): boolean {
    if (failed.value) return false
    begin()
    if (known !== project.content) void retune()
    void say('stage', 'the stage', wish, now)
    return true
  }

  watch(() => project.content, bend)
  watch(
    () => project.id,
    () => project.id && begin(),
  )
  watch(less, () => act({ do: 'comfort', ...less.value }), { deep: true })
  onMounted(begin)
  onScopeDispose(() => {
    begun = 0
    still = true
  })

  const accounts = async (wish: object) =>
    begun ? ((await core.ask(project, 'accounts', 'the accounts', wish)).answer as AccountReport[]) : []

  return {
    failed,
    account,
    together,
    instances,
    told,
    comfort,
    less,
    restart: () => {
      failed.value = ''
      begin()
    },
    /** Pulls; what is pulled with the same `now` happens in the same instant. */
    pull: (message: PullMessage, now?: number) => act({ do: 'pull', ...message }, now),
    publish: (channel: string, value: number) => act({ do: 'publish', channel, value }),
    /** Says where a subject is from now on. */
    move: (subject: string, position: Vector) => act({ do: 'move', subject, position }),
    gone: (subject: string) => act({ do: 'gone', subject }),
    clear: () => act({ do: 'clear' }),
    /** Finds accounts by their words, the newest first. */
    find: (words: string) => accounts({ words, most: 200 }),
    /** Returns all accounts, the oldest first. */
    all: () => accounts({}),
  }
}

export type Stage = ReturnType<typeof useStage>
