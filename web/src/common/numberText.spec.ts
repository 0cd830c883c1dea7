import { describe, expect, it } from 'vitest'
import { readNumber, showCount, showNumber } from './numberText'

describe('a number field', () => {
  it.each([
    ['0.3*2', 0.6],
    ['(1+2)/4', 0.75],
    ['-3', -3],
    ['2 - -1', 3],
    ['1e2', 100],
    ['0,5', 0.5],
  ])('takes the sum %s', (text, value) => expect(readNumber(text, 'plain')).toBe(value))

  it.each([
    ['60', 60],
    ['every 100ms', 10],
    ['one every 0.5 s', 2],
    ['100 ms', 10],
    ['every 6 f', 10],
  ])('takes the rate %s', (text, value) => expect(readNumber(text, 'rate')).toBe(value))

  it.each(['every', 'every 0', 'every so often'])('refuses the rate %s', (text) =>
    expect(readNumber(text, 'rate')).toBeUndefined(),
  )

  it.each(['', 'fast', '3 4', '1/0', '2*(3', '300ms'])('refuses %s', (text) =>
    expect(readNumber(text, 'plain')).toBeUndefined(),
  )

  it.each([
    ['0.3', 0.3],
    ['300ms', 0.3],
    ['18f', 0.3],
    ['0.3 s', 0.3],
    ['100ms + 6f', 0.2],
  ])('takes the time %s', (text, value) => expect(readNumber(text, 'time', 60)).toBeCloseTo(value, 12))

  it('knows how long a frame is', () => expect(readNumber('30f', 'time', 30)).toBe(1))
  it('rounds whole numbers', () => expect(readNumber('7/2', 'whole')).toBe(4))
  it('shows no dust', () => expect(showNumber(0.1 + 0.2)).toBe('0.3'))
  it.each([
    [9999, '9999'],
    [30665, '30\u202f665'],
    [-1234567.25, '-1\u202f234\u202f567.25'],
    [0.12345, '0.1235'],
  ])('parts the thousands of %s', (value, text) => expect(showCount(value)).toBe(text))
})
