import { effect } from 'vue'
import { describe, expect, it } from 'vitest'
import { looked, type Stretch } from './looked'

/** Frames that say nothing but their step, from one step on. */
function stretch(from: number, count: number): Stretch {
  const view = new DataView(new ArrayBuffer(count * 68))
  for (let i = 0; i < count; i++) {
    view.setUint32(i * 68, 64, true)
    view.setUint32(i * 68 + 4, 0x46524c42, true)
    view.setUint32(i * 68 + 12, from + i, true)
  }
  return { from, frames: view.buffer }
}

const head = (steps: number) => ({
  stepsPerSecond: 60,
  live: Array.from({ length: steps }, () => 1),
  numbers: { low: [-1, 0, -1], high: [1, 2, 1] },
})
const settled = () => new Promise((resolve) => setTimeout(resolve))

function noted(steps: number, at = 0) {
  const asked: [number, number][] = []
  const take = looked(head(steps), stretch(at, 1), async (from, count) => {
    asked.push([from, count])
    return stretch(from, count)
  })
  return { take, asked }
}

describe('a take that is looked at', () => {
  it('has the picture that was looked at last, and how far it reaches, at once', () => {
    const { take, asked } = noted(40, 17)
    expect(take.length).toBe(40)
    expect(take.least).toEqual([-1, 0, -1])
    expect(take.most).toEqual([1, 2, 1])
    expect(take.frame(17)!.step).toBe(17)
    take.frame(17)
    expect(asked, 'it stands still').toEqual([])
    take.frame(18)
    expect(asked).toEqual([[18, 12]])
  })

  it('shows the nearest while the picture is on its way, and then the picture', async () => {
    const { take } = noted(40)
    const seen: number[] = []
    effect(() => seen.push(take.frame(30)!.step))
    expect(seen).toEqual([0])
    await settled()
    expect(seen.at(-1)).toBe(30)
  })

  it('asks ahead, once for each picture, and never beyond the end', async () => {
    const { take, asked } = noted(30)
    take.frame(1)
    await settled()
    for (let loop = 0; loop < 2; loop++) {
      for (let step = 0; step < 30; step++) {
        expect(take.frame(step)!.step).toBe(step)
        await settled()
      }
    }
    expect(asked).toEqual([
      [1, 12],
      [13, 12],
      [25, 5],
    ])
  })

  it('shows pictures late, and asks for one at a time, where they take longer than they are shown', async () => {
    const asked: [number, number][] = []
    const take = looked(head(600), stretch(0, 1), async (from, count) => {
      asked.push([from, count])
      await new Promise((resolve) => setTimeout(resolve, 12 * count))
      return stretch(from, count)
    })
    const seen = new Set<number>()
    for (let step = 1; step < 120; step += 3) {
      seen.add(take.frame(step)!.step)
      await new Promise((resolve) => setTimeout(resolve, 8))
    }
    expect(asked[0]).toEqual([1, 12])
    expect(asked.slice(1).every(([, count]) => count === 1)).toBe(true)
    expect(seen.size, 'pictures of different steps').toBeGreaterThan(5)
  })

  it('asks for what is looked at now, not for what was passed over meanwhile', async () => {
    const asked: number[] = []
    const answers: (() => void)[] = []
    const take = looked(head(600), stretch(0, 1), (from, count) => {
      asked.push(from)
      return new Promise((resolve) => answers.push(() => resolve(stretch(from, count))))
    })
    for (const step of [100, 200, 300, 400]) take.frame(step)
    expect(asked).toEqual([100])
    answers[0]()
    await settled()
    expect(asked).toEqual([100, 400])
  })

  it('keeps what is there when there is no more to be had', async () => {
    let asked = 0
    const take = looked(head(40), stretch(0, 1), async () => {
      asked++
      throw new Error('no such take')
    })
    take.frame(20)
    await settled()
    expect(take.frame(20)!.step).toBe(0)
    expect(asked).toBe(1)
  })

  it('of which nothing is seen reaches over nothing', () => {
    const empty = { ...head(1), live: [0] }
    expect(looked(empty, stretch(0, 1), async () => stretch(0, 1)).least[0]).toBe(Infinity)
  })
})
