import type { Effect } from '../api/bundle'

/** Returns an effect as it plays with one emitter alone: with what that spawns, and what spawns it, and nothing else. */
export function playingAlone(effect: Effect, name: string): Effect {
  const spawns = (of: string) =>
    (effect.emitters.find((e) => e.name === of)?.end?.children ?? []).flatMap((c) => c.emitter ?? [])
  const spawnedBy = (of: string) =>
    effect.emitters.filter((e) => e.end?.children?.some((c) => c.emitter === of)).map((e) => e.name)
  const reached = (next: (of: string) => string[]) => {
    const found = new Set([name])
    for (const one of found) next(one).forEach((other) => found.add(other))
    return found
  }
  const plays = new Set([...reached(spawns), ...reached(spawnedBy)])
  return {
    ...effect,
    emitters: effect.emitters.map((e) =>
      plays.has(e.name) ? { ...e, off: undefined } : { ...e, off: true },
    ),
  }
}
