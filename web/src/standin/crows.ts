import type { Dice } from './random'

export interface Crow {
  name: string
  x: number
  y: number
  vx: number
  vy: number
  /** Whether it means to hit the courier; else it is frightened off. */
  bold: boolean
  scared: boolean
  /** Of the beat of its wings, in turns. */
  beat: number
}

/** From how far it is frightened, or hits, u. */
const FRIGHT = 2.6
const HIT = 0.8
/** A crow that is so far away is gone. */
const GONE = 22

/** The crows about the courier. */
export class Crows {
  readonly all: Crow[] = []
  private count = 0

  constructor(private readonly roll: Dice) {}

  /** Lets one come from ahead. */
  come(x: number, y: number, side: number, bold: boolean): Crow {
    const crow: Crow = {
      name: `crow ${++this.count}`,
      x: x + side * this.roll.between(11, 13),
      y: y + this.roll.between(-0.5, 1.6),
      vx: -side * this.roll.between(1, 3),
      vy: 0,
      bold,
      scared: false,
      beat: this.roll(),
    }
    this.all.push(crow)
    return crow
  }

  /** Moves them; tells of each that is frightened by what comes, or hits it. */
  step(
    seconds: number,
    target: { x: number; y: number; flies: boolean },
    tell: (crow: Crow, what: 'scared' | 'hits' | 'gone') => void,
  ) {
    for (const crow of [...this.all]) {
      const dx = target.x - crow.x
      const dy = target.y - crow.y
      const far = Math.hypot(dx, dy)
      if (target.flies && !crow.scared && far < (crow.bold ? HIT : FRIGHT)) {
        crow.scared = true
        crow.vx = -Math.sign(dx || 1) * this.roll.between(4, 6)
        crow.vy = this.roll.between(3, 5)
        tell(crow, crow.bold ? 'hits' : 'scared')
      } else if (crow.bold && !crow.scared && target.flies && far < 9) {
        const pull = 14 * seconds
        crow.vx += (dx / far) * pull
        crow.vy += (dy / far) * pull
      }
      crow.x += crow.vx * seconds
      crow.y += crow.vy * seconds
      crow.beat += (crow.scared ? 5 : 3) * seconds
      if (far > GONE) {
        this.all.splice(this.all.indexOf(crow), 1)
        tell(crow, 'gone')
      }
    }
  }
}
