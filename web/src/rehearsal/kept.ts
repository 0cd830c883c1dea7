import { openDB, type DBSchema } from 'idb'
import type { PartView, SizedView } from '../api/client'
import type { Score } from '../api/bundle'

/** Sizes of pools as they were found last for a score. */
export interface KeptSizes {
  /** What the project was then, as {@link stateOf} says it. */
  state: string
  sized: SizedView[]
}

/** A rehearsal that was kept to compare others with it: all that it is played again from. */
export interface KeptRehearsal {
  /** When it was kept, ms since 1970. */
  kept: number
  /** Of the project. */
  name: string
  parts: PartView[]
  /** What the core was asked for. */
  wish: { score: Score; drafts: object[] }
}

interface Of {
  project: number
  score: number
  at: number
}

interface Kept extends DBSchema {
  sizes: { key: [number, number]; value: KeptSizes & Of; indexes: { at: number } }
  rehearsals: { key: [number, number]; value: KeptRehearsal & Of; indexes: { at: number } }
}
type Store = 'sizes' | 'rehearsals'

/** Of so many scores something is kept; the oldest go. */
const MOST = 20

const open = () =>
  openDB<Kept>('bellrope-sizes', 2, {
    upgrade(db) {
      for (const name of ['sizes', 'rehearsals'] as const) {
        if (!db.objectStoreNames.contains(name))
          db.createObjectStore(name, { keyPath: ['project', 'score'] }).createIndex('at', 'at')
      }
    },
  })
type Opened = Awaited<ReturnType<typeof open>>

/** Does something with what is kept. Where a browser keeps nothing, what is played is made again: it is only a second copy. */
async function within<T>(does: (db: Opened) => Promise<T>): Promise<T | undefined> {
  try {
    const db = await open()
    try {
      return await does(db)
    } finally {
      db.close()
    }
  } catch {
    return undefined
  }
}

async function forgetOldest(db: Opened, store: Store): Promise<void> {
  for (const key of (await db.getAllKeysFromIndex(store, 'at')).slice(0, -MOST)) await db.delete(store, key)
}

const plain = <T>(value: T) => JSON.parse(JSON.stringify(value)) as T

/**
 * Returns what tells one state of a project from every other: SHA-256 of what is in it. Numbers of parts and revisions would not
 * do, since a server that begins anew gives them again. Undefined where the browser does not compute it, which it does for pages
 * of this machine and over TLS.
 */
export async function stateOf(parts: Iterable<{ id: number; body: unknown }>): Promise<string | undefined> {
  if (!crypto.subtle) return undefined
  const all = [...parts].sort((a, b) => a.id - b.id).map((p) => [p.id, p.body])
  const hash = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(JSON.stringify(all)))
  return [...new Uint8Array(hash)].map((byte) => byte.toString(16).padStart(2, '0')).join('')
}

/** Keeps sizes in the browser, so that they need not be found again after a reload. */
export async function keepSizes(project: number, score: number, kept: KeptSizes): Promise<void> {
  await within(async (db) => {
    await db.put('sizes', { project, score, at: Date.now(), ...plain(kept) })
    await forgetOldest(db, 'sizes')
  })
}

/** Returns the sizes that were kept of a score, if they are of this state of the project. */
export async function keptSizes(
  project: number,
  score: number,
  state: string,
): Promise<SizedView[] | undefined> {
  const kept = await within((db) => db.get('sizes', [project, score]))
  return kept?.state === state ? kept.sized : undefined
}

/** Keeps in the browser what a rehearsal is played again from, in place of what was kept of its score before. */
export async function keepRehearsal(project: number, score: number, kept: KeptRehearsal): Promise<void> {
  await within(async (db) => {
    await db.put('rehearsals', { project, score, at: Date.now(), ...plain(kept) })
    await forgetOldest(db, 'rehearsals')
  })
}

/** Returns the rehearsal of a score that was kept to compare others with it. */
export const keptRehearsal = (project: number, score: number): Promise<KeptRehearsal | undefined> =>
  within((db) => db.get('rehearsals', [project, score]))

export async function forgetRehearsal(project: number, score: number): Promise<void> {
  await within((db) => db.delete('rehearsals', [project, score]))
}
