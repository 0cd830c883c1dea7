import { computed, onScopeDispose, shallowRef } from 'vue'
import { Refused, type BalanceLine, type NoticedView, type WiringView } from '../api/client'
import { latest } from '../common/latest'
import { wiring } from '../core/computed'
import { pulled, recorded } from '../project/recorded'
import { useProject } from '../project/useProject'

const REST = 250

/** What the checks say of all ropes, and how they weigh against one another; asked for again when something was saved. */
export function useWiring() {
  const project = useProject()
  const view = shallowRef<WiringView>()
  const look = latest<void>(async () => {
    try {
      view.value = await wiring(project, project.draftList, recorded(), pulled())
    } catch (e) {
      // A server that is away is told of elsewhere; what was known stays.
      if (!(e instanceof Refused)) throw e
    }
  })
  // A rope of which nothing else is said keeps its list, so that its row need not be drawn anew.
  let before = new Map<number, NoticedView[]>()
  const byRope = computed(() => {
    const found = new Map<number, NoticedView[]>()
    for (const n of view.value?.findings ?? [])
      if (n.rope !== undefined) found.set(n.rope, [...(found.get(n.rope) ?? []), n])
    for (const [rope, list] of found) {
      const was = before.get(rope)
      if (was && JSON.stringify(was) === JSON.stringify(list)) found.set(rope, was)
    }
    return (before = found)
  })
  const balance = computed(() => new Map<number, BalanceLine>(view.value?.lines.map((l) => [l.rope, l])))
  function mend(n: NoticedView) {
    if (n.rope !== undefined && n.remedy) project.commit(n.rope, n.remedy.body)
  }
  // After a rest: the picture of what was changed comes first.
  let rest: ReturnType<typeof setTimeout> | undefined
  function lookSoon() {
    clearTimeout(rest)
    rest = setTimeout(() => look(undefined), REST)
  }
  onScopeDispose(() => clearTimeout(rest))
  return { view, byRope, balance, look: lookSoon, mend }
}
