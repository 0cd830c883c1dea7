// The link of a web game with Bellrope: what is said, what comes, and coming back. See docs/format/link.md.
// Nothing here knows of a stage; linked.ts puts the two together.

/** Things said that are kept while nobody takes them; beyond them the oldest are dropped and counted. */
const MOST_KEPT = 50_000
/** Things said in one message. */
const MOST_AT_ONCE = 1_000
/** Milliseconds for which what is said is gathered: far less than anyone sees, and far fewer messages than frames. */
const GATHERED = 25
/** Bytes that may wait to be sent. */
const MOST_WAITING = 1 << 20
const SOONEST_AGAIN = 250
const LATEST_AGAIN = 5_000

/** Whoever wants to know of a link. */
export interface Listener {
  /** The server is there, for the first time or again. */
  linked?(project: string): void
  /** The server is not there, or not there any more; said once until it is. */
  unlinked?(why: string): void
  /** Something of what was sent, or said, could not be followed; the game goes on with what it has. */
  wrong?(why: string): void
  /** Someone at the bench asks for something that the game said it can do. */
  asked?(what: string): unknown
}

/**
 * How a subject looks: the `d` of an SVG path in a box of 100 by 100, y down, or a PNG in base64. The box is as wide and high
 * as it says, in units, and stands on the place of the subject.
 */
export interface Look {
  /** Of the subject, or of those that say so when they move. */
  name: string
  path?: string
  png?: string
  width: number
  height: number
}

export interface Linking extends Listener {
  /** As it is called on the bench. */
  game: string
  /** Name of the version that it was built against. */
  contract?: string
  /** Such as `ws://localhost:7333/link?project=1`. */
  server: string
  /** What a bench may ask it to do, each in a few words. */
  can?: readonly string[]
  looks?: readonly Look[]
  /** Tells this running of the game from any other; made at random unless it is given. */
  instance?: string
}

/** A bundle that changed on the bench, for the game to take. */
export interface Changed {
  bundle: object
  change: number
  hash: string
}

interface Entry {
  step: number
  text: string
}

interface Incoming {
  is?: string
  name?: string
  next?: number
  change?: number
  from?: number
  hash?: string
  bundle?: object
  patch?: Operation[]
  place?: string
  given?: string
  allowed?: string
  what?: string
}

/** Where a link gets its socket and its time from. */
export interface Around {
  socket(address: string): WebSocket
  later(work: () => void, milliseconds: number): unknown
}

const BROWSER: Around = {
  socket: (address) => new WebSocket(address),
  later: (work, milliseconds) => setTimeout(work, milliseconds),
}

/** Sends what a game does, keeps it until the server has taken it, takes what changes, and comes back when the server was away. */
export class Link {
  /** Whether the server is there now. */
  linked = false
  /** How many of the things said nobody has taken, because they were too many while no server was there. */
  dropped = 0
  private readonly instance: string
  private readonly source: string
  private socket: WebSocket | undefined
  // Those before the head have been taken.
  private kept: Entry[] = []
  private head = 0
  private first = 1
  private sent = 0
  private step = 0
  private stepSent = -1
  // Of what came last; not known before anything came.
  private change: number | undefined
  // Whether patches are made from what the game has, or from what waits for it.
  private follows = true
  private changed: Changed | undefined
  // Whether it is going to be flushed.
  private due = false
  private told = false
  private again = SOONEST_AGAIN
  private over = false

  /**
   * @param json the bundle that the game has
   * @param hash of its text, if it could be worked out
   */
  constructor(
    private json: object,
    private hash: string | undefined,
    private readonly linking: Linking,
    private readonly around: Around = BROWSER,
  ) {
    this.instance = linking.instance ?? crypto.getRandomValues(new Uint32Array(4)).join('-')
    this.source = `/games/${this.instance}`
  }

  /** The bundle that the game has. */
  get bundle(): object {
    return this.json
  }

  open() {
    let socket: WebSocket
    try {
      socket = this.around.socket(this.linking.server)
    } catch {
      this.linking.wrong?.(`${this.linking.server}: no address of a server`)
      return
    }
    this.socket = socket
    socket.onopen = () => {
      if (socket === this.socket) this.hello(socket)
    }
    socket.onmessage = ({ data }) => {
      if (socket === this.socket) this.receive(String(data))
    }
    socket.onclose = ({ reason }) => {
      if (socket === this.socket) this.lost(reason)
    }
  }

