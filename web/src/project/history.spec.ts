import { beforeEach, describe, expect, it } from 'vitest'
import type { PartView } from '../api/client'
import { Drafts } from './drafts'
import { altered, History, MOST } from './history'

const part = (id: number, note: number, place = 0): PartView =>
  ({
    id,
    name: `part ${id}`,
    kind: 'effect',
    revision: note,
    place,
    body: { note },
    deleted: false,
  }) as unknown as PartView
const now = (...parts: PartView[]) => new Map(parts.map((p) => [p.id, p]))
const gone = () => 7

describe('the way back', () => {
  let history: History
  beforeEach(() => {
    history = new History()
  })
  const change = (id: number, from: number, to: number) =>
    history.remember([{ part: id, before: { note: from }, after: { note: to } }])

  it('leads through each step, and forward again', () => {
    change(1, 1, 2)
    change(1, 2, 3)
    expect(history.plan('undo', now(part(1, 3)), gone)).toEqual({
      edits: [{ part: 1, basedOn: 3, body: { note: 2 }, place: undefined }],
      parts: [1],
    })
    history.made('undo')
    expect(history.plan('redo', now(part(1, 2)), gone)).toMatchObject({ edits: [{ body: { note: 3 } }] })
    history.made('redo')
    expect(history.done.value).toHaveLength(2)
    expect(history.plan('redo', now(part(1, 3)), gone)).toBeUndefined()
  })
  it('forgets what was undone once something else is done', () => {
    change(1, 1, 2)
    history.made('undo')
    change(1, 1, 5)
    expect(history.plan('redo', now(part(1, 5)), gone)).toBeUndefined()
  })
  it('undoes what was done together in the opposite order', () => {
    history.remember([
      { part: 1, before: undefined, after: { note: 1 } },
      { part: 2, before: { note: 1 }, after: { note: 2 }, placeBefore: 4, placeAfter: 0 },
    ])
    const step = history.plan('undo', now(part(1, 1), part(2, 2)), gone)
    expect(step).toMatchObject({
      edits: [
        { part: 2, body: { note: 1 }, place: 4 },
        { part: 1, body: null },
      ],
    })
  })
  it('brings back what is gone from its last revision', () => {
    history.remember([{ part: 1, before: { note: 1 }, after: undefined }])
    expect(history.plan('undo', now(), gone)).toMatchObject({ edits: [{ basedOn: 7, body: { note: 1 } }] })
  })
  it('names what was changed elsewhere since', () => {
    change(1, 1, 2)
    expect(history.plan('undo', now(part(1, 9)), gone)).toEqual({ stale: 'part 1' })
    history.stop('undo')
    expect(history.plan('undo', now(part(1, 2)), gone)).toBeUndefined()
  })
  it('is bounded', () => {
    for (let i = 0; i < MOST + 20; i++) change(1, i, i + 1)
    expect(history.done.value).toHaveLength(MOST)
    expect(history.done.value[0][0].before).toEqual({ note: 20 })
  })
  it('knows what a change made of its parts', () => {
    const before = now(part(1, 1, 0), part(2, 1, 3))
    const removed = { ...part(1, 1, 0), deleted: true } as PartView
    expect(altered([removed, part(2, 2, 1), part(3, 1, 2)], before)).toEqual([
      { part: 1, before: { note: 1 }, after: undefined, placeBefore: undefined, placeAfter: undefined },
      { part: 2, before: { note: 1 }, after: { note: 2 }, placeBefore: 3, placeAfter: 1 },
      { part: 3, before: undefined, after: { note: 1 }, placeBefore: undefined, placeAfter: undefined },
    ])
  })
})

describe('drafts', () => {
  it('keep the revision that the first of them was made from', () => {
    const drafts = new Drafts()
    drafts.put(1, { note: 2 }, 5)
    drafts.put(1, { note: 3 }, 6)
    expect(drafts.get(1)).toEqual({ body: { note: 3 }, basedOn: 5 })
    expect(drafts.version.value).toBe(2)
    expect(drafts.list.value).toEqual([{ part: 1, body: { note: 3 } }])
  })
  it('go when they are saved, unless somebody typed on', () => {
    const drafts = new Drafts()
    drafts.put(1, { note: 2 }, 5)
    drafts.saved(1, { note: 2 }, 6)
    expect(drafts.get(1)).toBeUndefined()
    drafts.put(1, { note: 3 }, 6)
    drafts.put(1, { note: 4 }, 6)
    drafts.saved(1, { note: 3 }, 7)
    expect(drafts.get(1)).toEqual({ body: { note: 4 }, basedOn: 7 })
  })
  it('that are not there change nothing when they are dropped', () => {
    const drafts = new Drafts()
    drafts.drop(3)
    expect(drafts.version.value).toBe(0)
  })
})
