import type { Asked, Hand, Told } from './core'

/** A worker for tests: it notes what it is asked, and answers when it is told to. */
export class Noted implements Hand {
  static all: Noted[] = []
  asked: Asked[] = []
  ended = false
  onmessage: Hand['onmessage'] = null
  onerror: Hand['onerror'] = null
  constructor() {
    Noted.all.push(this)
  }
  postMessage(asked: Asked) {
    this.asked.push(asked)
  }
  terminate() {
    this.ended = true
  }
  says(told: Told) {
    this.onmessage!({ data: told } as MessageEvent<Told>)
  }
  get last() {
    return this.asked[this.asked.length - 1]
  }
  get words() {
    return this.asked.map((a) => a.ask)
  }
}
