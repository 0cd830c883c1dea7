import type { NoticeValue } from '../../api/bundle'
import { freeName } from '../../common/freeName'

/** Constants that a notice can carry, by the key of their choice. */
export const CONSTANTS: [kind: string, words: string][] = [
  ['number', 'a number'],
  ['word', 'a word'],
  ['yes', 'yes'],
  ['no', 'no'],
]
const FRESH: Record<string, number | string | boolean> = { number: 1, word: 'word', yes: true, no: false }

/** Returns the key of the choice that a value has made. */
export function chosenSource(v: NoticeValue): string {
  if (v.field !== undefined) return `field ${v.field}`
  if (v.channel !== undefined) return `channel ${v.channel}`
  if (v.from !== undefined) return `from ${v.from}`
  if (typeof v.constant === 'boolean') return v.constant ? 'constant yes' : 'constant no'
  return typeof v.constant === 'number' ? 'constant number' : 'constant word'
}

/** Returns the source that the key of a choice stands for. */
export function sourceOf(chosen: string): Omit<NoticeValue, 'name'> {
  const at = chosen.indexOf(' ')
  const kind = chosen.slice(0, at)
  const name = chosen.slice(at + 1)
  return kind === 'constant' ? { constant: FRESH[name] } : { [kind]: name }
}

/** Returns a value to add: the first field of the event that is not carried yet, or a constant. */
export function freshValue(values: NoticeValue[], fields: string[]): NoticeValue {
  const taken = (name: string) => values.some((v) => v.name === name)
  const field = fields.find((f) => !taken(f) && !values.some((v) => v.field === f))
  if (field) return { name: field, field }
  const name = freeName(
    'value',
    values.map((v) => v.name),
  )
  return { name, constant: 1 }
}
