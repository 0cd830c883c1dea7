import type { RehearsalView } from '../api/client'
import type { Lane } from '../api/bundle'

/** A mark as it is drawn. */
export interface Shown {
  /** Which of the lane's marks it is, whether they are its own or a rule wrote them. */
  index: number
  /** Seconds at which it comes. */
  at: number
  /** Seconds for which it lasts; 0 for what only happens. */
  lasts: number
  /** How many ropes answered; −1 where it was refused, undefined where it was not played as it is now. */
  answered?: number
  /** Number of its pull; 0 where there is none. */
  pull: number
}

const key = (seconds: number) => Math.round(seconds * 1e6)

/** Returns the marks of a lane: its own as they are written, with what became of them; what a rule wrote as it was played. */
export function shownMarks(lane: Lane, view: RehearsalView | undefined): Shown[] {
  const played = view?.lanes.find((l) => l.lane === lane.id)
  const lasted = (i: number) => (played?.until ? played.until[i] - played.at[i] || 0 : 0)
  if (lane.when.kind !== 'marks') {
    return (played?.at ?? []).map((at, index) => ({
      index,
      at,
      lasts: lasted(index),
      answered: played!.answered[index],
      pull: played!.pulls[index],
    }))
  }
  const known = new Map(played?.at.map((at, i) => [key(at), i]))
  return lane.when.marks.map((mark, index) => {
    const i = known.get(key(mark.at))
    return {
      index,
      at: mark.at,
      lasts: mark.lasts ?? (i === undefined ? 0 : lasted(i)),
      answered: i === undefined ? undefined : played!.answered[i],
      pull: i === undefined ? 0 : played!.pulls[i],
    }
  })
}

/**
 * Returns the marks that can be told apart where a second is so many pixels wide: of those in one place, the first of each sort.
 *
 * @param kept one that is there in any case
 */
export function apart(marks: Shown[], pixels: number, kept = -1): Shown[] {
  const seen = new Set<string>()
  return marks.filter((m) => {
    const sort = m.answered === undefined ? 'new' : Math.sign(m.answered)
    const place = `${Math.round(m.at * pixels)} ${Math.round(m.lasts * pixels)} ${sort}`
    const first = !seen.has(place)
    seen.add(place)
    return first || (kept >= 0 && m.index === kept)
  })
}
