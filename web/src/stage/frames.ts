import type { TakeHead } from '../api/client'

/** One encoded frame, see docs/format/frames.md. */
export interface Frame {
  step: number
  count: number
  instances: number
  sequence: number
  origin: [number, number, number]
  extent: [number, number, number]
  presence: number
  /** Particles alive; `count` counts their pictures, stretches of trails included. */
  alive: number
  /** Five words a picture. */
  particles: Uint32Array
}

const MAGIC = 0x46524c42
const HEADER = 64
/** Words a picture. */
export const WORDS = 5

/** Reads a frame where it lies; the particles are a view, not a copy. */
export function readFrame(buffer: ArrayBuffer, at = 0): Frame {
  const view = new DataView(buffer, at)
  if (view.getUint32(0, true) !== MAGIC) throw new Error('This is no frame.')
  const count = view.getUint32(12, true)
  const three = (o: number): [number, number, number] => [
    view.getFloat32(o, true),
    view.getFloat32(o + 4, true),
    view.getFloat32(o + 8, true),
  ]
  return {
    step: view.getUint32(8, true),
    count,
    instances: view.getUint32(16, true),
    sequence: view.getUint32(20, true),
    origin: three(24),
    extent: three(36),
    presence: view.getFloat32(48, true),
    alive: view.getUint32(52, true),
    particles: new Uint32Array(buffer, at + HEADER, count * WORDS),
  }
}

/** A response over time: what is told of it, and a picture for each step. */
export interface Take<H extends { stepsPerSecond: number } = TakeHead> {
  head: H
  /** Steps, each with a picture. */
  length: number
  /** What the whole take reaches over, in units: least and most of x, y, z. */
  least: [number, number, number]
  most: [number, number, number]
  /** Returns the picture of a step, or the nearest that is there while it is on its way. Reactive. */
  frame(step: number): Frame | undefined
}
