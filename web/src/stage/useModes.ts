import { computed, ref, watch, type Ref } from 'vue'

/** What a stage shows where there is something to compare with. */
export const MODES = ['now', 'before', 'side by side'] as const
export type Mode = (typeof MODES)[number]

/**
 * Which of two states a stage shows.
 *
 * @param saved what the state before is called
 * @param there whether there is one
 */
export function useModes(saved: Ref<string>, there: () => boolean = () => true) {
  const mode = ref<Mode>('now')
  watch(
    there,
    (is) => {
      if (!is) mode.value = 'now'
    },
    { flush: 'sync' },
  )
  return {
    mode,
    words: (m: Mode) => (m === 'before' ? saved.value : m),
    /** What is written on the stage; nothing where it shows what is now, alone. */
    title: computed(() => ({ now: '', before: saved.value, 'side by side': 'now' })[mode.value]),
    /** Shows it that way, or again what is now. */
    flip: (to: Mode) => {
      if (there()) mode.value = mode.value === to ? 'now' : to
    },
  }
}
