import { computed } from 'vue'
import type { Score } from '../api/bundle'
import { freeName } from '../common/freeName'
import { useProject } from '../project/useProject'
import { useRehearsal } from './useRehearsal'

/** The scores of the project: what makes, changes and chooses them. */
export function useScores() {
  const project = useProject()
  const rehearsal = useRehearsal()
  const score = computed(() => rehearsal.score?.body)

  const named = (wanted: string) =>
    freeName(
      wanted,
      project.scores.map((s) => s.body.name),
    )
  async function add(body: Score) {
    const id = await project.add('score', body)
    if (id) rehearsal.chosen = id
  }
  /** Changes the chosen one; shown at once, and saved unless it is only on its way. */
  function save(next: Score, keep = true) {
    const part = rehearsal.score
    if (!part) return
    if (keep) void project.commit(part.id, next)
    else project.draft(part.id, next)
  }
  return {
    score,
    named,
    add,
    save,
    addEmpty: () => add({ name: named('rehearsal'), seconds: 30, seed: 1, lanes: [] }),
    addWorst: async () => add(await rehearsal.worstSecond(named('the worst second'))),
  }
}
