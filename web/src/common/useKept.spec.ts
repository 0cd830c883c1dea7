import { beforeEach, expect, it } from 'vitest'
import { nextTick } from 'vue'
import { useKept } from './useKept'

beforeEach(() => localStorage.clear())

it('keeps what is said, the parts of it too', async () => {
  const kept = useKept('times', { all: 's', own: {} as Record<string, string> })
  kept.value.own.Lifetime = 'ms'
  await nextTick()
  expect(useKept('times', { all: 's', own: {} }).value).toEqual({ all: 's', own: { Lifetime: 'ms' } })
})

it('takes nothing that is broken or of another kind', () => {
  localStorage.setItem('bellrope.a', '{broken')
  localStorage.setItem('bellrope.b', '"words"')
  localStorage.setItem('bellrope.c', 'null')
  expect(useKept('a', 0.45).value).toBe(0.45)
  expect(useKept('b', 0.45).value).toBe(0.45)
  expect(useKept('c', true).value).toBe(true)
})

it('adds what an older day did not know', () => {
  localStorage.setItem('bellrope.less', '{"shake":true}')
  expect(useKept('less', { shake: false, flash: false }).value).toEqual({ shake: true, flash: false })
})
