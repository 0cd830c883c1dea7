import type { Binding, Datum, Effect, Mode, Parameter, ParameterType, Property } from '../../api/bundle'
import type { ParameterReport } from '../../api/client'
import { setting } from '../../common/settings'
import { showNumber } from '../../common/numberText'
import { freeName } from '../../common/freeName'

/** The properties that parameters can act on, in the order of the acts; names as in files. */
export const PROPERTIES = setting('Binding', 'property').options as Property[]

export const TYPES: Record<ParameterType, string> = {
  number: 'a number',
  whole: 'a whole number',
  flag: 'yes or no',
  choice: 'a choice of words',
  vector: 'three numbers',
  colour: 'a colour',
}

export const typeOf = (p: Parameter): ParameterType => p.type ?? 'number'
export const scalar = (p: Parameter) => !['vector', 'colour'].includes(typeOf(p))
export const numeric = (p: Parameter) => ['number', 'whole'].includes(typeOf(p))

/** What a number without bounds is held within. */
export const FAR = 1e6

/** Which properties a parameter can act on, and how. */
export function actsOn(p: Parameter): { properties: Property[]; modes: Mode[] } {
  switch (typeOf(p)) {
    case 'colour':
      return { properties: ['colour'], modes: ['multiply', 'replace'] }
    case 'vector':
      return { properties: ['offset', 'gravity', 'shape', 'force place'], modes: ['add', 'replace'] }
    default:
      return {
        properties: PROPERTIES.filter((x) => x !== 'colour' && (x !== 'sprite' || typeOf(p) === 'choice')),
        modes: ['multiply', 'divide', 'add', 'replace'],
      }
  }
}

/** How a parameter can act on a property. */
export const modesOn = (p: Parameter, property: Property): Mode[] =>
  property === 'sprite' ? ['replace'] : actsOn(p).modes

/** A binding as it usually is: a number multiplies, a vector adds, a sprite stands instead. */
export function binding(p: Parameter, property: Property, emitter?: string): Binding {
  const b: Binding = { property, mode: modesOn(p, property)[0] }
  if (emitter) b.emitter = emitter
  if (property === 'sprite') return b
  const steps = typeOf(p) === 'flag' ? 2 : (p.options?.length ?? 0)
  if (steps) b.each = Array.from({ length: steps }, () => 1)
  return b
}

/** Whether the words of a choice are the names of sprites. */
export const choosesSprites = (p: Parameter) => p.bindings.some((b) => b.property === 'sprite')

/**
 * Lets a binding act on another property. One that acts on sprites offers them: words that are none give way to the sprite in
 * use and one besides.
 */
export function rebind(p: Parameter, i: number, property: Property, used: string, sprites: string[]) {
  p.bindings[i] = binding(p, property, p.bindings[i].emitter)
  if (property !== 'sprite' || p.options?.every((o) => sprites.includes(o))) return
  p.options = [used, ...sprites.filter((s) => s !== used)].slice(0, 2)
  p.default = used
  for (const b of p.bindings) if (b.each) b.each = p.options.map((_, k) => b.each?.[k] ?? 1)
}

/** A parameter to begin with, under a name that is free. */
export function fresh(effect: Effect, wish: string): Parameter {
  const name = freeName(
    wish,
    effect.parameters.map((p) => p.name),
  )
  return { name, default: 1, least: 0, most: 4, step: 0.05, unit: '×', description: '', bindings: [] }
}

/** The same parameter as one of another type: what no longer fits is left out. */
export function retyped(p: Parameter, type: ParameterType): Parameter {
  const base: Parameter = { name: p.name, default: 0, unit: p.unit, description: p.description, bindings: [] }
  if (p.byGame) base.byGame = true
  if (type !== 'number') base.type = type
  const number = typeof p.default === 'number' ? p.default : 1
  if (type === 'number')
    Object.assign(base, { default: number, least: p.least ?? 0, most: p.most ?? Math.max(4, number) })
  if (type === 'whole') {
    const least = Math.floor(p.least ?? 0)
    const most = Math.ceil(p.most ?? 10)
    Object.assign(base, { least, most, default: Math.min(most, Math.max(least, Math.round(number))) })
  }
  if (type === 'flag') base.default = false
  if (type === 'choice') Object.assign(base, { default: 'one', options: ['one', 'other'] })
  if (type === 'vector') Object.assign(base, { default: [0, 0, 0], most: 10 })
  if (type === 'colour') base.default = '#FFFFFF'
  const steps = type === 'flag' ? 2 : type === 'choice' ? 2 : 0
  const { properties, modes } = actsOn(base)
  base.bindings = p.bindings
    .filter((b) => properties.includes(b.property))
    .map((b) => {
      const next: Binding = { property: b.property, mode: modes.includes(b.mode) ? b.mode : modes[0] }
      if (b.emitter) next.emitter = b.emitter
      if (steps) next.each = [1, 1]
      else if (b.remap && ['number', 'whole'].includes(type)) next.remap = b.remap
      return next
    })
  return base
}

type Measured = ParameterReport['usual'][number]
const WHATS = ['count', 'size', 'speed', 'reach', 'presence'] as const

/**
 * How strongly an emitter answers: every number that changes, as a factor of the usual. Means of what was born are told only
 * where something was, and where they are meant to change or change by more than chance would.
 */
export function strengths(
  usual: Measured,
  low: Measured,
  high: Measured,
  bound: string[],
): { what: string; words: string }[] {
  return WHATS.flatMap((what) => {
    const mean = what === 'size' || what === 'speed'
    const [u, a, b] = [usual[what], low[what], high[what]]
    const ends = mean ? [low.count ? a : u, high.count ? b : u] : [a, b]
    if (!u) return a || b ? [{ what, words: `${what} ${short(a)}–${short(b)}` }] : []
    const least = mean && !bound.includes(what) ? 0.2 : 0.01
    if (ends.every((v) => Math.abs(v / u - 1) < least)) return []
    return [{ what, words: `${what} ${short(ends[0] / u)}–${short(ends[1] / u)} ×` }]
  })
}
export const short = (v: number) => showNumber(Number(v.toPrecision(v < 0.1 ? 1 : v < 1 ? 2 : 3)))

export function inWords(v: Datum | undefined): string {
  if (typeof v === 'number') return showNumber(v)
  if (typeof v === 'boolean') return v ? 'yes' : 'no'
  return Array.isArray(v) ? v.map(showNumber).join(', ') : (v ?? '')
}
