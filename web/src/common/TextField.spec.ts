import { mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import TextField from './TextField.vue'

function field(props: object) {
  const take = vi.fn()
  const w = mount(TextField, {
    props: { value: 'old', label: 'Name', take, ...props },
    attachTo: document.body,
  })
  return { w, take, input: w.find('input') }
}

describe('a text', () => {
  it('takes effect when the field is left, once', async () => {
    const { take, input } = field({})
    await input.setValue('new ')
    expect(take).not.toHaveBeenCalled()
    await input.trigger('blur')
    expect(take).toHaveBeenCalledExactlyOnceWith('new')
  })
  it('is given back by Escape, which another Escape passes on', async () => {
    const { take, input, w } = field({})
    const passed = vi.fn()
    w.element.parentElement!.addEventListener('keydown', passed)
    await input.setValue('new')
    await input.trigger('keydown', { key: 'Escape' })
    expect(input.element.value).toBe('old')
    expect(passed).not.toHaveBeenCalled()
    await input.trigger('keydown', { key: 'Escape' })
    expect(passed).toHaveBeenCalledOnce()
    await input.trigger('blur')
    expect(take).not.toHaveBeenCalled()
  })
  it('is given back where one is demanded and none is left, and where it was refused', async () => {
    const { take, input } = field({ demanded: true })
    await input.setValue('  ')
    await input.trigger('blur')
    expect(take).not.toHaveBeenCalled()
    expect(input.element.value).toBe('old')
    const refusing = field({ take: async () => false })
    await refusing.input.setValue('taken already')
    await refusing.input.trigger('blur')
    await nextTick()
    await nextTick()
    expect(refusing.input.element.value).toBe('old')
  })
  it('is not lost while it is typed because another window saved', async () => {
    const { w, input } = field({})
    await input.setValue('half a na')
    await w.setProps({ value: 'theirs' })
    expect(input.element.value).toBe('half a na')
    await input.trigger('keydown', { key: 'Escape' })
    expect(input.element.value).toBe('theirs')
  })
})
