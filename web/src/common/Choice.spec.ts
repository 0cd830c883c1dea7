import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { h, nextTick, ref } from 'vue'
import Choice from './Choice.vue'

const options = (w: ReturnType<typeof mount>) =>
  w.findComponent({ name: 'ElSelectV2' }).props('options') as unknown[]

describe('a choice', () => {
  it('takes its options as HTML tells them, groups and all', () => {
    const w = mount(Choice, {
      props: { value: 'b', label: 'Which' },
      slots: {
        default: () => [
          h('option', { value: '', disabled: '' }, 'take one…'),
          h('option', { value: 'a' }, 'first'),
          h('option', 'b'),
          h('optgroup', { label: 'more' }, [h('option', { value: 3 }, 'third')]),
        ],
      },
    })
    expect(options(w)).toEqual([
      { label: 'first', value: 'a' },
      { label: 'b', value: 'b' },
      { label: 'more', options: [{ label: 'third', value: '3' }] },
    ])
    expect(w.findComponent({ name: 'ElSelectV2' }).props('modelValue')).toBe('b')
    expect(w.findComponent({ name: 'ElSelectV2' }).props('placeholder')).toBe('take one…')
  })
  it('follows what its owner says of the options', async () => {
    const names = ref(['one'])
    const w = mount({
      setup: () => () =>
        h(Choice, { value: 'one', label: 'Name' }, () => names.value.map((n) => h('option', n))),
    })
    const before = options(w)
    await nextTick()
    expect(options(w)).toBe(before)
    names.value = ['one', 'two']
    await nextTick()
    expect(options(w)).toHaveLength(2)
  })
  it('says what was chosen, and shows nothing where the value is none of them', () => {
    const w = mount(Choice, {
      props: { value: 'gone', label: 'Which' },
      slots: { default: () => [h('option', 'a')] },
    })
    expect(w.findComponent({ name: 'ElSelectV2' }).props('modelValue')).toBeUndefined()
    w.findComponent({ name: 'ElSelectV2' }).vm.$emit('change', 'a')
    expect(w.emitted('choose')).toEqual([['a']])
  })

  it('points at no option while it is shut', async () => {
    const w = mount(Choice, {
      props: { value: 'a', label: 'which' },
      slots: { default: () => [h('option', { value: 'a' }, 'a'), h('option', { value: 'b' }, 'b')] },
    })
    const field = w.find('input').element
    field.setAttribute('aria-activedescendant', 'el-id-1-1')
    await new Promise((done) => setTimeout(done))
    expect(field.hasAttribute('aria-activedescendant')).toBe(false)
  })
})
