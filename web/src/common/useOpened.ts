import { onScopeDispose, watch, type Ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useProject } from '../project/useProject'

/**
 * Keeps what is open in a view in the address, so that links and *back* lead there. Whoever is on the way to another view is
 * not held up: what is to be written then waits.
 *
 * @param what the name under which its number stands there
 * @param opened what is open; 0 for nothing
 * @param open opens what the address says, if it is there
 */
export function useOpened(what: string, opened: Ref<number>, open: (id: number) => void) {
  const route = useRoute()
  const router = useRouter()
  const project = useProject()
  const { path } = route
  const said = () => Number(route.query[what]) || 0
  let going = false
  let owed = false

  function write(step: boolean) {
    owed = going
    if (going || route.path !== path || opened.value === said()) return
    const query = {
      ...route.query,
      ...(project.id && { project: project.id }),
      [what]: opened.value || undefined,
    }
    void (step ? router.push({ query }) : router.replace({ query }))
  }

  const stops = [
    router.beforeEach(() => {
      going = true
    }),
    router.afterEach(() => {
      going = false
      if (owed) write(false)
    }),
  ]
  onScopeDispose(() => stops.forEach((stop) => stop()))

  watch(
    opened,
    // What is opened first, or closed, is no step to go back to.
    (id, before) => (id || before) && write(!!(id && before && said())),
    { immediate: true },
  )
  watch(said, (id) => {
    if (route.path === path && id && id !== opened.value) open(id)
  })
  return { said }
}
