import { mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import Plot from './Plot.vue'
import { between, nearest, options, type Drawn } from './plot'

vi.mock('uplot', () => ({ default: class {} }))

const line: Drawn = { name: 'usual', as: 'line', colour: '--bronze', values: [1, 2, 3] }
const dots: Drawn = { name: 'pulls', as: 'dots', colour: '--ink', values: [null, 0, 9] }
const at = (v: number, axis: 'x' | 'y') => (axis === 'x' ? v * 10 : 100 - v * 10)

describe('what stands at the pointer', () => {
  it('is read off a line where the pointer is along it', () => {
    expect(nearest([0, 1, 2], [line], [0, 1, 2], { left: 12, top: 0 }, at)).toBe(1)
  })
  it('is the dot that is pointed at, not the one above or below it', () => {
    expect(nearest([0, 1, 2], [line, dots], [0, 1, 2], { left: 14, top: 12 }, at)).toBe(2)
    expect(nearest([0, 1, 2], [line, dots], [0, 1], { left: 14, top: 12 }, at)).toBe(1)
  })
  it('is nothing where nothing is drawn', () => {
    expect(nearest([], [line], [], { left: 0, top: 0 }, at)).toBe(-1)
  })
})

it('writes the two ends of an axis, and one that is flat in the middle', () => {
  expect(between(2, 6, String)).toMatchObject({ from: 2, to: 6, marks: [2, 6] })
  expect(between(4, 4, String)).toMatchObject({ from: 2, to: 6, marks: [4] })
  expect(between(0, 0, String)).toMatchObject({ from: -0.5, to: 0.5, marks: [0] })
})

it('fills between a line and the one that is named, and draws dots alone', () => {
  const upper: Drawn = { ...line, as: 'edge', fill: { to: 1, colour: '--card' } }
  const x = between(0, 2, String)
  const told = options([upper, line, dots], x, x, { width: 100, height: 50 }, (c) => c)
  expect(told.bands).toEqual([{ series: [1, 2], fill: '--card' }])
  expect(told.series[1].stroke).toBe('transparent')
  expect(told.series[3].points!.show).toBe(true)
  expect(told.series[2].points!.show).toBe(false)
})

describe('by keyboard', () => {
  const chart = () =>
    mount(Plot, {
      props: {
        label: 'Presence',
        places: [0, 1, 2],
        drawn: [line],
        x: between(0, 2, String),
        y: between(0, 3, String),
        words: (i: number) => `the ${i}th`,
        stops: [0, 2],
        leads: true,
        rest: 'nothing yet',
      },
    })
  it('arrows go from one place to the next, and it is read', async () => {
    const view = chart()
    const slider = view.find('[role=slider]')
    expect(slider.attributes('aria-valuetext')).toBe('nothing yet')
    await slider.trigger('keydown', { key: 'ArrowLeft' })
    expect(slider.attributes('aria-valuetext')).toBe('the 2th')
    await slider.trigger('keydown', { key: 'ArrowLeft' })
    await slider.trigger('keydown', { key: 'ArrowLeft' })
    expect(view.text()).toContain('the 0th')
    await slider.trigger('keydown', { key: 'End' })
    expect(slider.attributes('aria-valuenow')).toBe('1')
  })
  it('Enter leads to what is pointed at', async () => {
    const view = chart()
    await view.find('[role=slider]').trigger('keydown', { key: 'Enter' })
    expect(view.emitted('choose')).toBeUndefined()
    await view.find('[role=slider]').trigger('keydown', { key: 'Home' })
    await view.find('[role=slider]').trigger('keydown', { key: 'Enter' })
    expect(view.emitted('choose')).toEqual([[0]])
  })
})
