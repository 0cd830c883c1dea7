import { setting } from '../common/settings'
import type { EventType, Payload, Rope, Vector } from '../api/bundle'
import type { NumbersReport } from '../api/client'
import { pathOf, ring, type Grip, type Outline, type Outlines } from '../stage/outlines'
import { direction, dot, length, minus, plus, times } from '../stage/vectors'

/** What of a rope is drawn on the stage, and what a hand on the stage says of the next pull. */

/** How long the arrow of a direction is, u; and seconds for which a velocity is drawn. */
const ARROW = 0.8
const VELOCITY = 0.25
/** A drag over this share of the picture's height is as strong as can be. */
const STRONGEST = 0.6
/** What the game's own hit test may reach. */
const HIT = (({ unit, least, most }) => ({ unit, least, most }))(setting('Rope', 'hit'))

const WAYS = ['direction', 'heading', 'normal'] as const
const isWay = (type: string) => (WAYS as readonly string[]).includes(type)
const fieldOf = (event: EventType, type: string) => event.fields.find((f) => f.type === type)

const rounded = (v: Vector, digits = 2) => v.map((x) => Number(x.toFixed(digits))) as Vector

/** Returns what a press on the stage does for an event, in words; nothing if the event says no place. */
export function pressed(event: EventType): string | undefined {
  if (!fieldOf(event, 'position')) return undefined
  const says = [
    event.fields.some((f) => ['direction', 'heading', 'velocity'].includes(f.type)) && 'direction',
    event.fields.some((f) => f.type === 'number') && 'strength',
  ].filter(Boolean)
  const drag = says.length ? `, a drag gives ${says.join(' and ')}` : ''
  return `a press ${event.shape === 'span' ? 'begins it' : 'pulls'} there${drag}`
}

/** Returns the payload that a stroke on the stage stands for. */
export function struck(
  event: EventType,
  payload: Payload,
  stroke: { at: Vector; way?: Vector; share: number },
): Payload {
  const next = { ...payload }
  const position = fieldOf(event, 'position')
  if (position) next[position.name] = rounded(stroke.at)
  const { way } = stroke
  if (!way) return next
  let strong = false
  for (const field of event.fields) {
    if (field.type === 'direction' || field.type === 'heading') next[field.name] = rounded(direction(way), 3)
    else if (field.type === 'velocity') next[field.name] = rounded(times(way, 1 / VELOCITY))
    else if (field.type === 'number' && !strong) {
      // The first number of an event is how strong it was.
      strong = true
      const [least, most] = field.range
      next[field.name] = Number(
        (least + Math.min(1, stroke.share / STRONGEST) * (most - least)).toPrecision(3),
      )
    }
  }
  return next
}

interface Arrow {
  name: string
  type: string
  tip: Vector
}
function arrows(event: EventType, payload: Payload, point: Vector): Arrow[] {
  return event.fields.flatMap((f) => {
    const value = payload[f.name] as Vector | undefined
    if (!value || !(isWay(f.type) || f.type === 'velocity')) return []
    const way = f.type === 'velocity' ? times(value, VELOCITY) : times(direction(value), ARROW)
    // What comes from somewhere ends in the point, what goes somewhere begins there.
    const tip = f.type === 'direction' ? minus(point, way) : plus(point, way)
    return [{ name: f.name, type: f.type, tip }]
  })
}

