import type { Emitter, Force, Shape, Vector } from '../api/bundle'
import {
  arcTo,
  between,
  cross,
  degrees,
  direction,
  dot,
  length,
  minus,
  plus,
  times,
  turned,
  type Turn,
} from './vectors'
import { setting } from '../common/settings'

/** What shapes a response and gives no light itself, as lines of the world with grips that can be taken hold of. */

export type Kind = 'birth' | 'throw' | 'force' | 'barrier' | 'reach' | 'path' | 'way'

export interface Outline {
  kind: Kind
  /** What it is, in words. */
  name: string
  lines: Vector[][]
}

interface Held {
  label: string
  at: Vector
}
/** A grip that sets one number. */
export interface NumberGrip extends Held {
  path: string
  unit: string
  value: number
  least: number
  most: number
  step: number
  /** Returns the number that a place of the picture stands for. */
  to: (place: Vector) => number
}
/** A grip that moves a point. */
export interface PlaceGrip extends Held {
  path: string
  /** Whether its label is always there. */
  named?: boolean
  /** Returns the value that a place of the world stands for. */
  back: (place: Vector) => Vector
}
export type Grip = NumberGrip | PlaceGrip

export interface Outlines {
  outlines: Outline[]
  grips: Grip[]
}

/** Where an effect stands: its place, its facing, and the direction from which it is seen. */
export interface Standing {
  origin: Vector
  facing: Vector
  seen: Vector
}

/** Seconds after which a throw is drawn. */
export const THROWN = 0.2
const ROUND = 48
const X: Vector = [1, 0, 0]
const Y: Vector = [0, 1, 0]

const held = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value))
/** Three digits are as fine as a hand is. */
const fine = (value: number) => Number(value.toPrecision(3))

/** A way from the frame of an effect or emitter into the world, and back. */
interface Frame {
  place: (p: Vector) => Vector
  turn: Turn
}

/** Returns an arc about an axis from one direction on, by so many degrees. */
export function arc(centre: Vector, from: Vector, axis: Vector, sweep: number): Vector[] {
  const steps = Math.max(2, Math.ceil((ROUND * Math.abs(sweep)) / 360))
  return Array.from({ length: steps + 1 }, (_, i) =>
    plus(centre, turned(from, axis, ((sweep * Math.PI) / 180) * (i / steps))),
  )
}

function box(frame: Frame, centre: Vector, size: Vector): Vector[][] {
  const corner = (i: number): Vector =>
    frame.place(
      plus(centre, [
        (i & 1 ? 0.5 : -0.5) * size[0],
        (i & 2 ? 0.5 : -0.5) * size[1],
        (i & 4 ? 0.5 : -0.5) * size[2],
      ]),
    )
  const edges: Vector[][] = []
  for (let i = 0; i < 8; i++)
    for (const bit of [1, 2, 4]) if (!(i & bit)) edges.push([corner(i), corner(i | bit)])
  return edges
}

/** A grip on a length from a point along a way. */
function along(
  grip: { label: string; path: string; value: number; least?: number; step: number },
  from: Vector,
  way: Vector,
  per = 1,
): NumberGrip {
  const { least, most, unit } = { ...setting('Emitter', grip.path), ...grip }
  return {
    ...grip,
    unit,
    least,
    most,
    at: plus(from, times(way, grip.value / per)),
    to: (place) => fine(held(dot(minus(place, from), way) * per, least, most)),
  }
}

/** A grip on an angle. */
function angled(
  grip: { label: string; path: string; value: number; at: Vector },
  of: (place: Vector) => number,
): NumberGrip {
  const { least, most, unit } = setting('Emitter', grip.path)
  return { ...grip, unit, least, most, step: 5, to: (place) => Math.round(held(of(place), least, most)) }
}

const NOWHERE: Vector = [0, 0, 0]
const SHAPES = 'birth.shape'

