import type { CourierLandedSurface } from './WindrowPost'
import { dice } from './random'

/** Something that stands or lies on the moor, from one x to another. */
export interface Patch {
  surface: CourierLandedSurface
  from: number
  to: number
  /** Of what stands there, above the ground; u. */
  height: number
}

export interface Mill {
  x: number
  y: number
  /** Of the hub above the ground. */
  hub: number
}

export interface Tree {
  x: number
  y: number
  /** Where its branch reaches to. */
  branch: [x: number, y: number]
}

export interface Ground {
  y: number
  surface: CourierLandedSurface
  normal: [number, number, number]
}

/** Between mills. */
const APART = 56
const MILLS = 5
/** What is nearer cannot be landed on any more. */
const NEAR = 14
/** Half of the yard of stone about a mill. */
const YARD = 5

/** The land between the mills: how high it is, what it is made of, what stands on it. */
export class Moor {
  readonly length = APART * (MILLS - 1)
  readonly mills: Mill[] = []
  readonly patches: Patch[] = []
  readonly trees: Tree[] = []
  private readonly waves: { height: number; length: number; phase: number }[]

  constructor(seed: number) {
    const roll = dice(seed, 'moor')
    this.waves = [60, 27, 13].map((length, i) => ({
      height: [0.9, 0.45, 0.16][i],
      length: length * roll.between(0.85, 1.15),
      phase: roll() * 2 * Math.PI,
    }))
    for (let i = 0; i < MILLS; i++) {
      const x = i * APART
      this.patches.push({ surface: 'stone', from: x - YARD, to: x + YARD, height: 0 })
      this.mills.push({ x, y: this.height(x), hub: 4.2 })
    }
    for (let i = 0; i + 1 < MILLS; i++) this.leg(i * APART, roll)
    this.patches.sort((a, b) => a.from - b.from)
  }

  // Each stretch between two mills has some of everything.
  private leg(from: number, roll: ReturnType<typeof dice>) {
    const kinds: CourierLandedSurface[] = ['thatch', 'water', 'stone']
    let x = from + YARD + roll.between(3, 6)
    while (kinds.length) {
      const surface = kinds.splice(Math.floor(roll() * kinds.length), 1)[0]
      const wide = surface === 'water' ? roll.between(6, 8) : surface === 'thatch' ? 4.5 : roll.between(3, 5)
      const height = surface === 'thatch' ? 1.9 : surface === 'stone' ? 0.5 : -0.25
      this.patches.push({ surface, from: x, to: x + wide, height })
      x += wide + roll.between(2, 4)
      const y = this.height(x)
      this.trees.push({ x, y, branch: [x + roll.between(-0.6, 0.6), y + roll.between(2.6, 3.4)] })
      x += roll.between(2, 4)
    }
  }

  /** Returns how high the bare ground is. */
  height(x: number): number {
    return this.waves.reduce((y, w) => y + w.height * Math.sin((2 * Math.PI * x) / w.length + w.phase), 0)
  }

  /** Returns what lies there; nothing but peat where nothing else is. */
  patch(x: number): Patch | undefined {
    return this.patches.find((p) => x >= p.from && x <= p.to)
  }

  /** Returns the height from which that of what stands there counts; water lies below all about it. */
  level({ surface, from, to }: Patch): number {
    const middle = this.height((from + to) / 2)
    return surface === 'water' ? Math.min(middle, this.height(from), this.height(to)) : middle
  }

  /** Returns what one would stand on. */
  ground(x: number): Ground {
    const patch = this.patch(x)
    const slope = (at: (x: number) => number) => {
      const rise = (at(x + 0.05) - at(x - 0.05)) / 0.1
      const long = Math.hypot(rise, 1)
      return [-rise / long, 1 / long, 0] as [number, number, number]
    }
    if (!patch || patch.height === 0)
      return {
        y: this.height(x),
        surface: patch?.surface ?? 'peat',
        normal: slope((at) => this.height(at)),
      }
    const level = this.level(patch)
    if (patch.surface === 'water') return { y: level + patch.height, surface: 'water', normal: [0, 1, 0] }
    const top = (at: number) => level + patch.height * shape(patch, at)
    return { y: Math.max(top(x), this.height(x)), surface: patch.surface, normal: slope(top) }
  }

  /** Returns the middle of the nearest ground of a kind that can be landed on, one that lies that way first. */
  nearest(surface: CourierLandedSurface, x: number, way: number): number {
    if (surface === 'peat') {
      let at = x + way * NEAR
      while (this.ground(at).surface !== 'peat') at += way
      return at
    }
    const ahead = this.patches
      .filter((p) => p.surface === surface)
      .map((p) => (p.from + p.to) / 2)
      .sort((a, b) => Math.abs(a - x) - Math.abs(b - x))
    const far = (at: number, side: number) => (at - x) * side > NEAR
    return ahead.find((at) => far(at, way)) ?? ahead.find((at) => far(at, -way)) ?? ahead[0]
  }
}

/** How high what stands there is at a place, 0 to 1: a roof, or a rounded rock. */
export function shape({ surface, from, to }: Patch, x: number): number {
  const across = Math.max(-1, Math.min(1, (2 * x - from - to) / (to - from)))
  return surface === 'thatch' ? 1.15 - 0.55 * Math.abs(across) : Math.sqrt(1 - across * across)
}
