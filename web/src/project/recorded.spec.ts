import { beforeEach, describe, expect, it } from 'vitest'
import type { AccountReport } from '../api/client'
import { dots, forgetRecorded, pulled, record, recorded } from './recorded'

const account = (given: unknown, at = 0, subject = '', refused: unknown[] = []) =>
  ({
    event: 'courier.landed',
    phase: 'moment',
    subject,
    at,
    refused,
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
  it('says when each event came, and whether it named a subject', () => {
    record(account(1, 0.5))
    record(account(1, 0.75))
    record(account(1, 0.8, '', [{ place: '/speed', given: '', allowed: '' }]))
    expect(pulled()).toEqual([{ event: 'courier.landed', at: [0.5, 0.75], named: false }])
    record(account(1, 1, 'crow-3'))
    expect(pulled()[0].named).toBe(true)
  })
  it('begins anew with a stage that was started again', () => {
    record(account(1, 70))
    record(account(1, 2))
    expect(pulled()[0].at).toEqual([2])
  })
})
