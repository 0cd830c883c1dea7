import type { Vector } from '../api/bundle'

/** A little geometry for what is drawn over the light. */

export const plus = (a: Vector, b: Vector): Vector => [a[0] + b[0], a[1] + b[1], a[2] + b[2]]
export const minus = (a: Vector, b: Vector): Vector => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]
export const times = (a: Vector, k: number): Vector => [a[0] * k, a[1] * k, a[2] * k]
export const dot = (a: Vector, b: Vector) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
export const cross = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
]
export const length = (a: Vector) => Math.hypot(a[0], a[1], a[2])

/** Returns a vector of length 1 in the same direction; the other one if it has none. */
export function direction(a: Vector, otherwise: Vector = [0, 1, 0]): Vector {
  const l = length(a)
  return l < 1e-9 ? otherwise : times(a, 1 / l)
}

/** Returns a turned by an angle (radians) about an axis of length 1: Rodrigues' formula. */
export function turned(a: Vector, axis: Vector, angle: number): Vector {
  const [c, s] = [Math.cos(angle), Math.sin(angle)]
  return plus(plus(times(a, c), times(cross(axis, a), s)), times(axis, dot(axis, a) * (1 - c)))
}

export type Turn = (a: Vector) => Vector

/** Returns the shortest arc that carries up onto a facing, as core does (`Rotation.between`). */
export function arcTo(facing: Vector): Turn {
  const to = direction(facing)
  if (to[1] < -1 + 1e-6) return ([x, y, z]) => [x, -y, -z]
  const axis = cross([0, 1, 0], to)
  const sine = length(axis)
  if (sine < 1e-9) return (a) => a
  const angle = Math.atan2(sine, to[1])
  return (a) => turned(a, times(axis, 1 / sine), angle)
}

/** Returns the turn about x, then y, then z, by so many degrees each. */
export function degrees([x, y, z]: Vector): Turn {
  const radians = Math.PI / 180
  return (a) =>
    turned(turned(turned(a, [1, 0, 0], x * radians), [0, 1, 0], y * radians), [0, 0, 1], z * radians)
}

/** The degrees between two directions. */
export const between = (a: Vector, b: Vector) =>
  (Math.acos(Math.max(-1, Math.min(1, dot(direction(a), direction(b))))) * 180) / Math.PI
