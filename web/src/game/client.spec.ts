import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import conversation from '../../../docs/format/link.conversation.json'
import type { Pull, Vec } from '../../../browser/src/main/resources/static/game/bellrope'
import {
  Link,
  patched,
  type Around,
  type Linking,
} from '../../../browser/src/main/resources/static/game/link'
import { LinkedStage } from '../../../browser/src/main/resources/static/game/linked'

class Socket {
  sent: Record<string, unknown>[] = []
  bufferedAmount = 0
  onopen?: () => void
  onmessage?: (message: { data: string }) => void
  onclose?: (close: { reason: string }) => void
  close = vi.fn()
  send(text: string) {
    this.sent.push(JSON.parse(text) as Record<string, unknown>)
  }
  hear(message: object) {
    this.onmessage?.({ data: JSON.stringify(message) })
  }
}

let sockets: Socket[]
let later: { work: () => void; milliseconds: number }[]
let said: string[]
beforeEach(() => {
  sockets = []
  later = []
  said = []
})
afterEach(() => vi.restoreAllMocks())

const around: Around = {
  socket: () => {
    const socket = new Socket()
    sockets.push(socket)
    return socket as unknown as WebSocket
  },
  later: (work, milliseconds) => later.push({ work, milliseconds }),
}

function linkTo(more: Partial<Linking> = {}, bundle: object = { name: 'a', effects: [{ n: 1 }] }) {
  const link = new Link(
    bundle,
    'aa',
    {
      game: 'test',
      instance: 'i',
      server: 'ws://x/link',
      linked: (name) => said.push(`linked with ${name}`),
      unlinked: (why) => said.push(`unlinked: ${why}`),
      wrong: (why) => said.push(why),
      asked: (what) => said.push(`asked: ${what}`),
      ...more,
    },
    around,
  )
  link.open()
  sockets[0].onopen!()
  return link
}
/** Lets pass the time for which things are gathered. */
function at(link: Link, step: number) {
  link.at(step)
  later.splice(0).forEach((l) => (l.milliseconds < 100 ? l.work() : later.push(l)))
}
/** Those times at which it tries again. */
const retries = () => later.filter((l) => l.milliseconds > 100)
const welcome = { is: 'welcome', project: 1, name: 'Windrow Post', change: 4, hash: 'aa', next: 1 }

