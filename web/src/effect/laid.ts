import { shallowRef } from 'vue'
import type { Key, Stop } from '../api/bundle'

/** The lane that was copied last, to be pasted into another one, of this emitter or any. */
export const laid = shallowRef<Key[]>()

/** The colours that were copied last. */
export const laidColours = shallowRef<Stop[]>()
