import { describe, expect, it } from 'vitest'
import type { Effect, EventType, Parameter, Rope } from '../../api/bundle'
import { at, putOrPrune } from '../../common/paths'
import { freeName, freeSeed, newRope } from '../newRope'
import { additions } from './additions'
import * as rows from './rows'
import {
  carried,
  firstCondition,
  fitFeeds,
  fittingFeed,
  fitTo,
  sourceRange,
  sourceUnit,
  sourceWords,
} from './sources'

const landed: EventType = {
  name: 'courier.landed',
  shape: 'moment',
  weight: 3,
  fields: [
    { name: 'normal', type: 'normal' },
    { name: 'speed', type: 'number', range: [0, 14], usual: 9, unit: 'u/s' },
    { name: 'surface', type: 'choice', options: ['thatch', 'stone'] },
    { name: 'full', type: 'flag' },
  ],
}
const reeling: EventType = { name: 'kite.reeling', shape: 'span', weight: 2, fields: [] }
const rope = (): Rope => newRope(landed, [])

describe('paths', () => {
  it('leave nothing empty behind', () => {
    const r: { limits?: { cooldown?: number; once?: boolean } } = {}
    putOrPrune(r, 'limits.cooldown', 0.5)
    putOrPrune(r, 'limits.once', true)
    expect(r).toEqual({ limits: { cooldown: 0.5, once: true } })
    putOrPrune(r, 'limits.once', undefined)
    expect(r).toEqual({ limits: { cooldown: 0.5 } })
    putOrPrune(r, 'limits.cooldown', undefined)
    expect(r).toEqual({})
  })

  it('never prune an entry of a list', () => {
    const r = { then: [{ after: 1 } as { after?: number }] }
    putOrPrune(r, 'then.0.after', undefined)
    expect(r.then).toHaveLength(1)
  })
})

describe('a new rope', () => {
  it('has a name, a seed and a facing that its event can give', () => {
    expect(rope()).toMatchObject({ name: 'courier.landed 1', seed: 1, facing: 'normal' })
    expect(newRope(reeling, [rope()])).toMatchObject({ name: 'kite.reeling 1', seed: 2, facing: 'up' })
  })

  it('never takes what is taken', () => {
    const taken = [rope(), { ...rope(), name: 'x', seed: 3 }]
    expect(freeSeed(taken)).toBe(4)
    expect(freeName('x', taken)).toBe('x 2')
    expect(freeName('y', taken)).toBe('y')
  })
})

describe('a rope moved to another event', () => {
  it('asks nothing of it that it does not carry', () => {
    const r = rope()
    r.facing = 'reflected'
    r.conditions = [
      firstCondition(landed, 'surface'),
      { channel: 'wind', relation: 'over', bound: 1 },
      { tag: 'wet' },
    ]
    r.feeds = [{ parameter: 'size', field: 'speed', in: [0, 1], out: [0, 1] }]
    fitTo(r, reeling)
    expect(r.conditions).toEqual([{ channel: 'wind', relation: 'over', bound: 1 }, { tag: 'wet' }])
    expect(r.feeds).toEqual([])
    expect(r.facing).toBe('up')
  })

  it('keeps of its notices what another event and effect can give', () => {
    const r = {
      ...newRope(landed, []),
      with: [
        {
          do: 'notice' as const,
          name: 'thud',
          values: [
            { name: 'v', field: 'speed' },
            { name: 'w', channel: 'wind' },
            { name: 's', from: 'no such' },
          ],
        },
      ],
      then: [{ notice: 'later', values: [{ name: 'v', field: 'speed' }] }],
    }
    fitFeeds(r, { parameters: [] } as never as Effect, landed)
    expect(r.with[0].values.map((v) => v.name)).toEqual(['v', 'w'])
    fitTo(r, reeling)
    expect(r.with[0].values).toEqual([{ name: 'w', channel: 'wind' }])
    expect(r.then[0].values).toBeUndefined()
  })

  it('forgets how it lasts at a moment', () => {
    const r = { ...newRope(reeling, []), run: { longest: 20 } }
    fitTo(r, landed)
    expect(r.run).toBeUndefined()
  })
})

