import { computed, type Ref } from 'vue'
import { useProject } from '../project/useProject'
import { useLive } from './useLive'

/**
 * The stage socket of a view that pulls nothing: what changes elsewhere is taken over, and drafts are saved when the server
 * is back.
 *
 * @param offline what is said while the server is away; emptied when it is back
 */
export function useElsewhere(offline: Ref<string>) {
  const project = useProject()
  return useLive(
    computed(() => project.id),
    {
      frame: () => undefined,
      changed: (saved) => project.takeFromElsewhere(saved),
      replaced: () => project.open(project.id),
      refused: () => undefined,
      back: () => {
        offline.value = ''
        if (project.drafts.size) project.saveDrafts()
        else project.open(project.id)
      },
    },
  )
}
