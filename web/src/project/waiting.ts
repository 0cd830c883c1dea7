import { openDB, type DBSchema, type IDBPDatabase } from 'idb'

/** A save that the server has not taken yet. */
export interface Waiting {
  part: number
  body: unknown
  /** Revision that it was made from. */
  basedOn: number
}

interface Kept extends DBSchema {
  saves: {
    key: [number, number]
    value: Waiting & { project: number; order: number }
    indexes: { project: number }
  }
}

const NAME = 'bellrope'

/**
 * Saves that wait in the browser while the server is away, so that closing the window loses none: of each part the last.
 * Where the browser keeps nothing, they wait in the window alone.
 */
export class WaitingSaves {
  private last = 0
  private opened: Promise<IDBPDatabase<Kept> | undefined> | undefined

  /** @param failed called once when the browser keeps nothing */
  constructor(private readonly failed: (why: string) => void) {}

  private database() {
    this.opened ??= this.open().catch((e) => {
      this.failed(String(e))
      return undefined
    })
    return this.opened
  }

  // Where it is forbidden, asking for it throws at once.
  private async open() {
    return openDB<Kept>(NAME, 1, {
      upgrade(db) {
        db.createObjectStore('saves', { keyPath: ['project', 'part'] }).createIndex('project', 'project')
      },
    })
  }

  private async attempt<T>(work: (db: IDBPDatabase<Kept>) => Promise<T>, otherwise: T): Promise<T> {
    const db = await this.database()
    if (!db) return otherwise
    try {
      return await work(db)
    } catch (e) {
      this.failed(String(e))
      this.opened = Promise.resolve(undefined)
      return otherwise
    }
  }

  /** Keeps a save, in place of one of the same part. */
  async keep(project: number, { part, body, basedOn }: Waiting) {
    const order = (this.last = Math.max(Date.now(), this.last + 1))
    const plain = JSON.parse(JSON.stringify(body))
    await this.attempt(async (db) => {
      const before = await db.get('saves', [project, part])
      await db.put('saves', { project, part, body: plain, basedOn, order: before?.order ?? order })
    }, undefined)
  }

  /** Forgets the save of a part: it was taken, or is not wanted any more. */
  async forget(project: number, part: number) {
    await this.attempt((db) => db.delete('saves', [project, part]), undefined)
  }

  /** Returns what waits in a project, in the order in which it was made. */
  async of(project: number): Promise<Waiting[]> {
    const all = await this.attempt((db) => db.getAllFromIndex('saves', 'project', project), [])
    return all.sort((a, b) => a.order - b.order).map(({ part, body, basedOn }) => ({ part, body, basedOn }))
  }
}
