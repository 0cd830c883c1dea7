import type { WeatherValue } from './WindrowPost'
import { dice, type Dice } from './random'

export const WEATHERS: readonly WeatherValue[] = ['clear', 'drizzle', 'downpour', 'hail', 'snow']

/** What falls, how much of it, and how the wind goes: everything changes slowly. */
export class Weather {
  now: WeatherValue = 'clear'
  /** 0 to 1 */
  intensity = 0
  /** u/s, from left to right */
  wind = 4
  private until = 14
  private goal = 0
  private towards = 4
  private readonly roll: Dice

  constructor(seed: number) {
    this.roll = dice(seed, 'weather')
  }

  /** Returns what it changes to, if it changes now. */
  step(seconds: number, at: number): WeatherValue | undefined {
    const near = (from: number, to: number, rate: number) =>
      from + Math.max(-rate * seconds, Math.min(rate * seconds, to - from))
    this.intensity = near(this.intensity, this.goal, 0.15)
    this.wind = near(this.wind, this.towards, 0.6)
    if (at < this.until) return undefined
    return this.change(this.roll.pick(WEATHERS.filter((w) => w !== this.now)), at)
  }

  change(to: WeatherValue, at: number): WeatherValue {
    this.now = to
    this.goal = to === 'clear' ? 0 : this.roll.between(0.5, 1)
    this.towards = to === 'downpour' ? this.roll.between(6, 10) : this.roll.between(1, 7)
    this.until = at + this.roll.between(16, 28)
    return to
  }
}
