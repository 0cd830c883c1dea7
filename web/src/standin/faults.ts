import type { Bell, Value } from './WindrowPost'

/** What game code does wrong, if it is asked to: so that one learns how each looks on the bench. */
export const FAULTS = {
  misspelt: 'a misspelt event',
  missing: 'a missing field',
  unit: 'a wrong unit',
  double: 'collisions told three times',
  endless: 'a span that never ends',
  owner: 'an owner that goes too soon',
} as const
export type Fault = keyof typeof FAULTS

/** Puts the faults that are switched on between a game and its stage. */
export function faulty(bell: Bell, on: ReadonlySet<Fault>, gone: (subject: string) => void): Bell {
  return {
    ...bell,
    publish: (channel, value) => bell.publish(channel, value),
    set: (instance, parameter, value) => bell.set(instance, parameter, value),
    pull(event, phase, subject, value, payload) {
      if (on.has('endless') && event === 'kite.reeling' && phase === 'end') return
      let name = event
      let given: Record<string, Value> = payload
      if (on.has('misspelt') && event === 'parcel.collected') name = 'parcel.colected'
      if (on.has('missing') && event === 'courier.landed') {
        given = { ...payload }
        delete given.surface
      }
      // In centimetres a second.
      if (on.has('unit') && event === 'courier.landed' && typeof given.speed === 'number')
        given = { ...given, speed: given.speed * 100 }
      const times = on.has('double') && event === 'courier.struck' ? 3 : 1
      for (let i = 0; i < times; i++) bell.pull(name, phase, subject, value, given)
      if (on.has('owner') && event === 'kite.reeling' && phase === 'begin') gone(subject)
    },
  }
}
