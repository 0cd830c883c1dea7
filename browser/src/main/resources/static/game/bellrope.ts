// Bellrope in a web game: the bundle computed by the core, with no server. See docs/web-games.md.
// Needs a browser with WebAssembly garbage collection: Chromium 119, Firefox 120, Safari 18.2, or newer.

import { open } from './core.js'

/** Three numbers; y is up. */
export type Vec = readonly [x: number, y: number, z: number]
export type Value = number | boolean | string | Vec

/** Something that is wrong: where, what was given, what is allowed. */
export interface Problem {
  place: string
  given: string
  allowed: string
}

/** Thrown when something cannot be followed; nothing of it has been done. */
export class Refused extends Error {
  constructor(readonly problems: readonly Problem[]) {
    super(problems.map((p) => `${p.place}: ${p.given}: ${p.allowed}`).join('; '))
  }
}

/** What the game announces. A seed gives the same bits each time; without one, each pull looks a little different. */
export interface Pull {
  event: string
  phase?: string
  subject?: string
  value?: string
  payload?: Record<string, Value>
  velocity?: Vec
  tags?: readonly string[]
  seed?: number
}

/** What one rope made of a pull. */
export interface Answer {
  rope: string
  answered: boolean
  /** In English: what plays and with which values, or what kept it silent. */
  words: string
  effect: string
  why?: string
}

/** What came of a pull. */
export interface Account {
  /** Of the pull, from 1; tells what it began. */
  number: number
  event: string
  subject: string
  summary: string
  /** Why the pull as a whole was refused; empty if it was not. */
  refused: readonly Problem[]
  notes: readonly string[]
  answers: readonly Answer[]
}

/** What the game is to do besides. */
export interface Notice {
  name: string
  what: 'notice' | 'begins' | 'ends' | 'gone'
  rope: string
  pull: number
  /** Seconds since the stage began. */
  at: number
  values: Record<string, Value>
}

/** Units by which to move the camera, what lies over the screen (linear light, opacity), seconds for which to hold still. */
export interface Comfort {
  shake: [number, number]
  flash: [number, number, number, number]
  /** The same over the edges of the screen, growing towards them. */
  edges: [number, number, number, number]
  paused: number
}

interface Told {
  answer?: unknown
  problems?: Problem[]
}

interface Core {
  gameOpen(bundle: object): Told
  gameRetune(bundle: object): Told
  gameTell(message: object): Told
  gameTurn(account: number, rope: string, parameter: string, value: Value): Told
  gameAdvance(seconds: number): number
  gameNow(): number
  gameSum(): string
  gameFrame(): Int8Array
  gameTold(): Notice[]
  gameComfort(): Comfort
}

/** Instances that can be turned: the last that were asked for. */
const MOST_INSTANCES = 4096

/** One stage: pulls in, frames out. It has no clock of its own. */
export class Stage {
  private pulls = 0
  private count = 0
  private instances = new Map<number, [account: number, rope: string]>()
  /** Of the last pull, typed calls included. */
  last: Account | undefined

  protected constructor(private readonly core: Core) {}

  /**
   * @param core the bytes of core.wasm
   * @param bundle as exported, parsed
   * @throws Refused if something in the bundle is wrong
   */
  static async open(core: BufferSource, bundle: object): Promise<Stage> {
    const stage = new Stage(await Stage.loaded(core))
    stage.begin(bundle)
    return stage
  }

  protected static async loaded(core: BufferSource): Promise<Core> {
    return (await open(core)) as unknown as Core
  }

  protected begin(bundle: object) {
    this.done(this.core.gameOpen(bundle))
  }

  private done(told: Told): unknown {
    if (told.problems) throw new Refused(told.problems)
    return told.answer
  }

  /** Something happens: whoever answers plays from now on. */
  pull(pull: Pull): Account {
    this.last = this.done(this.core.gameTell({ ...this.seeded(pull), do: 'pull' })) as Account
    return this.last
  }

  /** Returns a pull with a seed of its own, if it has none. */
  protected seeded(pull: Pull): Pull & { seed: number } {
    return { seed: ++this.pulls, ...pull }
  }

  /** Says what a channel carries from now on. */
  publish(channel: string, value: number) {
    this.done(this.core.gameTell({ do: 'publish', channel, value }))
  }

  /** Says where a subject is; what follows it goes with it. */
  move(subject: string, position: Vec, heading?: Vec, velocity?: Vec) {
    this.done(this.core.gameTell({ do: 'move', subject, position, heading, velocity }))
  }

  /** Says that a subject is no more. */
  gone(subject: string): Account {
    return this.done(this.core.gameTell({ do: 'gone', subject })) as Account
  }

  camera(position: Vec) {
    this.done(this.core.gameTell({ do: 'camera', position }))
  }

  /** Says what the player wants less of. */
  less(lessShake: boolean, lessFlash: boolean) {
    this.done(this.core.gameTell({ do: 'comfort', lessShake, lessFlash }))
  }

  /** Lets ropes that answer once answer again. */
  reset() {
    this.done(this.core.gameTell({ do: 'reset' }))
  }

  /** Ends everything that plays. */
  clear() {
    this.done(this.core.gameTell({ do: 'clear' }))
  }

  /** Lets what plays bend to a changed bundle. */
  retune(bundle: object) {
    this.done(this.core.gameRetune(bundle))
  }

  /** Returns a number for what a rope began, for the typed calls of the contract. */
  instance(account: Account, rope: string): number {
    const number = ++this.count
    this.instances.set(number, [account.number, rope])
    if (this.instances.size > MOST_INSTANCES) this.instances.delete(number - MOST_INSTANCES)
    return number
  }

  /** Turns a parameter of an instance, held inside its bounds; returns whether it still plays. */
  set(instance: number, parameter: string, value: Value): boolean {
    const of = this.of(instance)
    return this.done(this.core.gameTurn(of[0], of[1], parameter, value)) as boolean
  }

  /** Returns the number of the pull, and the rope, that an instance came of. */
  protected of(instance: number): [account: number, rope: string] {
    const of = this.instances.get(instance)
    if (!of) throw new RangeError(`${instance} is none of the last ${MOST_INSTANCES} instances that were asked for`)
    return of
  }

  /** Returns how many steps have been made. */
  get now(): number {
    return this.core.gameNow()
  }

  /** Returns the checksum of what is shown now: FNV-1a of 64 bits of its frame with the number 0, in hexadecimal. */
  sum(): string {
    return this.core.gameSum()
  }

  /** Advances by the whole steps in the seconds that passed; returns how many. */
  advance(seconds: number): number {
    return this.core.gameAdvance(seconds)
  }

  /** Returns what is to be drawn: a header of 64 bytes, then 20 bytes a picture, see docs/format/frames.md. */
  frame(): Uint8Array {
    const bytes = this.core.gameFrame()
    return new Uint8Array(bytes.buffer, bytes.byteOffset, bytes.length)
  }

  /** Returns what the game is told since the last call. */
  told(): Notice[] {
    return this.core.gameTold()
  }

  comfort(): Comfort {
    return this.core.gameComfort()
  }

  /** What the typed calls of the contract go through. */
  readonly bell = {
    pull: (
      event: string,
      phase: string,
      subject: string,
      value: string | undefined,
      payload: Record<string, Value>,
    ): void => {
      this.pull({ event, phase, subject: subject || undefined, value, payload })
    },
    publish: (channel: string, value: number): void => this.publish(channel, value),
    set: (instance: number, parameter: string, value: Value): void => {
      this.set(instance, parameter, value)
    },
  }
}
