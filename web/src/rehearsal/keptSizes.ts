import { openDB, type DBSchema } from 'idb'
import type { SizedView } from '../api/client'

/** Sizes of pools as they were found last for a score. */
export interface KeptSizes {
  /** What the project was then, as {@link stateOf} says it. */
  state: string
  sized: SizedView[]
}

interface Kept extends DBSchema {
  sizes: {
    key: [number, number]
    value: KeptSizes & { project: number; score: number; at: number }
    indexes: { at: number }
  }
}

/** Of so many scores sizes are kept; the oldest go. */
const MOST = 20

const open = () =>
  openDB<Kept>('bellrope-sizes', 1, {
    upgrade(db) {
      db.createObjectStore('sizes', { keyPath: ['project', 'score'] }).createIndex('at', 'at')
    },
  })

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

/** Keeps sizes in the browser, so that they need not be found again after a reload. Where it keeps nothing, they are. */
export async function keepSizes(project: number, score: number, kept: KeptSizes): Promise<void> {
  try {
    const db = await open()
    const plain = JSON.parse(JSON.stringify(kept)) as KeptSizes
    await db.put('sizes', { project, score, at: Date.now(), ...plain })
    for (const key of (await db.getAllKeysFromIndex('sizes', 'at')).slice(0, -MOST))
      await db.delete('sizes', key)
    db.close()
  } catch {
    // They are only a second copy.
  }
}

/** Returns the sizes that were kept of a score, if they are of this state of the project. */
export async function keptSizes(
  project: number,
  score: number,
  state: string,
): Promise<SizedView[] | undefined> {
  try {
    const db = await open()
    const kept = await db.get('sizes', [project, score])
    db.close()
    return kept?.state === state ? kept.sized : undefined
  } catch {
    return undefined
  }
}
