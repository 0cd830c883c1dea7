/** How a kite flies: gravity, and the lift and drag of the air that passes it. Lengths in u (a metre), y up. */

export const GRAVITY = 9.81
/** kg/m³ */
export const AIR = 1.2

export interface Craft {
  /** kg */
  mass: number
  /** m² */
  area: number
  /** Drag coefficient without lift, and how much more for each lift squared. */
  drag: number
  induced: number
}

/** The courier under the mail-kite. */
export const COURIER: Craft = { mass: 20, area: 3, drag: 0.07, induced: 0.045 }
/** The courier without it. */
export const FALLEN: Craft = { mass: 20, area: 0.6, drag: 0.9, induced: 0 }

export interface Motion {
  x: number
  y: number
  /** u/s */
  vx: number
  vy: number
}

export interface Air {
  /** How fast it moves, u/s. */
  wind: number
  /** kg/m³ */
  density: number
}

/** What the pilot does: the lift coefficient, and the pull of the line in newtons. */
export interface Held {
  lift: number
  pull: [x: number, y: number]
}

/** Returns the drag coefficient that goes with a lift coefficient: the usual polar. */
export const dragOf = (craft: Craft, lift: number) => craft.drag + craft.induced * lift * lift

/** Returns the acceleration, u/s². Lift is square to the air that passes, upwards; drag goes with it. */
export function acceleration(
  craft: Craft,
  { vx, vy }: Motion,
  { wind, density }: Air,
  held: Held,
): [number, number] {
  const ux = vx - wind
  const speed = Math.hypot(ux, vy)
  const k = (density * craft.area * speed) / (2 * craft.mass)
  const side = ux < 0 ? -1 : 1
  const drag = dragOf(craft, held.lift)
  return [
    k * (-drag * ux - held.lift * vy * side) + held.pull[0] / craft.mass,
    k * (-drag * vy + held.lift * ux * side) + held.pull[1] / craft.mass - GRAVITY,
  ]
}

/** Returns the motion after some seconds, by the classical Runge–Kutta method of fourth order. */
export function fly(craft: Craft, from: Motion, air: Air, held: Held, seconds: number): Motion {
  const slope = (m: Motion) => {
    const [ax, ay] = acceleration(craft, m, air, held)
    return [m.vx, m.vy, ax, ay]
  }
  const along = (s: number[], t: number): Motion => ({
    x: from.x + s[0] * t,
    y: from.y + s[1] * t,
    vx: from.vx + s[2] * t,
    vy: from.vy + s[3] * t,
  })
  const a = slope(from)
  const b = slope(along(a, seconds / 2))
  const c = slope(along(b, seconds / 2))
  const d = slope(along(c, seconds))
  return along(
    a.map((v, i) => (v + 2 * b[i] + 2 * c[i] + d[i]) / 6),
    seconds,
  )
}

/** Returns the lift coefficient that carries the craft at a speed, if it can be had. */
export const carrying = (craft: Craft, speed: number) =>
  (2 * craft.mass * GRAVITY) / (AIR * craft.area * Math.max(1, speed * speed))
