import { computed, reactive, ref, watch, type Ref } from 'vue'
import type { Vector } from '../api/bundle'
import { cameraOn, heightOf, inPicture, pictureOf, type Extent, type View } from './framing'
import type { Camera } from './renderer'
import { plus, times } from './vectors'

/** Share of the picture, from its edges, in which a response is not seen well. */
const EDGE = 0.15

/**
 * What the picture shows: the response in its middle, until another comes that can be seen without moving the view; or the
 * source, where the view follows it.
 *
 * @param home when this changes, the response comes back to the middle
 * @param moving velocity of the source, u/s
 * @param seconds how long it has been on its way
 */
export function useCamera(of: {
  point: () => Vector
  take: () => Extent | undefined
  beside: () => Extent | undefined
  home: () => unknown
  moving: () => Vector | undefined
  seconds: () => number
  view: Ref<View>
  turned: { yaw: number; pitch: number }
  shake: () => readonly [number, number]
  /** What the picture shows where it is told from elsewhere: its middle, and how many units high it is. */
  shows?: () => { centre: Vector; height: number } | undefined
}) {
  /** px */
  const size = reactive({ width: 435, height: 264 })
  const following = ref(false)
  const followed = computed(() => (following.value ? of.moving() : undefined))
  const centre = ref(of.point())
  const middle = computed<Vector>(() =>
    followed.value ? plus(centre.value, times(followed.value, of.seconds())) : centre.value,
  )
  const tall = computed(() => {
    const point = centre.value
    const take = of.take()
    const aspect = size.width / size.height
    if (!followed.value || !take) return heightOf(point, aspect, take, of.beside())
    // What is left behind on the way is not worth a smaller picture.
    const high = Math.max(Math.abs(take.least[1] - point[1]), Math.abs(take.most[1] - point[1]))
    return heightOf(point, aspect, {
      least: plus(point, [-high, -high, 0]),
      most: plus(point, [high, high, 0]),
    })
  })
  const camera = computed<Camera>(() => {
    const told = of.shows?.()
    const seen = cameraOn(
      told?.centre ?? middle.value,
      told?.height ?? tall.value,
      of.view.value,
      of.turned,
      of.shake(),
    )
    return told ? { ...seen, centre: told.centre } : seen
  })
  const picture = computed(() => pictureOf(camera.value, size.width, size.height))

  let home = of.home()
  watch([() => of.point().join(), of.take], () => {
    const [x, y] = inPicture(of.point(), picture.value)
    const inside = (at: number, whole: number) => at > EDGE * whole && at < (1 - EDGE) * whole
    if (inside(x, size.width) && inside(y, size.height) && home === of.home()) return
    home = of.home()
    centre.value = of.point()
  })
  return { size, following, camera, picture }
}
