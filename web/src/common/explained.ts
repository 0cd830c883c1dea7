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
