/** The bodies of parts, as in docs/format/bundle.schema.json. */
export type Pair = [number, number]
export type Vector = [number, number, number]
export type Datum = number | string | Vector
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
export interface PlainField {
  name: string
  type: 'position' | 'normal' | 'direction' | 'text'
}
export type Field = NumberField | ChoiceField | PlainField

export interface EventType {
  name: string
  shape: 'moment'
  description?: string
  weight: number
  fields: Field[]
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
  forces?: Force[]
  size: Key[]
  opacity: Key[]
  colour: Stop[]
  speed?: Key[]
  spin?: Key[]
  replaces?: LaneName[]
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
export interface Binding {
  property: string
  mode: 'multiply' | 'add' | 'replace'
  emitter?: string
}
export interface Parameter {
  name: string
  default: number
  least: number
  most: number
  unit?: string
  description?: string
  bindings: Binding[]
}
export interface Course {
  kind: 'one shot' | 'looping'
  duration: number
  windUp?: number
  fadeOut?: number
}
export interface Effect {
  name: string
  description?: string
  course: Course
  seed?: number
  emitters: Emitter[]
  parameters: Parameter[]
}

export type Condition =
  | { field: string; is: string[] }
  | { field: string; relation: 'over' | 'at least' | 'under' | 'at most'; bound: number }
export interface Feed {
  parameter: string
  field: string
  in: Pair
  out: Pair
}
export interface Rope {
  name: string
  seed: number
  event: string
  conditions: Condition[]
  play?: string
  offset?: Vector
  facing: 'normal' | 'direction' | 'opposite' | 'up'
  feeds: Feed[]
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
