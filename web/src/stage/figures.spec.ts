import { describe, expect, it } from 'vitest'
import { paintFigures, type Drawable, type Figure } from './figures'
import { pictureOf } from './framing'

/** A picture of 12 u over 600 px that is told apart by what is done to it. */
function painted(figures: Figure[], looks: Map<string, Drawable>) {
  const done: [string, ...unknown[]][] = []
  const g = new Proxy({} as Record<string, unknown>, {
    get:
      (_, name: string) =>
      (...given: unknown[]) =>
        done.push([name, ...given]),
    set: () => true,
  })
  const canvas = { width: 800, height: 600, getContext: () => g } as unknown as HTMLCanvasElement
  const picture = pictureOf({ centre: [100, 3, 0], height: 12, yaw: 0, pitch: 0 }, 800, 600)
  paintFigures(canvas, 1, picture, figures, looks, false)
  return done
}
const crow: Drawable = {
  look: { name: 'crow', path: 'M0 0', width: 2, height: 1 },
  path: {} as Path2D,
}
const at = (place: [number, number, number], more: Partial<Figure> = {}): Figure => ({
  subject: 'crow 1',
  look: 'crow',
  place,
  heading: [0, 0, 0],
  ...more,
})

describe('figures of a running game', () => {
  it('stand on their place, as large as they say', () => {
    const done = painted([at([102, 3, 0])], new Map([['crow', crow]]))
    // 50 px a unit: 2 u to the right of the middle, half its height up, 2 by 1 u over a box of 100.
    expect(done.filter(([what]) => what === 'translate' || what === 'scale')).toEqual([
      ['translate', 500, 300],
      ['translate', 0, -25],
      ['scale', 1, 0.5],
      ['translate', -50, -50],
    ])
    expect(done.some(([what]) => what === 'rotate')).toBe(false)
  })

  it('look the way they go', () => {
    const done = painted([at([100, 3, 0], { heading: [-1, 0, 0] })], new Map([['crow', crow]]))
    expect(done).toContainEqual(['scale', -1, 1])
  })

  it('are dots with their names where they have no look', () => {
    const done = painted([at([100, 3, 0])], new Map())
    expect(done).toContainEqual(['fillText', 'crow 1', 6, 4])
  })

  it('cost nothing where they are not in sight', () => {
    expect(painted([at([500, 3, 0])], new Map()).map(([what]) => what)).toEqual(['setTransform', 'clearRect'])
  })
})
