import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { computed, effectScope, ref, type EffectScope } from 'vue'
import type { EventType, Rope } from '../api/bundle'
import type { Part } from '../project/useProject'
import type { PullMessage, Stage } from '../stage/useStage'
import { usePulling, type Pulling } from './usePulling'

const STONE = { surface: 'stone', speed: 9 }

function part<T>(body: object): Part<T> {
  return { id: 1, revision: 1, body: body as T }
}

describe('the hand on a rope that was just opened', () => {
  let scope: EffectScope
  let hand: Pulling
  let sent: PullMessage[]
  const shape = ref('moment')
  const rope = ref<Part<Rope> | undefined>(part<Rope>({ name: 'landing on stone' }))

  beforeEach(() => {
    setActivePinia(createPinia())
    sent = []
    shape.value = 'moment'
    rope.value = part<Rope>({ name: 'landing on stone' })
    scope?.stop()
    scope = effectScope()
    hand = scope.run(() =>
      usePulling({
        eventId: ref(1),
        event: computed(() =>
          part<EventType>({ name: 'courier.landed', shape: shape.value, fields: [], values: ['off', 'on'] }),
        ),
        rope: computed(() => rope.value),
        live: { pull: (m: PullMessage) => !!sent.push(m), publish: () => {} } as unknown as Stage,
        expect: () => {},
        changed: () => {},
        failed: () => {},
      }),
    )!
  })

  it('waits with a pull until it is known what the rope answers', () => {
    hand.forget()
    hand.pull(0)
    expect(sent).toEqual([])
    hand.fit(STONE)
    expect(sent.map((m) => m.payload)).toEqual([STONE])
    hand.pull(0)
    expect(sent).toHaveLength(2)
  })

  it('pulls what is usual where nothing was found, and at once where no rope is open', () => {
    hand.forget()
    hand.pull(0)
    hand.fit()
    expect(sent.map((m) => m.payload)).toEqual([{}])
    hand.forget()
    rope.value = undefined
    hand.pull(0)
    expect(sent).toHaveLength(2)
  })

  it('keeps what a hand chose meanwhile', () => {
    hand.forget()
    hand.setPayload({ surface: 'grass', speed: 3 })
    hand.fit(STONE)
    hand.pull(0)
    expect(sent.map((m) => m.payload)).toEqual([{ surface: 'grass', speed: 3 }])
  })

  it('does not begin a span that was let go before it could begin', () => {
    shape.value = 'span'
    hand.forget()
    hand.begin(0)
    hand.end()
    hand.fit(STONE)
    expect(sent).toEqual([])
    expect(hand.holding).toBe(false)
  })
})
