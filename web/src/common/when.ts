const day = (when: Date) => when.toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })

/** Returns a moment to the second, such as 1 Dec 14:05:09. */
export const toTheSecond = (when: Date) => `${day(when)} ${when.toTimeString().slice(0, 8)}`

/** Returns a moment to the minute: of today 14:05, of another day 1 Dec 14:05. */
export function toTheMinute(when: Date, today = new Date()): string {
  const time = when.toTimeString().slice(0, 5)
  return when.toDateString() === today.toDateString() ? time : `${day(when)} ${time}`
}
