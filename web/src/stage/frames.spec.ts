import { describe, expect, it } from 'vitest'
import { readFrame } from './frames'

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
