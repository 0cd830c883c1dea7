import { record } from '../project/recorded'
import { onScopeDispose, reactive, ref, shallowRef, watch, type Ref } from 'vue'
import { reader, type AccountReport, type Draft, type Problem, type Saved } from '../api/client'
import type { Payload } from '../api/bundle'
import { readFrame, type Frame } from './frames'

interface Handlers {
  /** Called at once with every frame, before anything is repainted. */
  frame: (frame: Frame) => void
  changed: (saved: Saved) => void
  replaced: () => void
  refused: (detail: string, problems: Problem[]) => void
  /** Called whenever a stage is there, which knows nothing yet. */
  open?: () => void
  /** Called when the connection is there again after it was lost. */
  back: () => void
}

/** A pull, as the stage takes it. */
export interface PullMessage {
  event: string
  seed: number
  payload?: Payload
  phase?: 'begin' | 'end'
  value?: string
  subject?: string
}

/** Something that game code would be told. */
export interface Told {
  name: string
  what: 'notice' | 'begins' | 'ends' | 'gone'
  rope: string
  at: number
  values: Payload
}

/** What shakes, flashes and holds still. */
export interface Comfort {
  shake: [number, number]
  flash: [number, number, number, number]
  paused: number
}

const LESS = 'bellrope.comfort'

/** The stage socket: pulls and drafts up, frames and accounts down. Reconnects by itself. */
export function useLive(project: Ref<number>, handlers: Handlers) {
  const state = ref<'connecting' | 'open' | 'lost' | 'failed'>('connecting')
  /** Why the stage was given up; empty while it runs. */
  const failed = ref('')
  /** Why the server closed the socket, in its words; empty if it did not say. */
  const closed = ref('')
  const account = shallowRef<AccountReport>()
  const instances = ref(0)
  const particles = ref(0)
  const told = shallowRef<Told[]>([])
  const comfort = shallowRef<Comfort>({ shake: [0, 0], flash: [0, 0, 0, 0], paused: 0 })
  const less = reactive<{ lessShake: boolean; lessFlash: boolean }>(
    JSON.parse(localStorage.getItem(LESS) ?? '{"lessShake":false,"lessFlash":false}'),
  )
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
    mine.onclose = (event) => {
      if (mine !== socket) return
      state.value = 'lost'
      closed.value = event.reason
      failed.value = ''
      lost = true
      instances.value = 0
      particles.value = 0
      // One that there was no room for waits longer.
      retry = setTimeout(connect, event.code === 1013 ? 10_000 : 1000)
    }
  }

  function hear(message: { is: string } & Record<string, unknown>) {
    switch (message.is) {
      case 'ready':
        state.value = 'open'
        failed.value = ''
        closed.value = ''
        send({ do: 'comfort', ...less })
        handlers.open?.()
        if (lost) handlers.back()
        lost = false
        break
      case 'account':
        account.value = message.account as AccountReport
        record(account.value)
        break
      case 'told':
        told.value = [...(message.told as Told[]).reverse(), ...told.value].slice(0, 8)
        break
      case 'comfort':
        comfort.value = message as unknown as Comfort
        break
      case 'changed':
        handlers.changed(message.saved as Saved)
        break
      case 'replaced':
        handlers.replaced()
        break
      case 'failed':
        failed.value = message.detail as string
        state.value = 'failed'
        instances.value = 0
        particles.value = 0
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

  watch(less, () => {
    localStorage.setItem(LESS, JSON.stringify(less))
    send({ do: 'comfort', ...less })
  })

  return {
    state,
    failed,
    closed,
    restart: () => send({ do: 'restart' }),
    account,
    instances,
    particles,
    told,
    comfort,
    less,
    pull: (message: PullMessage) => send({ do: 'pull', ...message }),
    publish: (channel: string, value: number) => send({ do: 'publish', channel, value }),
    gone: (subject: string) => send({ do: 'gone', subject }),
    reset: () => send({ do: 'reset' }),
    draft: (parts: Draft[]) => send({ do: 'draft', parts }),
    clear: () => send({ do: 'clear' }),
  }
}

export type Live = ReturnType<typeof useLive>
