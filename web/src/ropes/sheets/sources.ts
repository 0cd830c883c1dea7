import type { Channel, Condition, EventType, Pair, Rope, Source } from '../../api/bundle'

export const sourceWords = (s: Source) =>
  s.held ? 'time held' : (s.channel ?? (s.since ? `time since ${s.since}` : (s.field ?? '')))

export function sourceUnit(s: Source, event: EventType | undefined, channels: Channel[]): string {
  if (s.channel) return channels.find((c) => c.name === s.channel)?.unit || ' '
  if (!s.field) return 's'
  const field = event?.fields.find((f) => f.name === s.field)
  return (field?.type === 'number' && field.unit) || ' '
}

/** The values that a source is expected to take. */
export function sourceRange(s: Source, event: EventType | undefined, channels: Channel[]): Pair {
  if (s.channel) return [...(channels.find((c) => c.name === s.channel)?.range ?? [0, 1])] as Pair
  const field = event?.fields.find((f) => f.name === s.field)
  return field?.type === 'number' ? ([...field.range] as Pair) : [0, 2]
}

/** Leaves a rope nothing that its event cannot give. */
export function fitTo(rope: Rope, event: EventType) {
  const has = (name?: string) => name === undefined || event.fields.some((f) => f.name === name)
  rope.event = event.name
  delete rope.value
  rope.conditions = rope.conditions.filter((c) => !('field' in c) || has(c.field))
  rope.feeds = rope.feeds.filter((f) => has(f.field))
  const needs = {
    normal: ['normal'],
    direction: ['direction'],
    opposite: ['direction'],
    reflected: ['direction', 'normal'],
  }
  const wanted = needs[rope.facing as keyof typeof needs] ?? []
  if (wanted.some((type) => !event.fields.some((f) => f.type === type))) rope.facing = 'up'
  if (event.shape === 'moment') delete rope.run
  else if (event.shape === 'state' && rope.run) {
    delete rope.run.longest
    delete rope.run.again
  }
}

/** The first condition on a field. */
export function firstCondition(event: EventType, name: string): Condition {
  const field = event.fields.find((f) => f.name === name)!
  if (field.type === 'choice') return { field: name, is: [field.options[0]] }
  if (field.type === 'flag') return { field: name, flag: true }
  return {
    field: name,
    relation: 'over',
    bound: field.type === 'number' ? (field.usual ?? field.range[0]) : 0,
  }
}
