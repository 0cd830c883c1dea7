import { describe, expect, it } from 'vitest'
import { carries, found, takes } from './words'

describe('the words of a contract', () => {
  it('say what a field carries', () => {
    expect(carries({ name: 'speed', type: 'number', range: [0, 14], unit: 'u/s' })).toBe('a number, 0 to 14')
    expect(carries({ name: 'at', type: 'position' })).toBe('three numbers: the position')
    expect(carries({ name: 'half', type: 'half extent' })).toBe('three numbers: the half extent')
  })
  it('say what a parameter takes', () => {
    expect(takes({ name: 'a', default: 1, least: 0.25, most: 3, bindings: [] })).toBe('a number, 0.25 to 3')
    expect(takes({ name: 'a', type: 'colour', opacity: true, default: '#FFFFFFFF', bindings: [] })).toBe(
      'a colour with opacity',
    )
  })
  it('are found whatever their order and case', () => {
    expect(found('Speed courier', 'courier.landed', 'speed')).toBe(true)
    expect(found('speed crow', 'courier.landed', 'speed')).toBe(false)
  })
})
