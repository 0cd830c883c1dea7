import { mostOf } from '../common/settings'
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

const last = (marks: Mark[]) => Math.max(...marks.map((m) => m.at))
const first = (marks: Mark[]) => Math.min(...marks.map((m) => m.at))

/** From the first to the last of some marks, in seconds. */
export const extentOf = (marks: Mark[]): [number, number] =>
  marks.length ? [first(marks), last(marks)] : [0, 0]

const three = (x: number) => Math.round(x * 1000) / 1000

/** Returns marks brought into another stretch of time, spans and all: the first at its beginning, the last at its end. */
export function stretched(marks: Mark[], [from, until]: [number, number]): Mark[] {
  const [a, b] = extentOf(marks)
  const times = b > a ? (until - from) / (b - a) : 1
  return marks.map((m) => ({
    ...m,
    at: three(from + (m.at - a) * times),
    ...(m.lasts !== undefined && { lasts: three(m.lasts * times) }),
  }))
}

/** Marks that one lane holds at most. */
const MOST_MARKS = mostOf('Lane', 'when.<Marks>.marks')

/** Returns marks that come again each so many seconds, up to the end of the score. */
export function repeated(marks: Mark[], every: number, seconds: number): Mark[] {
  const all = [...marks]
  if (!marks.length || !(every > 0)) return all
  const [a] = extentOf(marks)
  for (let n = 1; a + n * every < seconds && all.length < MOST_MARKS; n++)
    for (const m of marks) {
      const at = three(m.at + n * every)
      if (at < seconds && all.length < MOST_MARKS) all.push({ ...m, at })
    }
  return all.sort((p, q) => p.at - q.at)
}

/** Seconds that are written below a score of some length: at most about ten. */
export function ticks(seconds: number): number[] {
  const step = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 30, 60, 120, 300, 600].find((s) => seconds / s <= 10) ?? 1200
  return Array.from(
    { length: Math.floor(seconds / step + 1e-9) + 1 },
    (_, i) => Math.round(i * step * 10) / 10,
  )
}
