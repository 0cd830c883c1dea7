import { onScopeDispose, ref, watch, type Ref } from 'vue'
import { useKept } from '../common/useKept'
import { useProject } from '../project/useProject'

const AGAIN = 1000

/** Whether running games get what is not saved yet. */
export const sharing = useKept('drafts to games', false)

/** Why what is shown here is in no game; empty where it is, or nothing is shown unsaved. */
export const unshared = ref('')

type Answer = { is: 'drafted'; change: number } | { is: 'not drafted'; why: string }

/**
 * Lets running games have what this window shows unsaved, if that is wanted: the newest, once the one before has been answered.
 *
 * @param games how many are linked with the open project
 */
export function useSharing(games: Ref<number>) {
  const project = useProject()
  let socket: WebSocket | undefined
  let retry: ReturnType<typeof setTimeout> | undefined
  // Whether an answer is waited for; whether there is something new; whether nothing was said, or that nothing is shown.
  let waiting = false
  let due = false
  let empty = true

  function connect() {
    clearTimeout(retry)
    const last = socket
    socket = undefined
    last?.close()
    unshared.value = ''
    waiting = false
    due = true
    empty = true
    if (!sharing.value || !games.value || !project.id) return
    const scheme = location.protocol === 'https:' ? 'wss' : 'ws'
    const mine = new WebSocket(`${scheme}://${location.host}/api/drafts?project=${project.id}`)
    socket = mine
    mine.onopen = show
    mine.onmessage = ({ data }) => mine === socket && hear(JSON.parse(data) as Answer)
    mine.onclose = ({ reason }) => {
      if (mine !== socket) return
      unshared.value = reason
      retry = setTimeout(connect, AGAIN)
    }
  }

  function show() {
    if (waiting || !due || socket?.readyState !== WebSocket.OPEN) return
    const drafts = project.draftList
    due = false
    if (empty && !drafts.length) return
    empty = !drafts.length
    waiting = true
    socket.send(JSON.stringify({ is: 'drafts', drafts }))
  }

  function hear(answer: Answer) {
    waiting = false
    unshared.value = answer.is === 'not drafted' ? answer.why : ''
    show()
  }

  watch([sharing, () => games.value > 0, () => project.id], connect, { immediate: true })
  // What others save may let fit what did not.
  watch([() => project.version, () => project.draftList], () => {
    due = true
    show()
  })
  onScopeDispose(() => {
    clearTimeout(retry)
    const last = socket
    socket = undefined
    last?.close()
  })
}
