import type { Datum, Effect, Payload } from '../api/bundle'

/** How a preview is played. */
export interface Play {
  surface: 'ground' | 'wall' | 'ceiling'
  side: 'left' | 'right'
  /** Units a second of the source; undefined to let it move only if the effect lives off its way. */
  speed?: number
  rope?: number
  payload?: Payload
  strength: 'soft' | 'usual' | 'hard'
  seed: number
  /** Seconds after which a loop is stopped. */
  stopAfter?: number
  rate: number
  /** Seconds after which it begins again; when all is gone if absent. */
  every?: number
  /** Parameters turned by hand. */
  set?: Record<string, Datum>
}

export const usualPlay = (): Play => ({
  surface: 'ground',
  side: 'left',
  speed: undefined,
  rope: undefined,
  payload: undefined,
  strength: 'usual',
  seed: 1,
  stopAfter: 4,
  rate: 1,
  every: undefined,
  set: undefined,
})

/** Speed of a source that has to move for its effect to show, u/s: as core has it (`Preview`). */
const USUAL_SPEED = 4

/** Returns how fast the source of a preview moves, u/s. */
export const speedOf = (play: Play, effect: Effect) =>
  play.speed ?? (effect.emitters.some((e) => e.birth.perUnit) ? USUAL_SPEED : 0)
