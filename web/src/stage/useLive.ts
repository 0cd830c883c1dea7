import { onScopeDispose, ref, shallowRef, watch, type Ref } from 'vue'
import { reader, type AccountReport, type Draft, type Problem, type Saved } from '../api/client'
import type { Payload } from '../api/bundle'
import { readFrame, type Frame } from './frames'

interface Handlers {
  /** Called at once with every frame, before anything is repainted. */
  frame: (frame: Frame) => void
  changed: (saved: Saved) => void
  replaced: () => void
  refused: (detail: string, problems: Problem[]) => void
  /** Called when the connection is there again after it was lost. */
  back: () => void
}

/** The stage socket: pulls and drafts up, frames and accounts down. Reconnects by itself. */
export function useLive(project: Ref<number>, handlers: Handlers) {
  const state = ref<'connecting' | 'open' | 'lost'>('connecting')
  const account = shallowRef<AccountReport>()
  const instances = ref(0)
  const particles = ref(0)
  let socket: WebSocket | undefined
  let retry: ReturnType<typeof setTimeout> | undefined
  let lost = false

  function connect() {
    clearTimeout(retry)
    socket?.close()
    if (!project.value) return
    const scheme = location.protocol === 'https:' ? 'wss' : 'ws'
    const mine = new WebSocket(
      `${scheme}://${location.host}/api/stage?project=${project.value}&reader=${reader}`,
    )
    mine.binaryType = 'arraybuffer'
    socket = mine
    mine.onmessage = (event) => {
      if (mine !== socket) return
      if (event.data instanceof ArrayBuffer) {
        const frame = readFrame(event.data)
        handlers.frame(frame)
        instances.value = frame.instances
        particles.value = frame.count
        send({ do: 'seen', sequence: frame.sequence })
      } else {
        hear(JSON.parse(event.data))
      }
    }
    mine.onclose = () => {
      if (mine !== socket) return
      state.value = 'lost'
      lost = true
      instances.value = 0
      particles.value = 0
      retry = setTimeout(connect, 1000)
    }
  }

  function hear(message: { is: string } & Record<string, unknown>) {
    switch (message.is) {
      case 'ready':
        state.value = 'open'
        if (lost) handlers.back()
        lost = false
        break
      case 'account':
        account.value = message.account as AccountReport
        break
      case 'changed':
        handlers.changed(message.saved as Saved)
        break
      case 'replaced':
        handlers.replaced()
        break
      case 'refused':
        handlers.refused(message.detail as string, message.problems as Problem[])
        break
    }
  }

  function send(message: unknown): boolean {
    if (socket?.readyState !== WebSocket.OPEN) return false
    socket.send(JSON.stringify(message))
    return true
  }

  watch(project, connect, { immediate: true })
  onScopeDispose(() => {
    clearTimeout(retry)
    const last = socket
    socket = undefined
    last?.close()
  })

  return {
    state,
    account,
    instances,
    particles,
    pull: (event: string, payload: Payload, seed: number) => send({ do: 'pull', event, payload, seed }),
    draft: (parts: Draft[]) => send({ do: 'draft', parts }),
    clear: () => send({ do: 'clear' }),
  }
}
