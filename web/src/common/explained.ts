import type { Directive } from 'vue'
import { setting } from './settings'

/** Returns what the schema says of a setting, for whoever asks; nothing where it says nothing. */
export function explanation(of: string, path: string): string | undefined {
  try {
    return setting(of, path.replace(/\.\d+(?=\.|$)/g, '.0')).description || undefined
  } catch {
    // A row may stand for several settings.
    return undefined
  }
}

function tell(element: HTMLElement, name: string) {
  const [of, ...path] = name.split('.')
  const words = explanation(of, path.join('.'))
  if (words) element.dataset.explains = words
  else delete element.dataset.explains
}

/** `v-explains="'Feed.rise'"`: what the schema says of that setting is said beside the element. */
export const explains: Directive<HTMLElement, string> = {
  beforeMount: (element, { value }) => tell(element, value),
  updated: (element, { value, oldValue }) => value !== oldValue && tell(element, value),
}

declare module 'vue' {
  interface GlobalDirectives {
    vExplains: Directive<HTMLElement, string>
  }
}
