import { shallowRef, watch, type Ref } from 'vue'
import { Refused, type FeedsView } from '../../api/client'
import { latest } from '../../common/latest'
import { feeds } from '../../core/computed'
import { useProject } from '../../project/useProject'

/** The feeds of a rope as curves, and how far its response reaches; asked for anew whenever something changes. */
export function useFeeds(rope: Ref<number>) {
  const project = useProject()
  const view = shallowRef<FeedsView>()
  const fetch = latest<void>(async () => {
    try {
      view.value = await feeds(project, rope.value, project.draftList)
    } catch (e) {
      // A server that is away is told of elsewhere; a draft that cannot be read is told where it is typed.
      if (!(e instanceof Refused)) throw e
    }
  })
  watch([rope, () => project.content], () => fetch(undefined), { immediate: true })
  return view
}
