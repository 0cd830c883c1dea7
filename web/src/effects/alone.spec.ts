import { expect, it } from 'vitest'
import type { Effect } from '../api/bundle'
import { playingAlone } from './alone'

const emitter = (name: string, child?: string) => ({
  name,
  end: child ? { children: [{ emitter: child }] } : undefined,
})
const effect = {
  emitters: [emitter('flash'), emitter('pieces', 'dust'), emitter('dust', 'smoke'), emitter('smoke')],
} as unknown as Effect
const heard = (name: string) =>
  playingAlone(effect, name)
    .emitters.filter((e) => !e.off)
    .map((e) => e.name)

it('plays one emitter with its line of children, and with those that spawn it', () => {
  expect(heard('flash')).toEqual(['flash'])
  expect(heard('pieces')).toEqual(['pieces', 'dust', 'smoke'])
  expect(heard('smoke')).toEqual(['pieces', 'dust', 'smoke'])
  expect(effect.emitters.some((e) => e.off)).toBe(false)
})

it('plays one that is switched off, and ends with a circle of children', () => {
  const circle = { emitters: [{ ...emitter('a', 'b'), off: true }, emitter('b', 'a')] } as unknown as Effect
  expect(playingAlone(circle, 'a').emitters.map((e) => e.off)).toEqual([undefined, undefined])
})
