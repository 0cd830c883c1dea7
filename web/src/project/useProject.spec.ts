import { IDBFactory } from 'fake-indexeddb'
import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { useProject } from './useProject'
import { WaitingSaves } from './waiting'

interface Stored {
  id: number
  kind: string
  name: string
  place: number
  revision: number
  deleted: boolean
  body: { name: string; note: number }
  savedAt: string
}

/** A server of two parts, which may be away, slow, or full. */
class Server {
  parts = [1, 2].map((id) => this.part(id, 1, 0))
  change = 1
  away = false
  full = false
  held: Promise<void> | undefined

  private part(id: number, revision: number, note: number): Stored {
    const body = { name: `effect ${id}`, note }
    return { id, kind: 'effect', name: body.name, place: id, revision, deleted: false, body, savedAt: '' }
  }

  private view() {
    return structuredClone({
      id: 7,
      name: 'Windrow Post',
      change: this.change,
      parts: this.parts.filter((p) => !p.deleted),
      sentences: [],
      strengths: [],
    })
  }

  private save(edits: { part: number; basedOn: number; body: Stored['body'] | null }[]) {
    for (const e of edits) {
      const part = this.parts.find((p) => p.id === e.part)!
      if (part.revision !== e.basedOn)
        return answer(409, {
          title: 'Changed in the meantime',
          detail: 'outdated',
          yours: { ...part, body: e.body },
          theirs: part,
        })
    }
    const saved = edits.map((e) => {
      const part = this.parts.find((p) => p.id === e.part)!
      part.revision++
      part.deleted = e.body === null
      if (e.body) part.body = e.body
      return part
    })
    this.change++
    return answer(200, { parts: structuredClone(saved), change: this.change, sentences: [], strengths: [] })
  }

  fetch = async (url: string, init: { method: string; body?: string }) => {
    if (this.away) throw new TypeError('Failed to fetch')
    if (this.full) return answer(507, { title: 'Not saved', detail: 'Nothing was saved: the disk is full.' })
    if (init.method === 'GET') {
      const view = this.view()
      await this.held
      return answer(200, view)
    }
    const body = JSON.parse(init.body!)
    const part = /\/parts\/(\d+)$/.exec(url)
    return this.save(part ? [{ part: Number(part[1]), ...body }] : body.edits)
  }
}

function answer(status: number, body: unknown) {
  return new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } })
}

let server: Server

beforeEach(() => {
  setActivePinia(createPinia())
  server = new Server()
  vi.stubGlobal('fetch', server.fetch)
  vi.stubGlobal('indexedDB', new IDBFactory())
})

async function opened() {
  const project = useProject()
  await project.open(7)
  return project
}

const note = (project: Awaited<ReturnType<typeof opened>>, id: number) =>
  (project.parts.get(id)!.body as Stored['body']).note

describe('the way back', () => {
  it('survives a server that is away', async () => {
    const project = await opened()
    await project.commit(1, { name: 'effect 1', note: 5 })
    server.away = true
    await project.undo()
    expect(note(project, 1)).toBe(5)
    expect(project.refusal?.title).toContain('does not answer')
    server.away = false
    await project.undo()
    expect(note(project, 1)).toBe(0)
    server.away = true
    await project.redo()
    server.away = false
    await project.redo()
    expect(note(project, 1)).toBe(5)
  })

  it('survives a disk that is full', async () => {
    const project = await opened()
    await project.commit(1, { name: 'effect 1', note: 5 })
    server.full = true
    await project.undo()
    expect(project.refusal?.detail).toContain('the disk is full')
    server.full = false
    await project.undo()
    expect(note(project, 1)).toBe(0)
  })

  it('is not blocked by one step that is refused for good', async () => {
    const project = await opened()
    await project.commit(1, { name: 'effect 1', note: 5 })
    await project.commit(2, { name: 'effect 2', note: 6 })
    server.parts[1].revision = 40
    await project.undo()
    expect(note(project, 2)).toBe(6)
    await project.undo()
    expect(note(project, 1)).toBe(0)
  })
})

describe('saves of one window', () => {
  const five = { name: 'effect 1', note: 5 }
  it('never conflict with themselves when the same is saved twice at once', async () => {
    const project = await opened()
    const both = await Promise.all([project.commit(1, five), project.commit(1, five)])
    expect(both).toEqual([true, true])
    expect(project.conflict).toBeUndefined()
    expect(project.refusal).toBeUndefined()
    expect(note(project, 1)).toBe(5)
    await project.undo()
    expect(note(project, 1)).toBe(0)
  })
  it('keep what was set last, also back to what it was', async () => {
    const project = await opened()
    await Promise.all([project.commit(1, five), project.commit(1, { name: 'effect 1', note: 0 })])
    expect(note(project, 1)).toBe(0)
    expect(server.parts[0].body.note).toBe(0)
    expect(project.drafts.size).toBe(0)
    await project.undo()
    expect(note(project, 1)).toBe(5)
  })
  it('follow one another on the revision that the one before left', async () => {
    const project = await opened()
    await Promise.all([1, 2, 3, 4].map((n) => project.commit(1, { name: 'effect 1', note: n })))
    expect(note(project, 1)).toBe(4)
    expect(project.conflict).toBeUndefined()
  })
})

describe('a save that the disk does not take', () => {
  it('keeps the draft, which can be saved when there is room', async () => {
    const project = await opened()
    server.full = true
    expect(await project.commit(1, { name: 'effect 1', note: 8 })).toBe(false)
    expect(project.drafts.size).toBe(1)
    server.full = false
    await project.saveDrafts()
    expect(project.drafts.size).toBe(0)
    expect(note(project, 1)).toBe(8)
  })
})

