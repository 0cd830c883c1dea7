import type { RehearsalView } from '../api/client'
import { brief } from '../common/plot'
import { unitOf } from './usage'

/** One number of two rehearsals. */
export interface Compared {
  name: string
  unit: string
  before: number
  now: number
  /** How much more it is now, in words: `+12 %`; that it is the same; or what cannot be said in per cent. */
  change: string
  /** Whether it is more, the same or less. */
  sign: -1 | 0 | 1
}

function change(before: number, now: number): string {
  if (before === now) return 'same'
  if (!before) return 'new'
  const share = Number(((100 * (now - before)) / before).toPrecision(2))
  return share === 0 ? 'same' : `${share > 0 ? '+' : '−'}${brief(Math.abs(share))} %`
}

function line(name: string, unit: string, before: number, now: number): Compared {
  return { name, unit, before, now, change: change(before, now), sign: Math.sign(now - before) as -1 | 0 | 1 }
}

/** Returns how two rehearsals differ: what each asks for at once at most, and all that is born. */
export function compared(before: RehearsalView, now: RehearsalView): Compared[] {
  return [
    ...now.whole.map((l) =>
      line(l.name, unitOf(l.name), before.whole.find((w) => w.name === l.name)?.peak ?? 0, l.peak),
    ),
    line('born', '', before.births, now.births),
  ]
}

/** What a pool lost in two rehearsals, as shares of what it was asked for; nothing where there was no such pool. */
export interface ComparedPool {
  name: string
  before?: number
  now?: number
  capacityBefore?: number
  capacityNow?: number
}

type Used = RehearsalView['pools'][number]
const lost = (p: Used | undefined) => p && (p.asked ? (p.refused + p.takenOver) / p.asked : 0)

/** Returns what pools lost, those that are only in one of the rehearsals too. */
export function comparedPools(before: RehearsalView, now: RehearsalView): ComparedPool[] {
  const names = [...new Set([...now.pools, ...before.pools].map((p) => p.name))]
  return names.map((name) => {
    const was = before.pools.find((p) => p.name === name)
    const is = now.pools.find((p) => p.name === name)
    return {
      name,
      before: lost(was),
      now: lost(is),
      capacityBefore: was?.capacity,
      capacityNow: is?.capacity,
    }
  })
}
