import { describe, expect, it } from 'vitest'
import type { Key } from '../api/bundle'
import * as lane from './lane'

const ramp: Key[] = [
  { at: 0, value: 0, ease: 'linear' },
  { at: 0.5, value: 2, ease: 'linear' },
  { at: 1, value: 1, ease: 'linear' },
]
const scale = lane.scaleOf(0, ramp)

describe('the scale of a lane', () => {
  it('shows all of the curve and of the one before it, and zero', () => {
    expect(lane.scaleOf(0, ramp)).toEqual({ low: 0, span: 2 })
    expect(lane.scaleOf(0, ramp, [{ at: 0, value: 5 }])).toEqual({ low: 0, span: 5 })
    expect(lane.scaleOf(-360, [{ at: 0, value: -90 }])).toEqual({ low: -90, span: 90.001 })
  })
  it('is never narrower than one', () => {
    expect(lane.scaleOf(0, [{ at: 0, value: 0.2 }]).span).toBe(1)
    expect(lane.scaleOf(0, undefined).span).toBe(1)
  })
  it('gives back where a key was drawn', () => {
    for (const k of ramp)
      expect(lane.placed(lane.x(k.at), lane.y(k.value, scale), scale)).toEqual({ at: k.at, value: k.value })
  })
  it('holds what lies beside the lane at its ends', () => {
    expect(lane.placed(-50, 0, scale).at).toBe(0)
    expect(lane.placed(lane.WIDTH + 50, 0, scale).at).toBe(1)
  })
})

describe('the line of a curve', () => {
  it('is flat before the first key and after the last', () => {
    const d = lane.line([{ at: 0.3, value: 1 }], lane.scaleOf(0, [{ at: 0.3, value: 1 }]))
    const top = lane.y(1, { low: 0, span: 1 })
    expect(d).toBe(`M${lane.x(0)} ${top}L${lane.x(0.3)} ${top}L${lane.x(1)} ${top}`)
  })
  it('steps where a value is held', () => {
    const held: Key[] = [
      { at: 0, value: 1, ease: 'hold' },
      { at: 0.5, value: 0 },
    ]
    expect(lane.line(held, lane.scaleOf(0, held))).toContain(
      `H${lane.x(0.5)}V${lane.y(0, { low: 0, span: 1 })}`,
    )
  })
  // A cubic spline of glTF 2.0 as a Bézier: control points a third of the way along the slopes.
  it('draws slopes by control points a third of the way along them', () => {
    const spline: Key[] = [
      { at: 0, value: 0, ease: { out: 3, in: 0 } },
      { at: 1, value: 1 },
    ]
    const s = lane.scaleOf(0, spline)
    expect(lane.line(spline, s)).toContain(
      `C${lane.x(1 / 3)} ${lane.y(1, s)} ${lane.x(2 / 3)} ${lane.y(1, s)}`,
    )
  })
})

describe('keys', () => {
  it('stay between their neighbours and the bounds', () => {
    expect(lane.moved(ramp, 1, 0.9, 9, 0, 4)[1]).toMatchObject({ at: 0.9, value: 4 })
    expect(lane.moved(ramp, 1, 1.5, -3, 0, 4)[1]).toMatchObject({ at: 0.999, value: 0 })
    expect(lane.moved(ramp, 1, -1, 1, 0, 4)[1].at).toBe(0.001)
    expect(lane.moved(ramp, 0, -1, 1, 0, 4)[0].at).toBe(0)
    expect(ramp[1]).toEqual({ at: 0.5, value: 2, ease: 'linear' })
  })
  it('are added in order, within the bounds, never on top of another', () => {
    expect(lane.withKey(ramp, 0.25, 9, 0, 4)?.map((k) => [k.at, k.value])).toEqual([
      [0, 0],
      [0.25, 4],
      [0.5, 2],
      [1, 1],
    ])
    expect(lane.withKey(ramp, 0.25, -9, 0, 4)?.[1].value).toBe(0)
    expect(lane.withKey(ramp, 0.505, 1, 0, 4)).toBeUndefined()
    const full = Array.from({ length: lane.MOST_KEYS }, (_, i) => ({ at: i / 100, value: 1 }))
    expect(lane.withKey(full, 0.9, 1, 0, 4)).toBeUndefined()
  })
  it('are moved by arrows, further with Shift, finer with Alt', () => {
    const press = (key: string, shiftKey = false, altKey = false) => lane.nudge({ key, shiftKey, altKey }, 2)
    expect(press('ArrowLeft')).toEqual([-0.01, 0])
    expect(press('ArrowRight', true)).toEqual([0.1, 0])
    expect(press('ArrowUp', false, true)).toEqual([0, 0.002])
    expect(press('ArrowDown')).toEqual([0, -0.02])
    expect(press('Enter')).toBeUndefined()
  })
  it('take slopes that begin as the straight line has them', () => {
    expect(lane.eased(ramp, 0, 'slopes')[0].ease).toEqual({ out: 4, in: 4 })
    expect(lane.eased(ramp, 1, 'ease-in')[1].ease).toBe('ease-in')
    expect(lane.easeName(lane.eased(ramp, 0, 'own Bézier')[0].ease)).toBe('own Bézier')
    expect(lane.easeName(lane.eased(ramp, 0, 'slopes')[0].ease)).toBe('slopes')
    expect(lane.easeName(undefined)).toBe('linear')
  })
  it('of a ready-made course are as high as the curve was', () => {
    for (const name of Object.keys(lane.SHAPES)) {
      const keys = lane.shaped(ramp, name)
      expect(Math.max(...keys.map((k) => k.value))).toBe(2)
      expect(keys.map((k) => k.at)).toEqual([...keys.map((k) => k.at)].sort((a, b) => a - b))
    }
    expect(lane.shaped([{ at: 0, value: 0 }], 'even')[0].value).toBe(1)
  })
})