describe('the link of a web game', () => {
  it('says who it is first, and nothing else before it is welcome', () => {
    const link = linkTo({ can: ['hail strikes'] })
    link.say(3, 'a.b', {})
    at(link, 3)
    expect(sockets[0].sent).toEqual([
      {
        is: 'hello',
        protocol: 1,
        game: 'test',
        instance: 'i',
        hash: 'aa',
        first: 1,
        step: 0,
        can: ['hail strikes'],
      },
    ])
    sockets[0].hear(welcome)
    link.at(3)
    at(link, 4)
    at(link, 4)
    expect(said).toEqual(['linked with Windrow Post'])
    expect(sockets[0].sent.slice(1)).toEqual([
      {
        is: 'said',
        from: 1,
        step: 4,
        entries: [{ specversion: '1.0', id: '1', source: '/games/i', type: 'a.b', step: 3 }],
      },
    ])
  })

  it('says again what was not taken, and nothing twice', () => {
    const link = linkTo()
    sockets[0].hear(welcome)
    for (let n = 1; n <= 5; n++) link.say(n, 'a.b', {})
    at(link, 5)
    sockets[0].hear({ is: 'taken', next: 3 })
    sockets[0].onclose!({ reason: '' })
    link.say(6, 'a.b', {})
    at(link, 6)
    expect(said).toEqual(['linked with Windrow Post', 'unlinked: the server was lost'])
    expect(retries().map((l) => l.milliseconds)).toEqual([250])
    retries()[0].work()
    sockets[1].onopen!()
    expect(sockets[1].sent[0]).toMatchObject({ first: 3, step: 3 })
    sockets[1].hear({ ...welcome, next: 5 })
    at(link, 6)
    expect(sockets[1].sent[1]).toMatchObject({ from: 5, entries: [{ id: '5' }, { id: '6' }] })
  })

  it('tells once that nobody is there, and tries ever more seldom', () => {
    linkTo()
    for (let n = 0; n < 7; n++) {
      sockets[n].onclose!({ reason: '' })
      retries()[n].work()
    }
    expect(said).toEqual(['unlinked: no server there'])
    expect(retries().map((l) => l.milliseconds)).toEqual([250, 500, 1000, 2000, 4000, 5000, 5000])
  })

  it('keeps 50,000 things, and counts what it drops', () => {
    const link = linkTo()
    for (let n = 0; n < 50_010; n++) link.say(n, 'a.b', {})
    expect(link.dropped).toBe(10)
    sockets[0].hear(welcome)
    at(link, 50_010)
    const pieces = sockets[0].sent.slice(1) as { from: number; step: number; entries: unknown[] }[]
    expect(pieces).toHaveLength(50)
    expect(pieces[0]).toMatchObject({ from: 11, step: 1009 })
    expect(pieces[0].entries).toHaveLength(1000)
    expect(pieces[49]).toMatchObject({ from: 49_011, step: 50_010 })
  })

  it('waits where its socket takes nothing', () => {
    const link = linkTo()
    sockets[0].hear(welcome)
    sockets[0].bufferedAmount = 2 << 20
    link.say(1, 'a.b', {})
    at(link, 1)
    expect(sockets[0].sent).toHaveLength(1)
    sockets[0].bufferedAmount = 0
    // The game is paused: nothing calls for it.
    later.splice(0).forEach((l) => l.work())
    expect(sockets[0].sent[1]).toMatchObject({ from: 1, step: 1 })
    later.splice(0).forEach((l) => l.work())
    expect(sockets[0].sent).toHaveLength(2)
  })

  it('takes patches one after the other, the whole where one does not fit, and tells what it cannot take', () => {
    const link = linkTo()
    sockets[0].hear(welcome)
    const patch = (from: number, change: number, n: number) =>
      sockets[0].hear({
        is: 'patch',
        from,
        change,
        hash: `h${change}`,
        patch: [{ op: 'replace', path: '/effects/0/n', value: n }],
      })
    patch(4, 5, 2)
    patch(5, 6, 3)
    const changed = link.takeChanged()!
    expect(changed).toEqual({ bundle: { name: 'a', effects: [{ n: 3 }] }, change: 6, hash: 'h6' })
    expect(link.takeChanged()).toBeUndefined()
    link.took(changed, 9)
    at(link, 9)
    expect(sockets[0].sent.slice(1)).toMatchObject([
      { is: 'taken' },
      { entries: [{ type: 'bundle.taken', step: 9, data: { change: 6 } }] },
    ])
    patch(7, 8, 4)
    expect(sockets[0].sent.at(-1)).toEqual({ is: 'want' })
    expect(link.takeChanged()).toBeUndefined()
    sockets[0].hear({ is: 'bundle', change: 8, hash: 'h8', bundle: { name: 'b' } })
    expect(link.takeChanged()).toMatchObject({ change: 8 })
    link.refused('/name: b')
    expect(sockets[0].sent.at(-1)).toEqual({ is: 'refused', why: '/name: b' })
    expect(said.at(-1)).toBe('a bundle could not be taken: /name: b')
    patch(8, 9, 5)
    expect(sockets[0].sent.at(-1)).toEqual({ is: 'want' })
  })

  it('comes back with what it has taken, and forgets what still waited', () => {
    const link = linkTo()
    sockets[0].hear(welcome)
    sockets[0].hear({ is: 'bundle', change: 5, hash: 'h5', bundle: { name: 'b' } })
    sockets[0].onclose!({ reason: 'the server ends' })
    expect(said.at(-1)).toBe('unlinked: the server ended the link: the server ends')
    retries()[0].work()
    sockets[1].onopen!()
    expect(sockets[1].sent[0]).toMatchObject({ hash: 'aa' })
    sockets[1].hear(welcome)
    expect(link.takeChanged()).toBeUndefined()
    sockets[1].hear({
      is: 'patch',
      from: 4,
      change: 5,
      hash: 'h5',
      patch: [{ op: 'replace', path: '/name', value: 'b' }],
    })
    expect(link.takeChanged()?.bundle).toEqual({ name: 'b', effects: [{ n: 1 }] })
  })

  it('tells what a bench asks for, and what the server cannot read', () => {
    linkTo()
    sockets[0].hear(welcome)
    sockets[0].hear({ is: 'asked', what: 'hail strikes' })
    sockets[0].hear({ is: 'wrong', place: '/entries/0', given: '7', allowed: 'an event' })
    sockets[0].hear({ is: 'later' })
    sockets[0].onmessage!({ data: '{' })
    expect(said.slice(1)).toEqual([
      'asked: hail strikes',
      'the server could not read what was said: /entries/0: 7; allowed is an event',
      'a message of the server is no JSON',
    ])
  })

  it('ends for good', () => {
    const link = linkTo()
    sockets[0].hear(welcome)
    link.say(1, 'a.b', {})
    link.close()
    expect(sockets[0].sent[1]).toMatchObject({ is: 'said', from: 1 })
    expect(sockets[0].close).toHaveBeenCalledWith(1000, 'the game ends')
    sockets[0].onclose!({ reason: '' })
    expect(retries()).toEqual([])
    expect(said).toEqual(['linked with Windrow Post'])
  })
})

