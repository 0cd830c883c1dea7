import { describe, expect, it } from 'vitest'
import type { Effect, Pool } from '../api/bundle'
import type { RehearsalView, SizedView } from '../api/client'
import type { Part } from '../project/useProject'
import { alike, heldOver, linesOf, unlike, lossOf } from './lines'

const part = <T>(id: number, body: object) => ({ id, revision: 1, body }) as Part<T>
const effects = ['puff', 'chips', 'hail', 'burst'].map((name, i) => part<Effect>(10 + i, { name }))
const flock = part<Pool>(1, { name: 'flock', effects: ['hail', 'burst'], capacity: 3, whenEmpty: 'oldest' })
const played = {
  stepsPerSecond: 60,
  stepsPerPoint: 1,
  whole: [{ name: 'instances', values: [0, 0] }],
  effects: [
    { name: 'chips', peak: 4, values: [1, 4] },
    { name: 'hail', peak: 2, values: [2, 1] },
    { name: 'burst', peak: 1, values: [0, 1] },
  ],
  pools: [{ name: 'flock', peak: 2, refused: 0, takenOver: 1, lost: 1 / 9 }],
} as unknown as RehearsalView
const sized = (name: string, pooled: boolean, over: string) =>
  ({
    name,
    pooled,
    effects: [name],
    sizes: [{}],
    refusing: 5,
    takingOver: 3,
    over,
    cut: 0,
  }) as unknown as SizedView

describe('pools and effects without one', () => {
  const lines = linesOf([flock], effects, played, [
    sized('flock', true, 'oldest'),
    sized('chips', false, 'oldest'),
  ])

  it('stand with what the rehearsal says of them, what is held most first', () => {
    expect(lines.map((l) => [l.id, l.name, l.peak])).toEqual([
      [1, 'flock', 2],
      [11, 'chips', 4],
      [10, 'puff', 0],
    ])
    expect(lines[0]).toMatchObject({ loss: { words: '11 % cut short', tone: 'doubt' } })
    expect(linesOf([], effects, undefined, []).every((l) => l.peak === 0 && !l.sized)).toBe(true)
  })
  it('are told apart by whether they are as advised, and made so in one change', () => {
    expect(unlike(lines).map((l) => l.name)).toEqual(['chips'])
    expect(alike(unlike(lines))).toEqual([
      { kind: 'pool', body: { name: 'chips', effects: ['chips'], capacity: 5, prewarm: 5 } },
    ])
    const small = { ...lines[0], pool: part<Pool>(1, { ...flock.body, capacity: 1 }) }
    expect(alike(unlike([small]))).toEqual([{ part: 1, body: { ...flock.body, capacity: 3, prewarm: 3 } }])
  })
  it('add up what their effects hold', () => {
    expect(heldOver(lines[0], played)).toEqual([2, 2])
    expect(heldOver(lines[2], played)).toBeUndefined()
  })

  it('says what a pool lost and how', () => {
    expect(lossOf({ lost: 0, refused: 0, takenOver: 0 })).toEqual({ words: 'none lost', tone: 'sound' })
    expect(lossOf({ lost: 0.25, refused: 2, takenOver: 0 })).toEqual({ words: '25 % refused', tone: 'bad' })
    expect(lossOf({ lost: 0.25, refused: 1, takenOver: 1 })).toEqual({ words: '25 % lost', tone: 'bad' })
  })
})
