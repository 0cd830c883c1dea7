import { shallowRef } from 'vue'
import { readFrame, type Frame, type Take } from '../stage/frames'

/** What is told of a take, as far as it is needed to look at it. */
export interface Head {
  stepsPerSecond: number
  live: number[]
  numbers: { low: number[]; high: number[] }
}

/** Frames one after the other, each after its length, from a step on. */
export interface Stretch {
  from: number
  frames: ArrayBuffer
}

/** Steps that are asked for at once, so that a running take finds them there. */
const AHEAD = 12
/** Where so many would take longer, in ms, only the one that is looked at is asked for. */
const PATIENCE = 100
/** A picture that arrives so many steps late is still shown while the take runs. */
const LATE = 30
/** Bytes of frames that one take keeps at most; what is not there is computed again. */
const MOST_BYTES = 24 << 20

/**
 * A take whose pictures are computed when they are looked at. It begins with the one that was looked at last; one request
 * is on its way at a time, and the next is for what is looked at then.
 *
 * @param look asks for so many frames from a step on; once it fails, what is there stays
 */
export function looked<H extends Head>(
  head: H,
  first: Stretch,
  look: (from: number, count: number) => Promise<Stretch>,
): Take<H> {
  const length = head.live.length
  const frames = new Map<number, Frame>()
  const arrived = shallowRef(0)
  let bytes = 0
  let shown: Frame | undefined
  let wanted: number | undefined
  let before: number | undefined
  let waiting = false
  let gone = false
  /** How long one picture took lately, in ms, and the last step that arrived. */
  let each = 0
  let newest = first.from

  function keep({ from, frames: packed }: Stretch) {
    if (bytes + packed.byteLength > MOST_BYTES) {
      frames.clear()
      bytes = 0
    }
    bytes += packed.byteLength
    const view = new DataView(packed)
    for (let at = 0, step = from; at < packed.byteLength; step++) {
      frames.set(step, readFrame(packed, at + 4))
      at += 4 + view.getUint32(at, true)
      newest = step
    }
  }

  async function ask() {
    if (waiting || gone || wanted === undefined) return
    let from = wanted
    wanted = undefined
    while (from < length && frames.has(from)) from++
    if (from >= length) return
    waiting = true
    const begun = performance.now()
    const count = Math.min(each * AHEAD > PATIENCE ? 1 : AHEAD, length - from)
    try {
      keep(await look(from, count))
      each = (performance.now() - begun) / count
      arrived.value++
    } catch {
      // It was replaced by another, or cannot be played any more, which was said then.
      gone = true
    } finally {
      waiting = false
    }
    void ask()
  }

  keep(first)
  const nothing = head.live.every((alive) => alive === 0)
  return {
    head,
    length,
    least: nothing ? [Infinity, Infinity, Infinity] : (head.numbers.low as Take['least']),
    most: nothing ? [-Infinity, -Infinity, -Infinity] : (head.numbers.high as Take['most']),
    frame(step) {
      void arrived.value
      const there = frames.get(step)
      const next = Math.min(length - 1, step + AHEAD / 2)
      // Ahead only while it runs: a take that stands still is often replaced before it runs on.
      const runs = before !== undefined && step !== before
      before = step
      if (!there) wanted = step
      else if (runs && !frames.has(next)) wanted = step + 1
      void ask()
      // What takes too long to arrive in time is shown late rather than not at all.
      const late = runs && newest <= step && step - newest <= LATE ? frames.get(newest) : undefined
      shown = there ?? late ?? shown ?? frames.get(first.from)
      return shown
    },
  }
}
