import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'
import type { Core, Told } from '../core/core'
import { useProject } from '../project/useProject'
import type { Entry, News, Standing } from './link'
import { useGame } from './useGame'

/** A socket to a server that says what a test lets it say. */
class Socket {
  static open: Socket[] = []
  wants: { game: string; from: number; step: number }[] = []
  onopen?: () => void
  onmessage?: (event: { data: string }) => void
  onclose?: () => void
  constructor(readonly url: string) {
    Socket.open.push(this)
  }
  send(text: string) {
    this.wants.push(JSON.parse(text))
  }
  close() {}
  say(news: News) {
    this.onmessage?.({ data: JSON.stringify(news) })
  }
}

const standing = (more: Partial<Standing> = {}): Standing => ({
  instance: '3f',
  game: 'Windrow Post',
  contract: '',
  linked: true,
  change: 41,
  changeAtFirst: 40,
  stepAtFirst: 5,
  first: 3,
  next: 3,
  step: 5,
  dropped: 0,
  refused: '',
  ...more,
})
const entry = (type: string, step: number, change?: number): Entry => ({
  type,
  step,
  ...(change ? { data: { change } } : {}),
})

describe('following a running game', () => {
  let scope: EffectScope
  let game: ReturnType<typeof useGame>
  let asked: [string, { bundle?: { of: string }; from?: number; step: number; entries?: Entry[] }][]
  let missing: string[]
  let open: (wanted?: string) => void
  const settled = () => new Promise((resolve) => setTimeout(resolve, 5))

  beforeEach(() => {
    setActivePinia(createPinia())
    Socket.open = []
    asked = []
    missing = []
    vi.stubGlobal('WebSocket', Socket)
    vi.stubGlobal('fetch', async (path: string) => ({
      ok: !missing.includes(path),
      json: async () => ({ of: path }),
    }))
    const core = {
      ask: async (_: unknown, ask: string, __: string, wish: (typeof asked)[number][1]): Promise<Told> => {
        asked.push([ask, wish])
        const lines = (wish.entries ?? []).map((e, i) => ({
          number: wish.from! + i,
          type: e.type,
          outcome: 'wrong',
        }))
        return {
          id: 1,
          answer: {
            step: wish.step,
            stepsPerSecond: 60,
            lines,
            kinds: lines.map((l) => ({ type: l.type, came: l.number })),
          },
        }
      },
    } as unknown as Core
    useProject().id = 7
    open = (wanted = '') => {
      scope = effectScope()
      game = scope.run(() => useGame(() => undefined, wanted, core))!
    }
    open()
  })
  afterEach(() => {
    scope.stop()
    vi.unstubAllGlobals()
  })

  it('begins with the bundle that the game had, and plays what it says as it comes', async () => {
    const [socket] = Socket.open
    expect(socket.url).toContain('/api/games?project=7')
    socket.say({ is: 'game', game: standing() })
    await settled()
    // Two things that it said are not kept any more: what began by them is not known.
    expect(asked).toEqual([
      ['gameBegun', { bundle: { of: '/api/projects/7/bundles/40' }, step: 5, whole: false }],
    ])
    expect(socket.wants).toEqual([{ is: 'want', game: '3f', from: 3, step: 5 }])
    const entries = [entry('a', 6), entry('bundle.taken', 8, 41), entry('b', 9)]
    socket.say({ is: 'said', game: '3f', from: 3, step: 12, entries })
    await settled()
    expect(
      asked.slice(1).map(([ask, w]) => [ask, w.bundle?.of ?? w.entries?.length, w.from, w.step]),
    ).toEqual([
      ['gameSaid', 1, 3, 6],
      ['gameTook', '/api/projects/7/bundles/41', undefined, 8],
      ['gameSaid', 2, 4, 9],
      ['gameSaid', 0, 6, 12],
    ])
    expect(socket.wants[1]).toEqual({ is: 'want', game: '3f', from: 6, step: 12 })
    expect(game.said.value).toBe(5)
    expect(game.lines.value.map((l) => l.type)).toEqual(['b', 'bundle.taken', 'a'])
    expect([...game.kinds.values()].map((k) => [k.type, k.came])).toEqual([
      ['a', 3],
      ['bundle.taken', 4],
      ['b', 5],
    ])
    expect(game.delay.value).toBeUndefined()
    socket.say({ is: 'said', game: '3f', from: 6, step: 13, entries: [entry('c', 13)] })
    await settled()
    expect(game.delay.value?.worst).toBeGreaterThanOrEqual(0)
    expect(await game.file().text()).toContain('"type":"c"')
  })

  it('says so where the first bundle is not known, until the game takes one', async () => {
    missing = ['/api/projects/7/bundles/40']
    const [socket] = Socket.open
    socket.say({ is: 'game', game: standing() })
    await settled()
    expect(asked[0][1].bundle).toEqual({ of: '/api/projects/7/bundle' })
    expect(game.doubt.value).toContain('not known here')
    socket.say({ is: 'said', game: '3f', from: 3, step: 12, entries: [entry('bundle.taken', 8, 41)] })
    await settled()
    expect(game.doubt.value).toBe('')
  })

  it('begins again behind what was lost', async () => {
    const [socket] = Socket.open
    socket.say({ is: 'game', game: standing() })
    await settled()
    socket.say({ is: 'game', game: standing({ first: 90, stepAtFirst: 800, changeAtFirst: 41 }) })
    socket.say({ is: 'lost', game: '3f', first: 90 })
    await settled()
    expect(asked[1]).toEqual([
      'gameBegun',
      { bundle: { of: '/api/projects/7/bundles/41' }, step: 800, whole: false },
    ])
    expect(socket.wants[1]).toEqual({ is: 'want', game: '3f', from: 90, step: 800 })
  })

  it('goes to the game that is linked where the one before was lost', async () => {
    const [socket] = Socket.open
    socket.say({ is: 'game', game: standing() })
    await settled()
    socket.say({ is: 'game', game: standing({ linked: false }) })
    expect(game.chosen.value).toBe('3f')
    socket.say({ is: 'game', game: standing({ instance: '4a' }) })
    await settled()
    expect(game.chosen.value).toBe('4a')
    expect(game.games.size).toBe(2)
    // One that came while the one before seemed to be there still, as when a game is started anew.
    socket.say({ is: 'game', game: standing({ instance: '5b' }) })
    expect(game.chosen.value).toBe('4a')
    socket.say({ is: 'game', game: standing({ instance: '4a', linked: false }) })
    expect(game.chosen.value).toBe('5b')
    // What was asked for stays, lost or not.
    game.choose('4a')
    socket.say({ is: 'game', game: standing({ instance: '5b' }) })
    expect(game.chosen.value).toBe('4a')
    socket.say({ is: 'forgotten', game: '4a' })
    expect(game.chosen.value).toBe('5b')
  })

  it('plays nothing of the game before on the stage of the next', async () => {
    const [socket] = Socket.open
    socket.say({ is: 'game', game: standing() })
    await settled()
    // Its changed bundle comes late: when another is followed already.
    let late = () => {}
    const coming = new Promise<void>((resolve) => (late = resolve))
    vi.stubGlobal('fetch', async (path: string) => {
      if (path.endsWith('/bundles/41')) await coming
      return { ok: true, json: async () => ({ of: path }) }
    })
    const entries = [entry('bundle.taken', 569, 41), entry('a', 570)]
    socket.say({ is: 'said', game: '3f', from: 3, step: 580, entries })
    await settled()
    socket.say({ is: 'game', game: standing({ linked: false }) })
    socket.say({ is: 'game', game: standing({ instance: '4a', first: 1, stepAtFirst: 0 }) })
    await settled()
    expect(asked.at(-1)![0]).toBe('gameBegun')
    const before = asked.length
    late()
    await settled()
    expect(asked).toHaveLength(before)
  })

  it('follows the one that the address names, whichever is told first', async () => {
    scope.stop()
    open('4a')
    const socket = Socket.open.at(-1)!
    socket.say({ is: 'game', game: standing() })
    expect(game.chosen.value).toBe('3f')
    socket.say({ is: 'game', game: standing({ instance: '4a', linked: false }) })
    await settled()
    expect(game.chosen.value).toBe('4a')
    expect(socket.wants.at(-1)).toMatchObject({ game: '4a' })
  })

  it('says that the server is away, and follows again when it is back', async () => {
    vi.useFakeTimers()
    try {
      const [socket] = Socket.open
      socket.say({ is: 'game', game: standing() })
      socket.onclose?.()
      expect(game.away.value).toBe(true)
      vi.advanceTimersByTime(1000)
      expect(Socket.open).toHaveLength(2)
      Socket.open[1].onopen?.()
      expect(game.away.value).toBe(false)
      expect(game.games.size).toBe(0)
    } finally {
      vi.useRealTimers()
    }
    Socket.open[1].say({ is: 'game', game: standing() })
    await settled()
    expect(Socket.open[1].wants).toHaveLength(1)
  })
})