describe('a value of a lane', () => {
  const keys = (ease: Key['ease']): Key[] => [
    { at: 0.2, value: 0, ease },
    { at: 0.7, value: 2, ease: 'linear' },
  ]
  it('goes as it is drawn', () => {
    expect(lane.valueAt(keys('linear'), 0.45)).toBe(1)
    expect(lane.valueAt(keys('hold'), 0.69)).toBe(0)
    // CSS Easing Functions 1: ease-in-out is symmetric about the middle; ease-in has done 0.0933 of its way at a quarter.
    expect(lane.valueAt(keys('ease-in-out'), 0.45)).toBeCloseTo(1, 3)
    expect(lane.valueAt(keys('ease-in'), 0.2 + 0.25 * 0.5)).toBeCloseTo(2 * 0.0935, 2)
    // A cubic with slopes 0 at both ends is the smoothstep.
    expect(lane.valueAt(keys({ out: 0, in: 0 }), 0.2 + 0.25 * 0.5)).toBeCloseTo(
      2 * (3 * 0.0625 - 2 * 0.015625),
      3,
    )
  })
  it('rests before the first key and after the last', () => {
    expect(lane.valueAt(keys('linear'), 0)).toBe(0)
    expect(lane.valueAt(keys('linear'), 1)).toBe(2)
  })
  it('is asked for in the middle of the widest gap', () => {
    expect(lane.widest(keys('linear'))).toBe(0.45)
    expect(lane.widest([{ at: 0, value: 1, ease: 'linear' }])).toBe(0.5)
  })
  it('is held inside what the lane allows when it is pasted', () => {
    expect(lane.within(keys('linear'), 0, 1).map((k) => k.value)).toEqual([0, 1])
  })
})

describe('steps', () => {
  const rise: Key[] = [
    { at: 0, value: 1, ease: { steps: 4 } },
    { at: 1, value: 4, ease: 'linear' },
  ]
  it('hold both ends, as CSS does without jumps', () => {
    expect([0, 0.24, 0.25, 0.5, 0.74, 0.75, 1].map((at) => lane.valueAt(rise, at))).toEqual([
      1, 1, 2, 3, 3, 4, 4,
    ])
    expect(lane.held({ steps: 2, jump: 'end' })).toEqual([0, 0.5])
    expect(lane.held({ steps: 2, jump: 'start' })).toEqual([0.5, 1])
    expect(lane.held({ steps: 3, jump: 'both' })).toEqual([0.25, 0.5, 0.75])
  })
  it('are drawn as stairs', () => {
    expect(lane.line(rise, { low: 0, span: 4 }).match(/H/g)).toHaveLength(4)
  })
  it('are made of any course: ten ticks of a fifth more', () => {
    const ticks = lane.stepped(
      [
        { at: 0, value: 1, ease: 'linear' },
        { at: 1, value: 2.8, ease: 'linear' },
      ],
      10,
    )
    expect(ticks.map((k) => k.value)).toEqual([1, 1.2, 1.4, 1.6, 1.8, 2, 2.2, 2.4, 2.6, 2.8])
    expect(ticks.map((k) => k.at)).toEqual([0, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9])
    expect(ticks.every((k) => k.ease === 'hold')).toBe(true)
  })
})
