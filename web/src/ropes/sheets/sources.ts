import type { Datum, Source } from '../../api/bundle'

/** What a feed is driven by: one of these members. */
export interface Fed extends Source {
  constant?: Datum
  random?: number
  from?: string
}

export function sourceWords(s: Fed): string {
  if (s.constant !== undefined) return 'a constant'
  if (s.random !== undefined) return 'chance'
  return s.held ? 'time held' : (s.channel ?? s.from ?? (s.since ? `time since ${s.since}` : (s.field ?? '')))
}

/** The member that says where something is read, and nothing else of what it stands in. */
export function readFrom({ field, channel, since, held, from, random, constant }: Fed): Fed {
  return JSON.parse(JSON.stringify({ field, channel, since, held, from, random, constant }))
}
