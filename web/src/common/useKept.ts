import { ref, watch, type Ref } from 'vue'

const AT = 'bellrope.'

/** Something that the browser keeps from one day to the next: how a window is arranged, never what is worked on. */
export function useKept<T>(name: string, usual: T): Ref<T> {
  const kept = ref(read(AT + name, usual)) as Ref<T>
  watch(kept, (now) => write(AT + name, now), { deep: true })
  return kept
}

function write(at: string, value: unknown) {
  try {
    localStorage.setItem(at, JSON.stringify(value))
  } catch {
    // A browser that keeps nothing arranges the window anew each day.
  }
}

/** Returns what was kept, if it is of the kind that is wanted. */
function read<T>(at: string, usual: T): T {
  try {
    const kept = JSON.parse(localStorage.getItem(at) ?? 'null')
    if (kept === null || typeof kept !== typeof usual) return usual
    return typeof usual === 'object' ? { ...usual, ...kept } : kept
  } catch {
    return usual
  }
}
