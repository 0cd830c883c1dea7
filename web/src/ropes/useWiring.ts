import { computed, shallowRef } from 'vue'
import { api, Refused, type BalanceLine, type NoticedView, type WiringView } from '../api/client'
import { latest } from '../common/latest'
import { useProject } from '../project/useProject'

/** What the checks say of all ropes, and how they weigh against one another; asked for again when something was saved. */
export function useWiring() {
  const project = useProject()
  const view = shallowRef<WiringView>()
  const look = latest<void>(async () => {
    try {
      view.value = await api.wiring(project.id, project.draftList)
    } catch (e) {
      // A server that is away is told of elsewhere; what was known stays.
      if (!(e instanceof Refused)) throw e
    }
  })
  const byRope = computed(() => {
    const found = new Map<number, NoticedView[]>()
    for (const n of view.value?.findings ?? [])
      if (n.rope !== undefined) found.set(n.rope, [...(found.get(n.rope) ?? []), n])
    return found
  })
  const balance = computed(() => new Map<number, BalanceLine>(view.value?.lines.map((l) => [l.rope, l])))
  function mend(n: NoticedView) {
    if (n.rope !== undefined && n.remedy) project.commit(n.rope, n.remedy.body)
  }
  return { view, byRope, balance, look: () => look(undefined), mend }
}
