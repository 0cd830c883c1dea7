import { describe, expect, it } from 'vitest'
import { ref } from 'vue'
import { useModes } from './useModes'

describe('which of two states a stage shows', () => {
  it('is turned by one key and turned back by the same', () => {
    const { mode, flip, title } = useModes(ref('before, 14:05'))
    flip('before')
    expect([mode.value, title.value]).toEqual(['before', 'before, 14:05'])
    flip('side by side')
    expect([mode.value, title.value]).toEqual(['side by side', 'now'])
    flip('side by side')
    expect([mode.value, title.value]).toEqual(['now', ''])
  })

  it('is what is now where there is nothing else, or nothing else any longer', () => {
    const there = ref(false)
    const { mode, flip, words } = useModes(ref('before, 14:05'), () => there.value)
    flip('before')
    expect(mode.value).toBe('now')
    there.value = true
    flip('before')
    expect(words(mode.value)).toBe('before, 14:05')
    there.value = false
    expect(mode.value).toBe('now')
  })
})