  private hello(socket: WebSocket) {
    const { game, contract, can, looks } = this.linking
    socket.send(
      JSON.stringify({
        is: 'hello',
        protocol: 1,
        game,
        instance: this.instance,
        contract,
        hash: this.hash,
        first: this.first,
        step: this.kept[this.head]?.step ?? this.step,
        can,
        looks,
      }),
    )
  }

  private lost(reason: string) {
    const was = this.linked
    this.socket = undefined
    this.linked = false
    if (this.over) return
    if (was) {
      this.again = SOONEST_AGAIN
      this.told = false
    }
    if (!this.told) {
      this.told = true
      const why = was ? 'the server was lost' : 'no server there'
      this.linking.unlinked?.(reason ? `the server ended the link: ${reason}` : why)
    }
    this.around.later(() => this.over || this.open(), this.again)
    this.again = Math.min(LATEST_AGAIN, 2 * this.again)
  }

  /**
   * Says something that was done to the stage.
   *
   * @param step how many steps the stage had made
   * @param more the attributes besides: `subject`, `data` and so on
   */
  say(step: number, type: string, more: object) {
    const id = String(this.next)
    const entry = { specversion: '1.0', id, source: this.source, type, step, ...more }
    this.kept.push({ step, text: JSON.stringify(entry) })
    if (this.kept.length - this.head > MOST_KEPT) {
      this.forget(1)
      this.dropped++
    }
  }

  private get next() {
    return this.first + this.kept.length - this.head
  }

  private forget(count: number) {
    this.head += count
    this.first += count
    if (this.head > 1_000 && this.head > this.kept.length / 2) {
      this.kept = this.kept.slice(this.head)
      this.head = 0
    }
  }

  /** Says that the stage has made so many steps, with what was said until then: soon, not in the frame. */
  at(step: number) {
    this.step = step
    if (this.due || !this.linked) return
    this.due = true
    this.around.later(() => {
      this.due = false
      this.flush()
    }, GATHERED)
  }

  private flush() {
    const { socket, step } = this
    if (!this.linked || !socket) return
    while (socket.bufferedAmount < MOST_WAITING) {
      this.sent = Math.max(this.sent, this.first - 1)
      const begin = this.head + this.sent + 1 - this.first
      const some = this.kept.slice(begin, begin + MOST_AT_ONCE)
      if (!some.length && step === this.stepSent) return
      const more = begin + some.length < this.kept.length
      const reached = more ? some[some.length - 1].step : step
      const entries = some.map((entry) => entry.text).join(',')
      socket.send(`{"is":"said","from":${this.sent + 1},"step":${reached},"entries":[${entries}]}`)
      this.sent += some.length
      if (!more) {
        this.stepSent = step
        return
      }
    }
    // The socket takes no more now: the rest goes when it does, whether the game says more or not.
    this.at(step)
  }

  /** Returns a bundle that has come, once; the game says {@link took} or {@link refused}. */
  takeChanged(): Changed | undefined {
    const changed = this.changed
    this.changed = undefined
    return changed
  }

  /** Says that what plays bends to a bundle from this step on. */
  took({ bundle, change, hash }: Changed, step: number) {
    this.json = bundle
    this.hash = hash
    this.say(step, 'bundle.taken', { data: { change } })
    this.word({ is: 'taken' })
  }

  /** Says that a bundle cannot be taken; the game keeps what it has. */
  refused(why: string) {
    this.follows = false
    this.linking.wrong?.(`a bundle could not be taken: ${why}`)
    this.word({ is: 'refused', why: why.slice(0, 2_000) })
  }

  private word(word: object) {
    if (this.linked) this.socket?.send(JSON.stringify(word))
  }

  private receive(text: string) {
    let message: Incoming
    try {
      message = JSON.parse(text) as Incoming
    } catch {
      this.linking.wrong?.('a message of the server is no JSON')
      return
    }
    switch (message.is) {
      case 'welcome':
        this.taken(message.next ?? 1)
        this.sent = Math.max(this.first, message.next ?? 1) - 1
        this.stepSent = -1
        // It makes a patch from what hello said; what still waited comes again.
        this.change = message.hash === this.hash ? message.change : undefined
        this.changed = undefined
        this.follows = true
        this.linked = true
        this.linking.linked?.(message.name ?? '')
        this.at(this.step)
        break
      case 'taken':
        this.taken(message.next ?? 0)
        break
      case 'bundle':
        if (message.bundle) this.come(message, message.bundle)
        break
      case 'patch':
        this.patched(message)
        break
      case 'asked':
        this.linking.asked?.(message.what ?? '')
        break
      case 'wrong':
        this.linking.wrong?.(
          `the server could not read what was said: ${message.place}: ${message.given}; allowed is ${message.allowed}`,
        )
    }
  }

