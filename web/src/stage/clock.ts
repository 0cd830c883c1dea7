/** Where a take is; shared by stages that run side by side. */
export interface Clock {
  at: number
  playing: boolean
}
