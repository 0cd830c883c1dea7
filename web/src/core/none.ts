/** Stands for the core in tests of what loads it. */
export const open = () => Promise.reject(new Error('there is no core here'))