/** The stage of a game that only counts its steps. */
class Counting extends LinkedStage {
  private steps = 0
  static over(bundle: object, hash: string, linking: Linking) {
    const core = {
      gameOpen: () => ({}),
      gameRetune: () => ({}),
      gameTell: () => ({}),
      gameAdvance: (seconds: number) => {
        const made = Math.round(seconds * 60)
        stage.steps += made
        return made
      },
      gameNow: () => stage.steps,
    }
    const stage: Counting = new Counting(core)
    stage.linkBy(new Link(bundle, hash, linking, around))
    return stage
  }
  constructor(core: object) {
    super(core as never)
  }
}

describe('the conversation in docs/format', () => {
  it('is the one that this client has', () => {
    const { bundle, hash, turns } = conversation as unknown as Conversation
    const stage = Counting.over(bundle, hash, {
      game: 'A conversation',
      contract: '1.2',
      instance: '3f',
      server: 'ws://x/link',
      can: ['snow falls'],
      looks: [{ name: 'kite', path: 'M0 50L50 0L100 50Z', width: 2, height: 1 }],
      asked: (what) => said.push(`asked: ${what}`),
      unlinked: () => said.push('unlinked'),
    })
    const words: Message[] = []
    const entries = new Map<number, object>()
    let reached = 0
    const hear = () => {
      const pending = later.splice(0)
      pending.forEach((l) => l.work())
      sockets.at(-1)!.onopen?.()
      sockets.at(-1)!.onopen = undefined
      for (const message of sockets.at(-1)!.sent.splice(0) as unknown as Message[]) {
        if (message.is !== 'said') words.push(message)
        else {
          message.entries!.forEach((entry, i) => entries.set(message.from! + i, entry))
          reached = message.step!
        }
      }
    }
    for (const turn of turns) {
      const heard = turn.serverSays ?? turn.serverOnly
      if (heard) sockets.at(-1)!.hear(heard)
      else if (turn.socket) sockets.at(-1)!.onclose!({ reason: '' })
      else if (turn.gameDoes) turn.gameDoes.forEach((act) => does(stage, act))
      else if (turn.gameSays) {
        hear()
        const expected = turn.gameSays
        if (expected.is !== 'said') expect(words.shift()).toEqual(expected)
        else {
          expect(reached).toBe(expected.step)
          expected.entries!.forEach((entry, i) => {
            expect(JSON.parse(JSON.stringify(entries.get(expected.from! + i)))).toEqual(entry)
            entries.delete(expected.from! + i)
          })
        }
      }
    }
    expect(words).toEqual([])
    expect(entries.size).toBe(0)
    expect(said).toEqual(['asked: snow falls', 'unlinked'])
  })
})

interface Message {
  is: string
  from?: number
  step?: number
  entries?: object[]
}
interface Act {
  steps?: number
  publish?: string
  value?: number
  move?: string
  position?: Vec
  heading?: Vec
  velocity?: Vec
  pull?: Pull
  gone?: string
  camera?: Vec
  clear?: true
  reset?: true
}
interface Conversation {
  bundle: object
  hash: string
  turns: {
    gameSays?: Message
    serverSays?: Message
    serverOnly?: Message
    gameDoes?: Act[]
    socket?: 'lost'
  }[]
}

function does(stage: LinkedStage, act: Act) {
  if (act.steps) stage.advance(act.steps / 60)
  else if (act.publish) stage.publish(act.publish, act.value!)
  else if (act.move) stage.move(act.move, act.position!, act.heading, act.velocity)
  else if (act.pull) stage.pull(act.pull)
  else if (act.gone) stage.gone(act.gone)
  else if (act.camera) stage.camera(act.camera)
  else if (act.clear) stage.clear()
  else stage.reset()
}

