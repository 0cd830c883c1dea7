import type { Rope } from '../api/bundle'
import type { FittedRequest } from '../api/client'
import { fitted } from '../core/computed'
import { useProject } from '../project/useProject'

/** One thing to fit ropes to. */
export type Move = Pick<FittedRequest, 'event' | 'effect' | 'feed' | 'field' | 'channel'>

/** Puts what another rope says in the place of all that a rope says. */
export function become(rope: Rope, other: Rope) {
  for (const key of Object.keys(rope)) delete rope[key as keyof Rope]
  Object.assign(rope, other)
}

/**
 * Brings ropes to fit another event, effect, source or field; the rules are core's, and nothing is saved by asking. Empty
 * when that was refused, or the server is away: it has been said then.
 */
export function useFit() {
  const project = useProject()
  return (ropes: Rope[], move: Move): Promise<Rope[]> =>
    project.ask(async () => {
      const view = await fitted(project, { ropes, drafts: project.draftList, ...move })
      return view.ropes as unknown as Rope[]
    }, [])
}
