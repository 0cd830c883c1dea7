import type {
  Channel,
  Condition,
  Datum,
  Effect,
  EventType,
  Feed,
  Field,
  NoticeValue,
  Pair,
  Parameter,
  Rope,
  Source,
} from '../../api/bundle'

/** What a feed is driven by: one of these members. `again` asks for a range even where none is needed. */
export interface Fed extends Source {
  constant?: Datum
  random?: number
  from?: string
  again?: boolean
}

export function sourceWords(s: Fed): string {
  if (s.constant !== undefined) return 'a constant'
  if (s.random !== undefined) return 'chance'
  return s.held ? 'time held' : (s.channel ?? s.from ?? (s.since ? `time since ${s.since}` : (s.field ?? '')))
}

export function sourceUnit(
  s: Fed,
  event: EventType | undefined,
  channels: Channel[],
  effect?: Effect,
): string {
  if (s.channel) return channels.find((c) => c.name === s.channel)?.unit || ' '
  if (s.from) return effect?.parameters.find((p) => p.name === s.from)?.unit || ' '
  if (s.held || s.since) return 's'
  const field = event?.fields.find((f) => f.name === s.field)
  return (field?.type === 'number' && field.unit) || ' '
}

/** The values that a source is expected to take. */
export function sourceRange(s: Fed, event: EventType | undefined, channels: Channel[]): Pair {
  if (s.channel) return [...(channels.find((c) => c.name === s.channel)?.range ?? [0, 1])] as Pair
  if (s.from) return [0, 1]
  const field = event?.fields.find((f) => f.name === s.field)
  return field?.type === 'number' ? ([...field.range] as Pair) : [0, 2]
}

/** Tells whether a field can drive a parameter: by a remap where it is a number, as it is where it has the same type. */
export function carried(field: Field, p: Parameter): boolean {
  const type = p.type ?? 'number'
  if (type === 'vector') return VECTORS.includes(field.type)
  if (type === 'colour') return field.type === 'colour'
  if (field.type === 'number') return true
  if (type === 'flag') return field.type === 'flag'
  return type === 'choice' && field.type === 'choice' && field.options.every((o) => p.options?.includes(o))
}
const VECTORS = ['position', 'normal', 'direction', 'heading', 'velocity', 'extent', 'half extent', 'vector']

/** A feed of a parameter from a source, with what it had before where that still fits. */
export function fittingFeed(
  p: Parameter,
  source: Fed,
  event: EventType | undefined,
  channels: Channel[],
  before?: Feed,
): Feed {
  const { again, ...read } = source
  const feed: Feed = { parameter: p.name }
  for (const key of ['field', 'channel', 'since', 'held', 'from', 'random', 'constant'] as const)
    if (read[key] !== undefined) Object.assign(feed, { [key]: read[key] })
  if (read.constant !== undefined) return feed
  const field = event?.fields.find((f) => f.name === read.field)
  const number = (p.type ?? 'number') === 'number' || p.type === 'whole'
  const same = field && field.type !== 'number' && carried(field, p)
  if (same && !again) return feed
  const least = number ? (p.least ?? 0) : 0
  const most = number ? (p.most ?? 1) : Math.max(1, (p.options?.length ?? 2) - 1)
  const usual = typeof p.default === 'number' ? p.default : least
  if (read.random === undefined) feed.in = sourceRange(read, event, channels)
  feed.out = before?.out ?? [Math.max(least, Math.min(usual, least + (most - least) * 0.2)), most]
  if (before?.shape) feed.shape = before.shape
  return feed
}

/** Leaves the notices of a rope only some of the values that they carry. */
function keepValues(rope: Rope, keep: (v: NoticeValue) => boolean) {
  const notices = (rope.with ?? []).filter((c) => c.do === 'notice')
  for (const one of [...notices, ...(rope.then ?? [])]) {
    if (!one.values) continue
    one.values = one.values.filter(keep)
    if (!one.values.length) delete one.values
  }
}

/** Leaves a rope no feed that an effect cannot take. */
export function fitFeeds(rope: Rope, effect: Effect, event: EventType | undefined) {
  const parameter = (name?: string) => effect.parameters.find((p) => p.name === name)
  keepValues(rope, (v) => v.from === undefined || !!parameter(v.from))
  rope.feeds = rope.feeds.filter((f) => {
    const p = parameter(f.parameter)
    if (!p || (f.from !== undefined && !parameter(f.from))) return false
    if (f.out) return !['vector', 'colour'].includes(p.type ?? 'number')
    if (f.constant !== undefined) return takes(p, f.constant)
    const field = event?.fields.find((x) => x.name === f.field)
    return !!field && carried(field, p) && (field.type === 'number') === isNumber(p)
  })
}
const isNumber = (p: Parameter) => ['number', 'whole'].includes(p.type ?? 'number')
function takes(p: Parameter, value: Datum): boolean {
  if (isNumber(p)) return typeof value === 'number'
  if (p.type === 'flag') return typeof value === 'boolean'
  if (p.type === 'vector') return Array.isArray(value)
  if (p.type === 'choice') return !!p.options?.includes(value as string)
  return typeof value === 'string' && value.startsWith('#') && (value.length === 7 || !!p.opacity)
}

/** Leaves a rope nothing that its event cannot give. */
export function fitTo(rope: Rope, event: EventType) {
  const has = (name?: string) => name === undefined || event.fields.some((f) => f.name === name)
  rope.event = event.name
  delete rope.value
  rope.conditions = rope.conditions.filter((c) => !('field' in c) || has(c.field))
  const number = (name?: string) =>
    name === undefined || event.fields.some((f) => f.name === name && f.type === 'number')
  rope.feeds = rope.feeds.filter((f) => (f.out ? number(f.field) : has(f.field)))
  keepValues(rope, (v) => has(v.field))
  if (typeof rope.hit === 'object' && !number(rope.hit.field)) delete rope.hit
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
