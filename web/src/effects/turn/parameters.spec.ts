import { describe, expect, it } from 'vitest'
import type { Parameter } from '../../api/bundle'
import { actsOn, binding, choosesSprites, fresh, modesOn, rebind, retyped, strengths } from './parameters'

const size: Parameter = {
  name: 'size',
  default: 1,
  least: 0.25,
  most: 3,
  bindings: [
    { property: 'size', mode: 'multiply' },
    { property: 'offset', mode: 'multiply', emitter: 'dust' },
  ],
}
const measured = { count: 20, size: 0.2, speed: 4, reach: 2, presence: 0.5 }

describe('a parameter of another type', () => {
  it('keeps the bindings that its type can do', () => {
    expect(retyped(size, 'vector').bindings).toEqual([{ property: 'offset', mode: 'add', emitter: 'dust' }])
    expect(retyped(size, 'colour').bindings).toEqual([])
    expect(retyped(size, 'flag').bindings[0].each).toEqual([1, 1])
  })
  it('has a default of its type, inside its bounds', () => {
    expect(retyped(size, 'whole')).toMatchObject({ type: 'whole', least: 0, most: 3, default: 1 })
    expect(retyped(size, 'flag').default).toBe(false)
    expect(retyped({ ...size, type: 'colour', default: '#FF0000' }, 'number').default).toBe(1)
  })
  it('is no scale any more', () => {
    expect(retyped({ ...size, scale: true }, 'whole').scale).toBeUndefined()
  })
})

describe('a binding', () => {
  it('has a number for each word', () => {
    const wood: Parameter = {
      name: 'wood',
      type: 'choice',
      default: 'oak',
      options: ['oak', 'elm', 'ash'],
      bindings: [],
    }
    expect(binding(wood, 'drag', 'dust')).toEqual({
      property: 'drag',
      mode: 'multiply',
      emitter: 'dust',
      each: [1, 1, 1],
    })
  })
  it('of a colour acts on colours alone', () => {
    expect(actsOn({ ...size, type: 'colour' }).properties).toEqual(['colour'])
    expect(actsOn(size).properties).not.toContain('colour')
  })
})

describe('a fresh parameter', () => {
  it('has a name that is free', () => {
    const effect = { parameters: [size, { ...size, name: 'size 2' }] } as never
    expect(fresh(effect, 'size').name).toBe('size 3')
  })
})

describe('strengths', () => {
  it('are told as factors of the usual', () => {
    const half = { ...measured, size: 0.1, presence: 0.125 }
    const twice = { ...measured, size: 0.4, presence: 2 }
    expect(strengths(measured, half, twice, ['size']).map((s) => s.words)).toEqual([
      'size 0.5–2 ×',
      'presence 0.25–4 ×',
    ])
  })
  it('take no mean of nothing, and no chance for an answer', () => {
    const none = { count: 0, size: 0, speed: 0, reach: 0, presence: 0 }
    const more = { ...measured, count: 40, size: 0.21, speed: 4.3 }
    expect(strengths(measured, none, more, ['count']).map((s) => s.what)).toEqual([
      'count',
      'reach',
      'presence',
    ])
  })
})

describe('a choice of sprites', () => {
  const word = {
    name: 'picture',
    type: 'choice',
    default: 'one',
    options: ['one', 'other'],
    bindings: [{ property: 'size', mode: 'multiply', each: [1, 2] }],
  } as never as Parameter
  it('stands instead of the sprite, and has no numbers', () => {
    expect(actsOn(word).properties).toContain('sprite')
    expect(actsOn(size).properties).not.toContain('sprite')
    expect(modesOn(word, 'sprite')).toEqual(['replace'])
    expect(binding(word, 'sprite', 'dust')).toEqual({ property: 'sprite', mode: 'replace', emitter: 'dust' })
  })
  it('offers sprites in place of words that are none', () => {
    const p = structuredClone(word)
    rebind(p, 0, 'sprite', 'straw', ['dot', 'straw', 'chip'])
    expect(p).toMatchObject({ options: ['straw', 'dot'], default: 'straw' })
    expect(p.bindings).toEqual([{ property: 'sprite', mode: 'replace' }])
    expect(choosesSprites(p)).toBe(true)
    rebind(p, 0, 'size', 'straw', ['dot', 'straw', 'chip'])
    expect(p.options).toEqual(['straw', 'dot'])
    expect(p.bindings).toEqual([{ property: 'size', mode: 'multiply', each: [1, 1] }])
  })
  it('keeps words that are sprites', () => {
    const p = { ...structuredClone(word), options: ['dot', 'chip'], default: 'chip' }
    rebind(p, 0, 'sprite', 'straw', ['dot', 'straw', 'chip'])
    expect(p).toMatchObject({ options: ['dot', 'chip'], default: 'chip' })
  })
})
