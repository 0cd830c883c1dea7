/// <reference lib="webworker" />
import type { Asked, Question, Told } from './core'

/** What the compiled core offers, see bellrope.browser.Page. */
type Page = Record<Question | 'put', (wish: object) => Outcome> & {
  open(name: string): void
  drop(part: number): void
}

interface Outcome {
  head?: object
  viewing?: number
  from?: number
  frames?: Int8Array[]
  answer?: unknown
  problems?: { place: string; given: string; allowed: string }[]
  missing?: string
}

const LOADER = '/core/core.js'
const MODULE = '/core/core.wasm'

let page: Promise<Page> | undefined

/** Thrown where the files of the core cannot be fetched. */
class Unreachable extends Error {}

async function load(): Promise<Page> {
  const out = (e: unknown) => {
    throw new Unreachable(String(e))
  }
  const [{ open }, bytes] = await Promise.all([
    import(/* @vite-ignore */ LOADER).catch(out),
    fetch(MODULE, { cache: 'no-cache' })
      .then((response) => (response.ok ? response.arrayBuffer() : out(response.status)))
      .catch(out),
  ])
  return open(bytes)
}

/** Frames one after the other, each after its length, as a server sends them. */
function packed(frames: Int8Array[]): ArrayBuffer {
  const whole = new Uint8Array(frames.reduce((sum, f) => sum + 4 + f.length, 0))
  const view = new DataView(whole.buffer)
  let at = 0
  for (const frame of frames) {
    view.setUint32(at, frame.length, true)
    whole.set(new Uint8Array(frame.buffer, frame.byteOffset, frame.length), at + 4)
    at += 4 + frame.length
  }
  return whole.buffer
}

async function answer({ ask, text, id }: Asked): Promise<Told> {
  page ??= load()
  let core: Page
  try {
    core = await page
  } catch (e) {
    // The next question may try again.
    page = undefined
    return e instanceof Unreachable ? { id, unreachable: e.message } : { id, absent: String(e) }
  }
  try {
    const wish = JSON.parse(text)
    if (ask === 'open') core.open(wish)
    else if (ask === 'drop') core.drop(wish)
    else {
      const start = performance.now()
      const { head, viewing, from, frames, answer, problems, missing } = core[ask](wish)
      const took = performance.now() - start
      if (problems || missing) return { id, problems, missing }
      return { id, answer, head, viewing, from, frames: frames && packed(frames), took }
    }
    return { id }
  } catch (e) {
    return { id, trap: String(e) }
  }
}

// One question after the other, in the order in which they came.
let turn: Promise<unknown> = Promise.resolve()
self.onmessage = ({ data }: MessageEvent<Asked>) => {
  turn = turn.then(async () => {
    const told = await answer(data)
    self.postMessage(told, told.frames ? [told.frames] : [])
  })
}
