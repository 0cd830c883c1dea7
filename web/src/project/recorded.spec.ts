import { beforeEach, describe, expect, it } from 'vitest'
import type { AccountReport } from '../api/client'
import { dots, forgetRecorded, record, recorded } from './recorded'

const account = (given: unknown) =>
  ({
    answers: [{ rope: 'a/b', fed: [{ feed: 0, parameter: 'size', field: 'speed', given, value: 1 }] }],
  }) as never as AccountReport

describe('what came at the last pulls', () => {
  beforeEach(forgetRecorded)
  it('is kept by rope and parameter, the last forty', () => {
    for (let i = 0; i < 50; i++) record(account(i))
    expect(dots('a/b', 'size')).toHaveLength(40)
    expect(dots('a/b', 'size')[0].given).toBe(10)
    expect(dots('a/b', 'amount')).toEqual([])
  })
  it('is told of numbers alone', () => {
    record(account('thatch'))
    expect(recorded()).toEqual([])
    record(account(3))
    expect(recorded()).toEqual([{ rope: 'a/b', parameter: 'size', given: [3] }])
  })
})
