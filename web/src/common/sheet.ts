import type { InjectionKey } from 'vue'

/** Given by a sheet that shuts when something beside it is pressed. */
export const IN_SHEET: InjectionKey<boolean> = Symbol('sheet')