/** Returns where particles are born. */
function born(shape: Shape, frame: Frame): Outlines {
  const at = frame.place([0, 0, 0])
  const axis = frame.turn(Y)
  const x = frame.turn(X)
  const outline = (lines: Vector[][]): Outline[] => [
    { kind: 'birth', name: `born from a ${shape.kind}`, lines },
  ]
  const radius = (kind: 'Circle' | 'Sphere' | 'Cone', value: number) => {
    const { least } = setting('Emitter', `${SHAPES}.<${kind}>.radius`)
    const label = 'Radius of the birth shape'
    return along({ label, path: `${SHAPES}.radius`, value, least, step: 0.05 }, at, x)
  }
  switch (shape.kind) {
    case 'point':
      return { outlines: [], grips: [] }
    case 'circle': {
      // From x towards z: clockwise about the facing.
      const rim = arc(at, times(x, shape.radius), axis, -(shape.arc ?? 360))
      return {
        outlines: outline([(shape.arc ?? 360) < 360 ? [at, ...rim, at] : rim]),
        grips: [radius('Circle', shape.radius)],
      }
    }
    case 'sphere': {
      const z = frame.turn([0, 0, 1])
      return {
        outlines: outline([
          arc(at, times(x, shape.radius), z, 360),
          arc(at, times(x, shape.radius), axis, 360),
        ]),
        grips: [radius('Sphere', shape.radius)],
      }
    }
    case 'cone': {
      const side = Math.max(0.3, shape.radius)
      const tilt = (sign: number, from: Vector): Vector[] => [
        from,
        plus(from, times(turned(axis, frame.turn([0, 0, 1]), (-sign * shape.angle * Math.PI) / 180), side)),
      ]
      const right = plus(at, times(x, shape.radius))
      const left = plus(at, times(x, -shape.radius))
      const end = tilt(1, right)[1]
      return {
        outlines: outline([arc(at, times(x, shape.radius), axis, 360), tilt(1, right), tilt(-1, left)]),
        grips: [
          radius('Cone', shape.radius),
          angled(
            { label: 'Angle of the cone', path: `${SHAPES}.angle`, value: shape.angle, at: end },
            (place) => between(minus(place, right), axis),
          ),
        ],
      }
    }
    case 'box':
      return {
        outlines: outline(box(frame, [0, 0, 0], shape.size)),
        grips: [X, Y, [0, 0, 1] as Vector].map((way, i) =>
          along(
            {
              label: `Full size of the birth shape, ${'xyz'[i]}`,
              path: `${SHAPES}.size.${i}`,
              value: shape.size[i],
              step: 0.1,
            },
            at,
            frame.turn(way),
            2,
          ),
        ),
      }
    case 'line':
      return {
        outlines: outline([[plus(at, times(x, -shape.length / 2)), plus(at, times(x, shape.length / 2))]]),
        grips: [
          along(
            {
              label: 'Length of the birth shape',
              path: `${SHAPES}.length`,
              value: shape.length,
              step: 0.1,
            },
            at,
            x,
            2,
          ),
        ],
      }
  }
}

/** Returns where particles are thrown: the sector in which those along an axis are after a while, slowest to fastest. */
function thrown(emitter: Emitter, frame: Frame, seen: Vector): Outlines {
  const { aim, spread, speed, shape } = emitter.birth
  const [slow, fast] = speed.map((s) => s * THROWN)
  if (fast <= 0) return { outlines: [], grips: [] }
  const at = frame.place([0, 0, 0])
  const name = `thrown, as far as ${THROWN} s take them`
  if (aim?.kind === 'axes') {
    const ranges = [aim.x, aim.y, aim.z].map((r) => r.map((v) => v * speed[1] * THROWN))
    const middle = ranges.map(([a, b]) => (a + b) / 2) as Vector
    const size = ranges.map(([a, b]) => b - a) as Vector
    return { outlines: [{ kind: 'throw', name, lines: box(frame, middle, size) }], grips: [] }
  }
  if (aim && aim.kind !== 'along') {
    const around = ['circle', 'sphere', 'point'].includes(shape.kind)
    const radius = ('radius' in shape ? shape.radius : 0) + fast
    if (!around || aim.kind === 'tangent') return { outlines: [], grips: [] }
    return {
      outlines: [
        {
          kind: 'throw',
          name,
          lines: [
            arc(at, times(frame.turn(X), radius), frame.turn(shape.kind === 'circle' ? Y : [0, 0, 1]), 360),
          ],
        },
      ],
      grips: [],
    }
  }
  const axis = direction(frame.turn(direction(aim?.axis ?? Y)))
  // In the plane of the picture, so that the angle is seen as it is.
  const back = direction(minus(seen, times(axis, dot(seen, axis))), direction(cross(axis, X), [0, 0, 1]))
  const edge = (k: number, sign: number) => times(turned(axis, back, (-sign * spread * Math.PI) / 180), k)
  const cap = (k: number) => arc(at, edge(k, 1), back, 2 * spread)
  const lines = [
    [plus(at, edge(slow, 1)), plus(at, edge(fast, 1))],
    [plus(at, edge(slow, -1)), plus(at, edge(fast, -1))],
    cap(fast),
    ...(slow > 0 ? [cap(slow)] : []),
    ...(spread === 0 ? [[at, plus(at, times(axis, fast))]] : []),
  ]
  return {
    outlines: [{ kind: 'throw', name, lines }],
    grips: [
      angled({ label: 'Spread', path: 'birth.spread', value: spread, at: plus(at, edge(fast, 1)) }, (place) =>
        between(minus(place, at), axis),
      ),
      along(
        {
          label: 'Fastest',
          path: 'birth.speed.1',
          value: speed[1],
          least: speed[0],
          step: 0.5,
        },
        at,
        axis,
        1 / THROWN,
      ),
    ],
  }
}

