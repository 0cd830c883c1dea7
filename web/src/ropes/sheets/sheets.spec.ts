import { describe, expect, it } from 'vitest'
import type { EventType, Rope } from '../../api/bundle'
import { at, putOrPrune } from '../../common/paths'
import { become } from '../fit'
import { explanation } from '../../common/explained'
import { freeName } from '../../common/freeName'
import { freeSeed, newRope } from '../newRope'
import { additions } from './additions'
import * as rows from './rows'
import { readFrom, sourceWords } from './sources'

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
    const names = taken.map((r) => r.name)
    expect(freeSeed(taken)).toBe(4)
    expect(freeName('x', names)).toBe('x 2')
    expect(freeName('y', names)).toBe('y')
  })
})

describe('sources', () => {
  it('have words', () => {
    expect(sourceWords({ field: 'speed' })).toBe('speed')
    expect(sourceWords({ since: 'mill.stopped' })).toBe('time since mill.stopped')
    expect(sourceWords({ held: true })).toBe('time held')
    expect(sourceWords({ random: 0 })).toBe('chance')
    expect(sourceWords({ constant: 0 })).toBe('a constant')
  })
  it('are read out of a feed and nothing else of it', () => {
    expect(readFrom({ parameter: 'size', channel: 'wind', in: [0, 1], out: [1, 2] } as object)).toEqual({
      channel: 'wind',
    })
    expect(readFrom({ constant: false })).toEqual({ constant: false })
  })
})

describe('a rope that becomes another', () => {
  it('says what that says, and nothing that it said before', () => {
    const r = { ...rope(), play: 'puff', group: 'landings' }
    become(r, { ...rope(), value: 'clear' })
    expect(r).toEqual({ ...rope(), value: 'clear' })
  })
})

describe('additions', () => {
  it('offer what is not said yet, and only what the event allows', () => {
    const words = (r: Rope, e: EventType) =>
      additions(r, e, ['courier.landed', 'kite.reeling']).map((a) => a.slot)
    expect(words(rope(), landed)).not.toContain('longest')
    expect(words(newRope(reeling, []), reeling)).toContain('longest')
    const limited = rope()
    additions(limited, landed, []).find((a) => a.slot === 'limits')!.add!(limited)
    expect(words(limited, landed)).not.toContain('limits')
    expect(words(limited, landed)).toContain('companion')
  })

  it('each have a sheet that can set what they add', () => {
    for (const a of additions(newRope(reeling, []), reeling, ['other'])) {
      const r = newRope(reeling, [])
      // What has to be chosen first says nothing before.
      if (!a.add) {
        expect(['overrides', 'start', 'end']).toContain(a.slot)
        continue
      }
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
                fades: rows.fading('span'),
                longest: rows.lasting,
              }[a.slot]!
      expect(form.some((row) => at(r, row.path) !== undefined)).toBe(true)
    }
  })
})

it('a companion explains itself by its own kind', () => {
  const tint = rows.companion(0, { do: 'tint', colour: '#000000FF', opacity: 0.5 })
  const opacity = tint.find((r) => r.path === 'with.0.opacity')!
  expect(explanation('Rope', opacity.explains!)).toContain('while it is held')
})
