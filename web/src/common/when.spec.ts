import { describe, expect, it } from 'vitest'
import { toTheMinute, toTheSecond } from './when'

describe('a moment', () => {
  const when = new Date(2026, 11, 1, 14, 5, 9)
  it('is told with its day unless that is today', () => {
    expect(toTheMinute(when, new Date(2026, 11, 1, 23))).toBe('14:05')
    expect(toTheMinute(when, new Date(2026, 11, 2, 1))).toBe('1 Dec 14:05')
    expect(toTheSecond(when)).toBe('1 Dec 14:05:09')
  })
})
