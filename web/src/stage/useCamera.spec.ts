import { describe, expect, it } from 'vitest'
import { effectScope, nextTick, reactive, ref } from 'vue'
import type { Vector } from '../api/bundle'
import type { Extent, View } from './framing'
import { useCamera } from './useCamera'

const extent = (high: number): Extent => ({ least: [-1, 0, 0], most: [1, high, 0] })

function camera() {
  const told = reactive({
    point: [0, 0, 0] as Vector,
    take: extent(1) as Extent | undefined,
    home: 1,
    moving: undefined as Vector | undefined,
    seconds: 0,
  })
  const made = effectScope().run(() =>
    useCamera({
      point: () => told.point,
      take: () => told.take,
      beside: () => undefined,
      home: () => told.home,
      moving: () => told.moving,
      seconds: () => told.seconds,
      view: ref<View>('top'),
      turned: { yaw: 0, pitch: 0 },
      shake: () => [0, 0],
    }),
  )!
  Object.assign(made.size, { width: 400, height: 400 })
  return { told, made, centre: () => made.camera.value.centre }
}

describe('the view of the stage', () => {
  it('stays where it is while the response can be seen well', async () => {
    const { told, centre } = camera()
    told.point = [0.4, 0, 0]
    await nextTick()
    expect(centre()).toEqual([0, 0, 0])
    // Near the edge it cannot.
    told.point = [1.4, 0, 0]
    await nextTick()
    expect(centre()).toEqual([1.4, 0, 0])
  })
  it('comes back to the middle for another rope, once its take is there', async () => {
    const { told, centre } = camera()
    told.home = 2
    told.point = [0.4, 0, 0]
    await nextTick()
    expect(centre()).toEqual([0.4, 0, 0])
  })
  it('follows a source, and is no larger than what is near it', async () => {
    const { told, made, centre } = camera()
    told.take = { least: [-1, 0, 0], most: [40, 1, 0] }
    told.moving = [4, 0, 0]
    told.seconds = 2
    expect(made.camera.value.height).toBeGreaterThan(40)
    made.following.value = true
    expect(centre()).toEqual([8, 0, 0])
    expect(made.camera.value.height).toBeLessThan(5)
  })
})
