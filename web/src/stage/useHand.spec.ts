import { describe, expect, it, vi } from 'vitest'
import { useHand } from './useHand'

function event(x: number, y: number, more: object = {}) {
  const currentTarget = {
    getBoundingClientRect: () => ({ left: 10, top: 20 }),
    setPointerCapture: vi.fn(),
  }
  const target = document.createElement('canvas')
  return {
    button: 0,
    clientX: x,
    clientY: y,
    movementX: 0,
    movementY: 0,
    timeStamp: 7,
    pointerId: 1,
    target,
    currentTarget,
    ...more,
  } as unknown as PointerEvent
}

describe('the hand on the picture', () => {
  it('presses where it goes down and up again', () => {
    const pressed = vi.fn()
    const hand = useHand({ free: () => false, pressed })
    hand.down(event(30, 50))
    hand.move(event(32, 51))
    hand.up(event(32, 51))
    expect(pressed).toHaveBeenCalledExactlyOnceWith({ from: [20, 30], to: [20, 30] }, 7)
  })
  it('drags, and shows where it is', () => {
    const pressed = vi.fn()
    const hand = useHand({ free: () => false, pressed })
    hand.down(event(30, 50))
    hand.move(event(60, 90))
    expect(hand.stroke.value).toEqual({ from: [20, 30], to: [50, 70] })
    hand.up(event(60, 90))
    expect(pressed.mock.calls[0][0]).toEqual({ from: [20, 30], to: [50, 70] })
    expect(hand.stroke.value).toBeUndefined()
  })
  it('turns a free view instead, and does not press then', () => {
    const pressed = vi.fn()
    const hand = useHand({ free: () => true, pressed })
    hand.down(event(30, 50))
    hand.move(event(60, 50))
    hand.move(event(70, 90, { movementX: 10, movementY: 40 }))
    hand.up(event(70, 90))
    expect(pressed).not.toHaveBeenCalled()
    expect(hand.turned).toEqual({ yaw: 25, pitch: 45 })
  })
  it('leaves buttons and grips alone, and other buttons of the mouse', () => {
    const pressed = vi.fn()
    const hand = useHand({ free: () => false, pressed })
    hand.down(event(30, 50, { target: document.createElement('button') }))
    hand.up(event(30, 50))
    hand.down(event(30, 50, { button: 2 }))
    hand.up(event(30, 50))
    expect(pressed).not.toHaveBeenCalled()
  })
})
