/** Numbers from 0 to 1 that a seed gives, always the same. */
export interface Dice {
  (): number
  /** Returns a number of a range. */
  between(least: number, most: number): number
  pick<T>(of: readonly T[]): T
}

/** Returns a run of numbers of its own for each purpose, so that one that is added later changes no other. */
export function dice(seed: number, purpose: string): Dice {
  let a = seed >>> 0
  for (const letter of purpose) a = Math.imul(a ^ letter.charCodeAt(0), 0x9e3779b1) >>> 0
  // Mulberry32 by Tommy Ettinger, in the public domain; from memory.
  const next = () => {
    a = (a + 0x6d2b79f5) >>> 0
    let t = Math.imul(a ^ (a >>> 15), a | 1)
    t = (t + Math.imul(t ^ (t >>> 7), t | 61)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
  return Object.assign(next, {
    between: (least: number, most: number) => least + next() * (most - least),
    pick: <T>(of: readonly T[]) => of[Math.min(of.length - 1, Math.floor(next() * of.length))],
  })
}
