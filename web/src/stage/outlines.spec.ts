import { describe, expect, it } from 'vitest'
import type { Emitter, Vector } from '../api/bundle'
import { outlinesOf, pathOf, ring, THROWN, type NumberGrip, type PlaceGrip } from './outlines'
import { arcTo, between, degrees, length, minus, turned } from './vectors'

const near = (a: Vector, b: Vector) => a.forEach((v, i) => expect(v).toBeCloseTo(b[i], 9))
const FRONT: Vector = [0, 0, 1]
const standing = (facing: Vector = [0, 1, 0], origin: Vector = [0, 0, 0]) => ({ origin, facing, seen: FRONT })

function emitter(birth: Partial<Emitter['birth']>, more: object = {}): Emitter {
  return {
    name: 'one',
    seed: 1,
    birth: {
      bursts: [],
      shape: { kind: 'point' },
      spread: 0,
      speed: [0, 0],
      lifetime: [1, 1],
      size: [1, 1],
      colour: ['#FFFFFFFF', '#FFFFFFFF'],
      ...birth,
    },
    life: { gravity: [0, 0, 0], drag: 0 },
    ...more,
  } as unknown as Emitter
}
const grip = (of: Emitter, path: string, at = standing()) => {
  const found = outlinesOf(of, at).grips.find((g) => g.path === path)
  if (!found) throw new Error(`no grip ${path}`)
  return found
}
const number = (of: Emitter, path: string, at = standing()) => grip(of, path, at) as NumberGrip

describe('turns', () => {
  it('carry up onto the facing by the shortest arc, as core does', () => {
    near(arcTo([1, 0, 0])([0, 1, 0]), [1, 0, 0])
    // What is square to the arc stays.
    near(arcTo([1, 0, 0])([0, 0, 1]), [0, 0, 1])
    near(arcTo([1, 0, 0])([1, 0, 0]), [0, -1, 0])
    // Straight down is half a turn about x.
    near(arcTo([0, -1, 0])([1, 2, 3]), [1, -2, -3])
  })
  it('go about x, then y, then z', () => {
    near(degrees([90, 0, 0])([0, 1, 0]), [0, 0, 1])
    near(degrees([90, 90, 0])([0, 1, 0]), [1, 0, 0])
    near(degrees([90, 90, 90])([0, 1, 0]), [0, 1, 0])
  })
  it('keep lengths, and measure angles', () => {
    expect(length(turned([3, 4, 12], [0, 0.6, 0.8], 2.1))).toBeCloseTo(13, 9)
    expect(between([2, 0, 0], [0, 5, 0])).toBeCloseTo(90, 9)
  })
})

describe('a birth shape', () => {
  it('is a circle square to the facing, from x towards z where it is an arc', () => {
    const of = emitter({ shape: { kind: 'circle', radius: 2, fill: 'edge', arc: 90 } })
    const [line] = outlinesOf(of, standing()).outlines[0].lines
    near(line[0], [0, 0, 0])
    near(line[1], [2, 0, 0])
    near(line.at(-2)!, [0, 0, 2])
  })
  it('stands where the emitter is offset and turned, about the facing', () => {
    const of = emitter({ shape: { kind: 'line', length: 4 }, offset: [0, 1, 0], turn: [0, 0, 90] })
    const [[left, right]] = outlinesOf(of, standing([1, 0, 0], [10, 0, 0])).outlines[0].lines
    // In its frame it stands upright from −1 to 3; the facing lays that along x.
    near(left, [9, 0, 0])
    near(right, [13, 0, 0])
  })
  it('has a grip on its radius that stays within what is allowed', () => {
    const of = emitter({ shape: { kind: 'sphere', radius: 0.5, fill: 'inside' } })
    const { at, to } = number(of, 'birth.shape.radius')
    near(at, [0.5, 0, 0])
    expect(to([0.7, 3, 0])).toBe(0.7)
    expect(to([-4, 0, 0])).toBe(0.001)
  })
  it('gives a box both ends at once, so that its middle stays', () => {
    const of = emitter({ shape: { kind: 'box', size: [2, 1, 1] } })
    expect(outlinesOf(of, standing()).outlines[0].lines).toHaveLength(12)
    near(number(of, 'birth.shape.size.0').at, [1, 0, 0])
    expect(number(of, 'birth.shape.size.0').to([3, 0, 0])).toBe(6)
  })
})

