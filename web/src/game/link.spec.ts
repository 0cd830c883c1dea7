import { describe, expect, it } from 'vitest'
import { byNeed, keeper, pieces, type Entry, type HappenedKind } from './link'

const entry = (type: string, step: number, more: Partial<Entry> = {}): Entry => ({ type, step, ...more })
describe('what a running game says', () => {
  it('is cut before each bundle that it took, which must be there first', () => {
    const all = [entry('a', 1), entry('bundle.taken', 2), entry('b', 2), entry('bundle.taken', 3)]
    expect(pieces(all).map((p) => p.map((e) => e.type))).toEqual([
      ['a'],
      ['bundle.taken', 'b'],
      ['bundle.taken'],
    ])
    expect(pieces([])).toEqual([])
  })

  it('is listed by kind, those first that need a hand', () => {
    const kind = (type: string, came: number, answered: number, outcome: string) =>
      ({ type, came, outcomes: { answered }, last: { outcome } }) as unknown as HappenedKind
    const kinds = [
      kind('fine', 2, 2, 'answered'),
      kind('nobody', 1, 0, 'unwired'),
      kind('mixed', 5, 2, 'wrong'),
      kind('strange', 1, 0, 'unknown'),
    ]
    expect(byNeed(kinds).map((k) => k.type)).toEqual(['strange', 'nobody', 'mixed', 'fine'])
  })

  it('is kept as lines of a file of pulls, in seconds from the first', () => {
    const kept = keeper()
    kept.take([entry('subject.moved', 50), entry('a', 60, { data: { speed: 2 } }), entry('channel.wind', 90)])
    expect(kept.count).toBe(2)
    expect(
      kept
        .lines(60)
        .trim()
        .split('\n')
        .map((l) => JSON.parse(l)),
    ).toEqual([
      { type: 'a', step: 60, data: { speed: 2 }, at: '0' },
      { type: 'channel.wind', step: 90, at: '0.5' },
    ])
    kept.take(Array.from({ length: 100_010 }, (_, i) => entry('b', 100 + i)))
    expect(kept.count).toBe(100_000)
    expect(JSON.parse(kept.lines(60).split('\n')[0])).toMatchObject({ type: 'b', step: 110 })
    kept.clear()
    expect(kept.lines(60)).toBe('')
  })
})
