import { reactive, ref } from 'vue'

/** What a hand does on the picture, in pixels from its upper left. */
export interface Stroke {
  from: [number, number]
  to: [number, number]
}

/** Farther than this a press is a drag, px. */
const SLIP = 5

/**
 * The hand on the picture: a press, a drag, or, where the view is free, a turn.
 *
 * @param free whether a drag turns the view
 * @param pressed what a press or a drag that has ended does
 */
export function useHand(of: { free: () => boolean; pressed: (stroke: Stroke, timeStamp: number) => void }) {
  const turned = reactive({ yaw: 30, pitch: 25 })
  /** The drag that is going on. */
  const stroke = ref<Stroke>()
  let begun: { at: [number, number]; turning: boolean } | undefined

  const place = (event: PointerEvent): [number, number] => {
    const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
    return [event.clientX - box.left, event.clientY - box.top]
  }
  const far = (a: [number, number], b: [number, number]) => Math.hypot(a[0] - b[0], a[1] - b[1]) > SLIP

  function down(event: PointerEvent) {
    if (event.button !== 0 || (event.target as Element).closest('button, a, input, select, .grip')) return
    begun = { at: place(event), turning: false }
    ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  }
  function move(event: PointerEvent) {
    if (!begun) return
    const at = place(event)
    if (!of.free()) {
      stroke.value = far(begun.at, at) ? { from: begun.at, to: at } : undefined
      return
    }
    if (!begun.turning && !far(begun.at, at)) return
    if (begun.turning) {
      turned.yaw -= event.movementX * 0.5
      turned.pitch = Math.min(90, Math.max(-20, turned.pitch + event.movementY * 0.5))
    }
    begun.turning = true
  }
  function up(event: PointerEvent) {
    if (begun && !begun.turning) {
      const at = place(event)
      of.pressed({ from: begun.at, to: far(begun.at, at) ? at : begun.at }, event.timeStamp)
    }
    cancel()
  }
  function cancel() {
    begun = undefined
    stroke.value = undefined
  }
  return { turned, stroke, down, move, up, cancel }
}
