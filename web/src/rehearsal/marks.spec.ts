import { describe, expect, it } from 'vitest'
import type { RehearsalView } from '../api/client'
import type { Lane } from '../api/bundle'
import { apart, shownMarks } from './marks'

const view = {
  lanes: [
    { lane: 1, at: [1, 4], until: [3, 9], answered: [2, 0], pulls: [11, 12] },
    { lane: 2, at: [0.5, 0.5001], until: null, answered: [1, -1], pulls: [1, 2] },
  ],
} as unknown as RehearsalView
const own: Lane = {
  id: 1,
  event: 'kite.reeling',
  when: { kind: 'marks', marks: [{ at: 4 }, { at: 2, lasts: 7 }, { at: 1, lasts: 0.5 }] },
}
const rule: Lane = { id: 2, event: 'courier.landed', when: { kind: 'poisson', perSecond: 2 } }

describe('the marks of a lane', () => {
  it('are its own, with what became of those that were played as they are', () => {
    expect(shownMarks(own, view)).toEqual([
      { index: 0, at: 4, lasts: 5, answered: 0, pull: 12 },
      { index: 1, at: 2, lasts: 7, answered: undefined, pull: 0 },
      { index: 2, at: 1, lasts: 0.5, answered: 2, pull: 11 },
    ])
    expect(shownMarks(own, undefined).map((m) => m.pull)).toEqual([0, 0, 0])
  })
  it('are as they were played where a rule wrote them', () => {
    expect(shownMarks(rule, view).map((m) => [m.index, m.at, m.lasts, m.answered])).toEqual([
      [0, 0.5, 0, 1],
      [1, 0.5001, 0, -1],
    ])
    expect(shownMarks(rule, undefined)).toEqual([])
  })
  it('are no more than can be told apart', () => {
    const many = Array.from({ length: 100_000 }, (_, i) => ({
      index: i,
      at: i / 1000,
      lasts: 0,
      answered: i % 2,
      pull: i,
    }))
    // 100 s on 600 pixels: each with one that was answered and one that was not.
    expect(apart(many, 6)).toHaveLength(2 * 601)
    expect(apart(shownMarks(rule, view), 6)).toHaveLength(2)
  })
})
