import type { TimeUnit } from './times'

/** What a number field holds: a plain number, a time in seconds, a whole number, so many a second. */
export type NumberKind = 'plain' | 'time' | 'whole' | 'rate'

/** What a field of numbers is about, whether it holds one or two. */
export interface NumberProps {
  label: string
  unit?: string
  kind?: NumberKind
  least?: number
  most?: number
  step?: number
  stepsPerSecond?: number
}

/**
 * Returns the number that a text stands for, or undefined. Takes sums with + − * / and brackets; a time takes `s`, `ms`
 * and `f` (frames) behind any of its numbers; where none has a unit, it is in the unit that the field shows. A rate may be told as
 * an interval too: `every 100 ms`, or a time alone.
 */
export function readNumber(
  text: string,
  kind: NumberKind,
  stepsPerSecond = 60,
  shown: TimeUnit = 's',
): number | undefined {
  if (kind === 'rate') {
    const every = /^(?:one\s+)?every\b/i.exec(text.trim())
    if (!every && !typedUnit(text)) return readNumber(text, 'plain')
    const interval = readNumber(text.trim().slice(every?.[0].length ?? 0), 'time', stepsPerSecond)
    return interval ? rounded(1 / interval) : undefined
  }
  const source = text.trim().replace(',', '.').replace('−', '-').replace('×', '*')
  if (!source) return undefined
  let at = 0
  const peek = () => {
    while (source[at] === ' ') at++
    return source[at]
  }
  function sum(): number {
    let value = product()
    for (let c = peek(); c === '+' || c === '-'; c = peek()) {
      at++
      value = c === '+' ? value + product() : value - product()
    }
    return value
  }
  function product(): number {
    let value = atom()
    for (let c = peek(); c === '*' || c === '/'; c = peek()) {
      at++
      value = c === '*' ? value * atom() : value / atom()
    }
    return value
  }
  function atom(): number {
    const c = peek()
    if (c === '-') {
      at++
      return -atom()
    }
    if (c === '(') {
      at++
      const value = sum()
      if (peek() !== ')') return NaN
      at++
      return value
    }
    const match = /^(\d+\.?\d*|\.\d+)(e[+-]?\d+)?/i.exec(source.slice(at))
    if (!match) return NaN
    at += match[0].length
    return Number(match[0]) * unit()
  }
  function unit(): number {
    if (kind !== 'time') return 1
    const match = /^\s*(ms|s|f)\b/.exec(source.slice(at))
    if (!match) return 1
    at += match[0].length
    return seconds(match[1] as TimeUnit, stepsPerSecond)
  }
  const value = sum() * (kind === 'time' && !typedUnit(text) ? seconds(shown, stepsPerSecond) : 1)
  peek()
  if (at < source.length || !Number.isFinite(value)) return undefined
  return kind === 'whole' ? Math.round(value) : rounded(value)
}

/** Returns how many seconds a unit is. */
const seconds = (unit: TimeUnit, stepsPerSecond: number) =>
  unit === 'ms' ? 0.001 : unit === 'f' ? 1 / stepsPerSecond : 1

/** Returns the last unit that was typed in a time. */
export function typedUnit(text: string): TimeUnit | undefined {
  return [...text.matchAll(/(?<=[\d\s.)])(ms|s|f)\b/g)].at(-1)?.[1] as TimeUnit | undefined
}

/** Returns a time as the number that a field shows in a unit. */
export const showTime = (value: number, unit: TimeUnit, stepsPerSecond: number) =>
  showNumber(value / seconds(unit, stepsPerSecond))

/** Returns a number without the dust of binary arithmetic. */
export function rounded(value: number): number {
  return Number(value.toPrecision(10))
}

/** Returns a presence in u²: two digits that count, however small. */
export function showPresence(value: number): string {
  return value >= 10
    ? value.toFixed(1)
    : value >= 0.1
      ? value.toFixed(2)
      : String(Number(value.toPrecision(2)))
}

/** Returns a share in per cent, two digits that count. */
export const showShare = (share: number) => `${showNumber(Number((100 * share).toPrecision(2)))} %`

/** Returns a number for reading: at most four digits after the point. */
export function showNumber(value: number): string {
  return String(Number(value.toFixed(4)))
}

/** Returns a number for reading, with a narrow space between thousands from five digits on. */
export const showCount = (value: number) =>
  showNumber(value).replace(/^-?\d{5,}/, (whole) => whole.replace(/\B(?=(\d{3})+$)/g, '\u202f'))
