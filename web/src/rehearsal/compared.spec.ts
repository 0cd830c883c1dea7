import { describe, expect, it } from 'vitest'
import type { RehearsalView } from '../api/client'
import { compared } from './compared'
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
const pool = (name: string, lost: number, capacity = 8) => ({ name, lost, capacity, peak: capacity })
const rows = (before: object, now: object, table = 0) => compared(view(before), view(now))[table].rows

describe('two rehearsals of one score', () => {
  it('tells by how much each number changed, with its unit', () => {
    const told = rows(
      { whole: [use('instances', [16]), use('presence', [2])], births: 100 },
      { whole: [use('instances', [12]), use('presence', [2])], births: 151 },
    )
    expect(told.map((r) => [r.name, r.unit, r.before, r.now, r.change, r.tone])).toEqual([
      ['instances', '', '16', '12', '−25 %', 'sound'],
      ['presence', 'u²', '2', '2', 'same', 'quiet'],
      ['born', '', '100', '151', '+51 %', 'doubt'],
    ])
  })

  it('says that something is new where it was nothing', () => {
    const [cost] = rows({ whole: [use('cost', [0])] }, { whole: [use('cost', [3])] })
    expect(cost.change).toBe('new')
  })

  it('compares what pools lost, and shows those that came and went', () => {
    const before = { pools: [pool('hail', 0.04), pool('old', 0.1)] }
    const now = { pools: [pool('hail', 0.02, 12), pool('new', 0)] }
    expect(rows(before, now, 1).map((r) => [r.name, r.before, r.now, r.change, r.tone])).toEqual([
      ['hail', '4 %', '2 %', 'of 8 → 12', 'sound'],
      ['new', 'no pool', '0 %', 'of — → 8', 'quiet'],
      ['old', '10 %', 'no pool', 'of 8 → —', 'quiet'],
    ])
    expect(compared(view({}), view({}))).toHaveLength(1)
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
