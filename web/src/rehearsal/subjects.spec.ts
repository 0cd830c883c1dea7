import { expect, it } from 'vitest'
import type { EventType, Vector } from '../api/bundle'
import type { PlaceGrip } from '../stage/outlines'
import { grips, placedAt, subjectsOf } from './subjects'

const event = (name: string, ...fields: [string, string][]) =>
  ({ name, shape: 'moment', fields: fields.map(([of, type]) => ({ name: of, type })) }) as EventType
const landed = event('courier.landed', ['normal', 'normal'], ['spot', 'position'])
const struck = event('courier.struck', ['position', 'position'])
const weather = event('weather')

it('places each subject where the first of its events usually is', () => {
  const all = subjectsOf([
    { event: weather, usual: {} },
    { event: landed, usual: { normal: [0, 1, 0], spot: [1, 2, 3] } },
    { event: struck, usual: { position: [9, 9, 9] } },
  ])
  expect([...all]).toEqual([['courier', [1, 2, 3]]])
})

it('says where a subject was put in the field that says so', () => {
  const put = new Map<string, Vector>([['courier', [4, 5, 6]]])
  expect(placedAt(landed, put)).toEqual({ spot: [4, 5, 6] })
  expect(placedAt(struck, put)).toEqual({ position: [4, 5, 6] })
  expect(placedAt(weather, put)).toBeUndefined()
  expect(placedAt(landed, new Map())).toBeUndefined()
})

it('puts them to hundredths of a unit', () => {
  const [grip] = grips(new Map<string, Vector>([['kite', [1, 2, 0]]])).grips as PlaceGrip[]
  expect(grip).toMatchObject({ path: 'kite', label: 'kite', at: [1, 2, 0] })
  expect(grip.back([1.23456, -0.005, 3])).toEqual([1.23, -0, 3])
})
