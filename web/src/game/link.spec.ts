import { describe, expect, it } from 'vitest'
import type { AccountReport } from '../api/client'
import { byTrouble, counted, declared, keeper, pieces, told, type Entry, type Tally } from './link'

const entry = (type: string, step: number, more: Partial<Entry> = {}): Entry => ({ type, step, ...more })
const account = (more: Partial<AccountReport> = {}) =>
  ({
    number: 1,
    event: 'line.snapped',
    phase: 'moment',
    subject: '',
    payload: {},
    at: 4.2,
    summary: '',
    seed: 1,
    refused: [],
    notes: [],
    answers: [],
    ...more,
  }) as AccountReport
const line = (more: Partial<AccountReport> = {}) => ({
  number: 7,
  type: 'line.snapped',
  account: account(more),
  problems: [],
})
const answer = (name: string, answered: boolean) =>
  ({ name, answered, words: `${name} silent: cooldown`, rope: name }) as AccountReport['answers'][number]

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

  it('is told by how it ended', () => {
    expect(told(line({ answers: [answer('hard knock', true), answer('mist', false)] }), 5, 1)).toMatchObject({
      outcome: 'answered',
      words: 'hard knock',
      at: 4.2,
    })
    expect(told(line({ answers: [answer('mist', false)] }), 5, 1)).toMatchObject({
      outcome: 'silent',
      words: 'mist silent: cooldown',
    })
    expect(told(line(), 5, 1).outcome).toBe('unwired')
    const place = (place: string) => [{ place, given: '"x"', allowed: 'a known one' }]
    expect(told(line({ refused: place('/type') }), 5, 1).outcome).toBe('unknown')
    expect(told(line({ refused: place('/data/speed') }), 5, 1)).toMatchObject({
      outcome: 'wrong',
      words: '/data/speed: "x": a known one',
    })
    expect(told({ number: 7, type: '', problems: place('/step') }, 5, 1)).toMatchObject({
      outcome: 'wrong',
      at: 5,
    })
  })

  it('is counted by kind, those first that need a hand', () => {
    const tallies = new Map<string, Tally>()
    const came = (type: string, more: Partial<AccountReport>) =>
      counted(tallies, told({ ...line(more), type }, 1, 1))
    came('fine', { answers: [answer('a', true)] })
    came('fine', { answers: [answer('a', true)] })
    came('mixed', { answers: [answer('a', true)] })
    came('mixed', {})
    came('nobody', {})
    came('strange', { refused: [{ place: '/type', given: '', allowed: '' }] })
    expect(byTrouble(tallies.values()).map((t) => [t.type, t.came, t.answered])).toEqual([
      ['strange', 1, 0],
      ['nobody', 1, 0],
      ['fine', 2, 2],
      ['mixed', 2, 1],
    ])
    for (let i = 0; i < 1000; i++) came(`kind ${i}`, {})
    expect(tallies.size).toBe(300)
    came('fine', {})
    expect(tallies.get('fine')?.came).toBe(3)
  })

  it('declares an event with fields that hold what came', () => {
    const payload = {
      position: [1, 2, 3],
      surfaceNormal: [0, 1, 0],
      spin: [1, 1, 1],
      tension: 37,
      depth: -0.4,
      wet: true,
      note: 'frayed',
    }
    expect(declared(account({ payload }))).toEqual({
      name: 'line.snapped',
      description: '',
      shape: 'moment',
      weight: 2,
      fields: [
        { name: 'position', type: 'position' },
        { name: 'surfaceNormal', type: 'normal' },
        { name: 'spin', type: 'vector' },
        { name: 'tension', type: 'number', range: [0, 50], usual: 37, unit: '' },
        { name: 'depth', type: 'number', range: [-0.5, 0.5], usual: -0.4, unit: '' },
        { name: 'wet', type: 'flag' },
        { name: 'note', type: 'text' },
      ],
    })
    expect(declared(account({ phase: 'begin' })).shape).toBe('span')
    expect(declared(account({ phase: 'set', value: 'calm' }))).toMatchObject({
      shape: 'state',
      values: ['calm'],
    })
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
