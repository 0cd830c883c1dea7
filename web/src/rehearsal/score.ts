import type { EventType, Lane, Mark, Pattern, Score } from '../api/bundle'
import { showNumber } from '../common/numberText'

/** The kinds of patterns, in the order in which they are offered, and what they are called. */
export const KINDS = [
  ['marks', 'at marks of its own'],
  ['steady', 'steadily'],
  ['poisson', 'by chance'],
  ['salvos', 'in salvos'],
  ['rising', 'by a curve'],
  ['after', 'after another lane'],
] as const
export type PatternKind = (typeof KINDS)[number][0]

const a = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`

/** Returns what a lane does, in a few words. */
export function laneWords(lane: Lane, lanes: Lane[]): string {
  const { when } = lane
  switch (when.kind) {
    case 'marks':
      return a(when.marks.length, 'mark')
    case 'steady':
      return `${showNumber(when.perSecond)} a second`
    case 'poisson':
      return `${showNumber(when.perSecond)} a second, by chance`
    case 'salvos':
      return `${when.count} within ${showNumber(when.within ?? 0)} s, every ${showNumber(when.every)} s`
    case 'rising':
      return `up to ${showNumber(Math.max(...when.perSecond.map((k) => k.value)))} a second`
    case 'after': {
      const first = lanes.find((l) => l.id === when.lane)
      const delay = when.delay ? `, ${showNumber(when.delay)} s later` : ''
      const chance = when.chance ?? 1
      return `after ${first?.event ?? 'nothing'}${chance < 1 ? ` with chance ${showNumber(chance)}` : ''}${delay}`
    }
  }
}

/** Returns a pattern of another kind that comes about as often. */
export function patternOf(kind: PatternKind, lane: Lane, score: Score): Pattern {
  const rate = 'perSecond' in lane.when && typeof lane.when.perSecond === 'number' ? lane.when.perSecond : 1
  switch (kind) {
    case 'marks':
      return { kind, marks: lane.when.kind === 'marks' ? lane.when.marks : [] }
    case 'steady':
    case 'poisson':
      return { kind, perSecond: rate }
    case 'salvos':
      return { kind, count: 6, within: 1, every: 5 }
    case 'rising':
      return {
        kind,
        perSecond: [
          { at: 0, value: 0, ease: 'linear' },
          { at: 0.5, value: rate, ease: 'linear' },
          { at: 1, value: 0, ease: 'linear' },
        ],
      }
    case 'after':
      return { kind, lane: score.lanes.find((l) => l.id !== lane.id)?.id ?? lane.id, chance: 0.5, delay: 0.1 }
  }
}

/** Returns an id that no lane of a score has. */
export const freeId = (score: Score) => Math.max(0, ...score.lanes.map((l) => l.id)) + 1

/** Returns a new lane of an event. */
export function newLane(score: Score, event: EventType): Lane {
  return {
    id: freeId(score),
    event: event.name,
    when:
      event.shape === 'moment' ? { kind: 'poisson', perSecond: 1 } : { kind: 'marks', marks: [{ at: 1 }] },
  }
}

/** Returns a score with a lane changed, or without it. */
export function withLane(score: Score, id: number, lane: Lane | undefined): Score {
  return { ...score, lanes: score.lanes.flatMap((l) => (l.id !== id ? [l] : lane ? [lane] : [])) }
}

/** Marks as they were played, for a lane that is to be edited by hand from now on. */
export function writtenOut(at: number[], until: number[] | null | undefined): Mark[] {
  const three = (x: number) => Math.round(x * 1000) / 1000
  return at.map((t, i) => ({
    at: three(t),
    ...(until && Number.isFinite(until[i]) && { lasts: three(until[i] - t) }),
  }))
}

/** Returns marks with one moved, held within the score, and rounded to a hundredth. */
export function moved(marks: Mark[], index: number, to: number, seconds: number): Mark[] {
  const at = Math.round(Math.min(seconds, Math.max(0, to)) * 100) / 100
  return marks.map((m, i) => (i === index ? { ...m, at } : m))
}

/** Seconds that are written below a score of some length: at most about ten. */
export function ticks(seconds: number): number[] {
  const step = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 30, 60, 120, 300, 600].find((s) => seconds / s <= 10) ?? 1200
  return Array.from(
    { length: Math.floor(seconds / step + 1e-9) + 1 },
    (_, i) => Math.round(i * step * 10) / 10,
  )
}
