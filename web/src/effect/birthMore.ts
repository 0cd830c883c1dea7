import type { Emitter } from '../api/bundle'

/** A setting of Birth that is not always in sight: how to tell that it is used, and what it begins with. */
export interface More {
  name: string
  used: (e: Emitter) => boolean
  begin: (e: Emitter) => unknown
}

const ranged = (pair?: [number, number]) => !!pair && (pair[0] !== 0 || pair[1] !== 0)

export const MORE: More[] = [
  {
    name: 'burst',
    used: (e) => e.birth.bursts.length > 0,
    begin: (e) => (e.birth.bursts = [{ at: 0, least: 10, most: 10 }]),
  },
  {
    name: 'another burst',
    used: (e) => e.birth.bursts.length === 0 || e.birth.bursts.length > 15,
    begin: (e) => e.birth.bursts.push({ at: 0.1, least: 5, most: 5 }),
  },
  {
    name: 'burst again',
    used: (e) => !e.birth.bursts.length || e.birth.bursts.some((b) => (b.times ?? 1) > 1),
    begin: (e) => Object.assign(e.birth.bursts[0], { times: 3, pause: 0.2 }),
  },
  {
    name: 'chance',
    used: (e) => !e.birth.bursts.length || e.birth.bursts.some((b) => (b.chance ?? 1) < 1),
    begin: (e) => (e.birth.bursts[0].chance = 0.5),
  },
  {
    name: 'stream',
    used: (e) => !!e.birth.stream,
    begin: (e) => (e.birth.stream = { perSecond: 40, from: 0, lasting: 0.5 }),
  },
  {
    name: 'rate over its time',
    used: (e) => !e.birth.stream || !!e.birth.stream.over,
    begin: (e) =>
      (e.birth.stream!.over = [
        { at: 0, value: 1, ease: 'linear' },
        { at: 1, value: 0.2, ease: 'linear' },
      ]),
  },
  {
    name: 'per unit travelled',
    used: (e) => e.birth.perUnit !== undefined,
    begin: (e) => (e.birth.perUnit = 5),
  },
  { name: 'delay', used: (e) => !!e.birth.delay, begin: (e) => (e.birth.delay = 0.1) },
  { name: 'cap', used: (e) => e.birth.cap !== undefined, begin: (e) => (e.birth.cap = 100) },
  {
    name: 'placed evenly',
    used: (e) => e.birth.placing === 'evenly',
    begin: (e) => (e.birth.placing = 'evenly'),
  },
  { name: 'offset', used: (e) => !!e.birth.offset, begin: (e) => (e.birth.offset = [0, 0.5, 0]) },
  { name: 'turn', used: (e) => !!e.birth.turn, begin: (e) => (e.birth.turn = [90, 0, 0]) },
  {
    name: 'own height',
    used: (e) => !!e.birth.height,
    begin: (e) => (e.birth.height = [...e.birth.size]),
  },
  {
    name: 'one of some sizes',
    used: (e) => !!e.birth.sizes,
    begin: (e) => (e.birth.sizes = [...new Set(e.birth.size)].map((size) => ({ size }))),
  },
  { name: 'rotation', used: (e) => ranged(e.birth.rotation), begin: (e) => (e.birth.rotation = [0, 360]) },
  { name: 'spin', used: (e) => ranged(e.birth.spin), begin: (e) => (e.birth.spin = [-90, 90]) },
  {
    name: 'opacity',
    used: (e) => (e.birth.opacity ?? [1, 1]).some((v) => v !== 1),
    begin: (e) => (e.birth.opacity = [0.6, 1]),
  },
  {
    name: 'share of gravity',
    used: (e) => (e.birth.gravity ?? [1, 1]).some((v) => v !== 1),
    begin: (e) => (e.birth.gravity = [0.7, 1.3]),
  },
  {
    name: 'share of source velocity',
    used: (e) => !!e.birth.inherit,
    begin: (e) => (e.birth.inherit = 0.5),
  },
  {
    name: 'turned another way',
    used: (e) => !!e.look.posture,
    begin: (e) => (e.look.posture = { kind: 'flight', stretch: 0.04 }),
  },
  {
    name: 'brightness',
    used: (e) => (e.look.brightness ?? 1) !== 1,
    begin: (e) => (e.look.brightness = 1.5),
  },
  {
    name: 'oldest on top',
    used: (e) => e.look.order === 'oldest on top',
    begin: (e) => (e.look.order = 'oldest on top'),
  },
  {
    name: 'moves with the source',
    used: (e) => e.birth.space === 'local',
    begin: (e) => (e.birth.space = 'local'),
  },
]
