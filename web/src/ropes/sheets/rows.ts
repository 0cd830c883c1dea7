import type { Companion, Rope } from '../../api/bundle'
import { setting } from '../../common/settings'
import { SHAKE, FLASH, TINT, PAUSE, NOTICE } from './additions'

/** One line of a sheet: what of the rope it sets, by its path, and how. */
export type Row = {
  label: string
  path: string
  hint?: string
  /** Its place in the schema, where its path does not say of which kind it is. */
  explains?: string
} & (
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

type More = Partial<{ usual: number; first: number; step: number; least: number; unit: string; of: string }>

/** A number as the schema describes it; `of` names its place there where that is not its path. */
function number(label: string, path: string, more: More = {}): Row {
  const { of, ...rest } = more
  const { unit, least, most, whole, usual } = setting('Rope', of ?? path)
  return {
    label,
    path,
    ...(of ? { explains: of } : {}),
    kind: 'number',
    unit: unit || ' ',
    least,
    most,
    step: whole ? 1 : unit === 's' ? 0.05 : undefined,
    ...(typeof usual === 'number' ? { usual } : {}),
    ...rest,
  }
}

/** A vector as the schema describes it. */
function vector(
  label: string,
  path: string,
  axes: [string, string, string],
  usual: [number, number, number],
): Row {
  const { unit, most } = setting('Rope', path)
  return { label, path, kind: 'vector', unit: unit || ' ', axes, most: Math.min(most, 10000), usual }
}

export const overrides: Row[] = [
  number('counts ×', 'overrides.count'),
  number('sizes ×', 'overrides.size'),
  number('speeds ×', 'overrides.speed'),
  number('duration', 'overrides.duration', { first: 1 }),
  { label: 'colours ×', path: 'overrides.colour', kind: 'colour', optional: true },
  number('fade-out of a loop', 'overrides.fadeOut', { first: 0.4 }),
  number('cut after', 'overrides.cutAfter', { first: 2 }),
  number('drawn in front by', 'overrides.order', { first: 1 }),
]

export const timing: Row[] = [
  number('delay', 'timing.delay'),
  number('and up to so much more', 'timing.jitter'),
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
export const ownerFades: Row = number('over', 'owner.over')

export const limits: Row[] = [
  number('at most once in', 'limits.cooldown'),
  number('at most', 'limits.perSecond', { first: 10 }),
  { label: 'once for each subject', path: 'limits.once', kind: 'flag' },
  { label: 'until this event', path: 'limits.until', kind: 'name', of: 'event', optional: true },
  number('at most at a time', 'limits.alive', { first: 4 }),
  { label: 'counted over its group', path: 'limits.together', kind: 'flag' },
  {
    label: 'when as many play',
    path: 'limits.whenFull',
    kind: 'choice',
    usual: 'skip',
    options: [
      ['skip', 'it stays silent'],
      ['oldest', 'the oldest is removed'],
      ['lowest weight', 'the one of lowest weight is removed'],
    ],
  },
  number('not within', 'limits.distance', { unit: 'u of the last' }),
  number('chance', 'limits.chance', { step: 0.05 }),
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
  number('fades in over', 'run.fadeIn', { first: 1 }),
  number('fades out over', 'run.fadeOut', { first: 1 }),
]

/** How what lasts fades, and how one value of a state follows another. */
export const fading = (shape: string): Row[] => (shape === 'state' ? [...fades, order] : fades)

/** How long a span may last, and what a second beginning does. */
export const lasting: Row[] = [number('lasts at most', 'run.longest', { first: 20 }), again]

/** How long what a moment begins stays, and what the game is told of it. */
export const stay = (tells: boolean): Row[] => [
  number('in force for', 'stay.inForce', { first: 5 }),
  number('then fades over', 'stay.fadeOut'),
  { label: 'tell the game', path: 'stay.notice', kind: 'text', optional: true },
  ...(tells ? [{ label: 'which carries', path: 'stay.values', kind: 'carried' } as Row] : []),
]

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
  rows.push(vector('offset', 'offset', axes, [0, 0, 0]))
  rows.push(number('at depth', 'place.depth', { first: 0 }))
  return rows
}

export function pointing(rope: Rope): Row[] {
  const rows: Row[] = []
  if (rope.facing === 'fixed')
    rows.push(vector('the way', 'pointing.fixed', ['to the right', 'up', 'towards the viewer'], [0, 1, 0]))
  rows.push(
    number('maximum spread', 'pointing.spread', { step: 5 }),
    number('share of the velocity', 'pointing.velocity'),
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
    number('and so much later', p + 'after'),
  ]
  if (announces) return [...rows, { label: 'announce', path: p + 'announce', kind: 'name', of: 'event' }]
  return [
    ...rows,
    { label: 'play', path: p + 'play', kind: 'name', of: 'effect' },
    vector('offset', p + 'offset', ['to the right', 'up', 'towards the viewer'], [0, 0, 0]),
    number('in force for', p + 'inForce', { first: 2 }),
    number('then fades over', p + 'fadeOut'),
    { label: 'tell the game', path: p + 'notice', kind: 'text', optional: true },
    ...(tells ? [{ label: 'which carries', path: p + 'values', kind: 'carried' } as Row] : []),
  ]
}

export function companion(index: number, one: Companion): Row[] {
  const p = `with.${index}.`
  switch (one.do) {
    case 'shake':
      return [
        number('by', p + 'size', { of: 'with.0.<Shake>.size', step: 0.05, usual: SHAKE.size }),
        number('swings', p + 'frequency', { of: 'with.0.<Shake>.frequency', usual: SHAKE.frequency }),
        number('still after', p + 'decay', { of: 'with.0.<Shake>.decay', usual: SHAKE.decay }),
      ]
    case 'flash':
      return [
        {
          label: 'colour',
          path: p + 'colour',
          explains: 'with.0.<Flash>.colour',
          kind: 'colour',
          usual: FLASH.colour,
        },
        number('opacity', p + 'opacity', { of: 'with.0.<Flash>.opacity', step: 0.05, usual: FLASH.opacity }),
        number('lasts', p + 'seconds', { of: 'with.0.<Flash>.seconds', usual: FLASH.seconds }),
      ]
    case 'tint':
      return [
        {
          label: 'colour',
          path: p + 'colour',
          explains: 'with.0.<Tint>.colour',
          kind: 'colour',
          usual: TINT.colour,
        },
        number('opacity', p + 'opacity', { of: 'with.0.<Tint>.opacity', step: 0.05, usual: TINT.opacity }),
        {
          label: 'over',
          path: p + 'area',
          kind: 'choice',
          usual: 'whole',
          options: [
            ['whole', 'the whole screen'],
            ['edges', 'its edges'],
          ],
        },
        number('comes over', p + 'in', { of: 'with.0.<Tint>.in', usual: 0 }),
        number('is held for', p + 'hold', { of: 'with.0.<Tint>.hold', usual: 0 }),
        number('goes over', p + 'out', { of: 'with.0.<Tint>.out', usual: 0 }),
      ]
    case 'pause':
      return [number('hit pause', p + 'seconds', { of: 'with.0.<Pause>.seconds', usual: PAUSE.seconds })]
    case 'notice':
      return [
        { label: 'by the name', path: p + 'name', kind: 'text' },
        number('after', p + 'after', { of: 'with.0.<Notice>.after', usual: NOTICE.after }),
        { label: 'it carries', path: p + 'values', kind: 'carried' },
      ]
  }
}
