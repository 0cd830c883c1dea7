import { describe, expect, it } from 'vitest'
import { bent, MOST_POINTS, pathOf, pointed, spanOf, valueAt } from './channelLine'

const WIND = [
  { at: 0, value: 2 },
  { at: 10, value: 8 },
  { at: 20, value: 4 },
]

describe('what a channel carries over a score', () => {
  it('goes evenly from one point to the next, and stays as the last', () => {
    expect([0, 5, 10, 15, 99].map((s) => valueAt(WIND, s))).toEqual([2, 5, 8, 6, 4])
    expect(valueAt([{ at: 3, value: 7 }], 0)).toBe(7)
  })

  it('moves a point between its neighbours, never past them or out of the score', () => {
    expect(bent(WIND, 1, { at: 25, value: 9.876 }, 30)[1]).toEqual({ at: 19.99, value: 9.88 })
    expect(bent(WIND, 1, { at: -5, value: 1 }, 30)[1].at).toBe(0.01)
    expect(bent(WIND, 2, { at: 99, value: 1 }, 30)[2].at).toBe(30)
    expect(bent(WIND, 0, { at: -1, value: 1 }, 30)[0].at).toBe(0)
  })

  it('takes a point where there is none yet, up to a bound', () => {
    expect(pointed(WIND, 5, 5)).toEqual({
      points: [WIND[0], { at: 5, value: 5 }, WIND[1], WIND[2]],
      index: 1,
    })
    expect(pointed(WIND, 10.001, 5)).toEqual({ points: WIND, index: 1 })
    const full = Array.from({ length: MOST_POINTS }, (_, at) => ({ at, value: 0 }))
    expect(pointed(full, 0.5, 1).points).toBe(full)
  })

  it('is drawn over what is expected of it, and what is beyond', () => {
    expect(spanOf(WIND, [0, 6])).toEqual({ low: 0, high: 8 })
    expect(spanOf([{ at: 0, value: 3 }])).toEqual({ low: 2, high: 4 })
    expect(
      pathOf(
        WIND,
        30,
        (s) => s * 10,
        (v) => -v,
      ),
    ).toBe('M0 -2L0 -2L100 -8L200 -4L300 -4')
  })
})
