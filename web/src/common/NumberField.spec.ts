import { mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it } from 'vitest'
import { nextTick } from 'vue'
import NumberField from './NumberField.vue'
import PairField from './PairField.vue'
import { showAllTimes } from './times'

beforeEach(() => {
  localStorage.clear()
  showAllTimes('s')
})

function number(props: object = {}) {
  const field = mount(NumberField, {
    props: { value: 18, label: 'Speed', unit: 'u/s', least: 0, most: 100, step: 1, ...props },
    attachTo: document.body,
  })
  const input = field.find('input')
  return {
    field,
    input,
    /** Types key by key, as a hand does. */
    async type(text: string) {
      input.element.focus()
      for (let i = 1; i <= text.length; i++) await input.setValue(text.slice(0, i))
    },
    /** Presses a key; what is committed comes back as the value, as from a view. */
    async press(key: string, more: object = {}) {
      await input.trigger('keydown', { key, ...more })
      const taken = field.emitted('commit')?.at(-1)?.[0] as number | undefined
      if (key === 'Enter' && taken !== undefined) await field.setProps({ value: taken })
    },
    leave: async () => {
      input.element.blur()
      await nextTick()
    },
    committed: () => (field.emitted('commit') ?? []).map(([value]) => value),
    drafted: () => (field.emitted('draft') ?? []).map(([value]) => value),
    shown: () => input.element.value,
    why: () => (field.find('.why').exists() ? field.find('.why').text() : ''),
  }
}

describe('a number', () => {
  it('takes effect when it is meant, once, and never half typed', async () => {
    const { type, press, leave, committed, drafted } = number()
    await type('30')
    expect([committed(), drafted()]).toEqual([[], []])
    await press('Enter')
    expect(committed()).toEqual([30])
    await press('Enter')
    await leave()
    expect(committed()).toEqual([30])
  })

  it('takes effect when the field is left, by Tab or otherwise', async () => {
    const { type, leave, committed } = number()
    await type('0.3*100')
    await leave()
    expect(committed()).toEqual([30])
  })

  it('changes nothing where the same is typed again', async () => {
    const { type, press, committed } = number()
    await type('18.0')
    await press('Enter')
    expect(committed()).toEqual([])
  })

  it('is given back by Escape, which stays in the sheet; the next Escape is for the sheet', async () => {
    const { type, press, committed, shown, input } = number()
    const heard: string[] = []
    const hear = (e: KeyboardEvent) => heard.push(e.key)
    document.addEventListener('keydown', hear)
    await type('3')
    await press('Escape')
    expect([shown(), committed(), heard]).toEqual(['18', [], []])
    expect(document.activeElement).toBe(input.element)
    await press('Escape')
    expect(heard).toEqual(['Escape'])
    document.removeEventListener('keydown', hear)
  })

  it('is stepped and dragged at once, and given back as a whole', async () => {
    const { input, press, drafted, committed, shown } = number()
    input.element.focus()
    await press('ArrowUp')
    await press('ArrowUp', { shiftKey: true })
    expect([drafted(), committed()]).toEqual([[19, 29], []])
    await press('Escape')
    expect([drafted(), committed(), shown()]).toEqual([[19, 29, 18], [18], '18'])
    await press('ArrowDown')
    await press('Enter')
    expect(committed()).toEqual([18, 17])
  })

  it('is taken as it was stepped, not as it is rounded to be shown', async () => {
    const { input, press, committed, shown } = number({ value: 0.123456, step: 0.1 })
    input.element.focus()
    await press('ArrowUp')
    expect(shown()).toBe('0.2235')
    await press('Enter')
    expect(committed()).toEqual([0.223456])
  })

  it('that is out of bounds stays with the reason, and the nearest that is not is a press away', async () => {
    const { type, press, leave, committed, shown, why, field } = number()
    await type('1e9')
    await press('Enter')
    await leave()
    expect([committed(), shown()]).toEqual([[], '1e9'])
    expect(why()).toContain('from 0 to 100')
    await field.find('.why button').trigger('click')
    expect([committed(), shown(), why()]).toEqual([[100], '100', ''])
  })

  it('that is none stays with what would be one', async () => {
    const { type, press, committed, why, shown } = number()
    await type('fast')
    await press('Enter')
    expect([committed(), shown()]).toEqual([[], 'fast'])
    expect(why()).toContain('a number, or a sum')
  })

  it('follows what others set unless something is being typed', async () => {
    const { field, type, shown } = number()
    await field.setProps({ value: 7 })
    expect(shown()).toBe('7')
    await type('3')
    await field.setProps({ value: 9 })
    expect(shown()).toBe('3')
  })
})

