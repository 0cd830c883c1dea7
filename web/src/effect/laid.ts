import { shallowRef } from 'vue'
import type { Key } from '../api/bundle'

/** The lane that was copied last, to be pasted into another one, of this emitter or any. */
export const laid = shallowRef<Key[]>()
