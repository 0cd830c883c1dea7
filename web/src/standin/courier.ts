import { AIR, carrying, COURIER, FALLEN, fly, type Motion } from './flight'
import type { Moor } from './moor'
import type { CourierLandedSurface } from './WindrowPost'

/** How the courier is under way. */
export type Way = 'flies' | 'stands' | 'falls' | 'lies'

/** Where it wants to come down. */
export interface Goal {
  x: number
  /** Whether a mill is there, at which parcels are delivered. */
  mill: boolean
  /** What it was asked to land on: missed, it tries again. */
  wanted?: CourierLandedSurface
}

/** Above what is below and ahead, u. */
const CRUISE = 3.4
/** Airspeeds at which the line begins and ceases to be reeled in, u/s. */
const SLOW = 9
const FAST = 11.5
/** N */
const PULL = 150
const MOST_LIFT = 1.5
/** How far from its goal it begins to come down, u. */
const GLIDE = 18

/** The courier, flown by a pilot that holds height, brakes for its goal and lands there. */
export class Courier {
  motion: Motion
  way: Way = 'stands'
  /** Which way it goes, 1 or −1. */
  side = 1
  reeling = false
  /** How hard it was hit since it last stood at a mill. */
  hurt = 0
  /** Seconds until it goes on from where it stands or lies. */
  rest = 0.6
  /** Degrees from level, nose up. */
  pitch = 0
  goal: Goal = { x: 0, mill: false }
  /** What a hand on the keys adds to the height it holds, u, and seconds for which it does. */
  private steer = { up: 0, left: 0 }

  constructor(
    private readonly moor: Moor,
    x: number,
  ) {
    this.motion = { x, y: moor.ground(x).y, vx: 0, vy: 0 }
  }

  get speed() {
    return Math.hypot(this.motion.vx, this.motion.vy)
  }

  get position(): [number, number, number] {
    return [this.motion.x, this.motion.y, 0]
  }

  get heading(): [number, number, number] {
    const turn = (this.pitch * Math.PI) / 180
    return [this.side * Math.cos(turn), Math.sin(turn), 0]
  }

  to(goal: Goal) {
    this.goal = goal
    if (this.way === 'stands') this.side = goal.x < this.motion.x ? -1 : 1
  }

  /** Climbs or sinks by a hand, for a moment. */
  hand(up: number) {
    this.steer = { up, left: 0.8 }
  }

  takeOff() {
    this.way = 'flies'
    this.side = this.goal.x < this.motion.x ? -1 : 1
    Object.assign(this.motion, { y: this.motion.y + 0.3, vx: 8.5 * this.side, vy: 5 })
  }

  fall() {
    this.way = 'falls'
    this.reeling = false
    this.motion.vy += 2
  }

  /** Comes down, and stays for some seconds. */
  stand(seconds: number) {
    this.way = this.way === 'falls' ? 'lies' : 'stands'
    this.rest = seconds
    this.reeling = false
    Object.assign(this.motion, { y: this.moor.ground(this.motion.x).y, vx: 0, vy: 0 })
  }

  /** Moves through the air; tells whether it has touched what is below. */
  step(seconds: number, wind: number): boolean {
    const air = { wind, density: AIR }
    if (this.way === 'falls') {
      this.motion = fly(FALLEN, this.motion, air, { lift: 0, pull: [0, 0] }, seconds)
      this.pitch -= 260 * seconds
    } else {
      this.motion = fly(COURIER, this.motion, air, this.held(seconds, wind), seconds)
      const along = (Math.atan2(this.motion.vy, Math.abs(this.motion.vx)) * 180) / Math.PI
      this.pitch += (along - this.pitch) * Math.min(1, 6 * seconds)
    }
    return this.motion.y <= this.moor.ground(this.motion.x).y
  }

  private held(seconds: number, wind: number) {
    const { x, y, vx, vy } = this.motion
    this.steer.left -= seconds
    const left = (this.goal.x - x) * this.side
    // Past its goal it turns about.
    if (left < -4) this.side = -this.side
    const airspeed = Math.hypot(vx - wind, vy)
    const landing = left < GLIDE
    const below = Math.max(
      this.moor.ground(x).y,
      this.moor.ground(x + 4 * this.side).y,
      this.moor.ground(x + 8 * this.side).y,
    )
    const aim = this.moor.ground(this.goal.x).y
    const height = landing ? aim - 1 + Math.max(0, left) * 0.24 : below + CRUISE
    const wanted = height + (this.steer.left > 0 ? this.steer.up : 0)
    const quick = landing ? 2.4 : 1.1
    const climb = Math.max(-6, Math.min(4, (wanted - y) * quick))
    const lift = carrying(COURIER, airspeed) + 0.35 * quick * (climb - vy)
    if (!landing && airspeed < SLOW) this.reeling = true
    if (landing ? left < 8 : airspeed > FAST) this.reeling = false
    const turning = vx * this.side < 3
    const pull = this.reeling || turning ? PULL : landing ? 0 : 40
    return {
      lift: Math.max(-0.4, Math.min(MOST_LIFT, lift)),
      pull: [pull * this.side, this.reeling ? 0.25 * pull : 0] as [number, number],
    }
  }
}
