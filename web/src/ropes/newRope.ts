import type { EventType, Rope } from '../api/bundle'

/** Returns a seed that no rope has. */
export function freeSeed(ropes: Rope[]): number {
  const seeds = new Set(ropes.map((r) => r.seed))
  let free = ropes.length + 1
  while (seeds.has(free)) free++
  return free
}

/** Returns a name that no rope has: the wanted one, with a number behind it if need be. */
export function freeName(wanted: string, ropes: Rope[], first = 2): string {
  const taken = new Set(ropes.map((r) => r.name))
  if (first > 1 && !taken.has(wanted)) return wanted
  let n = first
  while (taken.has(`${wanted} ${n}`)) n++
  return `${wanted} ${n}`
}

/** Returns a rope that listens to an event and plays nothing yet. */
export function newRope(event: EventType, ropes: Rope[]): Rope {
  return {
    name: freeName(event.name, ropes, 1),
    seed: freeSeed(ropes),
    event: event.name,
    conditions: [],
    offset: [0, 0, 0],
    facing: event.fields.some((f) => f.type === 'normal') ? 'normal' : 'up',
    feeds: [],
  }
}
