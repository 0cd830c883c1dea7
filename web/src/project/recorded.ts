import { shallowReactive } from 'vue'
import type { AccountReport, Recorded } from '../api/client'

/** Pulls of which is kept what fed each parameter. */
const MOST = 40

export interface Dot {
  given: unknown
  value: unknown
}

const kept = shallowReactive(new Map<string, Dot[]>())
const key = (rope: string, parameter: string) => `${rope}/${parameter}`

/** Keeps what the feeds of every rope that answered were given, and what they made of it. */
export function record(account: AccountReport) {
  for (const answer of account.answers)
    for (const fed of answer.fed ?? []) {
      const k = key(answer.rope, fed.parameter)
      kept.set(k, [...(kept.get(k) ?? []), { given: fed.given, value: fed.value }].slice(-MOST))
    }
}

/** The last pulls of one feed, oldest first. */
export const dots = (rope: string, parameter: string): Dot[] => kept.get(key(rope, parameter)) ?? []

/** Returns how many pulls of a rope are kept, by the feed of which most are. */
export const pullsOf = (rope: string): number =>
  Math.max(0, ...[...kept].filter(([k]) => k.startsWith(`${rope}/`)).map(([, list]) => list.length))

/** All that is kept of numbers, for whoever looks at the wiring. */
export function recorded(): Recorded[] {
  return [...kept].flatMap(([k, list]) => {
    const at = k.lastIndexOf('/')
    const given = list.map((d) => d.given).filter((g) => typeof g === 'number')
    return given.length ? [{ rope: k.slice(0, at), parameter: k.slice(at + 1), given }] : []
  })
}

export const forgetRecorded = () => kept.clear()
