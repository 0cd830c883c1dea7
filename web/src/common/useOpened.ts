import { nextTick, onScopeDispose, watch, type Ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useProject } from '../project/useProject'

/** Something that is open inside what a view shows. */
export interface Inside {
  what: string
  /** Its name; empty for the usual one. */
  opened: () => string
  open: (name: string) => void
}

/**
 * Keeps what is open in a view in the address, so that links and *back* lead there. Whoever is on the way to another view is
 * not held up: what is to be written then waits.
 *
 * @param what the name under which its number stands there
 * @param opened what is open; 0 for nothing
 * @param open opens what the address says, if it is there
 * @param within what is open inside it; it is no step to go back to, and an address that does not say it means the usual
 */
export function useOpened(
  what: string,
  opened: Ref<number>,
  open: (id: number) => void,
  within: Inside[] = [],
) {
  const route = useRoute()
  const router = useRouter()
  const project = useProject()
  const { path } = route
  const said = () => Number(route.query[what]) || 0
  const text = (name: string) => String(route.query[name] ?? '')
  const standing = () => JSON.stringify([said(), ...within.map((i) => text(i.what))])
  /** What is on its way into the address from here: what comes of that is not opened again. */
  const own = new Set<string>()
  const inside = () => within.every((i) => i.opened() === text(i.what))
  let going = false
  let owed = false

  function write(step: boolean) {
    owed = going
    if (going || route.path !== path || (opened.value === said() && inside())) return
    const query = {
      ...route.query,
      ...(project.id && { project: project.id }),
      [what]: opened.value || undefined,
      ...Object.fromEntries(within.map((i) => [i.what, i.opened() || undefined])),
    }
    const key = JSON.stringify([opened.value, ...within.map((i) => i.opened())])
    own.add(key)
    void (step ? router.push({ query }) : router.replace({ query })).finally(() =>
      nextTick(() => own.delete(key)),
    )
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
    [opened, ...within.map((i) => i.opened)],
    ([id], [before]) => (id || before) && write(!!(id && before && id !== before && said())),
  )
  // What is opened first, or closed, is no step to go back to.
  const enter = () => {
    if (opened.value && opened.value === said()) within.forEach((i) => text(i.what) && i.open(text(i.what)))
    if (opened.value) write(false)
  }
  enter()
  watch([said, ...within.map((i) => () => text(i.what))], () => {
    const id = said()
    if (route.path !== path || !id || own.has(standing())) return
    if (id !== opened.value) open(id)
    if (id === opened.value) within.forEach((i) => text(i.what) !== i.opened() && i.open(text(i.what)))
  })
  return { said }
}
