import { Refused, type PartView, type Problem } from '../api/client'

/** What can be asked about a project. */
export type Question =
  | 'preview'
  | 'take'
  | 'look'
  | 'responses'
  | 'feeds'
  | 'wiring'
  | 'parameters'
  | 'fitted'
  | 'startStage'
  | 'retuneStage'
  | 'stage'
  | 'accounts'
  | 'rehearse'
  | 'rehearseOn'
  | 'rehearsed'
  | 'rehearsedLook'
  | 'rehearsedKept'
  | 'rehearsedAccounts'
  | 'sizeBegun'
  | 'sizeRun'
  | 'sizeTaken'
  | 'sized'
  | 'worstSecond'
  | 'gameBegun'
  | 'gameTook'
  | 'gameSaid'
  | 'traceBegun'
  | 'traceRead'
  | 'traceScore'
  | 'trace'

/** A question to the core, or word of what changed, as the worker gets it. */
export interface Asked {
  id: number
  ask: 'open' | 'put' | 'drop' | Question
  /** JSON. */
  text: string
}

/** What the worker answers: what was asked for, why it cannot be answered, or that it broke. */
export interface Told {
  id: number
  head?: object
  /** Number by which the frames of a take can be asked for, and the step of the first that is here. */
  viewing?: number
  from?: number
  frames?: ArrayBuffer
  answer?: unknown
  /** Milliseconds of computing. */
  took?: number
  problems?: Problem[]
  missing?: string
  trap?: string
  /** Why the core cannot run in this browser. */
  absent?: string
  /** Why its files could not be fetched. */
  unreachable?: string
}

/** A project as the core must know it. */
export interface Shown {
  id: number
  name: string
  parts: Map<number, PartView>
}

/** The part of a worker that is used; tests have one of their own. */
export interface Hand {
  postMessage(asked: Asked): void
  terminate(): void
  onmessage: ((event: MessageEvent<Told>) => void) | null
  onerror: ((event: ErrorEvent) => void) | null
}

const absent = (why: string) =>
  new Refused(501, {
    title: 'This browser cannot compute',
    detail: `Bellrope computes in the page, which needs WebAssembly with garbage collection: Chromium 119, Firefox 120, Safari 18.2, or newer (${why}).`,
  })

const unreachable = () => new Refused(0, { title: 'The server does not answer.' })

/**
 * The core, at work beside the page. It is told the parts of the open project as they change, each once; a question that
 * breaks it is refused by name, and it begins anew with the next.
 */
export class Core {
  private worker: Hand | undefined
  private known = new Map<number, PartView>()
  private open = 0
  private count = 0
  private lives = 0
  private waiting = new Map<
    number,
    { what: string; resolve: (told: Told) => void; reject: (e: unknown) => void }
  >()

  constructor(private readonly begin: () => Hand) {}

  /** Asks for something about a project as it stands. */
  async ask(project: Shown, ask: Question, what: string, wish: object): Promise<Told> {
    this.tell(project)
    return this.send(ask, what, wish)
  }

  /** Starts it, so that the first question finds it there. */
  ready(project: Shown) {
    if (!this.worker) this.tell(project)
  }

  /** Lets the worker go; a later question starts another. What was asked is not answered. */
  rest() {
    this.lose(new Refused(0, { title: 'Not computed', detail: 'It was not wanted any more.' }))
  }

  /** Which worker it is: what one was told, the next does not know. */
  get life() {
    return this.lives
  }

  // Parts are never changed in place, so one that is the same object needs no telling.
  private tell({ id, name, parts }: Shown) {
    if (!this.worker || id !== this.open) {
      this.known = new Map()
      this.open = id
      this.quietly('open', name)
    }
    for (const [part, was] of this.known) {
      if (!parts.has(part)) {
        this.quietly('drop', part)
        this.known.delete(was.id)
      }
    }
    for (const part of parts.values()) {
      if (this.known.get(part.id) !== part) {
        this.quietly('put', part)
        this.known.set(part.id, part)
      }
    }
  }

  // What was wrong with it, the question that needs it will say.
  private quietly(ask: Asked['ask'], wish: unknown) {
    this.send(ask, 'the project', wish).catch(() => undefined)
  }

  private send(ask: Asked['ask'], what: string, wish: unknown): Promise<Told> {
    const worker = (this.worker ??= this.start())
    return new Promise((resolve, reject) => {
      const id = ++this.count
      this.waiting.set(id, { what, resolve, reject })
      worker.postMessage({ id, ask, text: JSON.stringify(wish) })
    })
  }

  private start(): Hand {
    let worker: Hand
    try {
      worker = this.begin()
    } catch (e) {
      throw absent(String(e))
    }
    worker.onmessage = ({ data }) => this.told(data)
    worker.onerror = (event) => this.lose(event.message ? absent(event.message) : unreachable())
    return worker
  }

  private told(told: Told) {
    const waiting = this.waiting.get(told.id)
    if (!waiting) return
    this.waiting.delete(told.id)
    if (told.absent !== undefined || told.unreachable !== undefined) {
      const why = told.absent === undefined ? unreachable() : absent(told.absent)
      waiting.reject(why)
      this.lose(why)
    } else if (told.trap !== undefined) {
      const broke = new Refused(500, {
        title: 'Not computed',
        detail: `Computing ${waiting.what} broke off (${told.trap}). Nothing is lost; change it, or undo the last change.`,
      })
      waiting.reject(broke)
      this.lose(broke)
    } else if (told.problems) {
      const [first, ...more] = told.problems
      const also = more.length ? ` (and ${more.length} more)` : ''
      waiting.reject(
        new Refused(422, {
          title: 'Not accepted',
          detail: `${first.place || '/'}: ${first.given}: ${first.allowed}${also}`,
          problems: told.problems,
        }),
      )
    } else if (told.missing !== undefined) {
      waiting.reject(new Refused(404, { title: 'Not there', detail: `There is no ${told.missing}.` }))
    } else {
      waiting.resolve(told)
    }
  }

  // Lets go of the worker; the next question starts another, which is told the whole project.
  private lose(why: unknown) {
    this.worker?.terminate()
    this.worker = undefined
    this.lives++
    const all = [...this.waiting.values()]
    this.waiting.clear()
    all.forEach((one) => one.reject(why))
  }
}