describe('a throw', () => {
  const of = emitter({ speed: [1, 5], spread: 30 })
  it('is drawn as far as it comes in a fifth of a second', () => {
    near(number(of, 'birth.speed.1').at, [0, 5 * THROWN, 0])
    expect(number(of, 'birth.speed.1').to([0, 2, 0])).toBe(10)
    // Never slower than the slowest.
    expect(number(of, 'birth.speed.1').to([0, -2, 0])).toBe(1)
  })
  it('opens to its spread on both sides', () => {
    const { at, to } = number(of, 'birth.spread')
    expect(between(at, [0, 1, 0])).toBeCloseTo(30, 6)
    expect(at[2]).toBeCloseTo(0, 9)
    expect(to([1, 0, 0])).toBe(90)
    expect(to([0, -1, 0])).toBe(180)
  })
})

it('forces and barriers have places that go through the frame of the effect and back', () => {
  const of = emitter(
    {},
    {
      life: {
        gravity: [0, 0, 0],
        drag: 0,
        forces: [{ kind: 'attractor', place: [0, 2, 0], strength: 1, radius: 3, falloff: 'none' }],
      },
      end: {
        collision: { with: { kind: 'plane', place: [0, 1, 0], normal: [0, 1, 0] }, then: 'dies' },
      },
    },
  )
  const at = standing([1, 0, 0], [5, 0, 0])
  for (const [path, place] of [
    ['life.forces.0.place', [7, 0, 0]],
    ['end.collision.with.place', [6, 0, 0]],
  ] as [string, Vector][]) {
    const found = grip(of, path, at) as PlaceGrip
    near(found.at, place)
    near(found.back([5, -1.5, 0.25]), [1.5, 0, 0.25])
  }
  expect(number(of, 'life.forces.0.radius', at).value).toBe(3)
})

it('forces without a place are drawn about the source', () => {
  const forces = [
    { kind: 'push', strength: 4 },
    { kind: 'turbulence', strength: 1, size: 0.6, speed: 1 },
  ]
  const { outlines } = outlinesOf(emitter({}, { life: { gravity: [0, 0, 0], drag: 0, forces } }), standing())
  const push = outlines.find((o) => o.name === 'push outward')!
  expect(push.lines).toHaveLength(8)
  expect(push.lines.every(([from, to]) => length(from) < length(to))).toBe(true)
  const eddy = outlines.find((o) => o.name === 'turbulence, one eddy')!.lines[0]
  expect(Math.max(...eddy.map((p) => p[0])) - Math.min(...eddy.map((p) => p[0]))).toBeCloseTo(0.6, 1)
})

it('a path is as long as the source goes, with a tick each half second', () => {
  const path = pathOf([1, 0, 0], [4, 0, 0], 1.2)!
  near(path.lines[0][1], [5.8, 0, 0])
  expect(path.lines).toHaveLength(3)
  expect(pathOf([0, 0, 0], [0, 0, 0], 1)).toBeUndefined()
})

it('a ring lies in the plane of the picture', () => {
  for (const seen of [
    [0, 0, 1],
    [0, 1, 0],
    [0.6, 0, 0.8],
  ] as Vector[])
    for (const p of ring('reach', 'reach', [1, 2, 3], 2, seen).lines[0]) {
      const from = minus(p, [1, 2, 3])
      expect(length(from)).toBeCloseTo(2, 9)
      expect(from[0] * seen[0] + from[1] * seen[1] + from[2] * seen[2]).toBeCloseTo(0, 9)
    }
})
