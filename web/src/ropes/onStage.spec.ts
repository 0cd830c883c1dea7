import { describe, expect, it } from 'vitest'
import type { EventType, Payload, Rope, Vector } from '../api/bundle'
import type { NumberGrip, PlaceGrip } from '../stage/outlines'
import { differing } from './differing'
import { pressed, ropeOutlines, struck } from './onStage'

const struckEvent: EventType = {
  name: 'courier.struck',
  description: '',
  weight: 4,
  shape: 'moment',
  fields: [
    { name: 'position', type: 'position' },
    { name: 'direction', type: 'direction' },
    { name: 'force', type: 'number', range: [0, 100], usual: 45, unit: 'N' },
    { name: 'by', type: 'choice', options: ['hail', 'crow'] },
  ],
} as EventType
const payload: Payload = { position: [0, 0, 0], direction: [1, 0, 0], force: 45, by: 'hail' }

describe('a press on the stage', () => {
  it('says what it does', () => {
    expect(pressed(struckEvent)).toBe('a press pulls there, a drag gives direction and strength')
    expect(pressed({ ...struckEvent, shape: 'span', fields: [struckEvent.fields[0]] })).toBe(
      'a press begins it there',
    )
    expect(pressed({ ...struckEvent, fields: [] })).toBeUndefined()
  })
  it('sets the place and nothing else', () => {
    expect(struck(struckEvent, payload, { at: [1.23456, 2, 0], share: 0 })).toEqual({
      ...payload,
      position: [1.23, 2, 0],
    })
  })
  it('that is drawn out sets direction and strength, up to the most', () => {
    const stroke = { at: [0, 0, 0] as Vector, way: [0, 3, 0] as Vector }
    expect(struck(struckEvent, payload, { ...stroke, share: 0.3 })).toMatchObject({
      direction: [0, 1, 0],
      force: 50,
      by: 'hail',
    })
    expect(struck(struckEvent, payload, { ...stroke, share: 2 }).force).toBe(100)
  })
})

describe('on the stage', () => {
  const at = { payload, point: [0, 0, 0] as Vector, places: [], seen: [0, 0, 1] as Vector }
  it('a zone is as large as the event says, and its corner sets it', () => {
    const zone = {
      ...struckEvent,
      fields: [
        { name: 'position', type: 'position' },
        { name: 'zone', type: 'half extent' },
      ],
    } as EventType
    const told = { ...at, event: zone, point: [1, 0, 0] as Vector, payload: { zone: [2, 1, 3] } as Payload }
    const { outlines, grips } = ropeOutlines(told)
    const lines = outlines.find((o) => o.name === 'zone')!.lines
    expect(lines).toHaveLength(6)
    expect(lines[1]).toContainEqual([3, 1, 3])
    const corner = grips.find((g) => g.path === 'payload.zone') as PlaceGrip
    expect(corner.at).toEqual([3, 1, 3])
    // What lies along the sight is not seen, and stays.
    expect(corner.back([1.5, 4, 0])).toEqual([0.5, 4, 3])
  })
  it('a direction ends in the point; its grip turns it', () => {
    const { grips } = ropeOutlines({ ...at, event: struckEvent })
    const way = grips.find((g) => g.path === 'payload.direction') as PlaceGrip
    expect(way.at[0]).toBeLessThan(0)
    expect(way.back([0, 2, 0])).toEqual([0, -1, 0])
  })
  it('the hit-test radius is a ring, by a field or with a grip of its own', () => {
    const rope = { hit: 3.8 } as unknown as Rope
    const own = ropeOutlines({ ...at, event: struckEvent, rope })
    expect(own.outlines.map((o) => o.name)).toContain('hit-test radius of the game')
    const grip = own.grips.find((g) => g.path === 'rope.hit') as NumberGrip
    expect(grip.to([0, 2, 0])).toBe(2)
    const field = ropeOutlines({
      ...at,
      event: struckEvent,
      rope: { hit: { field: 'force' } } as unknown as Rope,
    })
    expect(field.outlines.map((o) => o.name)).toContain('hit-test radius of the game')
    expect(field.grips.map((g) => g.path)).not.toContain('rope.hit')
  })
})

it('payloads differ in all but where they happen', () => {
  const other = { ...payload, position: [5, 0, 0] as Vector, force: 90 }
  expect(differing(struckEvent, payload, other)).toEqual([{ name: 'force', value: 45, unit: 'N' }])
  expect(differing(struckEvent, payload, { ...payload })).toEqual([])
})
