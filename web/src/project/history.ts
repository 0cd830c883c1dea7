import { shallowRef, type ShallowRef } from 'vue'
import type { Edit, PartView } from '../api/client'

/** One part as a change found it and left it; no body where it was not there. */
export interface Altered {
  part: number
  before: unknown
  after: unknown
  placeBefore?: number
  placeAfter?: number
}
/** Parts that were changed together, and are undone together. */
export type Done = Altered[]
export type Way = 'undo' | 'redo'

/** A step that can be made, or the name of the part that was changed elsewhere since. */
export type Step = { edits: Edit[]; parts: number[] } | { stale: string }

/** Most steps that can be undone. */
export const MOST = 500

export const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)

/** The way back through what was done in this window, and forward again. It plans steps; whoever makes them says how it went. */
export class History {
  readonly done: ShallowRef<Done[]> = shallowRef([])
  readonly undone: ShallowRef<Done[]> = shallowRef([])

  private from(way: Way) {
    return way === 'undo' ? this.done : this.undone
  }

  clear() {
    this.done.value = []
    this.undone.value = []
  }

  /** Notes what was done; what had been undone before can then not be done again. */
  remember(altered: Done) {
    this.done.value = [...this.done.value, altered].slice(-MOST)
    this.undone.value = []
  }

  /**
   * Returns the edits of the next step; undefined when there is none.
   *
   * @param present the parts as they are now
   * @param revision the last revision known of a part that is gone
   */
  plan(way: Way, present: Map<number, PartView>, revision: (part: number) => number): Step | undefined {
    const last = this.from(way).value.at(-1)
    if (!last) return undefined
    const edits: Edit[] = []
    for (const a of way === 'undo' ? [...last].reverse() : last) {
      const now = present.get(a.part)
      if (now && !same(now.body, way === 'undo' ? a.after : a.before)) return { stale: now.name }
      edits.push({
        part: a.part,
        basedOn: now?.revision ?? revision(a.part),
        body: ((way === 'undo' ? a.before : a.after) ?? null) as Edit['body'],
        place: way === 'undo' ? a.placeBefore : a.placeAfter,
      })
    }
    return { edits, parts: last.map((a) => a.part) }
  }

  /** Says that the planned step was made. */
  made(way: Way) {
    const last = this.from(way).value.at(-1)!
    this.drop(way)
    const to = way === 'undo' ? this.undone : this.done
    to.value = [...to.value, last]
  }

  /** Says that the planned step was refused for good. */
  drop(way: Way) {
    this.from(way).value = this.from(way).value.slice(0, -1)
  }

  /** Says that nothing further can be done this way: something was changed elsewhere. */
  stop(way: Way) {
    this.from(way).value = []
  }
}

/** Returns what a change made of parts, from how they were before. */
export function altered(saved: PartView[], before: Map<number, PartView>): Done {
  return saved.map((p) => {
    const was = before.get(p.id)
    const moved = was && was.place !== p.place
    return {
      part: p.id,
      before: was?.body,
      after: p.deleted ? undefined : p.body,
      placeBefore: moved ? was.place : undefined,
      placeAfter: moved ? p.place : undefined,
    }
  })
}
