import { describe, expect, it } from 'vitest'
import { chosenSource, CONSTANTS, freshValue, sourceOf } from './carried'

describe('what a notice carries', () => {
  it('goes from a choice to a source and back', () => {
    for (const chosen of [
      'field how fast',
      'channel wind',
      'from size',
      ...CONSTANTS.map(([kind]) => `constant ${kind}`),
    ])
      expect(chosenSource({ name: 'x', ...sourceOf(chosen) })).toBe(chosen)
  })

  it('begins with what is not carried yet', () => {
    const first = freshValue([], ['position', 'speed'])
    expect(first).toEqual({ name: 'position', field: 'position' })
    expect(freshValue([{ name: 'at', field: 'position' }], ['position', 'speed']).field).toBe('speed')
    expect(freshValue([first, { name: 'value', constant: 2 }], ['position'])).toEqual({
      name: 'value 2',
      constant: 1,
    })
  })
})
