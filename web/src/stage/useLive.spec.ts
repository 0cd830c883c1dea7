import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import type { Frame } from './frames'
import { useLive } from './useLive'

const frame = (instances: number) => ({ instances }) as Frame

describe('a live stage', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => void vi.useRealTimers())

  it('is seen empty for a moment before it is over', () => {
    const live = effectScope().run(useLive)!
    live.take(frame(0))
    expect(live.now.value).toBe(false)
    live.take(frame(2))
    expect(live.now.value).toBe(true)
    live.take(frame(0))
    vi.advanceTimersByTime(400)
    live.take(frame(0))
    expect(live.now.value).toBe(true)
    expect(live.frame.value?.instances).toBe(0)
    vi.advanceTimersByTime(100)
    expect(live.now.value).toBe(false)
  })
  it('goes on if something begins meanwhile', () => {
    const live = effectScope().run(useLive)!
    live.take(frame(1))
    live.take(frame(0))
    vi.advanceTimersByTime(400)
    live.take(frame(1))
    vi.advanceTimersByTime(1000)
    expect(live.now.value).toBe(true)
  })
})
