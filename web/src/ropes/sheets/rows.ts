import type { Companion, Rope } from '../../api/bundle'
import { SHAKE, FLASH, PAUSE, NOTICE } from './additions'

/** One line of a sheet: what of the rope it sets, by its path, and how. */
export type Row = { label: string; path: string; hint?: string } & (
  | {
      kind: 'number'
      unit: string
      least: number
      most: number
      step?: number
      /** What holds while nothing is said; absent where nothing may hold, and then the line can be switched off. */
      usual?: number
      /** What it is set to when it is switched on. */
      first?: number
    }
  | { kind: 'choice'; options: [value: string, words: string][]; usual?: string }
  | { kind: 'flag' }
  | { kind: 'name'; of: 'effect' | 'event' | 'place'; optional?: boolean }
  | { kind: 'text'; optional?: boolean; long?: boolean }
  /** What a notice carries. */
  | { kind: 'carried' }
  | { kind: 'colour'; usual?: string; optional?: boolean }
  | {
      kind: 'vector'
      unit: string
      axes: [string, string, string]
      most: number
      usual: [number, number, number]
    }
)

const seconds = (
  label: string,
  path: string,
  most: number,
  more: Partial<{ usual: number; first: number; least: number }> = {},
): Row => ({ label, path, kind: 'number', unit: 's', least: 0, most, step: 0.05, ...more })

export const overrides: Row[] = [
  { label: 'counts ×', path: 'overrides.count', kind: 'number', unit: '×', least: 0, most: 100, usual: 1 },
  { label: 'sizes ×', path: 'overrides.size', kind: 'number', unit: '×', least: 0, most: 100, usual: 1 },
  { label: 'speeds ×', path: 'overrides.speed', kind: 'number', unit: '×', least: 0, most: 100, usual: 1 },
  seconds('duration', 'overrides.duration', 60, { first: 1, least: 0.02 }),
  { label: 'colours ×', path: 'overrides.colour', kind: 'colour', optional: true },
  seconds('fade-out of a loop', 'overrides.fadeOut', 60, { first: 0.4 }),
  seconds('cut after', 'overrides.goneAfter', 130, { first: 2, least: 0.05 }),
]

export const timing: Row[] = [
  seconds('delay', 'timing.delay', 60, { usual: 0 }),
  seconds('and up to so much more', 'timing.jitter', 60, { usual: 0 }),
]

export const owner: Row[] = [
  {
    label: 'when its subject is removed',
    path: 'owner.end',
    kind: 'choice',
    usual: 'finish',
    options: [
      ['finish', 'it finishes where it is'],
      ['vanish', 'it vanishes at once'],
      ['fade', 'it fades'],
    ],
  },
]
export const ownerFades: Row = seconds('over', 'owner.over', 60, { usual: 0, least: 0.05 })

export const limits: Row[] = [
  seconds('at most once in', 'limits.cooldown', 3600, { usual: 0 }),
  {
    label: 'at most',
    path: 'limits.perSecond',
    kind: 'number',
    unit: '/s',
    least: 0.01,
    most: 1000,
    first: 10,
  },
  { label: 'once for each subject', path: 'limits.once', kind: 'flag' },
  { label: 'until this event', path: 'limits.until', kind: 'name', of: 'event', optional: true },
  {
    label: 'at most at a time',
    path: 'limits.alive',
    kind: 'number',
    unit: ' ',
    least: 1,
    most: 1000,
    first: 4,
    step: 1,
  },
  { label: 'counted over its group', path: 'limits.together', kind: 'flag' },
  {
    label: 'when as many play',
    path: 'limits.whenFull',
    kind: 'choice',
    usual: 'skip',
    options: [
      ['skip', 'it stays silent'],
      ['oldest', 'the oldest is removed'],
      ['least weighty', 'the one of lowest weight is removed'],
    ],
  },
  {
    label: 'not within',
    path: 'limits.distance',
    kind: 'number',
    unit: 'u of the last',
    least: 0,
    most: 10000,
    usual: 0,
  },
  {
    label: 'chance',
    path: 'limits.chance',
    kind: 'number',
    unit: ' ',
    least: 0.01,
    most: 1,
    step: 0.05,
    usual: 1,
  },
]

const again: Row = {
  label: 'when it begins again',
  path: 'run.again',
  kind: 'choice',
  usual: 'continue',
  options: [
    ['continue', 'it goes on'],
    ['restart', 'it restarts'],
    ['stack', 'another runs beside it'],
  ],
}
const order: Row = {
  label: 'comes',
  path: 'run.order',
  kind: 'choice',
  usual: 'together',
  options: [
    ['together', 'while the one before goes'],
    ['after', 'after the one before'],
  ],
}
const fades: Row[] = [
  seconds('fades in over', 'run.fadeIn', 60, { first: 1 }),
  seconds('fades out over', 'run.fadeOut', 60, { first: 1 }),
]

/** How what lasts begins, goes on and ends. */
export function run(shape: string): Row[] {
  const ends: Row[] = [
    { label: 'begins with', path: 'run.start', kind: 'name', of: 'effect', optional: true },
    { label: 'ends with', path: 'run.end', kind: 'name', of: 'effect', optional: true },
    ...fades,
  ]
  return shape === 'state'
    ? [...ends, order]
    : [...ends, seconds('lasts at most', 'run.longest', 3600, { first: 20, least: 0.05 }), again]
}

