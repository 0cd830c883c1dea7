import 'fake-indexeddb/auto'
import { describe, expect, it } from 'vitest'
import type { PartView, SizedView } from '../api/client'
import type { Score } from '../api/bundle'
import { forgetRehearsal, keepRehearsal, keepSizes, keptRehearsal, keptSizes, stateOf } from './kept'

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

describe('a rehearsal that was kept to compare', () => {
  const kept = (seconds: number) => ({
    kept: 1_000,
    name: 'Windrow Post',
    parts: [{ id: 7, kind: 'effect', revision: 3, body: { name: 'impact' } }] as unknown as PartView[],
    wish: { score: { name: 'run', seconds } as unknown as Score, drafts: [] },
  })
  it('is there again until it is forgotten or another takes its place', async () => {
    expect(await keptRehearsal(1, 9)).toBeUndefined()
    await keepRehearsal(1, 9, kept(5))
    await keepRehearsal(1, 9, kept(6))
    await keepRehearsal(1, 10, kept(7))
    expect(await keptRehearsal(1, 9)).toMatchObject(kept(6))
    await forgetRehearsal(1, 9)
    expect(await keptRehearsal(1, 9)).toBeUndefined()
    expect(await keptRehearsal(1, 10)).toMatchObject(kept(7))
  })
  it('is kept of the last few scores', async () => {
    for (let score = 100; score < 125; score++) await keepRehearsal(2, score, kept(5))
    expect(await keptRehearsal(2, 124)).toBeDefined()
    expect(await keptRehearsal(2, 100)).toBeUndefined()
  })
})