describe('a save while the server is away', () => {
  const eight = { name: 'effect 1', note: 8 }
  // The window is loaded again: everything in memory is gone.
  const again = async () => {
    setActivePinia(createPinia())
    return opened()
  }
  const settled = (project: Awaited<ReturnType<typeof opened>>) =>
    vi.waitFor(() => expect(project.waiting.size).toBe(0))
  /** A change that was saved in another window. */
  function elsewhere(body: Stored['body']) {
    server.parts[0] = { ...server.parts[0], revision: 2, body }
  }

  it('waits, is said to wait, and is saved when the server is back', async () => {
    const project = await opened()
    server.away = true
    expect(await project.commit(1, eight)).toBe(false)
    expect(project.refusal?.detail).toContain('Your change waits in this browser')
    expect(project.waiting.size).toBe(1)
    server.away = false
    await project.back()
    expect(server.parts[0].body.note).toBe(8)
    expect(project.waiting.size).toBe(0)
    expect(project.refusal).toBeUndefined()
  })

  it('goes on with what others changed meanwhile, and can still be undone', async () => {
    const project = await opened()
    await project.commit(1, { name: 'effect 1', note: 5 })
    server.away = true
    server.parts[1] = { ...server.parts[1], revision: 2, body: { name: 'effect 2', note: 6 } }
    server.change++
    server.away = false
    await project.back()
    expect(note(project, 2)).toBe(6)
    await project.undo()
    expect(note(project, 1)).toBe(0)
    server.parts[1].deleted = true
    server.change++
    await project.back()
    expect([...project.parts.keys()]).toEqual([1])
  })

  it('outlives the window, the last of each part, in the order in which they were made', async () => {
    const project = await opened()
    server.away = true
    await project.commit(2, { name: 'effect 2', note: 3 })
    await project.commit(1, { name: 'effect 1', note: 7 })
    await project.commit(1, eight)
    server.away = false
    const next = await again()
    await settled(next)
    expect(server.parts.map((p) => p.body.note)).toEqual([8, 3])
    expect(
      server.parts.map((p) => p.revision),
      'one save each',
    ).toEqual([2, 2])
    await next.undo()
    expect(server.parts[0].body.note, 'and can be undone').toBe(0)
    expect((await again()).drafts.size, 'and does not come again').toBe(0)
  })

  it('that another window overtook is a conflict as ever', async () => {
    const project = await opened()
    server.away = true
    await project.commit(1, eight)
    server.away = false
    elsewhere({ name: 'effect 1', note: 9 })
    const next = await again()
    await vi.waitFor(() => expect(next.conflict).toBeDefined())
    next.keepTheirs()
    expect(note(next, 1)).toBe(9)
    expect(next.waiting.size).toBe(0)
    expect((await again()).drafts.size).toBe(0)
  })

  it('that arrived though its answer did not is no conflict', async () => {
    const project = await opened()
    server.away = true
    await project.commit(1, eight)
    server.away = false
    elsewhere(eight)
    const next = await again()
    await settled(next)
    expect(next.conflict).toBeUndefined()
    expect(note(next, 1)).toBe(8)
  })

  it('of a part that is gone is dropped and said', async () => {
    const project = await opened()
    server.away = true
    await project.commit(1, eight)
    server.away = false
    server.parts[0].deleted = true
    const next = await again()
    expect(next.notice).toContain('was of a part that is gone')
    expect(next.waiting.size).toBe(0)
  })

  it('of another project is left alone', async () => {
    const project = await opened()
    server.away = true
    await project.commit(1, eight)
    expect(await new WaitingSaves(() => {}).of(8)).toEqual([])
    expect(await new WaitingSaves(() => {}).of(7)).toEqual([{ part: 1, body: eight, basedOn: 1 }])
  })

  it('waits in the window alone where the browser keeps nothing', async () => {
    vi.stubGlobal('indexedDB', {
      open: () => {
        throw new DOMException('not here', 'SecurityError')
      },
    })
    const project = await opened()
    server.away = true
    await project.commit(1, eight)
    expect(project.notice).toContain('leave this window open')
    server.away = false
    await project.back()
    expect(server.parts[0].body.note).toBe(8)
  })
})

describe('what is shown', () => {
  it('does not change where what was shown is only saved', async () => {
    const project = await opened()
    project.draft(1, { name: 'effect 1', note: 5 })
    const { content, version } = project
    await project.commit(1, { name: 'effect 1', note: 5 })
    expect(project.content).toBe(content)
    expect(project.version).toBe(version + 1)
    await project.undo()
    expect(project.content).toBe(content + 1)
  })
})

describe('what comes late', () => {
  it('never replaces a newer part', async () => {
    const project = await opened()
    await project.commit(1, { name: 'effect 1', note: 5 })
    const late = { ...server.parts[0], revision: 1, body: { name: 'effect 1', note: 0 } }
    project.takeFromElsewhere({ parts: [late], change: 1, sentences: [], strengths: [] } as never)
    expect(note(project, 1)).toBe(5)
  })

  it('never replaces a newer project', async () => {
    const project = await opened()
    let release = () => {}
    server.held = new Promise((done) => (release = done))
    const opening = project.open(7)
    // Saved while the answer of before is on its way.
    await project.commit(1, { name: 'effect 1', note: 5 })
    server.held = undefined
    release()
    await opening
    expect(note(project, 1)).toBe(5)
    expect(project.parts.get(1)!.revision).toBe(2)
  })
})
