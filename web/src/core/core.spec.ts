import { beforeEach, describe, expect, it } from 'vitest'
import { Refused, type PartView } from '../api/client'
import { Core } from './core'
import { Noted } from './noted'

const part = (id: number, revision = 1) =>
  ({ id, kind: 'effect', name: `effect ${id}`, place: id, revision, body: {} }) as PartView
const project = (...parts: PartView[]) => ({
  id: 1,
  name: 'Windrow Post',
  parts: new Map(parts.map((p) => [p.id, p])),
})

describe('the core beside the page', () => {
  let core: Core
  const first = part(7)
  const second = part(8)

  beforeEach(() => {
    Noted.all = []
    core = new Core(() => new Noted())
  })

  it('is told each part once, and what changed since', async () => {
    const one = core.ask(project(first, second), 'preview', 'it', { effect: 7 })
    const worker = Noted.all[0]
    expect(worker.words).toEqual(['open', 'put', 'put', 'preview'])
    worker.says({ id: worker.last.id, head: { births: 1 } })
    expect((await one).head).toEqual({ births: 1 })

    void core.ask(project(first, part(8, 2)), 'preview', 'it', {})
    expect(worker.words.slice(4)).toEqual(['put', 'preview'])
    void core.ask(project(first), 'preview', 'it', {})
    expect(worker.words.slice(6)).toEqual(['drop', 'preview'])
    void core.ask({ ...project(first), id: 2 }, 'preview', 'it', {})
    expect(worker.words.slice(8)).toEqual(['open', 'put', 'preview'])
  })

  it('can be started ahead of the first question', () => {
    core.ready(project(first))
    core.ready(project(first))
    expect(Noted.all).toHaveLength(1)
    expect(Noted.all[0].words).toEqual(['open', 'put'])
    void core.ask(project(first), 'preview', 'it', {})
    expect(Noted.all[0].words).toEqual(['open', 'put', 'preview'])
  })

  it('rests when it is not wanted, and begins anew with the next question', async () => {
    const one = core.ask(project(first), 'sizeRun', 'it', { run: 1 })
    core.rest()
    expect((await one.catch((e) => e)) as Refused).toBeInstanceOf(Refused)
    expect(Noted.all[0].ended).toBe(true)
    void core.ask(project(first), 'preview', 'it', {})
    expect(Noted.all[1].words).toEqual(['open', 'put', 'preview'])
  })

  it('refuses what is wrong in the words of the server', async () => {
    const one = core.ask(project(first), 'preview', 'it', {})
    Noted.all[0].says({
      id: Noted.all[0].last.id,
      problems: [
        { place: '/surface', given: '"sea"', allowed: 'ground, wall or ceiling' },
        { place: '/side', given: '1', allowed: 'left or right' },
      ],
    })
    const refused = (await one.catch((e) => e)) as Refused
    expect(refused.status).toBe(422)
    expect(refused.message).toBe('/surface: "sea": ground, wall or ceiling (and 1 more)')

    const other = core.ask(project(first), 'preview', 'it', {})
    Noted.all[0].says({ id: Noted.all[0].last.id, missing: 'effect 9' })
    expect(((await other.catch((e) => e)) as Refused).message).toBe('There is no effect 9.')
  })

  it('begins anew after a question that broke it, and names it', async () => {
    const bad = core.ask(project(first), 'preview', 'the preview of “straw puff”', {})
    const queued = core.ask(project(first), 'preview', 'another', {})
    const worker = Noted.all[0]
    worker.says({ id: worker.asked[2].id, trap: 'RuntimeError: unreachable' })
    const refused = (await bad.catch((e) => e)) as Refused
    expect(refused.status).toBe(500)
    expect(refused.message).toContain('the preview of “straw puff”')
    await expect(queued).rejects.toBe(refused)
    expect(worker.ended).toBe(true)

    const again = core.ask(project(first), 'preview', 'it', {})
    expect(Noted.all).toHaveLength(2)
    expect(Noted.all[1].words).toEqual(['open', 'put', 'preview'])
    Noted.all[1].says({ id: Noted.all[1].last.id, head: {} })
    await expect(again).resolves.toBeTruthy()
  })

  it('says when it cannot run here, and what is needed', async () => {
    const one = core.ask(project(first), 'preview', 'it', {})
    Noted.all[0].says({ id: Noted.all[0].last.id, absent: 'no WebAssembly GC' })
    const refused = (await one.catch((e) => e)) as Refused
    expect(refused.status).toBe(501)
    expect(refused.message).toContain('Chromium 119, Firefox 120, Safari 18.2, or newer (no WebAssembly GC)')
    void core.ask(project(first), 'preview', 'it', {}).catch(() => undefined)
    expect(Noted.all[1].words, 'another try begins from nothing').toEqual(['open', 'put', 'preview'])
    const none = new Core(() => {
      throw new ReferenceError('Worker is not defined')
    })
    const nowhere = (await none.ask(project(first), 'preview', 'it', {}).catch((e) => e)) as Refused
    expect(nowhere.status).toBe(501)
  })

  it('asks again for files that were out of reach', async () => {
    const one = core.ask(project(first), 'preview', 'it', {})
    Noted.all[0].says({ id: Noted.all[0].last.id, unreachable: '502' })
    expect(((await one.catch((e) => e)) as Refused).status).toBe(0)
    const again = core.ask(project(first), 'preview', 'it', {})
    expect(Noted.all[1].words, 'what was told before did not arrive').toEqual(['open', 'put', 'preview'])
    Noted.all[1].says({ id: Noted.all[1].last.id, head: {} })
    await expect(again).resolves.toBeTruthy()
  })

  it('gives up what it waited for when the worker itself fails', async () => {
    const one = core.ask(project(first), 'preview', 'it', {})
    Noted.all[0].onerror!({ message: 'blocked' } as ErrorEvent)
    await expect(one).rejects.toThrow('blocked')
  })
})
