/** The bodies of parts. */
import type { Datum } from './bundle.schema'

export type * from './bundle.schema'

export type Payload = Record<string, Datum>
/** Where a rope reads a number: one of these members. */
export interface Source {
  field?: string
  channel?: string
  since?: string
  held?: true
}
