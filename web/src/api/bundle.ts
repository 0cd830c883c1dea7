/** The bodies of parts, as in docs/format/bundle.schema.json. */
export type Pair = [number, number]
export type Vector = [number, number, number]
export type Datum = number | string | boolean | Vector
export type Payload = Record<string, Datum>

export interface NumberField {
  name: string
  type: 'number'
  range: Pair
  usual?: number
  unit?: string
}
export interface ChoiceField {
  name: string
  type: 'choice'
  options: string[]
  reads?: string
}
export type VectorType =
  'position' | 'normal' | 'direction' | 'heading' | 'velocity' | 'extent' | 'half extent' | 'vector'
export interface PlainField {
  name: string
  type: VectorType | 'flag' | 'colour' | 'text'
}
export type Field = NumberField | ChoiceField | PlainField

export interface EventType {
  name: string
  shape: 'moment' | 'span' | 'state'
  description?: string
  weight: number
  fields: Field[]
  values?: string[]
  unanswered?: string
}

export interface Burst {
  at: number
  least: number
  most: number
  times?: number
  pause?: number
  chance?: number
}
export interface Stream {
  perSecond: number
  over?: Key[]
  from?: number
  lasting?: number
}
export type Fill = 'edge' | 'inside'
export type Shape =
  | { kind: 'point' }
  | { kind: 'circle'; radius: number; fill: Fill; arc?: number }
  | { kind: 'sphere'; radius: number; fill: Fill }
  | { kind: 'cone'; radius: number; angle: number }
  | { kind: 'box'; size: Vector }
  | { kind: 'line'; length: number }
export type Aim = { kind: 'outward' } | { kind: 'tangent' } | { kind: 'along'; axis?: Vector }
export type Tint = [string, string] | { oneOf: string[] } | { from: Stop[] }

export interface Birth {
  bursts: Burst[]
  stream?: Stream
  perUnit?: number
  delay?: number
  cap?: number
  shape: Shape
  placing?: 'at random' | 'evenly'
  aim?: Aim
  spread: number
  offset?: Vector
  turn?: Vector
  space?: 'world' | 'local'
  inherit?: number
  speed: Pair
  lifetime: Pair
  size: Pair
  height?: Pair
  rotation?: Pair
  spin?: Pair
  opacity?: Pair
  colour: Tint
}
export type EaseName = 'linear' | 'hold' | 'ease' | 'ease-in' | 'ease-out' | 'ease-in-out'
export type Ease = EaseName | [number, number, number, number] | { out: number; in: number }
export interface Key {
  at: number
  value: number
  ease?: Ease
}
export interface Stop {
  at: number
  colour: string
}
export type Falloff = 'none' | 'linear' | 'square'
export type Force =
  | { kind: 'attractor'; place: Vector; strength: number; radius: number; falloff: Falloff }
  | { kind: 'swirl'; place: Vector; axis: Vector; strength: number; radius: number; falloff: Falloff }
  | { kind: 'push'; strength: number }
  | { kind: 'turbulence'; strength: number; size: number; speed: number }
export type LaneName = 'size' | 'opacity' | 'colour' | 'speed' | 'spin'
export interface Life {
  gravity: Vector
  drag: number
  restWithin?: number
  /** Whether it comes to rest evenly, and not by drag. */
  restEvenly?: boolean
  forces?: Force[]
  size: Key[]
  opacity: Key[]
  colour: Stop[]
  speed?: Key[]
  spin?: Key[]
  replaces?: LaneName[]
  /** Seconds from birth that a lane runs over; the others run over life. */
  timed?: Partial<Record<LaneName, number>>
}
export type Blend = 'alpha' | 'additive' | 'screen' | 'multiply'
export type FrameChoice =
  | { kind: 'first'; number: number }
  | { kind: 'random' }
  | { kind: 'over life' }
  | { kind: 'looping'; perSecond?: number }
export type Posture =
  | { kind: 'camera' }
  | { kind: 'flight'; stretch: number }
  | { kind: 'surface' }
  | { kind: 'fixed'; normal: Vector }
export interface Look {
  sprite: string
  blend: Blend
  order: 'newest on top' | 'oldest on top'
  frame?: FrameChoice
  posture?: Posture
  brightness?: number
}
export type Barrier =
  | { kind: 'ground'; level?: number }
  | { kind: 'plane'; place: Vector; normal: Vector }
  | { kind: 'box'; place: Vector; size: Vector; keepsIn: boolean }