/** Returns what of a rope and its next pull is drawn. */
export function ropeOutlines(of: {
  rope?: Rope
  event?: EventType
  payload: Payload
  point: Vector
  numbers?: NumbersReport
  places: { name: string; position: Vector }[]
  seen: Vector
}): Outlines {
  const { rope, event, payload, point, seen } = of
  const outlines: Outline[] = []
  const grips: Grip[] = []
  if (!event) return { outlines, grips }
  for (const { name, type, tip } of arrows(event, payload, point)) {
    const begins = type === 'direction' ? tip : point
    const ends = type === 'direction' ? point : tip
    outlines.push({ kind: 'way', name, lines: [[begins, ends], ...barbs(begins, ends, seen)] })
    grips.push({
      label: name,
      path: `payload.${name}`,
      at: tip,
      back: (place) => {
        const way = type === 'direction' ? minus(point, place) : minus(place, point)
        if (length(way) < 1e-6) return payload[name] as Vector
        return type === 'velocity' ? rounded(times(way, 1 / VELOCITY)) : rounded(direction(way), 3)
      },
    })
  }
  const position = fieldOf(event, 'position')
  if (position && payload[position.name])
    grips.push({
      label: position.name,
      path: `payload.${position.name}`,
      at: payload[position.name] as Vector,
      back: (place) => rounded(place),
    })
  const hit = rope?.hit
  const radius = typeof hit === 'object' ? (payload[hit.field] as number | undefined) : hit
  if (radius !== undefined && radius > 0) {
    outlines.push(ring('reach', 'hit-test radius of the game', point, radius, seen))
    if (typeof hit === 'number')
      grips.push({
        label: 'Hit-test radius',
        path: 'rope.hit',
        value: hit,
        ...HIT,
        step: 0.1,
        at: plus(point, [radius, 0, 0]),
        to: (place) => Number(Math.max(HIT.least, length(flat(minus(place, point), seen))).toPrecision(3)),
      })
  }
  for (const field of event.fields) {
    const size = payload[field.name] as Vector | undefined
    if (!size || (field.type !== 'extent' && field.type !== 'half extent')) continue
    const half = field.type === 'extent' ? times(size, 0.5) : size
    outlines.push({ kind: 'reach', name: field.name, lines: boxAbout(point, half) })
    grips.push({
      label: field.name,
      path: `payload.${field.name}`,
      at: plus(point, half),
      back: (place) => {
        const reached = minus(place, point).map((v, i) => (seen[i] ? half[i] : Math.max(0, v))) as Vector
        return rounded(field.type === 'extent' ? times(reached, 2) : reached)
      },
    })
  }
  if (of.numbers && of.numbers.extent > 0)
    outlines.push(ring('reach', 'how far it can be seen', point, of.numbers.extent, seen))
  for (const place of of.places)
    outlines.push({
      kind: 'path',
      name: `place ${place.name}`,
      lines: [cross(place.position, [0.1, 0, 0]), cross(place.position, [0, 0.1, 0])],
    })
  const velocity = fieldOf(event, 'velocity')
  const path = velocity && pathOf(point, (payload[velocity.name] as Vector) ?? [0, 0, 0], 1)
  if (path && rope?.place?.follow) outlines.push(path)
  return { outlines, grips }
}

/** The edges of a box about a place. */
function boxAbout(middle: Vector, half: Vector): Vector[][] {
  const corner = (x: number, y: number, z: number) =>
    plus(middle, [x * half[0], y * half[1], z * half[2]]) as Vector
  const face = (z: number) =>
    [corner(-1, -1, z), corner(1, -1, z), corner(1, 1, z), corner(-1, 1, z), corner(-1, -1, z)] as Vector[]
  const sides = half[2]
    ? [
        [-1, -1],
        [1, -1],
        [1, 1],
        [-1, 1],
      ].map(([x, y]) => [corner(x, y, -1), corner(x, y, 1)])
    : []
  return half[2] ? [face(-1), face(1), ...sides] : [face(0)]
}

const cross = (at: Vector, arm: Vector) => [minus(at, arm), plus(at, arm)]
/** What of a vector is seen in the picture. */
const flat = (a: Vector, seen: Vector) => minus(a, times(seen, dot(a, seen)))

function barbs(from: Vector, to: Vector, seen: Vector): Vector[][] {
  const way = direction(minus(to, from))
  const side: Vector = [
    seen[1] * way[2] - seen[2] * way[1],
    seen[2] * way[0] - seen[0] * way[2],
    seen[0] * way[1] - seen[1] * way[0],
  ]
  return [1, -1].map((sign) => [to, plus(to, plus(times(way, -0.1), times(side, 0.05 * sign)))])
}
