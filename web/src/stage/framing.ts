import type { Vector } from '../api/bundle'
import { axes, type Camera } from './renderer'
import { dot, minus, plus, times } from './vectors'

/** What a stage shows and from where: numbers alone, nothing of the page. */

export const VIEWS = ['side', 'top', 'free'] as const
export type View = (typeof VIEWS)[number]

/** Heights of the picture in units; the next one that holds everything is taken, so that small changes move nothing. */
const HEIGHTS = [1, 1.25, 1.5, 1.75, 2, 2.5, 3, 3.5, 4, 5, 6, 7, 8, 10, 12, 16, 20, 24, 32, 48, 64, 96, 128]
const USUAL_HEIGHT = 3

/** The corners of all that is seen of a take. */
export interface Extent {
  least: number[]
  most: number[]
}

/** Returns the height that holds everything around a point, in a picture so many times as wide as high. */
export function heightOf(point: Vector, aspect: number, take?: Extent, beside?: Extent): number {
  let tall = USUAL_HEIGHT
  if (take && Number.isFinite(take.least[0])) {
    const least = take.least.map((v, i) => Math.min(v, beside?.least[i] ?? v))
    const most = take.most.map((v, i) => Math.max(v, beside?.most[i] ?? v))
    const side = Math.max(Math.abs(least[0] - point[0]), Math.abs(most[0] - point[0])) * 2
    const above = most[1] - point[1]
    const below = point[1] - least[1]
    // What falls through the surface is not worth a smaller picture.
    tall = Math.max(side / aspect, (above + 0.15) / 0.7, Math.min(below, above * 0.4) / 0.26) * 1.04
  }
  return HEIGHTS.find((h) => h >= tall) ?? tall
}

/**
 * Returns the camera of a view on a point.
 *
 * @param shake by how much it is moved, units to the right and up
 */
export function cameraOn(
  point: Vector,
  height: number,
  view: View,
  turned: { yaw: number; pitch: number },
  shake: readonly [number, number],
): Camera {
  const [x, y, z] = point
  const lift = view === 'side' ? height * 0.24 : 0
  const { yaw, pitch } =
    view === 'side' ? { yaw: 0, pitch: 0 } : view === 'top' ? { yaw: 0, pitch: 90 } : turned
  return { centre: [x + shake[0], y + lift + shake[1], z], height, yaw, pitch }
}

/** A surface that is not seen. */
export const NOWHERE: [number, number, number] = [0, 0, 1e9]

/** Returns the surface as a line a·x + b·y + c in pixels of the picture; only seen from the side. */
export function surfaceLine(
  point: Vector,
  normal: Vector,
  camera: Camera,
  view: View,
  width: number,
  height: number,
): [number, number, number] {
  const n = Math.hypot(normal[0], normal[1])
  if (view !== 'side' || n < 1e-6) return NOWHERE
  const k = height / camera.height
  const px = width / 2 + (point[0] - camera.centre[0]) * k
  const py = height / 2 + (point[1] - camera.centre[1]) * k
  const [a, b] = [normal[0] / n, normal[1] / n]
  return [a, b, -(a * px + b * py)]
}

/** Returns a flash in linear light as a colour of the page; undefined where nothing flashes. The curve is that of sRGB. */
export function flashColour([red, green, blue, opacity]: readonly [number, number, number, number]) {
  if (!opacity) return undefined
  const byte = (v: number) =>
    Math.round(255 * (v <= 0.0031308 ? v * 12.92 : 1.055 * Math.pow(v, 1 / 2.4) - 0.055))
  return `rgb(${byte(red)} ${byte(green)} ${byte(blue)} / ${opacity})`
}

/** Returns one number a step as the path of an area, 100 wide and 20 high; empty where there is nothing to see. */
export function areaOf(values?: number[]): string {
  if (!values || values.length < 2) return ''
  const most = Math.max(1, ...values)
  const last = values.length - 1
  const points = values.map((v, i) => `${((100 * i) / last).toFixed(2)} ${(20 - (18 * v) / most).toFixed(2)}`)
  return `M0 20L${points.join('L')}L100 20Z`
}

/** Seconds that a take rests at its end before it begins again. */
const PAUSE = 0.5

/**
 * Returns where a running take is after a while, in steps.
 *
 * @param passed seconds
 * @param every seconds after which it begins again; when all is gone if undefined
 */
export function runOn(
  at: number,
  passed: number,
  take: { frames: number; stepsPerSecond: number },
  rate: number,
  every: number | undefined,
): number {
  const next = at + passed * take.stepsPerSecond * rate
  const turn =
    every === undefined ? take.frames - 1 + PAUSE * take.stepsPerSecond : every * take.stepsPerSecond
  return next > turn ? 0 : next
}

/** A picture as it is seen: what it shows, and how large it is. */
export interface Picture {
  camera: Camera
  right: Vector
  up: Vector
  /** px */
  width: number
  height: number
}

export function pictureOf(camera: Camera, width: number, height: number): Picture {
  const { right, up } = axes(camera)
  return { camera, right: right as Vector, up: up as Vector, width, height }
}

/** Returns where in a picture a place of the world is seen, in pixels from its upper left. */
export function inPicture(place: Vector, { camera, right, up, width, height }: Picture): [number, number] {
  const from = minus(place, camera.centre as Vector)
  const k = height / camera.height
  return [width / 2 + dot(from, right) * k, height / 2 - dot(from, up) * k]
}

/** Returns the place of the world that is seen there, as deep in the picture as another place. */
export function placeIn([x, y]: [number, number], as: Vector, picture: Picture): Vector {
  const [ax, ay] = inPicture(as, picture)
  const k = picture.camera.height / picture.height
  return plus(as, plus(times(picture.right, (x - ax) * k), times(picture.up, (ay - y) * k)))
}