// RFC 6902, appendix A, and what it forbids.
describe('a patch', () => {
  it.each([
    ['A.1', { foo: 'bar' }, [{ op: 'add', path: '/baz', value: 'qux' }], { baz: 'qux', foo: 'bar' }],
    [
      'A.2',
      { foo: ['bar', 'baz'] },
      [{ op: 'add', path: '/foo/1', value: 'qux' }],
      { foo: ['bar', 'qux', 'baz'] },
    ],
    ['A.3', { baz: 'qux', foo: 'bar' }, [{ op: 'remove', path: '/baz' }], { foo: 'bar' }],
    ['A.4', { foo: ['bar', 'qux', 'baz'] }, [{ op: 'remove', path: '/foo/1' }], { foo: ['bar', 'baz'] }],
    [
      'A.5',
      { baz: 'qux', foo: 'bar' },
      [{ op: 'replace', path: '/baz', value: 'boo' }],
      { baz: 'boo', foo: 'bar' },
    ],
    [
      'A.6',
      { foo: { bar: 'baz', waldo: 'fred' }, qux: { corge: 'grault' } },
      [{ op: 'move', from: '/foo/waldo', path: '/qux/thud' }],
      { foo: { bar: 'baz' }, qux: { corge: 'grault', thud: 'fred' } },
    ],
    [
      'A.7',
      { foo: ['all', 'grass', 'cows', 'eat'] },
      [{ op: 'move', from: '/foo/1', path: '/foo/3' }],
      { foo: ['all', 'cows', 'eat', 'grass'] },
    ],
    [
      'A.8',
      { baz: 'qux', foo: ['a', 2, 'c'] },
      [
        { op: 'test', path: '/baz', value: 'qux' },
        { op: 'test', path: '/foo/1', value: 2 },
      ],
      { baz: 'qux', foo: ['a', 2, 'c'] },
    ],
    [
      'A.10',
      { foo: 'bar' },
      [{ op: 'add', path: '/child', value: { grandchild: {} } }],
      { foo: 'bar', child: { grandchild: {} } },
    ],
    ['A.14', { '/': 9, '~1': 10 }, [{ op: 'test', path: '/~01', value: 10 }], { '/': 9, '~1': 10 }],
    ['A.16', { foo: ['bar'] }, [{ op: 'add', path: '/foo/-', value: ['x'] }], { foo: ['bar', ['x']] }],
    ['copy', { a: [1], b: {} }, [{ op: 'copy', from: '/a', path: '/b/c' }], { a: [1], b: { c: [1] } }],
    ['the whole', { a: 1 }, [{ op: 'replace', path: '', value: { b: 2 } }], { b: 2 }],
    ['a bad name', {}, [{ op: 'add', path: '/__proto__', value: 1 }], JSON.parse('{"__proto__":1}')],
  ])('%s', (_, value, patch, expected) => {
    const before = JSON.stringify(value)
    expect(JSON.stringify(sorted(patched(value, patch)))).toBe(JSON.stringify(sorted(expected as object)))
    expect(JSON.stringify(value)).toBe(before)
  })

  it.each([
    ['A.9', { baz: 'qux' }, { op: 'test', path: '/baz', value: 'bar' }],
    ['A.12', { foo: 'bar' }, { op: 'add', path: '/baz/bat', value: 'qux' }],
    ['A.15', { '/': 9, '~1': 10 }, { op: 'test', path: '/~01', value: '10' }],
    ['behind a list', { foo: [1] }, { op: 'add', path: '/foo/2', value: 1 }],
    ['a leading zero', { foo: [1, 2] }, { op: 'remove', path: '/foo/01' }],
    ['what is not there', { foo: 1 }, { op: 'remove', path: '/bar' }],
    ['what comes from above', {}, { op: 'replace', path: '/toString', value: 1 }],
    ['no path', {}, { op: 'add', path: 'foo', value: 1 }],
    ['no change', {}, { op: 'swap', path: '/foo', value: 1 }],
  ])('is refused: %s', (_, value, operation) => {
    expect(() => patched(value, [operation])).toThrow(RangeError)
  })
})

function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted)
  if (typeof value !== 'object' || !value) return value
  return Object.entries(value)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([k, v]) => [k, sorted(v)])
}
