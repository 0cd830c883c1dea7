import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { effectScope, nextTick, ref, type EffectScope } from 'vue'
import type { PartView } from '../api/client'
import { useProject } from '../project/useProject'
import { sharing, unshared, useSharing } from './useSharing'

class Socket {
  static all: Socket[] = []
  static OPEN = 1
  readyState = 0
  said: { is: string; drafts: { part: number; body: unknown }[] }[] = []
  closed = false
  onopen?: () => void
  onmessage?: (event: { data: string }) => void
  onclose?: (event: { reason: string }) => void
  constructor(readonly url: string) {
    Socket.all.push(this)
  }
  open() {
    this.readyState = Socket.OPEN
    this.onopen?.()
  }
  send(text: string) {
    this.said.push(JSON.parse(text))
  }
  answer(answer: object) {
    this.onmessage?.({ data: JSON.stringify(answer) })
  }
  close() {
    this.closed = true
  }
}

let scope: EffectScope
let project: ReturnType<typeof useProject>
const games = ref(0)
const drags = () => Socket.all[0].said.map((s) => s.drafts.map((d) => (d.body as { drag: number }).drag))

beforeEach(() => {
  setActivePinia(createPinia())
  Socket.all = []
  vi.stubGlobal('WebSocket', Socket)
  sharing.value = true
  games.value = 1
  scope = effectScope()
  project = useProject()
  project.id = 7
  project.parts = new Map([[3, { id: 3, revision: 1, kind: 'effect', body: { drag: 1 } } as PartView]])
  scope.run(() => useSharing(games))
})
afterEach(() => {
  scope.stop()
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

it('says what is shown unsaved, the newest once the one before was answered', async () => {
  Socket.all[0].open()
  expect(Socket.all[0].url).toMatch(/\/api\/drafts\?project=7$/)
  expect(Socket.all[0].said).toEqual([])
  for (const drag of [2, 3, 4]) {
    project.draft(3, { drag })
    await nextTick()
  }
  expect(drags()).toEqual([[2]])
  Socket.all[0].answer({ is: 'drafted', change: -1 })
  expect(drags()).toEqual([[2], [4]])
  Socket.all[0].answer({ is: 'drafted', change: -2 })
  expect(drags()).toEqual([[2], [4]])
})

it('says when nothing is shown unsaved any more', async () => {
  Socket.all[0].open()
  project.draft(3, { drag: 2 })
  await nextTick()
  Socket.all[0].answer({ is: 'drafted', change: -1 })
  project.drafts = new Map()
  await nextTick()
  expect(drags()).toEqual([[2], []])
})

it('tells why games do not get it, until they do', async () => {
  Socket.all[0].open()
  project.draft(3, { drag: -2 })
  await nextTick()
  Socket.all[0].answer({ is: 'not drafted', why: '/drag: -2: 0 to 100' })
  expect(unshared.value).toBe('/drag: -2: 0 to 100')
  project.draft(3, { drag: 2 })
  await nextTick()
  Socket.all[0].answer({ is: 'drafted', change: -1 })
  expect(unshared.value).toBe('')
})

it('has no socket where it is not wanted, or no game is there', async () => {
  sharing.value = false
  await nextTick()
  expect(Socket.all.map((s) => s.closed)).toEqual([true])
  sharing.value = true
  games.value = 0
  await nextTick()
  expect(Socket.all).toHaveLength(1)
  games.value = 2
  await nextTick()
  expect(Socket.all).toHaveLength(2)
  // A second game changes nothing.
  games.value = 3
  await nextTick()
  expect(Socket.all).toHaveLength(2)
})

it('says it again to a server that was away', async () => {
  vi.useFakeTimers()
  Socket.all[0].open()
  project.draft(3, { drag: 2 })
  await nextTick()
  Socket.all[0].onclose!({ reason: '64 pages send drafts already' })
  expect(unshared.value).toBe('64 pages send drafts already')
  vi.advanceTimersByTime(1000)
  Socket.all[1].open()
  expect(Socket.all[1].said).toEqual([{ is: 'drafts', drafts: [{ part: 3, body: { drag: 2 } }] }])
  expect(unshared.value).toBe('')
})
