import { mostOf, setting } from '../common/settings'
import type { Ease, EaseName, Key } from '../api/bundle'
import { rounded } from '../common/numberText'

/** How a lane of keys lies in its box, and what can be done with the keys: numbers alone, nothing of the page. */

export const WIDTH = 240
export const HEIGHT = 52
/** Above and below the curve, so that the handles of two lanes never overlap. */
const EDGE = 10
const SIDE = 6
/** Keys of one curve, at most. */
export const MOST_KEYS = mostOf('Curve')
/** The least share of the lane between two keys. */
const GAP = 0.001

export const EASES: EaseName[] = ['linear', 'ease', 'ease-in', 'ease-out', 'ease-in-out', 'hold']
const BEZIERS: Record<string, [number, number, number, number]> = {
  linear: [0, 0, 1, 1],
  ease: [0.25, 0.1, 0.25, 1],
  'ease-in': [0.42, 0, 1, 1],
  'ease-out': [0, 0, 0.58, 1],
  'ease-in-out': [0.42, 0, 0.58, 1],
}

const values = (keys?: Key[]) => (keys ?? []).map((k) => k.value)

/** The values at the bottom and over the whole height of a lane. */
export interface Scale {
  low: number
  span: number
}

/** Returns a scale that shows all of some curves, and zero. */
export function scaleOf(least: number, ...curves: (Key[] | undefined)[]): Scale {
  const all = curves.flatMap(values)
  const top = Math.max(least < 0 ? 0.001 : 1, ...all)
  const low = Math.min(0, ...all)
  return { low, span: top - low || 1 }
}

export const x = (at: number) => SIDE + at * (WIDTH - 2 * SIDE)
export const y = (value: number, scale: Scale) =>
  HEIGHT - EDGE - ((value - scale.low) / scale.span) * (HEIGHT - 2 * EDGE)

/** Returns the fraction and the value at a place of the lane, both to a hundredth. */
export function placed(left: number, top: number, scale: Scale): { at: number; value: number } {
  const at = (left - SIDE) / (WIDTH - 2 * SIDE)
  const value = scale.low + ((HEIGHT - EDGE - top) / (HEIGHT - 2 * EDGE)) * scale.span
  return { at: Math.round(Math.min(1, Math.max(0, at)) * 100) / 100, value: Math.round(value * 100) / 100 }
}

export const MOST_STEPS = setting('Key', 'ease.<Steps>.steps').most
export type Steps = Extract<Ease, { steps: number }>
export type Slopes = Extract<Ease, { out: number }>
const stepsOf = (ease: Ease | undefined): Steps | undefined =>
  typeof ease === 'object' && 'steps' in ease ? ease : undefined

/** Returns the share of the way to the next key that each step holds: as `steps()` of CSS says. */
export function held({ steps, jump = 'none' }: Steps): number[] {
  const jumps = steps + (jump === 'none' ? -1 : jump === 'both' ? 1 : 0)
  const first = jump === 'start' || jump === 'both' ? 1 : 0
  return Array.from({ length: steps }, (_, i) => (i + first) / jumps)
}

/** Returns the control points of the Bézier from one key to the next: shares of the way, and values. */
function controls(a: Key, b: Key): [number, number, number, number] {
  const ease: Ease = a.ease ?? 'linear'
  if (typeof ease === 'object' && 'out' in ease) {
    const third = (b.at - a.at) / 3
    return [1 / 3, a.value + ease.out * third, 2 / 3, b.value - ease.in * third]
  }
  const [x1, y1, x2, y2] = Array.isArray(ease) ? ease : BEZIERS[ease as EaseName]
  const gone = (share: number) => a.value + (b.value - a.value) * share
  return [x1, gone(y1), x2, gone(y2)]
}

/**
 * Returns a curve as an SVG path. The browser's own cubic draws the way between two keys: a CSS easing is a Bézier in time and
 * progress, and a spline with slopes has its control points a third of the way along them.
 */
export function line(keys: Key[], scale: Scale): string {
  const up = (value: number) => y(value, scale)
  let d = `M${x(0)} ${up(keys[0].value)}L${x(keys[0].at)} ${up(keys[0].value)}`
  for (let i = 1; i < keys.length; i++) {
    const [a, b] = [keys[i - 1], keys[i]]
    if (a.ease === 'hold') {
      d += `H${x(b.at)}V${up(b.value)}`
      continue
    }
    const steps = stepsOf(a.ease)
    if (steps) {
      held(steps).forEach((share, n) => {
        const value = up(a.value + (b.value - a.value) * share)
        d += `V${value}H${x(a.at + ((b.at - a.at) * (n + 1)) / steps.steps)}`
      })
      d += `V${up(b.value)}`
      continue
    }
    const [x1, v1, x2, v2] = controls(a, b)
    const at = (s: number) => x(a.at + (b.at - a.at) * s)
    d += `C${at(x1)} ${up(v1)} ${at(x2)} ${up(v2)} ${x(b.at)} ${up(b.value)}`
  }
  return d + `L${x(1)} ${up(keys.at(-1)!.value)}`
}

/** Ready-made courses, with 1 for the highest value that the curve has. */
export const SHAPES: Record<string, [number, number, EaseName?][]> = {
  even: [[0, 1]],
  'grow in': [
    [0, 0.1, 'ease-out'],
    [0.2, 1],
  ],
  'grow all along': [
    [0, 0.2],
    [1, 1],
  ],
  'shrink away': [
    [0, 1],
    [0.5, 1, 'ease-in'],
    [1, 0],
  ],
  'fade out': [
    [0, 1],
    [0.7, 1],
    [1, 0],
  ],
  'in and out': [
    [0, 0],
    [0.15, 1],
    [0.7, 1],
    [1, 0],
  ],
  flicker: [
    [0, 1, 'hold'],
    [0.2, 0.3, 'hold'],
    [0.35, 0.9, 'hold'],
    [0.6, 0.4, 'hold'],
    [0.8, 0.8],
    [1, 0],
  ],
}

