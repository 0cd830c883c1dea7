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
}
export interface Stream {
  perSecond: number
  from?: number
  lasting?: number
}
export type Shape =
  { kind: 'point' } | { kind: 'disc'; radius: number } | { kind: 'cone'; radius: number; angle: number }

export interface Birth {
  bursts: Burst[]
  stream?: Stream
  shape: Shape
  spread: number
  speed: Pair
  lifetime: Pair
  size: Pair
  rotation?: Pair
  spin?: Pair
  opacity?: Pair
  colour: [string, string]
}
export type EaseName = 'linear' | 'hold' | 'ease' | 'ease-in' | 'ease-out' | 'ease-in-out'
export interface Key {
  at: number
  value: number
  ease?: EaseName | [number, number, number, number]
}
export interface Stop {
  at: number
  colour: string
}
export interface Life {
  gravity: Vector
  drag: number
  size: Key[]
  opacity: Key[]
  colour: Stop[]
}
export interface Look {
  sprite: string
  blend: 'alpha' | 'additive'
  order: 'newest on top' | 'oldest on top'
}
export interface Emitter {
  name: string
  seed: number
  birth: Birth
  look: Look
  life: Life
}
export interface Parameter {
  name: string
  default: number
  least: number
  most: number
  unit?: string
  description?: string
}
export interface Effect {
  name: string
  description?: string
  period?: number
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
export interface Sprite {
  name: string
  coverage: number
}
