import { watch, type Ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'

/**
 * Keeps what is open in a view in the address, so that links and *back* lead there.
 *
 * @param what the name under which its number stands there
 * @param opened what is open; 0 for nothing
 * @param open opens what the address says, if it is there
 */
export function useOpened(what: string, opened: Ref<number>, open: (id: number) => void) {
  const route = useRoute()
  const router = useRouter()
  const { path } = route
  const said = () => Number(route.query[what]) || 0

  watch(
    opened,
    (id, before) => {
      if (route.path !== path || id === said() || (!id && !before)) return
      const query = { ...route.query, [what]: id || undefined }
      // What is opened first, or closed, is no step to go back to.
      if (id && before && said()) void router.push({ query })
      else void router.replace({ query })
    },
    { immediate: true },
  )
  watch(said, (id) => {
    if (route.path === path && id && id !== opened.value) open(id)
  })
  return { said }
}
