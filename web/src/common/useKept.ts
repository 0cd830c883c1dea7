import { customRef, type Ref } from 'vue'

const AT = 'bellrope '

/** Something that the browser keeps from one day to the next: how a window is arranged, never what is worked on. */
export function useKept<T>(name: string, usual: T): Ref<T> {
  let value = read(name, usual)
  return customRef((track, trigger) => ({
    get() {
      track()
      return value
    },
    set(next) {
      value = next
      trigger()
      try {
        localStorage.setItem(AT + name, JSON.stringify(next))
      } catch {
        // A browser that keeps nothing arranges the window anew each day.
      }
    },
  }))
}

function read<T>(name: string, usual: T): T {
  try {
    const kept = localStorage.getItem(AT + name)
    const value = kept === null ? usual : JSON.parse(kept)
    return typeof value === typeof usual ? value : usual
  } catch {
    return usual
  }
}
