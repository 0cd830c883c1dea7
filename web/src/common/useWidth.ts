import { onBeforeUnmount, onMounted, ref, type Ref } from 'vue'

/** The width of an element, in pixels, as it changes; a guess until it is there. */
export function useWidth(of: Ref<HTMLElement | undefined>, guess = 600): Ref<number> {
  const width = ref(guess)
  const watched =
    typeof ResizeObserver === 'undefined'
      ? undefined
      : new ResizeObserver(([entry]) => (width.value = entry.contentRect.width))
  onMounted(() => of.value && watched?.observe(of.value))
  onBeforeUnmount(() => watched?.disconnect())
  return width
}
