import { describe, expect, it } from 'vitest'
import type { Lane, Score } from '../api/bundle'
import {
  freeId,
  laneWords,
  moved,
  newLane,
  patternOf,
  ticks,
  withLane,
  writtenOut,
  extentOf,
  repeated,
  stretched,
} from './score'

const lane = (when: Lane['when'], id = 1): Lane => ({ id, event: 'courier.struck', when })
const score = (...lanes: Lane[]): Score => ({ name: 'run', seconds: 30, seed: 1, lanes })

describe('a score', () => {
  it('says what a lane does', () => {
    const shots = lane({ kind: 'poisson', perSecond: 2.5 }, 3)
    expect(laneWords(shots, [])).toBe('2.5 a second, by chance')
    expect(laneWords(lane({ kind: 'marks', marks: [{ at: 1 }] }), [])).toBe('1 mark')
    expect(laneWords(lane({ kind: 'salvos', count: 6, within: 1, every: 4 }), [])).toBe(
      '6 within 1 s, every 4 s',
    )
    expect(laneWords(lane({ kind: 'after', lane: 3, chance: 0.4, delay: 0.1 }), [shots])).toBe(
      'after courier.struck with chance 0.4, 0.1 s later',
    )
    expect(laneWords(lane({ kind: 'rising', perSecond: [{ at: 0, value: 7, ease: 'linear' }] }), [])).toBe(
      'up to 7 a second',
    )
  })

  it('keeps the rate when a pattern becomes another', () => {
    const steady = lane({ kind: 'steady', perSecond: 4 })
    expect(patternOf('poisson', steady, score(steady))).toEqual({ kind: 'poisson', perSecond: 4 })
    expect(patternOf('after', steady, score(steady, lane(steady.when, 9)))).toMatchObject({ lane: 9 })
  })

  it('gives new lanes an id of their own, and a span marks', () => {
    const s = score(lane({ kind: 'steady', perSecond: 1 }, 4))
    expect(freeId(s)).toBe(5)
    expect(newLane(s, { name: 'kite.reeling', shape: 'span', weight: 1, fields: [] })).toMatchObject({
      id: 5,
      when: { kind: 'marks' },
    })
    expect(withLane(s, 4, undefined).lanes).toEqual([])
  })

  it('writes out what was played, and moves marks within the score', () => {
    expect(writtenOut([1.23456, 2], [3, NaN])).toEqual([{ at: 1.235, lasts: 1.765 }, { at: 2 }])
    expect(moved([{ at: 1 }, { at: 2, value: 'hail' }], 1, 40, 30)).toEqual([
      { at: 1 },
      { at: 30, value: 'hail' },
    ])
    expect(moved([{ at: 1 }], 0, -3, 30)).toEqual([{ at: 0 }])
  })

  it('has about ten ticks, whatever its length', () => {
    expect(ticks(90)).toEqual([0, 10, 20, 30, 40, 50, 60, 70, 80, 90])
    expect(ticks(4)).toEqual([0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5, 4])
    expect(ticks(3600).length).toBeLessThan(12)
  })

  it('brings marks into another stretch of time, spans and all', () => {
    const marks = [{ at: 2 }, { at: 4, lasts: 1 }, { at: 3 }]
    expect(stretched(marks, [1, 5])).toEqual([{ at: 1 }, { at: 5, lasts: 2 }, { at: 3 }])
    expect(stretched([{ at: 2 }], [7, 7])).toEqual([{ at: 7 }])
    expect(extentOf(marks)).toEqual([2, 4])
    expect(extentOf([])).toEqual([0, 0])
  })

  it('lets marks come again to the end of the score, and no further', () => {
    expect(repeated([{ at: 1 }, { at: 2, value: 'on' }], 3, 8).map((m) => m.at)).toEqual([1, 2, 4, 5, 7])
    expect(repeated([{ at: 1, value: 'on' }], 3, 8)[2]).toEqual({ at: 7, value: 'on' })
    expect(repeated([], 3, 8)).toEqual([])
    expect(repeated([{ at: 0 }], 0.01, 3600)).toHaveLength(100_000)
  })
})
