import { computed, ref, shallowRef } from 'vue'
import type { Draft } from '../api/client'
import { same } from './history'

/** Bodies of parts that are shown and not saved yet, each with the revision that it was made from. */
export class Drafts {
  readonly all = shallowRef(new Map<number, { body: unknown; basedOn: number }>())
  /** Grows with every change of what is shown. */
  readonly version = ref(0)
  readonly list = computed<Draft[]>(() =>
    [...this.all.value].map(([part, draft]) => ({ part, body: draft.body })),
  )

  get(part: number) {
    return this.all.value.get(part)
  }

  private set(part: number, draft: { body: unknown; basedOn: number } | undefined) {
    const next = new Map(this.all.value)
    if (draft) next.set(part, draft)
    else next.delete(part)
    this.all.value = next
  }

  /** Shows a body. The revision that it is based on is the one seen when the first draft of the part was made. */
  put(part: number, body: unknown, revision: number) {
    const was = this.get(part)
    this.set(part, { body, basedOn: was?.basedOn ?? revision })
    if (!was || !same(was.body, body)) this.version.value++
  }

  drop(part: number) {
    if (!this.get(part)) return
    this.set(part, undefined)
    this.version.value++
  }

  /** Says that a body was saved as a revision: a draft that went on meanwhile stays, and is based on that. */
  saved(part: number, body: unknown, revision: number) {
    const later = this.get(part)
    this.set(part, later && !same(later.body, body) ? { body: later.body, basedOn: revision } : undefined)
  }

  /** Puts a body in place of another's newer revision. */
  over(part: number, body: unknown, revision: number) {
    this.set(part, { body, basedOn: revision })
  }

  clear() {
    this.all.value = new Map()
  }
}
