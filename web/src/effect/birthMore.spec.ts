import { describe, expect, it } from 'vitest'
import type { Emitter } from '../api/bundle'
import { MORE } from './birthMore'
import { at, put } from '../common/paths'

const plain = (): Emitter => ({
  name: 'straws',
  seed: 1,
  birth: {
    bursts: [{ at: 0, least: 1, most: 2 }],
    shape: { kind: 'point' },
    spread: 0,
    speed: [1, 2],
    lifetime: [1, 1],
    size: [0.2, 0.2],
    stream: { perSecond: 5 },
    colour: ['#FFFFFFFF', '#FFFFFFFF'],
  },
  look: { sprite: 'straw', blend: 'alpha', order: 'newest on top' },
  life: { gravity: [0, 0, 0], drag: 0, size: [], opacity: [], colour: [] },
})

describe('a setting that is not in sight', () => {
  // A further burst can always be added, so it never counts as used.
  for (const more of MORE.filter((m) => m.name !== 'another burst'))
    it(`is in use once it is begun: ${more.name}`, () => {
      const emitter = plain()
      if (more.name === 'burst') emitter.birth.bursts = []
      if (more.name === 'stream') delete emitter.birth.stream
      expect(more.used(emitter)).toBe(false)
      more.begin(emitter)
      expect(more.used(emitter)).toBe(true)
    })
})

describe('a path into an emitter', () => {
  it('reads what is there and nothing where nothing is', () => {
    expect(at(plain(), 'birth.bursts.0.most')).toBe(2)
    expect(at(plain(), 'end.collision.bounce')).toBeUndefined()
  })
  it('puts a value, makes what is missing on the way, and takes it away again', () => {
    const emitter = plain()
    put(emitter, 'end.trail.length', 0.4)
    expect(emitter.end?.trail?.length).toBe(0.4)
    put(emitter, 'birth.stream', undefined)
    expect('stream' in emitter.birth).toBe(false)
  })
})