describe('conditions and sources', () => {
  it('begin as their field suggests', () => {
    expect(firstCondition(landed, 'surface')).toEqual({ field: 'surface', is: ['thatch'] })
    expect(firstCondition(landed, 'full')).toEqual({ field: 'full', flag: true })
    expect(firstCondition(landed, 'speed')).toEqual({ field: 'speed', relation: 'over', bound: 9 })
  })

  it('have words, units and ranges', () => {
    const wind = [{ name: 'wind', range: [0, 12] as [number, number], unit: 'u/s' }]
    expect(sourceWords({ since: 'a.b' })).toBe('time since a.b')
    expect(sourceUnit({ held: true }, landed, wind)).toBe('s')
    expect(sourceUnit({ field: 'speed' }, landed, wind)).toBe('u/s')
    expect(sourceRange({ channel: 'wind' }, landed, wind)).toEqual([0, 12])
    expect(sourceRange({ held: true }, landed, wind)).toEqual([0, 2])
  })
})

describe('feeds', () => {
  const size: Parameter = { name: 'size', default: 1, least: 0.25, most: 3, bindings: [] }
  const ground: Parameter = {
    name: 'ground',
    type: 'choice',
    default: 'peat',
    options: ['peat', 'thatch', 'stone'],
    bindings: [],
  }
  const tint: Parameter = { name: 'tint', type: 'colour', default: '#FFFFFF', bindings: [] }
  const effect = { parameters: [size, ground, tint] } as never as Effect

  it('carry a number over the range of its source', () => {
    expect(fittingFeed(size, { field: 'speed' }, landed, [])).toEqual({
      parameter: 'size',
      field: 'speed',
      in: [0, 14],
      out: [0.8, 3],
    })
  })
  it('hand on words that the parameter knows, and constants', () => {
    expect(fittingFeed(ground, { field: 'surface' }, landed, [])).toEqual({
      parameter: 'ground',
      field: 'surface',
    })
    expect(fittingFeed(tint, { constant: '#FF0000' }, landed, [])).toEqual({
      parameter: 'tint',
      constant: '#FF0000',
    })
    expect(carried(landed.fields[0], tint)).toBe(false)
  })
  it('of chance need no range of a source', () => {
    expect(fittingFeed(size, { random: 2 }, landed, [])).toEqual({
      parameter: 'size',
      random: 2,
      out: [0.8, 3],
    })
  })
  it('are dropped where another effect cannot take them', () => {
    const r = rope()
    r.feeds = [
      { parameter: 'size', field: 'speed', in: [0, 14], out: [1, 2] },
      { parameter: 'ground', field: 'surface' },
      { parameter: 'tint', constant: 3 },
      { parameter: 'gone', field: 'speed', in: [0, 1], out: [0, 1] },
      { parameter: 'size', from: 'gone', in: [0, 1], out: [0, 1] },
    ]
    fitFeeds(r, effect, landed)
    expect(r.feeds.map((f) => f.parameter)).toEqual(['size', 'ground'])
  })
  it('and the hit test go with the field that they read', () => {
    const r = rope()
    r.hit = { field: 'speed' }
    r.feeds = [{ parameter: 'ground', field: 'surface' }]
    fitTo(r, reeling)
    expect(r.hit).toBeUndefined()
    expect(r.feeds).toEqual([])
  })
})

describe('additions', () => {
  it('offer what is not said yet, and only what the event allows', () => {
    const words = (r: Rope, e: EventType) => additions(r, e).map((a) => a.slot)
    expect(words(rope(), landed)).not.toContain('longest')
    expect(words(newRope(reeling, []), reeling)).toContain('longest')
    const limited = rope()
    additions(limited, landed)
      .find((a) => a.slot === 'limits')!
      .add(limited)
    expect(words(limited, landed)).not.toContain('limits')
    expect(words(limited, landed)).toContain('companion')
  })

  it('each have a sheet that can set what they add', () => {
    for (const a of additions(newRope(reeling, []), reeling)) {
      const r = newRope(reeling, [])
      a.add(r)
      // The hit test has a sheet of its own, with its picture.
      if (a.slot === 'hit') {
        expect(r.hit).toBeGreaterThan(0)
        continue
      }
      const form =
        a.slot === 'companion'
          ? rows.companion(0, r.with![0])
          : a.slot === 'follow up'
            ? rows.followUp(0, !!r.then![0].announce, 'span')
            : {
                overrides: rows.overrides,
                timing: rows.timing,
                limits: rows.limits,
                owner: rows.owner,
                longest: rows.run('span'),
              }[a.slot]!
      expect(form.some((row) => at(r, row.path) !== undefined)).toBe(true)
    }
  })
})
