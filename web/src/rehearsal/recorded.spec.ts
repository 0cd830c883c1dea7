import { describe, expect, it } from 'vitest'
import type { EventType, Payload } from '../api/bundle'
import { channelsOf, lanesOf, scoreOf } from './recorded'

const events: EventType[] = [
  { name: 'courier.landed', shape: 'moment', weight: 3, fields: [] },
  { name: 'kite.reeling', shape: 'span', weight: 2, fields: [] },
  { name: 'weather', shape: 'state', weight: 3, fields: [], values: ['clear', 'hail'] },
]

describe('what a hand did', () => {
  it('becomes a lane of marks for each event', () => {
    const taps = [
      { event: 'weather', at: 0, value: 'hail' },
      { event: 'courier.landed', at: 1.234 },
      { event: 'kite.reeling', at: 2, until: 3.5 },
      { event: 'courier.landed', at: 4 },
      { event: 'kite.reeling', at: 8 },
    ]
    expect(lanesOf(taps, events, 10)).toEqual([
      { id: 1, event: 'courier.landed', when: { kind: 'marks', marks: [{ at: 1.23 }, { at: 4 }] } },
      {
        id: 2,
        event: 'kite.reeling',
        when: {
          kind: 'marks',
          marks: [
            { at: 2, lasts: 1.5 },
            { at: 8, lasts: 2 },
          ],
        },
      },
      { id: 3, event: 'weather', when: { kind: 'marks', marks: [{ at: 0, value: 'hail' }] } },
    ])
  })
  it('holds a channel until it is turned, and follows it while it is', () => {
    const turned = [0, 0, 5, 5.02].map((at, i) => ({ channel: 'wind', at, value: i }))
    expect(channelsOf(turned)).toEqual([
      {
        channel: 'wind',
        points: [
          { at: 0, value: 1 },
          { at: 4.95, value: 1 },
          { at: 5, value: 2 },
          { at: 5.02, value: 3 },
        ],
      },
    ])
  })
  it('keeps what a hand said besides', () => {
    const payload: Payload = { position: [1, 2, 0] }
    const [lane] = lanesOf([{ event: 'weather', at: 1, value: 'hail', payload }], events, 3)
    expect(lane.when).toEqual({ kind: 'marks', marks: [{ at: 1, value: 'hail', payload }] })
  })
  it('is a score that can be', () => {
    expect(scoreOf('take', 0, [], [], events)).toEqual({ name: 'take', seconds: 0.1, seed: 1, lanes: [] })
  })
})
