import { computed, onScopeDispose, reactive, ref, shallowRef, watch } from 'vue'
import { Refused, type GameReply } from '../api/client'
import { Core } from '../core/core'
import { record } from '../project/recorded'
import { useProject } from '../project/useProject'
import { readFrame, type Frame } from '../stage/frames'
import {
  keeper,
  pieces,
  type HappenedKind,
  type Happening,
  type News,
  type Shown,
  type Standing,
} from './link'

const AGAIN = 1000
/** Lines of the ticker that are kept. */
const MOST_LINES = 400
/** Times of which the middle and the worst are told. */
const MOST_TIMES = 200
/** Entries that a server sends at once; fewer are the last there are. */
const MOST_AT_ONCE = 1_000
/** Bytes before a frame: its length. */
const BEFORE = 4

// A worker of its own: a game must be kept up with.
const gameCore = new Core(() => new Worker(new URL('../core/worker.ts', import.meta.url), { type: 'module' }))

/** One thing that happened, with what tells it from all others in the list. */
export type Line = Happening & { key: number }

/**
 * The running games of the open project, and one that is followed: its stage is played here again, on the steps on which the
 * game played it, from what the game says.
 *
 * @param asked which is followed if it is there
 */
export function useGame(frame: (frame: Frame) => void, asked = '', core = gameCore) {
  const project = useProject()
  const games = reactive(new Map<string, Standing>())
  const shown = reactive(new Map<string, Shown>())
  /** What a game was asked for and cannot do. */
  const notAsked = ref('')
  const chosen = ref('')
  const lines = shallowRef<Line[]>([])
  const reply = shallowRef<GameReply>()
  /** What came so far, by kind of event. */
  const kinds = reactive(new Map<string, HappenedKind>())
  /** How many things it said. */
  const said = ref(0)
  /** Why nothing is followed; empty while it is. */
  const failed = ref('')
  const away = ref(false)
  /** What of the picture may differ from the game's, and why. */
  const doubt = ref('')
  /** Whether it is followed from the middle on. */
  const middle = ref(false)
  /** Milliseconds from what came to its picture, the latest last. */
  const times = shallowRef<number[]>([])
  const kept = keeper()
  let socket: WebSocket | undefined
  let retry: ReturnType<typeof setTimeout> | undefined
  let heard: ((news: News) => void) | undefined
  // Which following it is; what an older one still does counts no more.
  let turn = 0
  let count = 0
  let wanted = asked

  function connect() {
    clearTimeout(retry)
    socket?.close()
    socket = undefined
    games.clear()
    shown.clear()
    turn++
    heard = undefined
    if (!project.id) return
    const scheme = location.protocol === 'https:' ? 'wss' : 'ws'
    const mine = new WebSocket(`${scheme}://${location.host}/api/games?project=${project.id}`)
    socket = mine
    mine.onopen = () => (away.value = false)
    mine.onmessage = ({ data }) => mine === socket && hear(JSON.parse(data) as News)
    mine.onclose = () => {
      if (mine !== socket) return
      away.value = true
      retry = setTimeout(connect, AGAIN)
    }
  }

  function hear(news: News) {
    switch (news.is) {
      case 'game':
        games.set(news.game.instance, news.game)
        lead()
        break
      case 'shows':
        shown.set(news.game, news)
        break
      case 'not asked':
        notAsked.value = news.what
        break
      case 'forgotten':
        games.delete(news.game)
        shown.delete(news.game)
        lead()
        break
      default:
        heard?.(news)
    }
  }

  // The one that was asked for; else one that is linked, in place of one that was lost.
  function lead() {
    if (games.has(wanted)) chosen.value = wanted
    else if (!games.get(chosen.value)?.linked) {
      const linked = [...games.values()].find((g) => g.linked)?.instance
      const there = games.has(chosen.value) ? chosen.value : [...games.keys()][0]
      chosen.value = linked ?? there ?? ''
    }
  }

  function choose(instance: string) {
    wanted = instance
    lead()
  }

  async function bundle(change: number): Promise<unknown> {
    const of = (path: string) => fetch(`/api/projects/${project.id}/${path}`)
    if (change) {
      const kept = await of(`bundles/${change}`)
      if (kept.ok) return kept.json()
    }
    doubt.value =
      'The game began with a bundle that is not known here; what it plays may look otherwise until it takes one.'
    return (await of('bundle')).json()
  }

  /** The answer to what is wanted of the game. */
  const want = (game: string, from: number, step: number) =>
    new Promise<News>((resolve) => {
      heard = (news) => 'game' in news && news.game === game && resolve(news)
      socket?.send(JSON.stringify({ is: 'want', game, from, step }))
    })

  async function follow(instance: string) {
    const mine = ++turn
    const game = games.get(instance)
    lines.value = []
    kinds.clear()
    kept.clear()
    said.value = 0
    reply.value = undefined
    times.value = []
    doubt.value = ''
    failed.value = ''
    if (!game) return
    let from = game.first
    let step = game.stepAtFirst
    // What was said before is played as fast as it goes, and tells nothing of delays.
    let caught = false
    try {
      const first = await bundle(game.changeAtFirst)
      // Another may be followed since; nothing of this one may be played on its stage.
      if (mine !== turn) return
      const whole = from === 1
      await core.ask(project, 'gameBegun', 'the game', { bundle: first, step, whole })
      middle.value = !whole
      while (mine === turn) {
        const news = await want(instance, from, step)
        if (mine !== turn) return
        if (news.is !== 'said') {
          // What lies between is not kept any more: from the first that is.
          return follow(instance)
        }
        const came = performance.now()
        kept.take(news.entries)
        for (const piece of pieces(news.entries)) {
          const change = piece[0].type === 'bundle.taken' ? piece[0].data?.change : undefined
          if (change !== undefined) {
            doubt.value = ''
            const taken = await bundle(change)
            if (mine !== turn) return
            await core.ask(project, 'gameTook', 'the change', { bundle: taken, step: piece[0].step })
            if (mine !== turn) return
          }
          await play(mine, piece, from, piece[piece.length - 1].step, caught ? came : undefined)
          if (mine !== turn) return
          from += piece.length
        }
        step = news.step
        said.value = from - 1
        await play(mine, [], from, step, caught && !news.entries.length ? came : undefined)
        caught ||= news.entries.length < MOST_AT_ONCE
      }
    } catch (e) {
      if (mine !== turn) return
      if (!(e instanceof Refused) && !(e instanceof TypeError)) throw e
      failed.value = e.message
    }
  }

  async function play(mine: number, entries: object[], from: number, step: number, came?: number) {
    const { answer, frames } = await core.ask(project, 'gameSaid', 'what the game said', {
      entries,
      from,
      step,
    })
    if (mine !== turn) return
    const now = answer as GameReply
    reply.value = now
    if (frames?.byteLength) frame(readFrame(frames, BEFORE))
    now.kinds.forEach((kind) => kinds.set(kind.type, kind))
    if (now.lines.length) {
      const fresh = now.lines.map((line) => ({ ...line, key: ++count }))
      fresh.forEach((line) => line.account && record(line.account))
      lines.value = [...fresh.reverse(), ...lines.value].slice(0, MOST_LINES)
      if (came !== undefined) times.value = [...times.value, performance.now() - came].slice(-MOST_TIMES)
    }
  }

  /** Asks the game for something that it can do. */
  function ask(what: string) {
    notAsked.value = ''
    socket?.send(JSON.stringify({ is: 'ask', game: chosen.value, what }))
  }

  const game = computed(() => games.get(chosen.value))
  const shows = computed(() => shown.get(chosen.value))
  const delay = computed(() => {
    const sorted = [...times.value].sort((a, b) => a - b)
    return sorted.length
      ? { middle: sorted[sorted.length >> 1], worst: sorted[sorted.length - 1] }
      : undefined
  })

  watch(() => project.id, connect, { immediate: true })
  watch(
    () => game.value?.instance ?? '',
    (instance) => void follow(instance),
  )
  onScopeDispose(() => {
    clearTimeout(retry)
    const last = socket
    socket = undefined
    last?.close()
    turn++
  })

  return {
    games,
    chosen,
    choose,
    game,
    /** What it can be asked for, and how its subjects look. */
    shows,
    ask,
    notAsked,
    lines,
    kinds,
    said,
    reply,
    failed,
    away,
    doubt,
    middle,
    delay,
    /** What it said since it is followed, as a file of pulls. */
    file: () =>
      new File([kept.lines(reply.value?.stepsPerSecond ?? 60)], `${game.value?.game ?? 'game'}.jsonl`, {
        type: 'application/jsonl',
      }),
    again: () => void follow(chosen.value),
  }
}