/** From where to where the rays of a push are drawn, u. */
const RAYS = [0.5, 0.9]

/** What has no place of its own stands about the source: rays that a push takes, and how large one eddy is. */
function placeless(
  force: Extract<Force, { kind: 'push' | 'turbulence' }>,
  frame: Frame,
  origin: Vector,
): Outlines {
  if (force.kind === 'turbulence') {
    const round = arc(origin, times(frame.turn(X), force.size / 2), frame.turn([0, 0, 1]), 360)
    return { outlines: [{ kind: 'force', name: 'turbulence, one eddy', lines: [round] }], grips: [] }
  }
  const ways = [0, 1, 2, 3, 4, 5, 6, 7].map((eighth) => {
    const turn = (eighth / 4) * Math.PI
    return frame.turn([Math.cos(turn), Math.sin(turn), 0])
  })
  const lines = ways.map((way) => RAYS.map((r) => plus(origin, times(way, r))))
  return {
    outlines: [{ kind: 'force', name: force.strength < 0 ? 'push inward' : 'push outward', lines }],
    grips: [],
  }
}

function forced(force: Force, i: number, frame: Frame, back: Turn, origin: Vector): Outlines {
  if (force.kind === 'push' || force.kind === 'turbulence') return placeless(force, frame, origin)
  const at = frame.place(force.place ?? NOWHERE)
  const x = frame.turn(X)
  const axis = force.kind === 'swirl' ? direction(frame.turn(force.axis ?? Y)) : frame.turn([0, 0, 1])
  const from =
    Math.abs(dot(x, axis)) > 0.9 ? direction(cross(axis, Y)) : direction(cross(axis, cross(x, axis)))
  const name = force.kind === 'swirl' ? 'swirl' : 'attractor'
  return {
    outlines: [
      {
        kind: 'force',
        name: `${name}, within its radius`,
        lines: [
          arc(at, times(from, force.radius), axis, 360),
          ...(force.kind === 'swirl'
            ? [[plus(at, times(axis, -force.radius / 2)), plus(at, times(axis, force.radius / 2))]]
            : [arc(at, times(from, force.radius), cross(axis, from), 360)]),
        ],
      },
    ],
    grips: [
      {
        label: `Place of the ${name}`,
        path: `life.forces.${i}.place`,
        at,
        back: (place) => back(minus(place, origin)).map(fine) as Vector,
      },
      along(
        {
          label: `Radius of the ${name}`,
          path: `life.forces.${i}.radius`,
          value: force.radius,
          step: 0.1,
        },
        at,
        from,
      ),
    ],
  }
}

