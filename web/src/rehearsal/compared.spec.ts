import { describe, expect, it } from 'vitest'
import type { RehearsalView } from '../api/client'
import { compared, comparedPools } from './compared'
import { drawnUsage } from './usage'

const view = (of: object) =>
  ({
    whole: [],
    effects: [],
    pools: [],
    births: 0,
    stepsPerPoint: 6,
    stepsPerSecond: 60,
    ...of,
  }) as unknown as RehearsalView
const use = (name: string, values: number[]) => ({
  name,
  values,
  peak: Math.max(...values),
  peakAt: 0,
  mean: 1,
})
const pool = (name: string, asked: number, refused: number, takenOver: number, capacity = 8) => ({
  name,
  asked,
  refused,
  takenOver,
  capacity,
  peak: capacity,
})

describe('two rehearsals of one score', () => {
  it('tells by how much each number changed', () => {
    const before = view({ whole: [use('instances', [16]), use('presence', [2])], births: 100 })
    const now = view({ whole: [use('instances', [12]), use('presence', [2])], births: 151 })
    expect(compared(before, now).map((l) => [l.name, l.before, l.now, l.change, l.sign])).toEqual([
      ['instances', 16, 12, '−25 %', -1],
      ['presence', 2, 2, 'same', 0],
      ['born', 100, 151, '+51 %', 1],
    ])
  })

  it('says that something is new where it was nothing', () => {
    const [cost] = compared(view({ whole: [use('cost', [0])] }), view({ whole: [use('cost', [3])] }))
    expect(cost.change).toBe('new')
  })

  it('compares what pools lost, and shows those that came and went', () => {
    const before = view({ pools: [pool('hail', 100, 0, 4), pool('old', 10, 1, 0)] })
    const now = view({ pools: [pool('hail', 100, 1, 1, 12), pool('new', 0, 0, 0)] })
    expect(comparedPools(before, now)).toEqual([
      { name: 'hail', before: 0.04, now: 0.02, capacityBefore: 8, capacityNow: 12 },
      { name: 'new', before: undefined, now: 0, capacityBefore: undefined, capacityNow: 8 },
      { name: 'old', before: 0.1, now: undefined, capacityBefore: 8, capacityNow: undefined },
    ])
  })

  it('draws the one before at the times of the other, though it has other points and is shorter', () => {
    const now = view({ whole: [use('cost', [1, 2, 3, 4])] })
    const before = view({ whole: [use('cost', [5, 9])], stepsPerPoint: 12 })
    const chart = drawnUsage(now, 'cost', 'effect', before)
    expect(chart.drawn.map((d) => [d.name, d.values])).toEqual([
      ['before', [5, 9, 9, null]],
      ['cost', [1, 2, 3, 4]],
    ])
    expect(chart.y.to).toBeGreaterThan(9)
    expect(chart.rest).toContain('before, most 9')
  })
})