export function placement(rope: Rope): Row[] {
  const place = rope.place?.at ?? 'point'
  const frame = rope.place?.frame ?? 'surface'
  const rows: Row[] = [
    {
      label: 'at',
      path: 'place.at',
      kind: 'choice',
      usual: 'point',
      options: [
        ['point', 'the point of the event'],
        ['subject', 'the subject'],
        ['camera', 'the camera'],
        ['screen', 'the screen'],
        ['place', 'a named place'],
      ],
    },
  ]
  if (place === 'place') rows.push({ label: 'which', path: 'place.name', kind: 'name', of: 'place' })
  if (place === 'subject' || place === 'camera')
    rows.push({ label: 'goes on with it', path: 'place.follow', kind: 'flag' })
  rows.push({
    label: 'offset along the axes of',
    path: 'place.frame',
    kind: 'choice',
    usual: 'surface',
    options: [
      ['surface', 'the surface'],
      ['subject', 'the subject'],
      ['world', 'the world'],
    ],
  })
  const axes: [string, string, string] =
    frame === 'surface'
      ? ['along its direction', 'along its normal', 'aside']
      : frame === 'subject'
        ? ['ahead', 'above', 'aside']
        : ['to the right', 'up', 'towards the viewer']
  rows.push({
    label: 'offset',
    path: 'offset',
    kind: 'vector',
    unit: 'u',
    axes,
    most: 10000,
    usual: [0, 0, 0],
  })
  rows.push({
    label: 'at depth',
    path: 'place.depth',
    kind: 'number',
    unit: 'u',
    least: -10000,
    most: 10000,
    first: 0,
  })
  return rows
}

export function pointing(rope: Rope): Row[] {
  const rows: Row[] = []
  if (rope.facing === 'fixed')
    rows.push({
      label: 'the way',
      path: 'pointing.fixed',
      kind: 'vector',
      unit: ' ',
      axes: ['to the right', 'up', 'towards the viewer'],
      most: 1000,
      usual: [0, 1, 0],
    })
  rows.push(
    {
      label: 'maximum spread',
      path: 'pointing.spread',
      kind: 'number',
      unit: '°',
      least: 0,
      most: 180,
      step: 5,
      usual: 0,
    },
    {
      label: 'share of the velocity',
      path: 'pointing.velocity',
      kind: 'number',
      unit: '×',
      least: -2,
      most: 2,
      usual: 1,
    },
  )
  if (rope.place?.follow)
    rows.push({ label: 'turns with what it follows', path: 'pointing.turns', kind: 'flag' })
  return rows
}

export function followUp(index: number, announces: boolean, shape: string, tells = false): Row[] {
  const p = `then.${index}.`
  const cues: [string, string][] = [
    ['begun', 'it has begun'],
    ['over', 'it is over'],
  ]
  if (shape !== 'moment') cues.push(['ended', shape === 'span' ? 'the span ends' : 'the state is left'])
  const rows: Row[] = [
    { label: 'when', path: p + 'cue', kind: 'choice', usual: 'begun', options: cues },
    seconds('and so much later', p + 'after', 600, { usual: 0 }),
  ]
  if (announces) return [...rows, { label: 'announce', path: p + 'announce', kind: 'name', of: 'event' }]
  return [
    ...rows,
    { label: 'play', path: p + 'play', kind: 'name', of: 'effect' },
    {
      label: 'offset',
      path: p + 'offset',
      kind: 'vector',
      unit: 'u',
      axes: ['to the right', 'up', 'towards the viewer'],
      most: 10000,
      usual: [0, 0, 0],
    },
    seconds('in force for', p + 'inForce', 3600, { first: 2 }),
    seconds('then fades over', p + 'fadeOut', 60, { usual: 0 }),
    { label: 'tell the game', path: p + 'notice', kind: 'text', optional: true },
    ...(tells ? [{ label: 'which carries', path: p + 'values', kind: 'carried' } as Row] : []),
  ]
}

export function companion(index: number, one: Companion): Row[] {
  const p = `with.${index}.`
  switch (one.do) {
    case 'shake':
      return [
        {
          label: 'by',
          path: p + 'size',
          kind: 'number',
          unit: 'u',
          least: 0.01,
          most: 10,
          step: 0.05,
          usual: SHAKE.size,
        },
        {
          label: 'swings',
          path: p + 'frequency',
          kind: 'number',
          unit: '/s',
          least: 1,
          most: 60,
          step: 1,
          usual: SHAKE.frequency,
        },
        seconds('still after', p + 'decay', 10, { usual: SHAKE.decay, least: 0.02 }),
      ]
    case 'flash':
      return [
        { label: 'colour', path: p + 'colour', kind: 'colour', usual: FLASH.colour },
        {
          label: 'opacity',
          path: p + 'opacity',
          kind: 'number',
          unit: ' ',
          least: 0.01,
          most: 1,
          step: 0.05,
          usual: FLASH.opacity,
        },
        seconds('lasts', p + 'seconds', 5, { usual: FLASH.seconds, least: 0.02 }),
      ]
    case 'pause':
      return [seconds('hit pause', p + 'seconds', 1, { usual: PAUSE.seconds, least: 0.01 })]
    case 'notice':
      return [
        { label: 'by the name', path: p + 'name', kind: 'text' },
        seconds('after', p + 'after', 600, { usual: NOTICE.after }),
        { label: 'it carries', path: p + 'values', kind: 'carried' },
      ]
  }
}