function struck(emitter: Emitter, frame: Frame, back: Turn, standing: Standing): Outlines {
  const barrier = emitter.end?.collision?.with
  const path = 'end.collision.with'
  if (!barrier) return { outlines: [], grips: [] }
  if (barrier.kind === 'box')
    return {
      outlines: [
        { kind: 'barrier', name: 'strikes a box', lines: box(frame, barrier.place ?? NOWHERE, barrier.size) },
      ],
      grips: [
        {
          label: 'Place of the box',
          path: `${path}.place`,
          at: frame.place(barrier.place ?? NOWHERE),
          back: (place) => back(minus(place, standing.origin)).map(fine) as Vector,
        },
        ...[X, Y].map((way, i) =>
          along(
            {
              label: `Full size of the box, ${'xyz'[i]}`,
              path: `${path}.size.${i}`,
              value: barrier.size[i],
              step: 0.1,
            },
            frame.place(barrier.place ?? NOWHERE),
            frame.turn(way),
            2,
          ),
        ),
      ],
    }
  const ground = barrier.kind === 'ground'
  const at = ground
    ? plus(standing.origin, [0, barrier.level ?? 0, 0])
    : frame.place(barrier.place ?? NOWHERE)
  const normal = ground ? Y : direction(frame.turn(direction(barrier.normal ?? Y)))
  const way = direction(cross(normal, standing.seen), X)
  return {
    outlines: [
      {
        kind: 'barrier',
        name: ground ? 'strikes the ground' : 'strikes a plane',
        lines: [[plus(at, times(way, -100)), plus(at, times(way, 100))]],
      },
    ],
    grips: [
      ground
        ? along(
            {
              label: 'Level of the ground',
              path: `${path}.level`,
              value: barrier.level ?? 0,
              step: 0.1,
            },
            plus(standing.origin, times(way, 0.8)),
            Y,
          )
        : {
            label: 'Place of the plane',
            path: `${path}.place`,
            at,
            back: (place: Vector) => back(minus(place, standing.origin)).map(fine) as Vector,
          },
    ],
  }
}

/** Returns the outlines of one emitter: birth shape, throw, forces, and what it strikes. */
export function outlinesOf(emitter: Emitter, standing: Standing): Outlines {
  const effect = arcTo(standing.facing)
  const back = opposite(standing.facing)
  const own = degrees(emitter.birth.turn ?? [0, 0, 0])
  const offset = emitter.birth.offset ?? [0, 0, 0]
  const whole: Frame = { turn: effect, place: (p) => plus(standing.origin, effect(p)) }
  const birth: Frame = { turn: (a) => effect(own(a)), place: (p) => whole.place(plus(offset, own(p))) }
  const parts = [
    born(emitter.birth.shape, birth),
    thrown(emitter, birth, standing.seen),
    ...(emitter.life.forces ?? []).map((f, i) => forced(f, i, whole, back, standing.origin)),
    struck(emitter, whole, back, standing),
  ]
  const grips: Grip[] = [
    {
      label: 'Where the emitter is',
      path: 'birth.offset',
      at: birth.place([0, 0, 0]),
      back: (place) => back(minus(place, standing.origin)).map(fine) as Vector,
    },
    ...parts.flatMap((p) => p.grips),
  ]
  return { outlines: parts.flatMap((p) => p.outlines), grips }
}

/** The way back from the world into the frame of an effect. */
function opposite(facing: Vector): Turn {
  const turn = arcTo(facing)
  const [x, y, z] = [turn(X), turn(Y), turn([0, 0, 1])]
  return (a) => [dot(a, x), dot(a, y), dot(a, z)]
}

/** Returns a circle about a point in the plane of the picture. */
export function ring(kind: Kind, name: string, at: Vector, radius: number, seen: Vector): Outline {
  const from = direction(cross(Math.abs(seen[1]) > 0.9 ? X : Y, seen), X)
  return { kind, name, lines: [arc(at, times(from, radius), direction(seen, [0, 0, 1]), 360)] }
}

/** Returns the way of a source that moves, from where it begins, with a tick each so many seconds. */
export function pathOf(from: Vector, velocity: Vector, seconds: number, every = 0.5): Outline | undefined {
  if (length(velocity) < 1e-6) return undefined
  const end = plus(from, times(velocity, seconds))
  const across = times(direction(cross(velocity, [0, 0, 1]), Y), 0.06)
  const ticks = Array.from({ length: Math.floor(seconds / every + 1e-9) }, (_, i) => {
    const at = plus(from, times(velocity, (i + 1) * every))
    return [plus(at, across), minus(at, across)]
  })
  return { kind: 'path', name: 'the way of the source', lines: [[from, end], ...ticks] }
}
