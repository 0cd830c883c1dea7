import type { EventType, Field } from '../api/bundle'

const position: Field = { name: 'position', type: 'position' }
const normal: Field = { name: 'normal', type: 'normal' }
const direction: Field = { name: 'direction', type: 'direction' }
const number = (name: string, least: number, most: number, usual: number, unit: string): Field => ({
  name,
  type: 'number',
  range: [least, most],
  usual,
  unit,
})
const surface: Field = {
  name: 'surface',
  type: 'choice',
  options: ['stone', 'wood', 'earth', 'water'],
  reads: 'on',
}

/** What most games announce, by verb; the subject is put before it. */
export const COMMON: { verb: string; about: string; make: Omit<EventType, 'name'> }[] = [
  {
    verb: 'landed',
    about: 'comes down on something',
    make: {
      shape: 'moment',
      description: 'It comes down on something.',
      weight: 3,
      fields: [position, normal, number('speed', 0, 15, 7, 'u/s'), surface],
    },
  },
  {
    verb: 'stepped',
    about: 'sets a foot down',
    make: {
      shape: 'moment',
      description: 'A foot comes down.',
      weight: 1,
      fields: [position, normal, surface],
    },
  },
  {
    verb: 'jumped',
    about: 'leaves the ground',
    make: {
      shape: 'moment',
      description: 'It leaves the ground.',
      weight: 2,
      fields: [position, normal, number('speed', 0, 15, 6, 'u/s'), surface],
    },
  },
  {
    verb: 'flipped',
    about: 'turns over in the air',
    make: {
      shape: 'moment',
      description: 'It turns over in the air.',
      weight: 2,
      fields: [position, { name: 'heading', type: 'heading' }],
    },
  },
  {
    verb: 'hit',
    about: 'hits something else',
    make: {
      shape: 'moment',
      description: 'It hits something.',
      weight: 4,
      fields: [position, normal, direction, number('force', 0, 100, 40, 'N')],
    },
  },
  {
    verb: 'struck',
    about: 'is hit by something',
    make: {
      shape: 'moment',
      description: 'It is hit by something.',
      weight: 4,
      fields: [position, direction, number('force', 0, 100, 40, 'N')],
    },
  },
  {
    verb: 'died',
    about: 'is destroyed',
    make: { shape: 'moment', description: 'It is destroyed.', weight: 5, fields: [position, direction] },
  },
  {
    verb: 'collected',
    about: 'is picked up',
    make: {
      shape: 'moment',
      description: 'It is picked up.',
      weight: 2,
      fields: [position, number('worth', 1, 5, 2, '')],
    },
  },
  {
    verb: 'took',
    about: 'picks something up',
    make: {
      shape: 'moment',
      description: 'It picks something up.',
      weight: 2,
      fields: [position, number('worth', 1, 5, 2, '')],
    },
  },
  {
    verb: 'started',
    about: 'begins to go',
    make: {
      shape: 'moment',
      description: 'It begins to go.',
      weight: 1,
      fields: [position, { name: 'heading', type: 'heading' }],
    },
  },
  {
    verb: 'stopped',
    about: 'comes to rest',
    make: {
      shape: 'moment',
      description: 'It comes to rest.',
      weight: 1,
      fields: [position, { name: 'heading', type: 'heading' }, number('speed', 0, 15, 5, 'u/s')],
    },
  },
  {
    verb: 'appeared',
    about: 'comes into the game',
    make: { shape: 'moment', description: 'It comes into the game.', weight: 2, fields: [position] },
  },
  {
    verb: 'moving',
    about: 'moves, and leaves something behind',
    make: {
      shape: 'span',
      description: 'It moves.',
      weight: 1,
      fields: [position, { name: 'heading', type: 'heading' }],
    },
  },
  {
    verb: 'burning',
    about: 'is on fire, wet, under a spell',
    make: { shape: 'span', description: 'It burns.', weight: 3, fields: [position] },
  },
  {
    verb: 'charging',
    about: 'is held and builds up',
    make: { shape: 'span', description: 'It builds up while it is held.', weight: 2, fields: [position] },
  },
  {
    verb: 'weather',
    about: 'one of several values, always',
    make: {
      shape: 'state',
      description: 'What falls from the sky.',
      weight: 3,
      fields: [],
      values: ['clear', 'rain', 'snow'],
    },
  },
]
