import { useKept } from './useKept'

/** How a time is shown: in seconds, milliseconds or frames. */
export type TimeUnit = 's' | 'ms' | 'f'

interface Times {
  all: TimeUnit
  /** Of fields in which a time was typed with another unit, by their name. */
  own: Record<string, TimeUnit>
}

const times = useKept<Times>('times', { all: 's', own: {} })

// Both ends of a range go by the name of the range.
const name = (label: string) => label.split(',')[0]

export const timeUnit = (label: string): TimeUnit => times.value.own[name(label)] ?? times.value.all

/** Goes on in the unit that was typed. */
export function keepTimeUnit(label: string, unit: TimeUnit) {
  if (unit === times.value.all) delete times.value.own[name(label)]
  else times.value.own[name(label)] = unit
}

/** What was typed in one project says nothing about another. */
export function forgetOwnTimes() {
  times.value.own = {}
}

export const allTimes = () => times.value.all

/** Shows all times in a unit, those too that had one of their own. */
export function showAllTimes(unit: TimeUnit) {
  times.value.all = unit
  times.value.own = {}
}
