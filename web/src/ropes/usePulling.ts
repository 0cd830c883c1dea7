import { computed, onScopeDispose, reactive, ref, watch, type ComputedRef, type Ref } from 'vue'
import type { EventType, Payload, Rope, Vector } from '../api/bundle'
import { useProject, type Part } from '../project/useProject'
import { clock, type Stage } from '../stage/useStage'

export type Strength = 'soft' | 'usual' | 'hard'

/** What changes from one repeated pull to the next: nothing, the side it comes from, or the option of a choice. */
export type Alternating = '' | 'side' | `choice ${string}`

let pulls = 1

/**
 * The hand on the rope: the payload of the next pull, spans that are held, states, channels, pulls that repeat.
 *
 * @param failed called with what to say when nothing could be sent
 */
export function usePulling(of: {
  eventId: Ref<number>
  event: ComputedRef<Part<EventType> | undefined>
  rope: ComputedRef<Part<Rope> | undefined>
  live: Stage
  expect: (pressed: number) => void
  changed: () => void
  failed: (words: string) => void
}) {
  const project = useProject()
  const payload = ref<Payload>({})
  const strength = ref('usual')
  const seed = ref(1)
  const subject = ref('')
  const channels = reactive(new Map<string, number>())
  const held = reactive(new Set<string>())
  const states = reactive(new Map<string, string>())
  const repeating = ref(false)
  const every = ref(0.5)
  const alternating = ref<Alternating>('')
  const also = ref('')
  /** How many times it comes in one instant. */
  const times = ref(1)
  const heldFor = ref(1.5)
  /** Whether a payload that the open rope answers is still being looked for. */
  const fitting = ref(false)
  /** What a hand asked for meanwhile. */
  let waiting: (() => void) | undefined
  let turn = 0

  const shape = computed(() => of.event.value?.body.shape ?? 'moment')
  const holding = computed(() => !!of.event.value && held.has(key(of.event.value.body.name)))
  const key = (name: string) => `${name} ${subject.value}`

  function setStrength(name: Strength) {
    strength.value = name
    const ready = project.strengths.get(of.eventId.value)?.[name]
    const event = of.event.value
    if (!ready || !event) return
    // Words stay as they are chosen: soft and hard are about how much, not on what.
    const kept: Payload = {}
    for (const field of event.body.fields)
      if (field.type !== 'number' && field.name in payload.value) kept[field.name] = payload.value[field.name]
    setPayload({ ...ready, ...kept }, name)
  }

  function setPayload(next: Payload, from = '') {
    strength.value = from
    payload.value = next
    fit()
    of.changed()
  }

  /** Begins anew: the next pull carries what the open rope answers, and waits until that is known. */
  function forget() {
    payload.value = {}
    strength.value = 'usual'
    fitting.value = true
    waiting = undefined
  }

  /** Takes what the open rope answers, if it was found, and pulls what waited for it. */
  function fit(found?: Payload) {
    if (!fitting.value) return
    fitting.value = false
    if (found) payload.value = found
    waiting?.()
    waiting = undefined
  }

  function waits(act: () => void): boolean {
    if (!fitting.value || !of.rope.value) return false
    waiting = act
    return true
  }

  const usual = (id: number) => project.strengths.get(id)?.usual ?? {}
  /** What the next pull carries: what was chosen, or what is usual. */
  const carries = () => (Object.keys(payload.value).length ? payload.value : usual(of.eventId.value))

  // Of a repeated pull: the other side, or the next option.
  function turned(event: EventType, values: Payload): Payload {
    const next = { ...values }
    if (alternating.value === 'side' && turn % 2)
      for (const field of event.fields)
        if (['direction', 'heading', 'normal', 'velocity'].includes(field.type)) {
          const [x, y, z] = next[field.name] as Vector
          next[field.name] = [-x, y, z]
        }
    const name = alternating.value.startsWith('choice ') ? alternating.value.slice(7) : undefined
    const field = event.fields.find((f) => f.name === name)
    if (field?.type === 'choice') {
      const first = Math.max(0, field.options.indexOf(next[field.name] as string))
      next[field.name] = field.options[(first + turn) % field.options.length]
    }
    return next
  }

  function send(message: Parameters<Stage['pull']>[0], now?: number): boolean {
    const sent = of.live.pull({ ...message, subject: subject.value || undefined }, now)
    if (!sent) of.failed('The stage has stopped, so nothing was pulled; start it again.')
    return sent
  }

  /** Pulls a moment, begins or ends a span, or takes a state one value on. */
  function pull(pressed: number) {
    const event = of.event.value
    if (!event || waits(() => pull(pressed))) return
    if (shape.value === 'span') return holding.value ? end() : begin(pressed)
    if (shape.value === 'state') {
      const values = event.body.values!
      const now = values.indexOf(states.get(event.body.name) ?? values[0])
      return switchTo(values[(now + 1) % values.length], pressed)
    }
    const carried = carries()
    seed.value = pulls++
    of.expect(pressed)
    const now = clock()
    const same = { event: event.body.name, payload: turned(event.body, carried) }
    if (!send({ ...same, seed: seed.value }, now)) return
    for (let n = 1; n < times.value; n++) send({ ...same, seed: pulls++ }, now)
    const other = project.events.find((e) => e.body.name === also.value)
    if (other) {
      const phase = other.body.shape === 'span' ? 'begin' : undefined
      const value = other.body.shape === 'state' ? other.body.values![1] : undefined
      send({ event: other.body.name, payload: usual(other.id), seed: pulls++, phase, value }, now)
    }
    payload.value = carried
  }

  function begin(pressed: number) {
    const event = of.event.value
    if (!event || event.body.shape !== 'span' || holding.value || waits(() => begin(pressed))) return
    const carried = carries()
    seed.value = pulls++
    of.expect(pressed)
    if (!send({ event: event.body.name, phase: 'begin', payload: carried, seed: seed.value })) return
    held.add(key(event.body.name))
    payload.value = carried
  }

  function end() {
    waiting = undefined
    const event = of.event.value
    if (!event || !held.delete(key(event.body.name))) return
    send({ event: event.body.name, phase: 'end', seed: 0 })
  }

  /** Ends every span that is held: the hand is off, or nothing of it runs any more. */
  function letGo() {
    for (const one of [...held]) {
      const [name, ...rest] = one.split(' ')
      of.live.pull({ event: name, phase: 'end', seed: 0, subject: rest.join(' ') || undefined })
    }
    held.clear()
  }

  function switchTo(value: string, pressed: number) {
    const event = of.event.value
    if (!event || waits(() => switchTo(value, pressed))) return
    seed.value = pulls++
    of.expect(pressed)
    const carried = carries()
    if (send({ event: event.body.name, value, payload: carried, seed: seed.value }))
      states.set(event.body.name, value)
  }

  function publish(channel: string, value: number) {
    channels.set(channel, value)
    of.live.publish(channel, value)
    of.changed()
  }

  /** Tells a stage that has just been opened what the old one knew. */
  function again() {
    held.clear()
    states.clear()
    channels.forEach((value, name) => of.live.publish(name, value))
  }

  // Where the event carries something else than it did, the payload does too.
  watch(
    () => of.event.value && JSON.stringify([of.event.value.id, of.event.value.body.fields]),
    (now, before) => {
      const event = of.event.value
      if (!event || !before || JSON.parse(before)[0] !== event.id || now === before) return
      const ready = usual(event.id)
      const next: Payload = {}
      for (const field of event.body.fields) next[field.name] = payload.value[field.name] ?? ready[field.name]
      if (Object.values(next).every((v) => v !== undefined)) setPayload(next)
    },
    { flush: 'post' },
  )

  let timer: ReturnType<typeof setInterval> | undefined
  watch([repeating, every], () => {
    clearInterval(timer)
    if (!repeating.value) return
    turn = 0
    const tick = () => {
      pull(performance.now())
      turn++
    }
    tick()
    timer = setInterval(tick, Math.max(0.05, every.value) * 1000)
  })
  watch(of.eventId, () => {
    repeating.value = false
    alternating.value = ''
    times.value = 1
  })
  window.addEventListener('blur', letGo)
  onScopeDispose(() => {
    clearInterval(timer)
    window.removeEventListener('blur', letGo)
  })

  return reactive({
    payload,
    strength,
    seed,
    subject,
    channels,
    states,
    shape,
    holding,
    repeating,
    every,
    alternating,
    also,
    times,
    heldFor,
    fitting,
    fit,
    setStrength,
    setPayload,
    carries,
    forget,
    pull,
    begin,
    end,
    letGo,
    switchTo,
    publish,
    again,
  })
}

export type Pulling = ReturnType<typeof usePulling>
