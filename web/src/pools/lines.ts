import type { Effect, Pool } from '../api/bundle'
import type { RehearsalView, SizedView } from '../api/client'
import { showShare } from '../common/numberText'
import type { Part } from '../project/useProject'
import { placesOf } from '../rehearsal/usage'
import { advice, asAdvised } from './sizing'

/** A pool of the project, or an effect that has none, with what a rehearsal says of it. */
export interface Line {
  /** Number of the pool, or of the effect. */
  id: number
  name: string
  effects: string[]
  /** The pool; nothing for an effect that has none. */
  pool?: Part<Pool>
  /** Most held at once. */
  peak: number
  /** What the pool lost, if anything was rehearsed. */
  loss?: Loss
  sized?: SizedView
}

/** What a pool lost, in words, and how the theme tones it. */
export interface Loss {
  words: string
  tone: 'bad' | 'doubt' | 'sound'
}

export function lossOf(use: Pick<RehearsalView['pools'][number], 'refused' | 'takenOver' | 'lost'>): Loss {
  if (!use.lost) return { words: 'none lost', tone: 'sound' }
  const how = !use.refused ? 'cut short' : use.takenOver ? 'lost' : 'refused'
  return { words: `${showShare(use.lost)} ${how}`, tone: use.refused ? 'bad' : 'doubt' }
}

/** Returns pools in the project's order, then effects without one, what is held most first. */
export function linesOf(
  pools: Part<Pool>[],
  effects: Part<Effect>[],
  played: RehearsalView | undefined,
  sized: SizedView[],
): Line[] {
  const pooled = new Set(pools.flatMap((p) => p.body.effects))
  const own = pools.map((pool): Line => {
    const use = played?.pools.find((p) => p.name === pool.body.name)
    return {
      id: pool.id,
      name: pool.body.name,
      effects: pool.body.effects,
      pool,
      peak: use?.peak ?? 0,
      loss: use && lossOf(use),
      sized: sized.find((s) => s.name === pool.body.name),
    }
  })
  const bare = effects
    .filter((e) => !pooled.has(e.body.name))
    .map((e): Line => ({
      id: e.id,
      name: e.body.name,
      effects: [e.body.name],
      peak: played?.effects.find((x) => x.name === e.body.name)?.peak ?? 0,
      sized: sized.find((s) => !s.pooled && s.effects[0] === e.body.name),
    }))
    .sort((a, b) => b.peak - a.peak)
  return [...own, ...bare]
}

/** Returns those that are not as advised. */
export const unlike = (lines: Line[]) =>
  lines.filter((l) => l.sized?.sizes.length && !advice(l.sized, l.pool?.body).some((a) => a.standing))

/** Returns the changes that make them so: pools keep what they do when they are empty, others get one that refuses. */
export const alike = (lines: Line[]) =>
  lines.map((l) =>
    l.pool
      ? { part: l.pool.id, body: asAdvised(l.sized!, l.pool.body) }
      : {
          kind: 'pool' as const,
          body: {
            name: l.name,
            effects: l.effects,
            capacity: l.sized!.refusing,
            prewarm: l.sized!.refusing,
          },
        },
  )

/** Returns how many instances of a line's effects are held at each point of a rehearsal; nothing where it asks for none. */
export function heldOver(line: Line, played: RehearsalView | undefined): number[] | undefined {
  const of = played?.effects.filter((e) => line.effects.includes(e.name)) ?? []
  if (!of.length) return undefined
  return placesOf(played!).map((_, i) => of.reduce((sum, e) => sum + (e.values[i] ?? 0), 0))
}
