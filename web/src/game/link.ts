import type { GameReply } from '../api/client'
import type { Payload } from '../api/bundle'
import type { Look } from '../stage/figures'

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

/** What a game can be asked for, each in a few words, and how its subjects look. */
export interface Shown {
  can: readonly string[]
  looks: readonly Look[]
}

/** What a server tells a bench. */
export type News =
  | { is: 'game'; game: Standing }
  | ({ is: 'shows'; game: string } & Shown)
  | { is: 'not asked'; game: string; what: string }
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

/** One thing that happened in a game, as it is told. */
export type Happening = GameReply['lines'][number]
export type HappenedKind = GameReply['kinds'][number]
export type Outcome = keyof GameReply['outcomes']

const NEED: Outcome[] = ['wrong', 'unknown', 'unwired', 'silent', 'answered']
/** Those that need a hand first: what was never answered by how its last ended, then those that came most. */
export const byNeed = (kinds: Iterable<HappenedKind>) =>
  [...kinds].sort((a, b) => {
    const rank = (k: HappenedKind) =>
      k.outcomes.answered ? NEED.length : NEED.indexOf(k.last.outcome as Outcome)
    return rank(a) - rank(b) || b.came - a.came
  })
