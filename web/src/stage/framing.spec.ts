import { describe, expect, it } from 'vitest'
import type { Vector } from '../api/bundle'
import { areaOf, cameraOn, flashColour, heightOf, runOn, surfaceLine } from './framing'
import { scaleUnit } from './overlay'

const O: Vector = [0, 0, 0]
const still = { yaw: 30, pitch: 25 }

describe('the height of a picture', () => {
  it('is the usual one while there is nothing to see', () => {
    expect(heightOf(O, 1.6)).toBe(3)
    expect(heightOf(O, 1.6, { least: [Infinity, 0, 0], most: [-Infinity, 0, 0] })).toBe(3)
  })
  it('is the next step that holds everything to the sides and above', () => {
    expect(heightOf(O, 2, { least: [-3, 0, 0], most: [1, 0.5, 0] })).toBe(3.5)
    expect(heightOf(O, 2, { least: [0, 0, 0], most: [0, 4, 0] })).toBe(7)
    expect(heightOf([10, 0, 0], 2, { least: [9, 0, 0], most: [11, 0.1, 0] })).toBe(1.25)
  })
  it('does not shrink everything for what falls through the surface', () => {
    expect(heightOf(O, 2, { least: [0, -50, 0], most: [0, 1, 0] })).toBe(1.75)
  })
  it('holds what is shown beside it too', () => {
    const small = { least: [-0.1, 0, 0], most: [0.1, 0.1, 0] }
    expect(heightOf(O, 1, small, { least: [-4, 0, 0], most: [0, 0, 0] })).toBe(10)
  })
  it('grows without steps where there is none so large', () => {
    expect(heightOf(O, 1, { least: [-500, 0, 0], most: [0, 0, 0] })).toBeCloseTo(1040)
  })
})

describe('the camera', () => {
  it('looks from the side with the point a quarter below the middle', () => {
    expect(cameraOn([1, 2, 3], 4, 'side', still, [0, 0])).toEqual({
      centre: [1, 2.96, 3],
      height: 4,
      yaw: 0,
      pitch: 0,
    })
  })
  it('looks straight down from the top, and as it was turned when free', () => {
    expect(cameraOn(O, 4, 'top', still, [0, 0])).toMatchObject({ centre: [0, 0, 0], pitch: 90 })
    expect(cameraOn(O, 4, 'free', still, [0, 0])).toMatchObject(still)
  })
  it('is moved by a shake', () => {
    expect(cameraOn(O, 4, 'top', still, [0.25, -0.5]).centre).toEqual([0.25, -0.5, 0])
  })
})

describe('the surface', () => {
  const camera = cameraOn(O, 4, 'side', still, [0, 0])
  it('goes through the point, square to its normal', () => {
    const [a, b, c] = surfaceLine(O, [0, 2, 0], camera, 'side', 800, 400)
    expect([a, b]).toEqual([0, 1])
    // The point lies 0.96 u below the middle: 96 px of 100 to the unit, below 200.
    expect(a * 400 + b * (200 - 96) + c).toBeCloseTo(0)
  })
  it('is not seen from elsewhere, nor where it faces the viewer', () => {
    expect(surfaceLine(O, [0, 1, 0], camera, 'top', 800, 400)[2]).toBe(1e9)
    expect(surfaceLine(O, [0, 0, 1], camera, 'side', 800, 400)[2]).toBe(1e9)
  })
})

describe('what lies over the picture', () => {
  // The transfer curve of sRGB, IEC 61966-2-1: linear 0.5 is 188, 0.002 on its straight part is 7.
  it('turns linear light into sRGB', () => {
    expect(flashColour([1, 0.5, 0.002, 0.3])).toBe('rgb(255 188 7 / 0.3)')
    expect(flashColour([1, 1, 1, 0])).toBeUndefined()
  })
  it('has a scale that is wide enough to read', () => {
    expect(scaleUnit(200)).toBe(0.25)
    expect(scaleUnit(20)).toBe(2)
    expect(scaleUnit(0.1)).toBe(50)
  })
})

describe('the area in the scrub bar', () => {
  it('is as high as the most that lived', () => {
    expect(areaOf([0, 10, 5])).toBe('M0 20L0.00 20.00L50.00 2.00L100.00 11.00L100 20Z')
  })
  it('is left out where there is nothing to see', () => {
    expect(areaOf(undefined)).toBe('')
    expect(areaOf([3])).toBe('')
  })
})

describe('a running take', () => {
  const take = { frames: 61, stepsPerSecond: 60 }
  it('goes on by the time that passed, at its rate', () => {
    expect(runOn(10, 0.1, take, 1, undefined)).toBeCloseTo(16)
    expect(runOn(10, 0.1, take, 0.5, undefined)).toBeCloseTo(13)
  })
  it('rests at its end for half a second, and begins again', () => {
    expect(runOn(60, 0.4, take, 1, undefined)).toBeCloseTo(84)
    expect(runOn(89, 0.1, take, 1, undefined)).toBe(0)
  })
  it('begins again after so many seconds, however long it is', () => {
    expect(runOn(29, 0.1, take, 1, 0.5)).toBe(0)
    expect(runOn(100, 0.1, take, 1, 2)).toBeCloseTo(106)
  })
})
