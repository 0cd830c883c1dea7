import { describe, expect, it } from 'vitest'
import {
  acceleration,
  AIR,
  carrying,
  COURIER,
  dragOf,
  fly,
  FALLEN,
  GRAVITY,
  type Air,
  type Held,
  type Motion,
} from './flight'

const STEP = 1 / 60
const STILL: Air = { wind: 0, density: AIR }
const NONE: Held = { lift: 0, pull: [0, 0] }

function flown(craft: typeof COURIER, from: Motion, air: Air, held: Held, steps: number): Motion {
  let m = from
  for (let i = 0; i < steps; i++) m = fly(craft, m, air, held, STEP)
  return m
}

/** Sources: textbook kinematics and mechanics of flight; each formula stands beside its check. */
describe('the flight of the courier', () => {
  it('is a parabola where there is no air: the range is v² sin 2θ / g', () => {
    const v = 12
    for (const degrees of [20, 45, 70]) {
      const t = (degrees * Math.PI) / 180
      const range = (v * v * Math.sin(2 * t)) / GRAVITY
      const seconds = (2 * v * Math.sin(t)) / GRAVITY
      const steps = 100
      let m: Motion = { x: 0, y: 0, vx: v * Math.cos(t), vy: v * Math.sin(t) }
      for (let i = 0; i < steps; i++) m = fly(COURIER, m, { wind: 5, density: 0 }, NONE, seconds / steps)
      expect(m.x).toBeCloseTo(range, 9)
      expect(m.y).toBeCloseTo(0, 9)
    }
  })

  it('falls as quadratic drag lets it: v(t) = w tanh(g t / w), w² = 2mg / (ρ A C)', () => {
    const w = Math.sqrt((2 * FALLEN.mass * GRAVITY) / (AIR * FALLEN.area * FALLEN.drag))
    for (const seconds of [0.5, 1, 3, 10]) {
      const m = flown(FALLEN, { x: 0, y: 0, vx: 0, vy: 0 }, STILL, NONE, seconds * 60)
      expect(-m.vy).toBeCloseTo(w * Math.tanh((GRAVITY * seconds) / w), 6)
      expect(-m.y).toBeCloseTo(((w * w) / GRAVITY) * Math.log(Math.cosh((GRAVITY * seconds) / w)), 5)
    }
  })

  it('glides at the angle whose tangent is drag over lift, where all forces are in balance', () => {
    for (const lift of [0.4, 0.8, 1.2]) {
      const drag = dragOf(COURIER, lift)
      const angle = Math.atan2(drag, lift)
      const speed = Math.sqrt((2 * COURIER.mass * GRAVITY) / (AIR * COURIER.area * Math.hypot(lift, drag)))
      for (const side of [1, -1]) {
        const m = { x: 0, y: 0, vx: side * speed * Math.cos(angle), vy: -speed * Math.sin(angle) }
        const [ax, ay] = acceleration(COURIER, m, STILL, { lift, pull: [0, 0] })
        expect(Math.hypot(ax, ay)).toBeLessThan(1e-12)
        const after = flown(COURIER, m, STILL, { lift, pull: [0, 0] }, 600)
        expect(after.x).toBeCloseTo(side * speed * Math.cos(angle) * 10, 6)
      }
    }
  })

  it('feels the wind as a change of frame alone', () => {
    const held: Held = { lift: 0.7, pull: [30, 4] }
    const still = flown(COURIER, { x: 0, y: 0, vx: 9, vy: 1 }, STILL, held, 240)
    const windy = flown(COURIER, { x: 0, y: 0, vx: 13, vy: 1 }, { wind: 4, density: AIR }, held, 240)
    expect(windy.x - 4 * 4).toBeCloseTo(still.x, 9)
    expect(windy.y).toBeCloseTo(still.y, 9)
  })

  it('is of fourth order: half the step, a sixteenth of the error', () => {
    const held: Held = { lift: 1, pull: [60, 0] }
    const end = (steps: number) => {
      let m: Motion = { x: 0, y: 0, vx: 14, vy: -3 }
      for (let i = 0; i < steps; i++) m = fly(COURIER, m, STILL, held, 2 / steps)
      return m.x
    }
    const exact = end(4096)
    expect(Math.log2((end(16) - exact) / (end(32) - exact))).toBeCloseTo(4, 0)
  })

  it('is carried at a speed by the lift that is worked out for it', () => {
    const speed = 11
    const [, ay] = acceleration(COURIER, { x: 0, y: 0, vx: speed, vy: 0 }, STILL, {
      lift: carrying(COURIER, speed),
      pull: [0, 0],
    })
    expect(ay).toBeCloseTo(0, 12)
  })
})
