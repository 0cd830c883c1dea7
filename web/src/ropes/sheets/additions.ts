import type { EventType, Rope } from '../../api/bundle'

export const SHAKE = { do: 'shake', size: 0.15, frequency: 14, decay: 0.4 } as const
export const FLASH = { do: 'flash', colour: '#FFFFFFFF', opacity: 0.25, seconds: 0.12 } as const
export const TINT = { do: 'tint', colour: '#7A0F1CFF', opacity: 0.4, in: 0.1, hold: 0.5, out: 0.6 } as const
export const PAUSE = { do: 'pause', seconds: 0.05 } as const
export const NOTICE = { do: 'notice', name: 'notice', after: 0 } as const

/** Something that can be added to a sentence. */
export interface Addition {
  words: string
  hint: string
  /** The slot that the sentence says it in, so that it can be opened at once. */
  slot: string
  /** Says it; absent where its sheet opens first, and nothing is said before something is chosen there. */
  add?: (rope: Rope) => void
}

/** Returns what a rope does not say yet, in the order in which its sentence would say it. */
export function additions(rope: Rope, event: EventType | undefined, events: string[]): Addition[] {
  const other = events.find((name) => name !== rope.event)
  const lasts = event !== undefined && event.shape !== 'moment'
  const all: (Addition & { there: boolean })[] = [
    {
      words: 'an override',
      hint: 'counts, sizes, colours for this rope alone',
      slot: 'overrides',
      there: !!rope.overrides,
    },
    {
      words: 'a delay',
      hint: 'some time after the pull',
      slot: 'timing',
      there: !!rope.timing,
      add: (r) => (r.timing = { delay: 0.1 }),
    },
    {
      words: 'something to begin with',
      hint: 'an effect that plays once when it begins',
      slot: 'start',
      there: !lasts || !!rope.run?.start,
    },
    {
      words: 'something to end with',
      hint: 'an effect that plays once when it ends',
      slot: 'end',
      there: !lasts || !!rope.run?.end,
    },
    {
      words: 'fades',
      hint: 'how long it takes to come and to go',
      slot: 'fades',
      there: !lasts || rope.run?.fadeIn !== undefined || rope.run?.fadeOut !== undefined,
      add: (r) =>
        (r.run = { ...r.run, ...(event?.shape === 'state' ? { fadeIn: 3, fadeOut: 3 } : { fadeOut: 0.4 }) }),
    },
    {
      words: 'a longest time',
      hint: 'after which it ends by itself',
      slot: 'longest',
      there: event?.shape !== 'span' || rope.run?.longest !== undefined,
      add: (r) => (r.run = { ...r.run, longest: 20 }),
    },
    {
      words: 'a time in force',
      hint: 'how long it stays, how it fades, and what the game is told of it',
      slot: 'stay',
      there: event?.shape !== 'moment' || !!rope.stay,
      add: (r) => (r.stay = { inForce: 5, fadeOut: 2 }),
    },
    {
      words: 'a limit',
      hint: 'cooldown, how many at a time, distance, chance',
      slot: 'limits',
      there: !!rope.limits,
      add: (r) => (r.limits = { cooldown: 0.1 }),
    },
    {
      words: 'an end with its subject',
      hint: 'what becomes of it when the subject is gone',
      slot: 'owner',
      there: !!rope.owner,
      add: (r) => (r.owner = { end: 'fade', over: 0.3 }),
    },
    {
      words: 'a hit-test radius',
      hint: 'its own hit test, to be held against what is seen',
      slot: 'hit',
      there: rope.hit !== undefined,
      add: (r) => (r.hit = 2),
    },
    {
      words: 'a shake of the camera',
      hint: 'added up with others under the project’s cap',
      slot: 'companion',
      there: false,
      add: (r) => (r.with = [...(r.with ?? []), { ...SHAKE }]),
    },
    {
      words: 'a flash of the screen',
      hint: 'honours “less flash”',
      slot: 'companion',
      there: false,
      add: (r) => (r.with = [...(r.with ?? []), { ...FLASH }]),
    },
    {
      words: 'a tint of the screen',
      hint: 'darkens its edges, or lights all of it, for a while',
      slot: 'companion',
      there: false,
      add: (r) => (r.with = [...(r.with ?? []), { ...TINT, area: 'edges' }]),
    },
    {
      words: 'a hit pause',
      hint: 'the game stands still for some frames',
      slot: 'companion',
      there: false,
      add: (r) => (r.with = [...(r.with ?? []), { ...PAUSE }]),
    },
    {
      words: 'a notice to game code',
      hint: 'hide the object, play a sound, change the scene',
      slot: 'companion',
      there: false,
      add: (r) => (r.with = [...(r.with ?? []), { do: 'notice', name: 'notice' }]),
    },
    {
      words: 'an effect that follows',
      hint: 'later, when it is over, or when it ends',
      slot: 'follow up',
      there: false,
      add: (r) => (r.then = [...(r.then ?? []), { after: 0.4 }]),
    },
    {
      words: 'an event that follows',
      hint: 'announced with the same fields',
      slot: 'follow up',
      // A rope that announces its own event would never end.
      there: !other,
      add: (r) => (r.then = [...(r.then ?? []), { cue: 'over', announce: other }]),
    },
  ]
  return all.filter((a) => !a.there)
}
