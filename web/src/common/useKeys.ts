import { onMounted, onScopeDispose } from 'vue'
import { useKept } from './useKept'

/** Whether single letters, digits and Space act as keys of the bench (WCAG 2.1.4: it must be possible to turn them off). */
export const letterKeys = useKept('letter keys', true)

/** Sheets that are open, or about to be. */
let sheets = 0

/** Says that a sheet is there from now on, so that no letter is a key any more, even before it can be seen. */
export function useSheet() {
  sheets++
  onScopeDispose(() => sheets--)
}

function typing(target: EventTarget | null): boolean {
  const element = target as HTMLElement | null
  return !!element?.closest?.(
    'input:not([type=range]):not([type=radio]), textarea, select, [contenteditable], .el-popper, dialog',
  )
}

/**
 * Listens to keys on the whole page, but never while someone types.
 *
 * @param keys by name, with `Ctrl+` and `Shift+` before it
 * @param released what to do when a key is released, by name
 */
export function useKeys(
  keys: Record<string, (event: KeyboardEvent) => void>,
  released: Record<string, () => void> = {},
) {
  function hear(event: KeyboardEvent) {
    const command = event.ctrlKey || event.metaKey
    // What is typed before a sheet is up is meant for it.
    if (sheets > 0 && !command) return
    if (typing(event.target) && !(command && event.key.toLowerCase() !== 'z')) return
    const name =
      (command ? 'Ctrl+' : '') +
      (command && event.shiftKey ? 'Shift+' : '') +
      (event.key.length === 1 ? event.key.toLowerCase() : event.key)
    const act = keys[name]
    if (!act || event.altKey || (!command && event.key.length === 1 && !letterKeys.value)) return
    // Arrows go from one of a few to the next.
    if (event.key.startsWith('Arrow') && (event.target as HTMLElement).matches?.('[type=radio]')) return
    // A focused button keeps its own Enter.
    if (event.key === 'Enter' && (event.target as HTMLElement).closest?.('button, a')) return
    event.preventDefault()
    act(event)
  }
  // A released key is released, wherever the focus is by then.
  const release = (event: KeyboardEvent) => released[event.key]?.()
  onMounted(() => {
    window.addEventListener('keydown', hear)
    window.addEventListener('keyup', release)
  })
  onScopeDispose(() => {
    window.removeEventListener('keydown', hear)
    window.removeEventListener('keyup', release)
  })
}
