import type { Channelled, EventType, Lane, Mark, Payload, Score } from '../api/bundle'

/** Something a hand did while it was recorded. */
export interface Tap {
  event: string
  /** Seconds since the recording began. */
  at: number
  /** When a span ended. */
  until?: number
  /** Which value a state took. */
  value?: string
  /** What it said besides what is usual. */
  payload?: Payload
}

/** What a channel was turned to. */
export interface Turned {
  channel: string
  at: number
  value: number
}

const two = (x: number) => Math.round(x * 100) / 100

/** Returns a lane of marks for each event that was tapped, in the order of the events. */
export function lanesOf(taps: Tap[], events: EventType[], seconds: number): Lane[] {
  const lanes: Lane[] = []
  for (const event of events) {
    const mine = taps.filter((t) => t.event === event.name)
    if (!mine.length) continue
    const marks = mine.map((t): Mark => ({
      at: two(Math.min(t.at, seconds)),
      // What was held to the end is held to the end.
      ...(event.shape === 'span' && { lasts: two(Math.max(0.01, (t.until ?? seconds) - t.at)) }),
      ...(t.value !== undefined && { value: t.value }),
      ...(t.payload && { payload: t.payload }),
    }))
    lanes.push({ id: lanes.length + 1, event: event.name, when: { kind: 'marks', marks } })
  }
  return lanes
}

/** Returns what channels carried: as they were turned, and held in between. */
export function channelsOf(turned: Turned[]): Channelled[] {
  const names = [...new Set(turned.map((t) => t.channel))]
  return names.map((channel) => {
    const points: { at: number; value: number }[] = []
    for (const t of turned.filter((one) => one.channel === channel)) {
      const at = two(t.at)
      const last = points[points.length - 1]
      if (last && at <= last.at) last.value = t.value
      else {
        // A turn is a step, not a slope: the value before it holds until then.
        if (last && at - last.at > 0.1) points.push({ at: two(at - 0.05), value: last.value })
        points.push({ at, value: t.value })
      }
    }
    return { channel, points }
  })
}

/** Returns what was recorded as a score. */
export function scoreOf(
  name: string,
  seconds: number,
  taps: Tap[],
  turned: Turned[],
  events: EventType[],
): Score {
  const length = Math.max(0.1, two(seconds))
  const channels = channelsOf(turned)
  return {
    name,
    seconds: length,
    seed: 1,
    lanes: lanesOf(taps, events, length),
    ...(channels.length && { channels }),
  }
}
