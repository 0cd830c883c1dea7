import { onScopeDispose, ref, watch } from 'vue'
import { reader, type Saved } from '../api/client'
import { useProject } from './useProject'

/** Milliseconds until the server is tried again, and when it had no room. */
const AGAIN = 1000
const NO_ROOM = 10_000

/**
 * Word of what other windows change in the open project, over one socket that reconnects by itself. When the server is back
 * after it was away, what waits to be saved is saved.
 */
export function useNews() {
  const project = useProject()
  const state = ref<'connecting' | 'open' | 'lost'>('connecting')
  /** Why the server closed the socket, in its words; empty if it did not say. */
  const closed = ref('')
  /** How many running games are linked with the project. */
  const games = ref(0)
  let socket: WebSocket | undefined
  let retry: ReturnType<typeof setTimeout> | undefined
  let lost = false

  function connect() {
    clearTimeout(retry)
    socket?.close()
    socket = undefined
    games.value = 0
    if (!project.id) return
    const scheme = location.protocol === 'https:' ? 'wss' : 'ws'
    const mine = new WebSocket(`${scheme}://${location.host}/api/news?project=${project.id}&reader=${reader}`)
    socket = mine
    mine.onmessage = ({ data }) => {
      if (mine === socket) hear(JSON.parse(data))
    }
    mine.onclose = (event) => {
      if (mine !== socket) return
      state.value = 'lost'
      games.value = 0
      closed.value = event.reason
      lost = true
      retry = setTimeout(connect, event.code === 1013 ? NO_ROOM : AGAIN)
    }
  }

  async function hear(
    message: { is: 'ready' | 'replaced' } | { is: 'changed'; saved: Saved } | { is: 'games'; linked: number },
  ) {
    switch (message.is) {
      case 'ready':
        state.value = 'open'
        closed.value = ''
        if (lost) {
          lost = false
          await project.back()
        }
        break
      case 'changed':
        project.takeFromElsewhere(message.saved)
        break
      case 'games':
        games.value = message.linked
        break
      case 'replaced':
        await project.open(project.id)
        break
    }
  }

  watch(() => project.id, connect, { immediate: true })
  onScopeDispose(() => {
    clearTimeout(retry)
    const last = socket
    socket = undefined
    last?.close()
  })

  return { state, closed, games }
}
