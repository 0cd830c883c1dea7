import type { SizedView } from '../api/client'
import type { Pool } from '../api/bundle'
import type { Along, Drawn } from '../common/plot'
import { showNumber, showShare } from '../common/numberText'

/** What happens when a pool is empty, and what that is called. */
export const WHEN_EMPTY = {
  refuse: 'refuse',
  oldest: 'take over the oldest',
  faintest: 'take over the faintest',
  farthest: 'take over the farthest',
  'lowest weight': 'take over the lowest weight',
  grow: 'grow',
} as const
export type WhenEmpty = keyof typeof WHEN_EMPTY
/** What ends, in words. */
const MAY_GO: Record<WhenEmpty, string> = {
  refuse: 'nothing',
  grow: 'nothing',
  oldest: 'the oldest',
  faintest: 'the faintest',
  farthest: 'the farthest',
  'lowest weight': 'the lowest weight',
}
export const takesOver = (pool: Pool | undefined) => !['refuse', 'grow'].includes(pool?.whenEmpty ?? 'refuse')

/** Shares below this are drawn at it: a logarithm has no nothing. */
const LEAST = 0.0005

/** Returns loss against capacity: as rehearsed, in its worst minute, and by theory. */
export function lossChart(sized: SizedView): { places: number[]; drawn: Drawn[]; x: Along; y: Along } {
  const places = sized.sizes.map((s) => s.capacity)
  const held = (v: number) => Math.max(LEAST, v)
  const last = places[places.length - 1] ?? 1
  const first = places[0] ?? 1
  const step = Math.max(1, Math.ceil((last - first) / 10))
  return {
    places,
    drawn: [
      {
        name: 'high',
        values: sized.sizes.map((s) => held(s.worst.high)),
        as: 'edge',
        colour: '--bronze',
        fill: { to: 1, colour: '--bronze-pale' },
      },
      { name: 'low', values: sized.sizes.map((s) => held(s.worst.low)), as: 'edge', colour: '--bronze' },
      {
        name: 'worst minute of 95 of 100 runs',
        values: sized.sizes.map((s) => held(s.worst.value)),
        as: 'line',
        colour: '--bronze',
      },
      {
        name: 'over all, median',
        values: sized.sizes.map((s) => held(s.lost.value)),
        as: 'line',
        colour: '--ink',
      },
      {
        name: 'by theory',
        values: sized.sizes.map((s) => held(s.theory)),
        as: 'line',
        colour: '--verdigris',
        dash: [5, 4],
      },
    ],
    x: {
      from: first,
      to: Math.max(first + 1, last),
      marks: Array.from({ length: Math.floor((last - first) / step) + 1 }, (_, i) => first + i * step),
      words: (v) => String(v),
    },
    y: { from: LEAST, to: 1, marks: [0.001, 0.01, 0.1, 1], words: (v) => showShare(v), log: true },
  }
}

/** Returns what a capacity does, in words. */
export function lossWords(sized: SizedView, place: number): string {
  const s = sized.sizes[place]
  if (!s) return ''
  const cut = s.cut.value > 0 ? `, ${showShare(s.cut.value)} of presence cut` : ''
  return `${s.capacity}: ${showShare(s.lost.value)} lost over all, ${showShare(s.worst.value)} in the worst minute (${showShare(s.worst.low)} to ${showShare(s.worst.high)})${cut}; theory ${showShare(s.theory)}`
}

/** Returns why theory and rehearsal differ, or that they need not. */
export function why(sized: SizedView): string {
  const spread = showNumber(Number(sized.dispersion.toPrecision(2)))
  switch (sized.differs) {
    case 'together':
      return `Theory takes arrivals to be independent. These come together, or at times more often than at others: their number varies ${spread} times as much. So more is needed than theory says.`
    case 'evenly':
      return `Theory takes arrivals to be independent. These come more evenly: their number varies ${spread} times as much. So less is needed than theory says.`
    case 'takes over':
      return 'Theory is for a pool that refuses. Here something that plays ends instead: what is lost is counted as that, and what one would have seen of it as presence cut.'
    default:
      return `Arrivals are about independent (their number varies ${spread} times as much), so theory and rehearsal agree but for chance. A stage looks once a step: times are held to whole steps.`
  }
}

/** One piece of advice: a pool, what speaks for it, and whether it is how things are. */
export interface Advice {
  capacity: number
  whenEmpty: WhenEmpty
  words: string
  standing: boolean
}

/** Returns what is advised for a pool, or for an effect that has none. */
export function advice(sized: SizedView, pool: Pool | undefined): Advice[] {
  const one = (capacity: number, whenEmpty: WhenEmpty, words: string): Advice => ({
    capacity,
    whenEmpty,
    words,
    standing: pool?.capacity === capacity && (pool.whenEmpty ?? 'refuse') === whenEmpty,
  })
  const lose = sized.refusing === 1 ? 'loses' : 'lose'
  const all = [
    one(
      sized.refusing,
      'refuse',
      `${sized.refusing} ${lose} at most 1 % in the worst minute of 95 of 100 runs`,
    ),
  ]
  // A pool that grows is as large as it may grow.
  if (pool?.whenEmpty === 'grow') all[0].standing = (pool.bound ?? pool.capacity) >= sized.refusing
  if (sized.takingOver < sized.refusing || takesOver(pool)) {
    const over = sized.over as WhenEmpty
    const cut =
      sized.cut > 0 ? `which cuts ${showShare(sized.cut)} of presence` : 'which cuts nothing that is seen'
    all.push(one(sized.takingOver, over, `${sized.takingOver} if ${MAY_GO[over]} may go, ${cut}`))
  }
  return all
}

/** Returns a pool as it is advised, keeping what it does when it is empty. */
export function asAdvised(sized: SizedView, pool: Pool): Pool {
  const capacity = takesOver(pool) ? sized.takingOver : sized.refusing
  return changed(pool, { capacity, prewarm: capacity })
}

/** Returns a pool with some of it changed, so that it is one that can be. */
export function changed(pool: Pool, some: Partial<Pool>): Pool {
  const next: Pool = { ...pool, ...some }
  if (next.whenEmpty === 'refuse') delete next.whenEmpty
  if (next.whenEmpty === 'grow') next.bound = Math.max(next.capacity, next.bound ?? next.capacity * 2)
  else delete next.bound
  if (next.prewarm !== undefined) next.prewarm = Math.min(next.prewarm, next.capacity)
  if (!next.prewarm) delete next.prewarm
  return next
}
