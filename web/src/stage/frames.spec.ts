import { describe, expect, it } from 'vitest'
import { readFrame, readTake } from './frames'

function frame(count: number, x: number): Uint8Array {
  const view = new DataView(new ArrayBuffer(64 + 20 * count))
  view.setUint32(0, 0x46524c42, true)
  view.setUint32(8, 30, true)
  view.setUint32(12, count, true)
  view.setUint32(16, 1, true)
  view.setUint32(20, 17, true)
  view.setFloat32(24, x, true)
  view.setFloat32(36, 2, true)
  view.setFloat32(48, 0.25, true)
  view.setUint32(52, 2, true)
  return new Uint8Array(view.buffer)
}

describe('a frame', () => {
  it('is read where it lies', () => {
    const f = readFrame(frame(3, 12).buffer as ArrayBuffer)
    expect(f).toMatchObject({ step: 30, count: 3, instances: 1, sequence: 17, presence: 0.25 })
    expect(f.origin[0]).toBe(12)
    expect(f.alive).toBe(2)
    expect(f.particles.length).toBe(15)
  })
  it('is refused without its mark', () =>
    expect(() => readFrame(new ArrayBuffer(64))).toThrow('This is no frame.'))
})

describe('a take', () => {
  it('is a head and frames, and knows what it reaches over', () => {
    const head = new TextEncoder().encode(JSON.stringify({ stepsPerSecond: 60 }).padEnd(24))
    const frames = [frame(1, -1), frame(0, 99), frame(2, 5)]
    const size = 4 + head.length + frames.reduce((n, f) => n + 4 + f.length, 0)
    const view = new DataView(new ArrayBuffer(size))
    const bytes = new Uint8Array(view.buffer)
    view.setUint32(0, head.length, true)
    bytes.set(head, 4)
    let at = 4 + head.length
    for (const f of frames) {
      view.setUint32(at, f.length, true)
      bytes.set(f, at + 4)
      at += 4 + f.length
    }
    const take = readTake(view.buffer)
    expect(take.head.stepsPerSecond).toBe(60)
    expect(take.length).toBe(3)
    expect([0, 1, 2].map((step) => take.frame(step)!.count)).toEqual([1, 0, 2])
    expect(take.least[0]).toBe(-1)
    expect(take.most[0]).toBe(7)
  })
})
