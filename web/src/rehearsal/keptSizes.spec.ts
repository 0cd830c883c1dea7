import 'fake-indexeddb/auto'
import { describe, expect, it } from 'vitest'
import type { SizedView } from '../api/client'
import { keepSizes, keptSizes, stateOf } from './keptSizes'

const sized = [{ name: 'impact', peak: { value: 3 } }] as unknown as SizedView[]

describe('sizes that were found', () => {
  it('are there again for the same state of the project alone', async () => {
    const parts = [
      { id: 2, body: { name: 'impact' } },
      { id: 1, body: { seconds: 5 } },
    ]
    const state = (await stateOf(parts))!
    expect(state).toMatch(/^[0-9a-f]{64}$/)
    expect(await stateOf([...parts].reverse())).toBe(state)
    const other = (await stateOf([parts[0], { id: 1, body: { seconds: 6 } }]))!
    await keepSizes(1, 9, { state, sized })
    expect(await keptSizes(1, 9, state)).toEqual(sized)
    expect(await keptSizes(1, 9, other)).toBeUndefined()
    expect(await keptSizes(1, 8, state)).toBeUndefined()
  })
  it('are kept of the last few scores', async () => {
    for (let score = 100; score < 125; score++) await keepSizes(2, score, { state: 's', sized })
    expect(await keptSizes(2, 124, 's')).toEqual(sized)
    expect(await keptSizes(2, 100, 's')).toBeUndefined()
  })
})
