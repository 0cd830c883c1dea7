import { shallowReactive } from 'vue'
import type { AccountReport, Pulled, Recorded } from '../api/client'

/** Pulls of which is kept what fed each parameter. */
const MOST = 40

export interface Dot {
  given: unknown
  value: unknown
}

const kept = shallowReactive(new Map<string, Dot[]>())
const key = (rope: string, parameter: string) => `${rope}/${parameter}`

const pulls = shallowReactive(new Map<string, { at: number[]; named: boolean }>())

/** Keeps when an event came, and whether it named whom it is about. */
function recordPull(account: AccountReport) {
  if (account.refused.length || account.phase === 'end') return
  const before = pulls.get(account.event) ?? { at: [], named: false }
  // The clock of a stage that was started anew begins again.
  const at = (before.at.at(-1) ?? 0) > account.at ? [] : before.at
  pulls.set(account.event, {
    at: [...at, account.at].slice(-MOST),
    named: before.named || account.subject !== '',
  })
}

/** When each event came at the last pulls, for whoever looks at the wiring. */
export const pulled = (): Pulled[] => [...pulls].map(([event, p]) => ({ event, ...p }))

/** Keeps what the feeds of every rope that answered were given, and what they made of it. */
export function record(account: AccountReport) {
  recordPull(account)
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

export function forgetRecorded() {
  kept.clear()
  pulls.clear()
}
