import { reactive, watch } from 'vue'

/** How a time is shown: in seconds, milliseconds or frames. */
export type TimeUnit = 's' | 'ms' | 'f'

const KEPT = 'bellrope.times'

interface Times {
  all: TimeUnit
  /** Of fields in which a time was typed with another unit, by their name. */
  own: Record<string, TimeUnit>
}

function kept(): Times {
  try {
    return { all: 's', own: {}, ...JSON.parse(localStorage.getItem(KEPT) ?? '{}') }
  } catch {
    return { all: 's', own: {} }
  }
}

const times = reactive<Times>(kept())
watch(times, () => localStorage.setItem(KEPT, JSON.stringify(times)))

// Both ends of a range go by the name of the range.
const name = (label: string) => label.split(',')[0]

export const timeUnit = (label: string): TimeUnit => times.own[name(label)] ?? times.all

/** Goes on in the unit that was typed. */
export function keepTimeUnit(label: string, unit: TimeUnit) {
  if (unit === times.all) delete times.own[name(label)]
  else times.own[name(label)] = unit
}

export const allTimes = () => times.all

/** Shows all times in a unit, those too that had one of their own. */
export function showAllTimes(unit: TimeUnit) {
  times.all = unit
  times.own = {}
}
