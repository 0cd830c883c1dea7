import type { AccountReport, GameReply, Problem } from '../api/client'
import type { EventType, Field, Payload } from '../api/bundle'

/** How a running game stands, as the server tells it: docs/format/link.md. */
export interface Standing {
  /** Tells this running of the game from any other. */
  instance: string
  game: string
  contract: string
  linked: boolean
  /** Change of the bundle that it has, or was sent last; 0 where nobody knows. */
  change: number
  changeAtFirst: number
  stepAtFirst: number
  /** Numbers of the first thing it said that is still known, and of the next. */
  first: number
  next: number
  step: number
  /** How many of the things it said were lost on the way. */
  dropped: number
  /** Why it could not take the last change; empty if it could. */
  refused: string
}

/** An entry of what a game said: a CloudEvents 1.0 event. */
export interface Entry {
  type: string
  step: number
  subject?: string
  phase?: string
  value?: string
  data?: Payload & { change?: number }
}

/** What a server tells a bench. */
export type News =
  | { is: 'game'; game: Standing }
  | { is: 'forgotten'; game: string }
  | { is: 'lost'; game: string; first: number }
  | { is: 'said'; game: string; from: number; step: number; entries: Entry[] }

/** Cuts entries before each that takes a bundle, which has to be there first. */
export function pieces(entries: Entry[]): Entry[][] {
  const cut: Entry[][] = []
  for (const entry of entries) {
    if (!cut.length || entry.type === 'bundle.taken') cut.push([])
    cut[cut.length - 1].push(entry)
  }
  return cut
}

/** What only a stage that follows needs; a rehearsal says when events come, and what channels carry. */
const FOLLOWED = [
  'subject.moved',
  'camera.moved',
  'parameter.set',
  'bundle.taken',
  'frame.checked',
  'stage.cleared',
  'stage.reset',
]
/** Entries and characters of them that are kept for a rehearsal; the oldest go first. */
const MOST_KEPT = 100_000
const MOST_CHARACTERS = 16 << 20

/** What a game said, as lines of a file of pulls. */
export function keeper() {
  let kept: { step: number; text: string }[] = []
  let characters = 0
  return {
    clear() {
      kept = []
      characters = 0
    },
    take(entries: Entry[]) {
      for (const entry of entries) {
        if (FOLLOWED.includes(entry.type)) continue
        const text = JSON.stringify(entry)
        kept.push({ step: entry.step, text })
        characters += text.length
      }
      let gone = Math.max(0, kept.length - MOST_KEPT)
      for (let i = 0; i < kept.length && (i < gone || characters > MOST_CHARACTERS); i++) {
        characters -= kept[i].text.length
        gone = Math.max(gone, i + 1)
      }
      if (gone) kept = kept.slice(gone)
    },
    get count() {
      return kept.length
    },
    /** Lines of JSON, in seconds from the first. */
    lines(stepsPerSecond: number): string {
      const first = kept[0]?.step ?? 0
      return kept
        .map(({ step, text }) => `${text.slice(0, -1)},"at":"${(step - first) / stepsPerSecond}"}\n`)
        .join('')
    },
  }
}

type Line = GameReply['lines'][number]

/** One line of the ticker: how it ended, and in words why. */
export interface Told {
  key: string
  at: number
  type: string
  subject: string
  outcome: 'answered' | 'silent' | 'unwired' | 'unknown' | 'wrong'
  words: string
  account?: AccountReport
}

/** What a game sends for an event of which the project knows nothing. */
const unknown = (account: AccountReport) => account.refused.some((r) => r.place === '/type')

const problem = (p: Problem) => `${p.place ? `${p.place}: ` : ''}${p.given}: ${p.allowed}`

/** @param seconds on the game's clock, for what could not be read */
export function told(line: Line, seconds: number, count: number): Told {
  const { account, number, type } = line
  const key = `${number || 'own'} ${count}`
  if (!account)
    return {
      key,
      at: seconds,
      type,
      subject: '',
      outcome: 'wrong',
      words: line.problems.map(problem).join('; '),
    }
  const base = { key, at: account.at, type, subject: account.subject, account }
  if (account.refused.length)
    return {
      ...base,
      outcome: unknown(account) ? 'unknown' : 'wrong',
      words: account.refused.map(problem).join('; '),
    }
  const answered = account.answers.filter((a) => a.answered)
  if (answered.length) return { ...base, outcome: 'answered', words: answered.map((a) => a.name).join(', ') }
  if (!account.answers.length) return { ...base, outcome: 'unwired', words: 'no rope listens' }
  return { ...base, outcome: 'silent', words: account.answers.map((a) => a.words).join('; ') }
}

/** What came of one kind of event so far. */
export interface Tally {
  type: string
  came: number
  answered: number
  last: Told
}

/** Most kinds that are counted; a game that says ever new ones must not fill the page. */
const MOST_KINDS = 300

/** Counts one more. */
export function counted(tallies: Map<string, Tally>, line: Told) {
  const before = tallies.get(line.type)
  if (!before && tallies.size >= MOST_KINDS) return
  tallies.set(line.type, {
    type: line.type,
    came: (before?.came ?? 0) + 1,
    answered: (before?.answered ?? 0) + (line.outcome === 'answered' ? 1 : 0),
    last: line,
  })
}

const TROUBLE: Told['outcome'][] = ['wrong', 'unknown', 'unwired', 'silent', 'answered']
/** Those that need a hand first, then those that came most. */
export const byTrouble = (tallies: Iterable<Tally>) =>
  [...tallies].sort((a, b) => {
    const rank = (t: Tally) => (t.answered ? TROUBLE.length : TROUBLE.indexOf(t.last.outcome))
    return rank(a) - rank(b) || b.came - a.came
  })

const VECTORS = ['position', 'normal', 'direction', 'heading', 'up', 'velocity'] as const

function field(name: string, value: unknown): Field {
  if (typeof value === 'number') {
    // A range that holds what came, with a round end.
    const size = Math.abs(value) || 1
    const round = 10 ** Math.ceil(Math.log10(size))
    const most = size <= round / 2 ? round / 2 : round
    return { name, type: 'number', range: [value < 0 ? -most : 0, most], usual: value, unit: '' }
  }
  if (typeof value === 'boolean') return { name, type: 'flag' }
  if (typeof value === 'string') return { name, type: 'text' }
  const type = VECTORS.find((v) => name.toLowerCase().includes(v)) ?? 'vector'
  return { name, type }
}

/** Returns the event that a game must have meant, from what came of it. */
export function declared(account: AccountReport): EventType {
  const span = account.phase === 'begin' || account.phase === 'end'
  return {
    name: account.event,
    description: '',
    shape: account.value ? 'state' : span ? 'span' : 'moment',
    ...(account.value ? { values: [account.value] } : {}),
    weight: 2,
    fields: Object.entries(account.payload as Payload).map(([name, value]) => field(name, value)),
  }
}
