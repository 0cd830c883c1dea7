import { describe, expect, it } from 'vitest'
import type { RehearsalView } from '../api/client'
import { drawnUsage, placesOf, usedWords } from './usage'

const line = (name: string, values: number[]) => ({
  name,
  values,
  peak: Math.max(...values),
  peakAt: values.indexOf(Math.max(...values)) * 0.5,
  mean: 1,
})
const played = {
  stepsPerSecond: 60,
  stepsPerPoint: 30,
  whole: [line('instances', [0, 3, 5]), line('particles', [0, 30, 50])],
  effects: [line('hail shatter', [0, 1, 4]), line('straw puff', [0, 2, 1])],
} as unknown as RehearsalView

describe('what a rehearsal uses', () => {
  it('stands at the seconds of its points', () => {
    expect(placesOf(played)).toEqual([0, 0.5, 1])
  })
  it('is drawn with the effects of which most are held', () => {
    const chart = drawnUsage(played, 'instances')
    expect(chart.drawn.map((d) => d.name)).toEqual(['instances', 'hail shatter', 'straw puff'])
    expect(chart.rest).toContain('most 5 at 1.00 s')
    expect(drawnUsage(played, 'particles').drawn).toHaveLength(1)
  })
  it('says who is there', () => {
    expect(usedWords(played, 'particles', 1)).toBe('0.50 s: 30 particles · 2 straw puff, 1 hail shatter')
    expect(usedWords(played, 'instances', 0)).toBe('0.00 s: 0 instances')
  })
})
