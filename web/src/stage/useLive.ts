import { onScopeDispose, ref, shallowRef } from 'vue'
import type { Frame } from './frames'

/** How long the stage is shown empty after the last of what was live, ms. */
const REST = 500

/** The newest live frame, and whether the stage is live: what has played is seen to be gone before anything else is shown. */
export function useLive() {
  const frame = shallowRef<Frame>()
  const now = ref(false)
  let rest: ReturnType<typeof setTimeout> | undefined

  function take(next: Frame) {
    frame.value = next
    if (next.instances > 0) {
      clearTimeout(rest)
      rest = undefined
      now.value = true
    } else if (now.value) rest ??= setTimeout(end, REST)
  }
  function end() {
    rest = undefined
    now.value = false
  }
  onScopeDispose(() => clearTimeout(rest))
  return { frame, now, take }
}
