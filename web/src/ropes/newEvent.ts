import type { InjectionKey } from 'vue'

/** Opens the sheet on which an event is made. */
export const NEW_EVENT: InjectionKey<() => void> = Symbol('new event')
