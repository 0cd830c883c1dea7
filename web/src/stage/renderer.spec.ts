import { describe, expect, it } from 'vitest'
import { axes, reach } from './renderer'
import type { Frame } from './frames'

const camera = (yaw: number, pitch: number) => ({
  centre: [0, 0, 0] as [number, number, number],
  height: 10,
  yaw,
  pitch,
})
const half = 0x3c00 // 1 u

function frame(origin: [number, number, number], extent: [number, number, number]): Frame {
  return {
    step: 0,
    count: 1,
    instances: 1,
    sequence: 0,
    origin,
    extent,
    presence: 0,
    alive: 1,
    particles: new Uint32Array([0, half << 16, half, 0, 0]),
  }
}

describe('the directions of a camera', () => {
  for (const [yaw, pitch] of [
    [0, 0],
    [30, 25],
    [90, -20],
    [0, 90],
  ])
    it(`are square to one another at ${yaw}°, ${pitch}°`, () => {
      const { right, up, back } = axes(camera(yaw, pitch))
      const dot = (a: number[], b: number[]) => a.reduce((sum, v, i) => sum + v * b[i], 0)
      for (const [a, b] of [
        [right, up],
        [up, back],
        [back, right],
      ])
        expect(dot(a, b)).toBeCloseTo(0, 12)
      // Right-handed: right × up points to the viewer.
      expect(right[1] * up[2] - right[2] * up[1]).toBeCloseTo(back[0], 12)
    })
})

describe('the part of the picture that a frame reaches', () => {
  it('holds every picture with its whole size', () => {
    // 10 u are 100 px: the box reaches from 10 to 30 px right of the middle, and a picture of 1 u 7.5 px beyond.
    const [left, bottom, right, top] = reach(frame([1, 0, 0], [2, 0, 0]), camera(0, 0), 200, 100)
    expect(left).toBeLessThanOrEqual(110 - 5)
    expect(right).toBeGreaterThanOrEqual(130 + 5)
    expect(bottom).toBeLessThanOrEqual(50 - 5)
    expect(top).toBeGreaterThanOrEqual(50 + 5)
    expect(right - left).toBeLessThan(45)
  })
  it('is nothing for an empty frame, and never beyond the picture', () => {
    expect(reach(undefined, camera(0, 0), 200, 100)).toEqual([0, 0, 0, 0])
    const [left, bottom, right, top] = reach(frame([-900, -900, 0], [1800, 1800, 0]), camera(0, 0), 200, 100)
    expect([left, bottom, right, top]).toEqual([0, 0, 200, 100])
  })
})
