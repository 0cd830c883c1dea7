import { mostOf } from '../common/settings'
import type { Channelled } from '../api/bundle'

/** What a channel carries over a score, as a line that is drawn and bent: numbers alone, nothing of the page. */

type Point = Channelled['points'][number]

/** Most points of a channel. */
export const MOST_POINTS = mostOf('Channelled', 'points')
/** Points are no nearer to each other than this, s. */
const GAP = 0.01

const two = (x: number) => Math.round(x * 100) / 100

/** The values at the bottom and at the top of a line: what is expected of the channel, and what is beyond. */
export function spanOf(points: Point[], range: readonly number[] = []): { low: number; high: number } {
  const all = [...points.map((p) => p.value), ...range]
  const low = Math.min(...all)
  const high = Math.max(...all)
  return high > low ? { low, high } : { low: low - 1, high: high + 1 }
}

/** Returns what a channel carries at a time. */
export function valueAt(points: Point[], seconds: number): number {
  const next = points.findIndex((p) => p.at > seconds)
  if (next < 0) return points[points.length - 1].value
  if (next === 0) return points[0].value
  const [a, b] = [points[next - 1], points[next]]
  return a.value + ((b.value - a.value) * (seconds - a.at)) / (b.at - a.at)
}

/** Returns points with one moved, held between its neighbours and in the score. */
export function bent(points: Point[], index: number, to: Point, seconds: number): Point[] {
  const from = index ? points[index - 1].at + GAP : 0
  const until = index < points.length - 1 ? points[index + 1].at - GAP : seconds
  const at = two(Math.min(until, Math.max(from, to.at)))
  return points.map((p, i) => (i === index ? { at, value: two(to.value) } : p))
}

/** Returns points with one more, and which it is; the same where there is one already, or there are as many as may be. */
export function pointed(points: Point[], at: number, value: number): { points: Point[]; index: number } {
  const time = two(at)
  const near = points.findIndex((p) => Math.abs(p.at - time) < GAP)
  if (near >= 0 || points.length >= MOST_POINTS) return { points, index: Math.max(0, near) }
  const next = [...points, { at: time, value: two(value) }].sort((a, b) => a.at - b.at)
  return { points: next, index: next.findIndex((p) => p.at === time) }
}

/** Returns the path of a line: level before its first point and after its last. */
export function pathOf(
  points: Point[],
  seconds: number,
  x: (s: number) => number,
  y: (v: number) => number,
): string {
  const first = points[0]
  const last = points[points.length - 1]
  return (
    `M${x(0)} ${y(first.value)}` +
    points.map((p) => `L${x(p.at)} ${y(p.value)}`).join('') +
    `L${x(Math.max(seconds, last.at))} ${y(last.value)}`
  )
}