  private taken(next: number) {
    this.forget(Math.max(0, Math.min(next - this.first, this.kept.length - this.head)))
  }

  // A patch is made from what was sent last, whether the game has taken that already or not.
  private patched(message: Incoming) {
    const before = this.changed?.bundle ?? this.json
    try {
      const known = this.change === undefined || this.change === message.from
      if (!known || !this.follows) throw new RangeError('it is made from another')
      this.come(message, patched(before, message.patch ?? []))
    } catch {
      this.word({ is: 'want' })
    }
  }

  private come({ change, hash }: Incoming, bundle: object) {
    this.change = change
    this.follows = true
    this.changed = { bundle, change: change ?? 0, hash: hash ?? '' }
  }

  /** Says what is left to say, and ends the link. */
  close() {
    this.flush()
    this.over = true
    this.linked = false
    this.socket?.close(1000, 'the game ends')
  }
}

/** One change of RFC 6902. */
export interface Operation {
  op: string
  path: string
  from?: string
  value?: unknown
}

type Node = unknown[] | Record<string, unknown>

/**
 * Returns what a patch of RFC 6902 makes of a value; the value stays as it is.
 *
 * @throws RangeError where it does not fit
 */
export function patched(value: object, patch: readonly Operation[]): object {
  return patch.reduce<unknown>(once, value) as object
}

function once(value: unknown, { op, path, from, value: given }: Operation): unknown {
  switch (op) {
    case 'add':
    case 'replace':
    case 'remove':
      return changed(value, keys(path), op, given)
    case 'copy':
      return changed(value, keys(path), 'add', found(value, keys(from)))
    case 'move': {
      const moved = found(value, keys(from))
      return changed(changed(value, keys(from), 'remove', undefined), keys(path), 'add', moved)
    }
    case 'test':
      if (!same(found(value, keys(path)), given)) throw new RangeError(`${path} is another`)
      return value
    default:
      throw new RangeError(`${op} is no change`)
  }
}

function keys(path: string | undefined): string[] {
  if (path === '') return []
  if (path === undefined || path[0] !== '/') throw new RangeError(`${path} is no path`)
  return path
    .slice(1)
    .split('/')
    .map((key) => key.replaceAll('~1', '/').replaceAll('~0', '~'))
}

/** Returns the place in a list, or throws; `end` is the last that is allowed. */
function place(key: string, end: number): number {
  const at = Number(key)
  if (!/^(0|[1-9]\d*)$/.test(key) || at > end) throw new RangeError(`${key} is no place in a list`)
  return at
}

function under(node: unknown, key: string): unknown {
  if (Array.isArray(node)) return node[place(key, node.length - 1)]
  if (typeof node !== 'object' || node === null || !Object.hasOwn(node, key)) throw new RangeError(`no ${key}`)
  return (node as Record<string, unknown>)[key]
}

const found = (value: unknown, path: string[]) => path.reduce(under, value)

// Copies only what lies on the way.
function changed(node: unknown, [key, ...rest]: string[], op: 'add' | 'replace' | 'remove', given: unknown): unknown {
  if (key === undefined) return op === 'remove' ? null : given
  if (rest.length) return put(node, key, changed(under(node, key), rest, op, given))
  if (Array.isArray(node) && op !== 'replace') {
    const at = key === '-' && op === 'add' ? node.length : place(key, op === 'add' ? node.length : node.length - 1)
    return [...node.slice(0, at), ...(op === 'add' ? [given] : []), ...node.slice(op === 'add' ? at : at + 1)]
  }
  if (op !== 'add') under(node, key)
  if (op !== 'remove') return put(node, key, given)
  return Object.fromEntries(Object.entries(node as object).filter(([name]) => name !== key))
}

function put(node: unknown, key: string, value: unknown): Node {
  if (Array.isArray(node)) {
    const at = place(key, node.length - 1)
    return node.map((other: unknown, i) => (i === at ? value : other))
  }
  if (typeof node !== 'object' || node === null) throw new RangeError(`nothing can be at ${key}`)
  return { ...node, [key]: value }
}

function same(a: unknown, b: unknown): boolean {
  if (typeof a !== 'object' || typeof b !== 'object' || !a || !b) return a === b
  const [x, y] = [Object.entries(a), Object.entries(b)]
  return (
    Array.isArray(a) === Array.isArray(b) &&
    x.length === y.length &&
    x.every(([key, value]) => Object.hasOwn(b, key) && same(value, (b as Record<string, unknown>)[key]))
  )
}