describe('a time', () => {
  const time = () => number({ value: 0.3, label: 'Delay', kind: 'time', unit: 's', most: 30, step: 0.05 })

  it('goes on in the unit that it was typed in', async () => {
    const { type, press, committed, shown, input } = time()
    await type('18f')
    await press('Enter')
    // The same time, in another unit: nothing to save.
    expect([committed(), shown()]).toEqual([[], '18'])
    expect(input.attributes('aria-label')).toBe('Delay, frames')
    await type('30')
    await press('Enter')
    expect(committed()).toEqual([0.5])
    await type('250ms')
    await press('Enter')
    expect([committed(), shown()]).toEqual([[0.5, 0.25], '250'])
    await type('100*3')
    await press('Enter')
    expect(committed()).toEqual([0.5, 0.25, 0.3])
    expect(time().shown(), 'the next field of that name too').toBe('300')
  })

  it('is shown as all are shown, when that is switched', async () => {
    const { shown, type, press } = time()
    await type('18f')
    await press('Enter')
    showAllTimes('ms')
    await nextTick()
    expect(shown()).toBe('300')
    expect(number({ value: 2, label: 'Life', kind: 'time', unit: 's' }).shown()).toBe('2000')
  })
})

describe('a range', () => {
  function range() {
    const pair = mount(PairField, {
      props: { value: [18, 24], label: 'Count', least: 0, most: 100, step: 1 },
      attachTo: document.body,
    })
    const [least, most] = pair.findAll('input')
    const type = async (input: typeof least, text: string) => {
      input.element.focus()
      for (let i = 1; i <= text.length; i++) await input.setValue(text.slice(0, i))
      await input.trigger('keydown', { key: 'Enter' })
    }
    return { pair, least, most, type, committed: () => (pair.emitted('commit') ?? []).map(([v]) => v) }
  }

  it('never has its other end changed by typing', async () => {
    const { pair, most, type, committed } = range()
    await type(most, '30')
    expect(committed()).toEqual([[18, 30]])
    expect(pair.emitted('draft')).toBeUndefined()
  })

  it('whose least is above its most is wrong where it stands, and can be swapped or moved', async () => {
    const { pair, least, type, committed } = range()
    await type(least, '40')
    expect(committed()).toEqual([])
    expect(pair.find('.why').text()).toContain('above the most')
    const [swap, both] = pair.findAll('.why button')
    expect([swap.text(), both.text()]).toEqual(['swap', 'move both'])
    await swap.trigger('click')
    expect(committed()).toEqual([[24, 40]])
  })

  it('moves both ends where that is wanted', async () => {
    const { pair, most, type, committed } = range()
    await type(most, '5')
    expect(pair.find('.why').text()).toContain('below the least')
    await pair.findAll('.why button')[1].trigger('click')
    expect(committed()).toEqual([[5, 5]])
  })

  it('stops at its other end when it is stepped', async () => {
    const { pair, least } = range()
    least.element.focus()
    await least.trigger('keydown', { key: 'ArrowUp', shiftKey: true })
    expect(pair.emitted('draft')!.at(-1)).toEqual([[24, 24]])
  })
})
