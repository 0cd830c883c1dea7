import { describe, expect, it } from 'vitest'
import * as rows from '../ropes/sheets/rows'
import { boundsWhile, mostOf, setting } from './settings'

describe('what the schema says of a setting', () => {
  it('knows unit, bounds and what holds when it is left out', () => {
    expect(setting('Rope', 'limits.cooldown')).toMatchObject({ unit: 's', least: 0, most: 3600, usual: 0 })
    expect(setting('Emitter', 'birth.speed')).toMatchObject({ unit: 'u/s', least: 0, most: 1000 })
    expect(setting('Settings', 'stepsPerSecond')).toMatchObject({ whole: true, least: 10, most: 240 })
  })
  it('stays above a bound that is not itself allowed', () => {
    expect(setting('Rope', 'limits.perSecond')).toMatchObject({ least: 0.001, above: true })
  })
  it('finds members of lists and of closed kinds', () => {
    expect(setting('Emitter', 'birth.bursts.2.at').most).toBe(60)
    // A cone may have no radius, a circle must.
    expect(setting('Emitter', 'birth.shape.radius')).toMatchObject({ least: 0, most: 1000, unit: 'u' })
    expect(setting('Emitter', 'life.forces.0.radius').above).toBe(true)
  })
  it('knows the words of a choice', () => {
    expect(setting('Rope', 'limits.whenFull').options).toContain('oldest')
    expect(setting('Parameter', 'bindings.0.property').options).toContain('count')
  })
  it('refuses a path that leads nowhere', () => {
    expect(() => setting('Rope', 'limits.cooldwon')).toThrow('the schema has no Rope.limits.cooldwon')
  })
})

describe('the rows of ropes', () => {
  const all = Object.values(rows).flatMap((r) => (Array.isArray(r) ? r : [])) as rows.Row[]
  it('offer every word of a choice that the schema knows, and no other', () => {
    for (const row of all.filter((r) => r?.kind === 'choice' && r.path.startsWith('limits'))) {
      if (row.kind === 'choice') {
        expect(row.options.map(([value]) => value).sort()).toEqual(
          [...setting('Rope', row.path).options].sort(),
        )
      }
    }
  })
})

describe('what the schema says in its own ways', () => {
  it('gives the bounds of a curve by those of its keys', () => {
    expect(setting('Life', 'spin')).toMatchObject({ least: -36000, most: 36000 })
    expect(setting('Lane', 'when.<Rising>.perSecond')).toMatchObject({ least: 0, most: 1000 })
  })
  it('gives those of the number, of what may also be a field', () => {
    expect(setting('Rope', 'hit')).toMatchObject({ least: 0.001, most: 10_000, unit: 'u' })
  })
  it('gives those that hold while something else has a word', () => {
    expect(boundsWhile('Trail', 'by', 'points', 'length')).toEqual({ least: 2, most: 600 })
    expect(boundsWhile('Trail', 'by', 'seconds', 'length')).toEqual({ least: 0.001, most: 10 })
    expect(() => boundsWhile('Trail', 'by', 'miles', 'length')).toThrow('miles')
  })
  it('says how many there may be', () => {
    expect(mostOf('End', 'children')).toBe(8)
    expect(mostOf('Curve')).toBe(32)
    expect(mostOf('Lane', 'when.<Marks>.marks')).toBe(100_000)
    expect(() => mostOf('Rope', 'limits')).toThrow('Rope.limits')
  })
})
