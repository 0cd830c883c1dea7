/**
 * Runs work one at a time, and of what was asked for meanwhile only the last: a drag never queues, and what arrives is
 * never older than what was there. Long work may ask `replaced` between its pieces, and stop where it says so.
 */
export function latest<T>(work: (asked: T, replaced: () => boolean) => Promise<void>): (asked: T) => void {
  let running = false
  let waiting: { asked: T } | undefined
  async function run(asked: T) {
    running = true
    try {
      await work(asked, () => waiting !== undefined)
    } finally {
      running = false
      if (waiting) {
        const next = waiting
        waiting = undefined
        run(next.asked)
      }
    }
  }
  return (asked) => {
    if (running) waiting = { asked }
    else run(asked)
  }
}
