/** Runs of a score shared by several workers, and taken in one after the other. */

/** What one run held, as the core tells it; only handed on. */
export type HeldRun = object

/** Somebody who plays runs. */
export type Player = (run: number) => Promise<HeldRun>

/** So many runs may be played and not taken in yet, so that nobody waits for whoever takes them in and plays too. */
const AHEAD = 4

/**
 * Plays runs, each by whoever is free, and hands them over in their order. What a player breaks on, another plays; only when the
 * last one breaks, its reason is thrown.
 *
 * @param first the first that was not taken in yet
 * @param runs how many there are in all
 * @param take takes in the next run
 * @param wanted whether it is still wanted
 */
export async function playTogether(
  players: Player[],
  first: number,
  runs: number,
  take: (run: HeldRun) => Promise<void>,
  wanted: () => boolean,
): Promise<void> {
  const given: number[] = Array.from({ length: Math.max(0, runs - first) }, (_, i) => first + i)
  const played = new Map<number, HeldRun>()
  let next = first
  let taking: Promise<void> = Promise.resolve()
  let failed = false
  const whole = new Set(players)

  const takeIn = async () => {
    for (let run = played.get(next); run && wanted() && !failed; run = played.get(next)) {
      played.delete(next++)
      try {
        await take(run)
      } catch (e) {
        failed = true
        throw e
      }
    }
  }
  const play = async (player: Player) => {
    while (wanted() && !failed) {
      const run = given.shift()
      if (run === undefined) return
      try {
        played.set(run, await player(run))
      } catch (e) {
        // The lowest that is not played is the next to be waited for.
        given.unshift(run)
        whole.delete(player)
        if (!whole.size) throw e
        return
      }
      taking = taking.then(takeIn)
      taking.catch(() => undefined)
      if (played.size >= AHEAD) await taking
    }
  }
  // One that breaks late leaves a run to the others when they are through.
  do await Promise.all([...whole].map(play))
  while (given.length && wanted() && !failed)
  await taking
}
