import type { Effect, Emitter } from '../../api/bundle'

/** Returns an emitter to begin with: a few specks that fly up and fade. */
export function blankEmitter(sprite: string): Emitter {
  return {
    name: 'specks',
    seed: 1,
    birth: {
      bursts: [{ id: 1, at: 0, least: 10, most: 10 }],
      shape: { kind: 'point' },
      spread: 35,
      speed: [2, 3],
      lifetime: [0.5, 0.8],
      size: [0.1, 0.15],
      colour: ['#FFFFFFFF', '#FFFFFFFF'],
    },
    look: { sprite, blend: 'alpha', order: 'newest on top' },
    life: {
      gravity: [0, -4, 0],
      drag: 0,
      size: [{ at: 0, value: 1, ease: 'linear' }],
      opacity: [
        { at: 0, value: 1, ease: 'linear' },
        { at: 1, value: 0, ease: 'linear' },
      ],
      colour: [{ at: 0, colour: '#FFFFFFFF' }],
    },
  }
}

/** Returns an effect to begin with when no recipe is near: a few specks that fly up and fade. */
export function blankEffect(sprite: string): Effect {
  return {
    name: 'new effect',
    description: '',
    course: { kind: 'one shot', duration: 1 },
    emitters: [blankEmitter(sprite)],
    parameters: [],
  }
}
