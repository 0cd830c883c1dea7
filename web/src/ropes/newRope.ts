import type { EventType, Rope } from '../api/bundle'
import { freeName } from '../common/freeName'

/** Returns a seed that no rope has. */
export function freeSeed(ropes: Rope[]): number {
  const seeds = new Set(ropes.map((r) => r.seed))
  let free = ropes.length + 1
  while (seeds.has(free)) free++
  return free
}

/** Returns a rope that listens to an event and plays nothing yet. */
export function newRope(event: EventType, ropes: Rope[]): Rope {
  return {
    name: freeName(
      event.name,
      ropes.map((r) => r.name),
      1,
    ),
    seed: freeSeed(ropes),
    event: event.name,
    conditions: [],
    offset: [0, 0, 0],
    facing: event.fields.some((f) => f.type === 'normal') ? 'normal' : 'up',
    feeds: [],
  }
}