export interface Collision {
  with: Barrier
  bounce: number
  friction: number
  lifeLost?: number
  then: 'bounces' | 'sticks' | 'dies'
}
export type Moment = 'at birth' | 'per second' | 'per unit' | 'on collision' | 'at end'
export interface Child {
  when: Moment
  emitter?: string
  effect?: string
  least: number
  most: number
  rate?: number
  chance?: number
  velocity?: number
  colour?: boolean
  size?: boolean
}
export interface Trail {
  length: number
  by: 'seconds' | 'units'
  width: Key[]
  colour: Stop[]
}
export interface End {
  collision?: Collision
  children?: Child[]
  trail?: Trail
}
export interface Emitter {
  name: string
  seed: number
  birth: Birth
  look: Look
  life: Life
  end?: End
}
export type Mode = 'multiply' | 'divide' | 'add' | 'replace'
/** How one number becomes another; see the schema. */
export interface Remap {
  in: Pair
  out: Pair
  clamp?: false
  shape?: Key[]
}
export interface Binding {
  property: string
  mode: Mode
  emitter?: string
  remap?: Remap
  each?: number[]
}
export type ParameterType = 'number' | 'whole' | 'flag' | 'choice' | 'vector' | 'colour'
export interface Parameter {
  name: string
  type?: ParameterType
  default: Datum
  least?: number
  most?: number
  step?: number
  options?: string[]
  opacity?: boolean
  unit?: string
  description?: string
  scale?: true
  byGame?: true
  bindings: Binding[]
}
export interface Try {
  name: string
  values: Record<string, Datum>
}
export interface Course {
  kind: 'one shot' | 'looping'
  duration: number
  windUp?: number
  fadeOut?: number
  /** How many times as fast as written everything happens. */
  playback?: number
}
export interface Effect {
  name: string
  description?: string
  course: Course
  seed?: number
  emitters: Emitter[]
  parameters: Parameter[]
  tries?: Try[]
}

export type Relation = 'over' | 'at least' | 'under' | 'at most'
/** Where a rope reads a number: one of these members. */
export interface Source {
  field?: string
  channel?: string
  since?: string
  held?: true
}
export type Condition =
  | { field: string; is: string[] }
  | (Source & { relation: Relation; bound: number })
  | { field: string; flag: boolean }
  | { tag: string; borne?: boolean }
/** A feed; without in and out the value is handed on as it is. */
export interface Feed extends Source {
  parameter: string
  constant?: Datum
  random?: number
  from?: string
  in?: Pair
  out?: Pair
  clamp?: false
  shape?: Key[]
  rise?: number
  fall?: number
  every?: number
}
export type FacingName = 'normal' | 'direction' | 'opposite' | 'reflected' | 'heading' | 'up' | 'fixed'
export interface Overrides {
  count?: number
  size?: number
  speed?: number
  duration?: number
  colour?: string
  fadeOut?: number
  goneAfter?: number
}
export interface Where {
  at: 'point' | 'subject' | 'camera' | 'screen' | 'place'
  follow?: boolean
  name?: string
  frame?: 'surface' | 'subject' | 'world'
  depth?: number
}
export interface FollowUp {
  play?: string
  announce?: string
  cue?: 'begun' | 'over' | 'ended'
  after?: number
  offset?: Vector
  inForce?: number
  fadeOut?: number
  notice?: string
  values?: NoticeValue[]
}
/** A value that a notice carries, from one source. */
export interface NoticeValue {
  name: string
  field?: string
  channel?: string
  from?: string
  constant?: Datum
}
export type Companion =
  | { do: 'shake'; size: number; frequency: number; decay: number }
  | { do: 'flash'; colour: string; opacity: number; seconds: number }
  | { do: 'pause'; seconds: number }
  | { do: 'notice'; name: string; after?: number; values?: NoticeValue[] }
export interface Rope {
  /** How far the game's own hit test reaches: u, or a field of the payload. */
  hit?: number | { field: string }
  name: string
  seed: number
  off?: boolean
  remark?: string
  group?: string
  event: string
  value?: string
  match?: 'all' | 'any' | 'none'
  conditions: Condition[]
  play?: string
  overrides?: Overrides
  offset?: Vector
  place?: Where
  facing: FacingName
  pointing?: { fixed?: Vector; spread?: number; velocity?: number; turns?: boolean }
  feeds: Feed[]
  run?: {
    start?: string
    end?: string
    fadeIn?: number
    fadeOut?: number
    longest?: number
    again?: 'restart' | 'continue' | 'stack'
    order?: 'together' | 'after'
  }
  timing?: { delay?: number; jitter?: number }
  limits?: {
    cooldown?: number
    perSecond?: number
    once?: boolean
    until?: string
    alive?: number
    together?: boolean
    whenFull?: 'skip' | 'oldest' | 'least weighty'
    distance?: number
    chance?: number
  }
  owner?: { end: 'finish' | 'vanish' | 'fade'; over?: number }
  then?: FollowUp[]
  with?: Companion[]
}
export interface Channel {
  name: string
  description?: string
  range: Pair
  usual?: number
  unit?: string
}
export interface Place {
  name: string
  position: Vector
}
export interface Sheet {
  columns: number
  rows: number
  frames: number
  order: 'by rows' | 'by columns'
  perSecond: number
}
export interface Sprite {
  name: string
  coverage?: number
  sheet?: Sheet
  /** PNG in Base64. */
  picture?: string
}
