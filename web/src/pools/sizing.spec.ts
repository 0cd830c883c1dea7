import { describe, expect, it } from 'vitest'
import type { SizedView } from '../api/client'
import { advice, asAdvised, changed, lossChart, lossWords, why } from './sizing'

const spread = (value: number) => ({ value, low: value / 2, high: value * 2, sure: true })
const sized = {
  name: 'hail shatter',
  pooled: false,
  dispersion: 4.3,
  differs: 'together',
  sizes: [1, 2, 3].map((capacity) => ({
    capacity,
    lost: spread(0.4 / capacity),
    worst: spread(0.5 / capacity),
    cut: spread(0.1 / capacity),
    theory: capacity === 3 ? 0 : 0.2,
  })),
  refusing: 13,
  takingOver: 8,
  over: 'oldest',
  cut: 0.007,
  theory: 4,
} as unknown as SizedView

describe('the size of a pool', () => {
  it('is drawn on a logarithm, which has no nothing', () => {
    const chart = lossChart(sized)
    expect(chart.places).toEqual([1, 2, 3])
    expect(chart.drawn.map((d) => d.name)).toContain('by theory')
    expect(Math.min(...chart.drawn.flatMap((d) => d.values as number[]))).toBeGreaterThan(0)
  })
  it('is said at each capacity', () => {
    expect(lossWords(sized, 1)).toBe(
      '2: 20 % lost over all, 25 % in the worst minute (13 % to 50 %), 5 % of presence cut; theory 20 %',
    )
  })
  it('says why theory differs', () => {
    expect(why(sized)).toContain('come together')
    expect(why({ ...sized, differs: 'takes over' })).toContain('ends instead')
    expect(why({ ...sized, differs: 'not', dispersion: 1 })).toContain('agree')
  })
  it('advises the smallest that will do, with its reasons', () => {
    const all = advice(sized, undefined)
    expect(all.map((a) => [a.capacity, a.whenEmpty])).toEqual([
      [13, 'refuse'],
      [8, 'oldest'],
    ])
    expect(all[1].words).toBe('8 if the oldest may go, which cuts 0.7 % of presence')
    expect(advice(sized, { name: 'p', effects: ['e'], capacity: 13 })[0].standing).toBe(true)
    expect(advice({ ...sized, takingOver: 13 }, undefined)).toHaveLength(1)
  })
  it('is advised as the pool does it', () => {
    const flock = { name: 'flock', effects: ['a', 'b'], capacity: 8, whenEmpty: 'faintest' as const }
    const all = advice({ ...sized, over: 'faintest' }, flock)
    expect(all[1]).toMatchObject({ capacity: 8, whenEmpty: 'faintest', standing: true })
    expect(all[1].words).toContain('8 if the faintest may go')
    expect(asAdvised(sized, { ...flock, capacity: 3 }).capacity).toBe(8)
    expect(asAdvised(sized, { name: 'p', effects: ['a'], capacity: 3 }).capacity).toBe(13)
    const growing = { name: 'p', effects: ['a'], capacity: 4, bound: 13, whenEmpty: 'grow' as const }
    expect(advice(sized, growing)[0].standing).toBe(true)
    expect(advice({ ...sized, refusing: 1 }, undefined)[0].words).toMatch(/^1 loses/)
  })
  it('is changed into one that can be', () => {
    const pool = { name: 'p', effects: ['e'], capacity: 4, prewarm: 4 }
    expect(changed(pool, { capacity: 2 })).toEqual({ ...pool, capacity: 2, prewarm: 2 })
    expect(changed(pool, { whenEmpty: 'grow' })).toEqual({ ...pool, whenEmpty: 'grow', bound: 8 })
    expect(changed({ ...pool, whenEmpty: 'grow', bound: 8 }, { whenEmpty: 'refuse' })).toEqual(pool)
  })
})