/** Returns a ready-made course as high as a curve is. */
export function shaped(keys: Key[], name: string): Key[] {
  const high = Math.max(...values(keys)) || 1
  return SHAPES[name].map(([at, value, ease]) => ({
    at,
    value: rounded(value * high),
    ease: ease ?? 'linear',
  }))
}

export const copied = (keys: Key[]): Key[] => JSON.parse(JSON.stringify(keys))

/** Returns the keys with one of them elsewhere, held between its neighbours and the bounds. */
export function moved(keys: Key[], i: number, at: number, value: number, least: number, most: number): Key[] {
  const next = copied(keys)
  const from = i > 0 ? keys[i - 1].at + GAP : 0
  const to = i < keys.length - 1 ? keys[i + 1].at - GAP : 1
  next[i].at = rounded(Math.min(to, Math.max(from, at)))
  next[i].value = rounded(Math.min(most, Math.max(least, value)))
  return next
}

/**
 * Returns a curve held in so many even steps, the first as it begins and the last as it ends: `steps(n, jump-none)` of CSS over
 * any course.
 */
export function stepped(keys: Key[], steps: number): Key[] {
  return Array.from({ length: steps }, (_, i) => ({
    at: rounded(i / steps),
    value: valueAt(keys, i / (steps - 1)),
    ease: 'hold' as const,
  }))
}

/** Returns the value of a curve at a share of the lane, as it is drawn. */
export function valueAt(keys: Key[], at: number): number {
  const i = keys.findIndex((k) => k.at > at)
  if (i === 0) return rounded(keys[0].value)
  if (i < 0) return rounded(keys.at(-1)!.value)
  const [a, b] = [keys[i - 1], keys[i]]
  if (a.ease === 'hold') return rounded(a.value)
  const steps = stepsOf(a.ease)
  if (steps) {
    const n = Math.min(steps.steps - 1, Math.floor(((at - a.at) / (b.at - a.at)) * steps.steps + 1e-9))
    return rounded(a.value + (b.value - a.value) * held(steps)[n])
  }
  const [x1, v1, x2, v2] = controls(a, b)
  // The share of the way at which the Bézier in time is there: it only ever goes on.
  const wanted = (at - a.at) / (b.at - a.at)
  let [low, high] = [0, 1]
  for (let n = 0; n < 40; n++) {
    const t = (low + high) / 2
    if (cubic(0, x1, x2, 1, t) < wanted) low = t
    else high = t
  }
  return rounded(cubic(a.value, v1, v2, b.value, low))
}
const cubic = (p0: number, p1: number, p2: number, p3: number, t: number) =>
  p0 * (1 - t) ** 3 + 3 * p1 * t * (1 - t) ** 2 + 3 * p2 * t ** 2 * (1 - t) + p3 * t ** 3

/** Returns the middle of the widest gap of a lane. */
export function widest(keys: Key[]): number {
  const ends = [0, ...keys.map((k) => k.at), 1]
  let best = 0
  for (let i = 1; i < ends.length - 1; i++) if (ends[i + 1] - ends[i] > ends[best + 1] - ends[best]) best = i
  return Math.round(50 * (ends[best] + ends[best + 1])) / 100
}

/** Returns keys with their values held inside what a lane allows. */
export const within = (keys: Key[], least: number, most: number): Key[] =>
  copied(keys).map((k) => ({ ...k, value: Math.min(most, Math.max(least, k.value)) }))

/** Returns the keys with one more; undefined where another is too near, or there are as many as there may be. */
export function withKey(
  keys: Key[],
  at: number,
  value: number,
  least: number,
  most: number,
): Key[] | undefined {
  if (keys.some((k) => Math.abs(k.at - at) < 0.01) || keys.length >= MOST_KEYS) return undefined
  const fresh: Key = { at, value: Math.min(most, Math.max(least, value)), ease: 'linear' }
  return [...copied(keys), fresh].sort((a, b) => a.at - b.at)
}

/** Returns how a key of the keyboard moves a key of the curve: finer with Alt, further with Shift; undefined for any other. */
export function nudge(
  event: { key: string; shiftKey: boolean; altKey: boolean },
  span: number,
): [at: number, value: number] | undefined {
  const step = event.shiftKey ? 0.1 : event.altKey ? 0.001 : 0.01
  switch (event.key) {
    case 'ArrowLeft':
      return [-step, 0]
    case 'ArrowRight':
      return [step, 0]
    case 'ArrowUp':
      return [0, step * span]
    case 'ArrowDown':
      return [0, -step * span]
  }
  return undefined
}

export const easeName = (ease: Ease | undefined): string =>
  Array.isArray(ease)
    ? 'own Bézier'
    : typeof ease === 'object'
      ? stepsOf(ease)
        ? 'steps'
        : 'slopes'
      : (ease ?? 'linear')

/** Returns the keys with another way from one of them to the next; slopes begin as the straight line has them. */
export function eased(keys: Key[], i: number, name: string): Key[] {
  const next = copied(keys)
  const slope = rounded((next[i + 1].value - next[i].value) / (next[i + 1].at - next[i].at))
  next[i].ease =
    name === 'own Bézier'
      ? [0.25, 0.1, 0.25, 1]
      : name === 'slopes'
        ? { out: slope, in: slope }
        : name === 'steps'
          ? { steps: 10 }
          : (name as EaseName)
  return next
}
