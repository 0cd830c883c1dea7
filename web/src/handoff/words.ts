import type { Field, Parameter } from '../api/bundle'
import { showNumber } from '../common/numberText'
import { inWords, TYPES, typeOf } from '../effects/turn/parameters'

/** What a field of a payload carries. */
export function carries(f: Field): string {
  if (f.type === 'number') return `a number, ${showNumber(f.range[0])} to ${showNumber(f.range[1])}`
  if (f.type === 'choice') return f.options.join(', ')
  if (f.type === 'flag') return 'yes or no'
  if (f.type === 'colour') return 'a colour'
  if (f.type === 'text') return 'a text'
  return f.type === 'vector' ? 'three numbers' : `three numbers: the ${f.type}`
}

/** What a parameter takes. */
export function takes(p: Parameter): string {
  const type = typeOf(p)
  if (type === 'number' || type === 'whole')
    return `${TYPES[type]}, ${showNumber(p.least ?? 0)} to ${showNumber(p.most ?? 1)}`
  if (type === 'choice') return p.options!.join(', ')
  if (type === 'vector') return `three numbers, each up to ±${showNumber(p.most ?? 1)}`
  return type === 'colour' && p.opacity ? 'a colour with opacity' : TYPES[type]
}
export const usually = (p: Parameter) => inWords(p.default)

/** Tells whether all words that are looked for are found in any of the texts. */
export function found(looked: string, ...texts: (string | undefined)[]): boolean {
  const all = texts.join(' ').toLowerCase()
  return looked
    .toLowerCase()
    .split(/\s+/)
    .every((word) => all.includes(word))
}
