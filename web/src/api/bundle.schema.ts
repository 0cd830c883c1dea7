/** The bodies of parts; written from docs/format/bundle.schema.json by npm run types. */

/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Name".
 */
export type Name = string
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Field".
 */
export type Field = NumberField | ChoiceField | PlainField
/**
 * Least and most, both included.
 *
 * @minItems 2
 * @maxItems 2
 *
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Pair".
 */
export type Pair = [number, number]
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "VectorType".
 */
export type VectorType =
  'position' | 'normal' | 'direction' | 'heading' | 'velocity' | 'extent' | 'half extent' | 'vector'
/**
 * The way to the next key: a preset of CSS Easing Functions Level 1, a cubic Bézier, or the slopes of a cubic spline (glTF 2.0).
 *
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Ease".
 */
export type Ease =
  | EaseName
  | [number, number, number, number]
  | {
      out: number
      in: number
    }
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "EaseName".
 */
export type EaseName = 'linear' | 'hold' | 'ease' | 'ease-in' | 'ease-out' | 'ease-in-out'
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Curve".
 */
export type Curve = Key[]
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Shape".
 */
export type Shape = Point | Circle | Sphere | Cone | Box | Line
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Fill".
 */
export type Fill = 'edge' | 'inside'
/**
 * x right, y up, z towards the viewer.
 *
 * @minItems 3
 * @maxItems 3
 *
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Vector".
 */
export type Vector = [number, number, number]
/**
 * Which way, in the emitter's frame.
 *
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Aim".
 */
export type Aim = Outward | Tangent | Along
/**
 * Each particle's own: between two in linear light, one of a list, or from a gradient.
 *
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Tint".
 */
export type Tint =
  | [Colour, Colour]
  | {
      oneOf: Colour[]
    }
  | {
      from: Gradient
    }
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Colour".
 */
export type Colour = string
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Gradient".
 */
export type Gradient = Stop[]
/**
 * W3C Compositing's source-over, lighter, screen and multiply.
 *
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Blend".
 */
export type Blend = 'alpha' | 'additive' | 'screen' | 'multiply'
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "FrameChoice".
 */
export type FrameChoice = FirstFrame | RandomFrame | OverLife | LoopingFrames
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Posture".
 */
export type Posture = ToCamera | AlongFlight | OnSurface | FixedPosture
/**
 * Places and axes in the effect's frame.
 *
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Force".
 */
export type Force = Attractor | Swirl | Push | Turbulence
/**
 * With the distance d: 1 up to the radius r; 1 − d/r; or 1 / (1 + (d/r)²).
 *
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Falloff".
 */
export type Falloff = 'none' | 'linear' | 'square'
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "LaneName".
 */
export type LaneName = 'size' | 'opacity' | 'colour' | 'speed' | 'spin'
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "LaneSeconds".
 */
export type LaneSeconds = number
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Barrier".
 */
export type Barrier = Ground | Plane | BoxBarrier
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Moment".
 */
export type Moment = 'at birth' | 'per second' | 'per unit' | 'on collision' | 'at end'
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "ParameterType".
 */
export type ParameterType = 'number' | 'whole' | 'flag' | 'choice' | 'vector' | 'colour'
/**
 * A number, a word or a colour, true or false, or three numbers.
 *
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Datum".
 */
export type Datum = number | string | boolean | Vector
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Property".
 */
export type Property =
  | 'count'
  | 'rate'
  | 'per unit'
  | 'playback'
  | 'delay'
  | 'shape'
  | 'offset'
  | 'spread'
  | 'speed'
  | 'lifetime'
  | 'size'
  | 'rotation'
  | 'spin'
  | 'opacity'
  | 'colour'
  | 'brightness'
  | 'gravity'
  | 'drag'
  | 'force'
  | 'force reach'
  | 'force place'
  | 'barrier'
  | 'bounce'
  | 'trail'
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Mode".
 */
export type Mode = 'multiply' | 'divide' | 'add' | 'replace'
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Condition".
 */
export type Condition = IsOneOf | Compares | FlagIs | Tagged
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Relation".
 */
export type Relation = 'over' | 'at least' | 'under' | 'at most'
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "FacingName".
 */
export type FacingName = 'normal' | 'direction' | 'opposite' | 'reflected' | 'heading' | 'up' | 'fixed'
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Companion".
 */
export type Companion = Shake | Flash | Pause | Notice

/**
 * A whole Bellrope project, version 1. Times in seconds, lengths in world units (u), angles in degrees, colours as sRGB #RRGGBBAA.
 */
export interface Bundle {
  /**
   * Version of this format.
   */
  bellrope: 1
  name: Name
  settings: Settings
  sprites: Sprite[]
  events: EventType[]
  effects: Effect[]
  ropes: Rope[]
  channels?: Channel[]
  places?: Place[]
  /**
   * Of the contract, as they were handed over, the first first.
   */
  versions?: Version[]
}
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Settings".
 */
export interface Settings {
  stepsPerSecond: number
  metresPerUnit: number
  seed: number
  particleLimit: number
  screen?: Screen
  comfort?: Comfort
  /**
   * Former names that game code may still use.
   */
  aliases?: Alias[]
}
/**
 * What overdraw is measured on; 1920 × 1080 px and 12 u high if absent.
 */
export interface Screen {
  /**
   * px
   */
  width: number
  /**
   * px
   */
  height: number
  /**
   * u from bottom to top where effects play.
   */
  unitsHigh: number
}
/**
 * Caps on what all companions together may bring; 0.5 u and 0.6 if absent.
 */
export interface Comfort {
  /**
   * u that the camera is moved at most.
   */
  shake: number
  /**
   * Highest opacity of the screen's flash.
   */
  flash: number
}
/**
 * A deprecated name, accepted for one more version.
 *
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Alias".
 */
export interface Alias {
  kind: 'event' | 'field' | 'channel' | 'effect' | 'parameter'
  /**
   * The event of a field, the effect of a parameter.
   */
  within?: string
  /**
   * The deprecated name.
   */
  from: Name
  /**
   * The present name.
   */
  to: Name
  /**
   * The last version in which the deprecated name was the present one.
   */
  since: Name
}
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Sprite".
 */
export interface Sprite {
  name: Name
  /**
   * Mean opacity over the whole picture; worked out from a picture of its own if absent.
   */
  coverage?: number
  /**
   * How the picture is cut into frames of equal size; absent for a single picture.
   */
  sheet?: Sheet
  /**
   * A PNG in Base64, at most 1 MB and 2048 × 2048 px; absent for a sprite that ships.
   */
  picture?: string
}
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Sheet".
 */
export interface Sheet {
  columns: number
  rows: number
  /**
   * How many are used, at most columns × rows.
   */
  frames: number
  order: 'by rows' | 'by columns'
  perSecond: number
}
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "EventType".
 */
export interface EventType {
  /**
   * subject.verb; a state may be named by its subject alone.
   */
  name: string
  shape: 'moment' | 'span' | 'state'
  description?: string
  /**
   * 1 (faint) to 5 (grand).
   */
  weight: number
  fields: Field[]
  /**
   * Of a state; the first holds at the beginning.
   */
  values?: Name[]
  /**
   * Why nothing answers it and nothing shall.
   */
  unanswered?: string
}
export interface NumberField {
  name: Name
  type: 'number'
  range: Pair
  usual?: number
  unit?: string
}
export interface ChoiceField {
  name: Name
  type: 'choice'
  options: string[]
  /**
   * The words before an option in a sentence.
   */
  reads?: string
}
export interface PlainField {
  name: Name
  type: VectorType | ('flag' | 'colour' | 'text')
}
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Effect".
 */
export interface Effect {
  name: Name
  description?: string
  course: Course
  /**
   * Stands instead of the pull's; absent for another look each pull.
   */
  seed?: number
  /**
   * Drawn first to last.
   */
  emitters: Emitter[]
  parameters: Parameter[]
  /**
   * Named sets of parameter values to compare; those not named have their default.
   */
  tries?: Try[]
}
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Course".
 */
export interface Course {
  kind: 'one shot' | 'looping'
  /**
   * Seconds: of a one-shot, or of one cycle of a loop.
   */
  duration: number
  /**
   * Seconds over which a loop's births come true one by one.
   */
  windUp?: number
  /**
   * Seconds over which they cease, once told to stop.
   */
  fadeOut?: number
  /**
   * How many times as fast as written everything in it happens.
   */
  playback?: number
}
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Emitter".
 */
export interface Emitter {
  name: Name
  /**
   * Address of its random draws, unique in its effect.
   */
  seed: number
  birth: Birth
  look: Look
  life: Life
  end?: End
}
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Birth".
 */
export interface Birth {
  bursts: Burst[]
  stream?: Stream
  /**
   * Particles for each u that the source travels.
   */
  perUnit?: number
  /**
   * Seconds before the emitter begins.
   */
  delay?: number
  /**
   * Most that live at once in one instance.
   */
  cap?: number
  shape: Shape
  placing?: 'at random' | 'evenly'
  /**
   * Along its y axis, the facing, if absent.
   */
  aim?: Aim
  /**
   * Degrees from the aim.
   */
  spread: number
  /**
   * u, in the effect's frame.
   */
  offset?: Vector
  /**
   * Degrees about x, then y, then z.
   */
  turn?: Vector
  space?: 'world' | 'local'
  /**
   * Share of the source's velocity.
   */
  inherit?: number
  /**
   * u/s.
   */
  speed: Pair
  /**
   * Seconds, above 0.
   */
  lifetime: Pair
  /**
   * u across.
   */
  size: Pair
  /**
   * u from top to bottom, drawn for itself; as high as wide if absent.
   */
  height?: Pair
  /**
   * Degrees.
   */
  rotation?: Pair
  /**
   * Degrees a second.
   */
  spin?: Pair
  opacity?: Pair
  colour: Tint
}
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Burst".
 */
export interface Burst {
  /**
   * Seconds.
   */
  at: number
  least: number
  most: number
  times?: number
  /**
   * Seconds between two of them.
   */
  pause?: number
  /**
   * That each of them happens.
   */
  chance?: number
  /**
   * What its random draws are addressed by, its own in the list; the smallest free number if absent.
   */
  id?: number
}
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Stream".
 */
export interface Stream {
  perSecond: number
  /**
   * Multiplies the rate over the effect's duration.
   */
  over?: Curve
  /**
   * Seconds.
   */
  from?: number
  /**
   * Seconds; absent for the whole duration, or as long as a loop runs.
   */
  lasting?: number
}
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Key".
 */
export interface Key {
  /**
   * Life fraction, later than the key before.
   */
  at: number
  value: number
  ease?: Ease
}
export interface Point {
  kind: 'point'
}
export interface Circle {
  kind: 'circle'
  radius: number
  /**
   * On its rim or shell, or all through.
   */
  fill: Fill
  /**
   * Degrees of a circle.
   */
  arc?: number
}
export interface Sphere {
  kind: 'sphere'
  radius: number
  /**
   * On its rim or shell, or all through.
   */
  fill: Fill
}
export interface Cone {
  kind: 'cone'
  radius: number
  /**
   * Degrees from the facing to the side of a cone.
   */
  angle: number
}
export interface Box {
  kind: 'box'
  /**
   * Full width, height and depth of a box, u.
   */
  size: Vector
}
export interface Line {
  kind: 'line'
  length: number
}
export interface Outward {
  kind: 'outward'
}
export interface Tangent {
  kind: 'tangent'
}
export interface Along {
  kind: 'along'
  axis?: Vector
}
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Stop".
 */
export interface Stop {
  at: number
  colour: Colour
}
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Look".
 */
export interface Look {
  sprite: Name
  blend: Blend
  order: 'newest on top' | 'oldest on top'
  /**
   * Which frame of a sheet; the first if absent.
   */
  frame?: FrameChoice
  /**
   * Which way the picture is turned; to the camera if absent.
   */
  posture?: Posture
  /**
   * Multiplies the colour in linear light.
   */
  brightness?: number
}
export interface FirstFrame {
  kind: 'first'
  number: number
}
export interface RandomFrame {
  kind: 'random'
}
export interface OverLife {
  kind: 'over life'
}
export interface LoopingFrames {
  kind: 'looping'
  perSecond?: number
}
export interface ToCamera {
  kind: 'camera'
}
export interface AlongFlight {
  kind: 'flight'
  /**
   * Seconds of flight by which it is longer.
   */
  stretch: number
}
export interface OnSurface {
  kind: 'surface'
}
export interface FixedPosture {
  kind: 'fixed'
  normal: Vector
}
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Life".
 */
export interface Life {
  /**
   * u/s², in the world.
   */
  gravity: Vector
  /**
   * Share of its speed lost per second.
   */
  drag: number
  /**
   * Seconds in which 99 % of the speed is gone; stands instead of drag.
   */
  restWithin?: number
  /**
   * Whether it slows evenly to nothing in that time, after half the way; not by drag.
   */
  restEvenly?: boolean
  forces?: Force[]
  /**
   * Over life.
   */
  size: Curve
  /**
   * Over life.
   */
  opacity: Curve
  /**
   * Over life, in linear light.
   */
  colour: Gradient
  /**
   * Over life: multiplies the velocity, or is u/s.
   */
  speed?: Curve
  /**
   * Over life: multiplies the spin, or is degrees a second.
   */
  spin?: Curve
  /**
   * Lanes that stand instead of what was born; the others multiply it.
   */
  replaces?: LaneName[]
  timed?: Timed
}
export interface Attractor {
  kind: 'attractor'
  place: Vector
  strength: number
  radius: number
  falloff: Falloff
}
export interface Swirl {
  kind: 'swirl'
  place: Vector
  axis: Vector
  strength: number
  radius: number
  falloff: Falloff
}
export interface Push {
  kind: 'push'
  strength: number
}
export interface Turbulence {
  kind: 'turbulence'
  strength: number
  /**
   * Between lattice points.
   */
  size: number
  /**
   * Patterns a second.
   */
  speed: number
}
/**
 * Seconds from birth that a lane runs over, and then stays as it ends; the others run over life.
 */
export interface Timed {
  size?: LaneSeconds
  opacity?: LaneSeconds
  colour?: LaneSeconds
  speed?: LaneSeconds
  spin?: LaneSeconds
}
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "End".
 */
export interface End {
  collision?: Collision
  children?: Child[]
  trail?: Trail
}
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Collision".
 */
export interface Collision {
  with: Barrier
  /**
   * Share of the speed towards it that comes back.
   */
  bounce?: number
  /**
   * Share of the speed along it that is lost.
   */
  friction?: number
  /**
   * Share of the life left that is lost.
   */
  lifeLost?: number
  then: 'bounces' | 'sticks' | 'dies'
}
export interface Ground {
  kind: 'ground'
  /**
   * Above the effect's place.
   */
  level?: number
}
export interface Plane {
  kind: 'plane'
  place: Vector
  normal: Vector
}
export interface BoxBarrier {
  kind: 'box'
  place: Vector
  /**
   * Full width, height and depth, u.
   */
  size: Vector
  /**
   * Whether particles stay inside the box, or outside.
   */
  keepsIn: boolean
}
/**
 * What a particle gives birth to: an emitter of the same effect, or another effect.
 *
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Child".
 */
export interface Child {
  when: Moment
  emitter?: Name
  effect?: Name
  least: number
  most: number
  /**
   * Times per second or per u.
   */
  rate?: number
  chance?: number
  /**
   * Share of the parent's velocity.
   */
  velocity?: number
  /**
   * Whether the parent's colour multiplies the child's.
   */
  colour?: boolean
  /**
   * Whether the parent's size multiplies the child's.
   */
  size?: boolean
  /**
   * What its random draws are addressed by, its own in the list; the smallest free number if absent.
   */
  id?: number
}
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Trail".
 */
export interface Trail {
  length: number
  by: 'seconds' | 'units'
  /**
   * Multiplies the particle's size from the particle to the tail.
   */
  width?: Curve
  /**
   * Multiplies the particle's colour from the particle to the tail.
   */
  colour?: Gradient
}
/**
 * A value that ropes and game code may set.
 *
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Parameter".
 */
export interface Parameter {
  name: Name
  /**
   * A number if absent.
   */
  type?: ParameterType
  default: Datum
  least?: number
  /**
   * For a vector: of each axis, both ways.
   */
  most?: number
  /**
   * By which it is usually turned; any will do if absent.
   */
  step?: number
  /**
   * Of a choice.
   */
  options?: Name[]
  /**
   * Whether a colour may be seen through.
   */
  opacity?: boolean
  unit?: string
  description?: string
  /**
   * Whether it is meant as a uniform scale of the effect.
   */
  scale?: true
  /**
   * Whether game code sets it.
   */
  byGame?: true
  bindings: Binding[]
}
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Binding".
 */
export interface Binding {
  property: Property
  mode: Mode
  /**
   * Absent for all emitters.
   */
  emitter?: Name
  /**
   * What the value becomes before it acts.
   */
  remap?: Remap
  /**
   * A number for each option of a choice, or for no and yes.
   */
  each?: number[]
}
/**
 * Where a number lies in in, as a share from 0 to 1, shaped and carried onto out.
 *
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Remap".
 */
export interface Remap {
  /**
   * The least below the most.
   */
  in: Pair
  /**
   * Results at the least and at the most of in; may fall.
   */
  out: Pair
  /**
   * false: what lies outside in goes on evenly instead of counting as its nearer end.
   */
  clamp?: false
  /**
   * The share that each share becomes; straight if absent.
   */
  shape?: Curve
}
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Try".
 */
export interface Try {
  name: Name
  values: {
    [k: string]: Datum
  }
}
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Rope".
 */
export interface Rope {
  name: Name
  /**
   * Address of its instances' random draws, unique in the project.
   */
  seed: number
  /**
   * Whether it is switched off.
   */
  off?: boolean
  remark?: string
  group?: Name
  event: Name
  /**
   * Of a state; absent while none is chosen.
   */
  value?: Name
  /**
   * How many conditions must hold; all if absent.
   */
  match?: 'all' | 'any' | 'none'
  /**
   * What must be so.
   */
  conditions: Condition[]
  /**
   * Name of an effect; absent while none is chosen.
   */
  play?: Name
  overrides?: Overrides
  /**
   * u, in the frame that place names; if it names none, y along the event's normal, x along its direction.
   */
  offset?: Vector
  place?: Where
  facing: FacingName
  pointing?: Pointing
  feeds: Feed[]
  run?: Run
  timing?: Timing
  limits?: Limits
  owner?: Owner
  /**
   * How far the game's own hit test reaches: u, or a field of the payload.
   */
  hit?:
    | number
    | {
        field: Name
      }
  then?: FollowUp[]
  with?: Companion[]
}
export interface IsOneOf {
  /**
   * Of the payload.
   */
  field: Name
  /**
   * The words that satisfy it.
   */
  is: string[]
}
export interface Compares {
  /**
   * Of the payload.
   */
  field?: Name
  /**
   * Published by the game.
   */
  channel?: Name
  /**
   * Event; s since it last came.
   */
  since?: Name
  held?: true
  relation: Relation
  bound: number
}
export interface FlagIs {
  /**
   * Of the payload.
   */
  field: Name
  /**
   * What the field must say.
   */
  flag: boolean
}
export interface Tagged {
  /**
   * A tag that the subject must have.
   */
  tag: Name
  /**
   * False if it must not have it.
   */
  has?: boolean
}
/**
 * What the rope says otherwise than the effect.
 *
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Overrides".
 */
export interface Overrides {
  /**
   * ×
   */
  count?: number
  /**
   * ×
   */
  size?: number
  /**
   * ×
   */
  speed?: number
  /**
   * s instead of the effect's.
   */
  duration?: number
  /**
   * Multiplies every colour in linear light.
   */
  colour?: Colour
  /**
   * s instead of a loop's.
   */
  fadeOut?: number
  /**
   * s after which the instance is cut.
   */
  cutAfter?: number
}
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Where".
 */
export interface Where {
  at: 'point' | 'subject' | 'camera' | 'screen' | 'place'
  /**
   * Whether it goes on with the subject or the camera.
   */
  follow?: boolean
  /**
   * Of the place.
   */
  name?: Name
  /**
   * Whose axes the offset is along; the surface's if absent.
   */
  frame?: 'surface' | 'subject' | 'world'
  /**
   * World z, u.
   */
  depth?: number
}
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Pointing".
 */
export interface Pointing {
  /**
   * The way of the facing fixed; up if absent.
   */
  fixed?: Vector
  /**
   * Largest angle from its facing, °.
   */
  spread?: number
  /**
   * Share of the subject's velocity.
   */
  velocity?: number
  /**
   * Whether it turns with the subject that it follows.
   */
  turns?: boolean
}
/**
 * How a value drives a parameter. Without in and out it is handed on as it is.
 *
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Feed".
 */
export interface Feed {
  parameter: Name
  /**
   * Of the payload.
   */
  field?: Name
  /**
   * Published by the game.
   */
  channel?: Name
  /**
   * Event; s since it last came.
   */
  since?: Name
  /**
   * The s for which a span or state has lasted; 0 once it has ended.
   */
  held?: true
  /**
   * Always the same.
   */
  constant?: Datum
  /**
   * A number drawn once for each pull, evenly over out; feeds with the same roll get the same draw.
   */
  random?: number
  /**
   * Another parameter of the same effect.
   */
  from?: Name
  /**
   * Values of the source.
   */
  in?: Pair
  /**
   * Values of the parameter at the least and at the most of in; may fall.
   */
  out?: Pair
  /**
   * false: what lies outside in goes on evenly instead of counting as its nearer end.
   */
  clamp?: false
  /**
   * The share that each share becomes; straight if absent.
   */
  shape?: Curve
  /**
   * Time constant while it goes up, s: 1 − e^(−t/τ) of the way after t.
   */
  rise?: number
  /**
   * Time constant while it goes down, s.
   */
  fall?: number
  /**
   * s between two looks at the source; each step if absent.
   */
  every?: number
}
/**
 * What spans and states add.
 *
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Run".
 */
export interface Run {
  /**
   * Effect.
   */
  start?: Name
  /**
   * Effect.
   */
  end?: Name
  /**
   * s instead of a loop's wind-up.
   */
  fadeIn?: number
  /**
   * s instead of a loop's fade-out.
   */
  fadeOut?: number
  /**
   * s after which a span ends by itself.
   */
  longest?: number
  /**
   * What a second beginning does.
   */
  again?: 'restart' | 'continue' | 'stack'
  /**
   * Of one value of a state and the next.
   */
  order?: 'together' | 'after'
}
export interface Timing {
  /**
   * s
   */
  delay?: number
  /**
   * Up to so many s more.
   */
  jitter?: number
}
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Limits".
 */
export interface Limits {
  /**
   * s
   */
  cooldown?: number
  /**
   * The next is allowed at now + 1/n.
   */
  perSecond?: number
  /**
   * For each subject.
   */
  once?: boolean
  /**
   * Event that lets it answer again.
   */
  until?: Name
  alive?: number
  /**
   * Whether all ropes of the group are counted.
   */
  together?: boolean
  whenFull?: 'skip' | 'oldest' | 'lowest weight'
  /**
   * u from where it last answered.
   */
  distance?: number
  chance?: number
}
/**
 * What becomes of it when its subject is gone; it finishes if absent.
 */
export interface Owner {
  end: 'finish' | 'vanish' | 'fade'
  /**
   * s of a fade.
   */
  over?: number
}
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "FollowUp".
 */
export interface FollowUp {
  /**
   * Effect.
   */
  play?: Name
  /**
   * Event; either this or play.
   */
  announce?: Name
  /**
   * What it waits for.
   */
  cue?: 'begun' | 'over' | 'ended'
  /**
   * s from there.
   */
  after?: number
  offset?: Vector
  /**
   * s after which it ends.
   */
  inForce?: number
  /**
   * s in which it then dims to nothing.
   */
  fadeOut?: number
  /**
   * By which the game is told that it begins, is no longer in force, and is gone.
   */
  notice?: Name
  /**
   * What that notice carries.
   */
  values?: NoticeValue[]
  /**
   * What its random draws are addressed by, its own in the list; the smallest free number if absent.
   */
  id?: number
}
/**
 * A value that a notice carries, from one source.
 *
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "NoticeValue".
 */
export interface NoticeValue {
  /**
   * By which game code reads it; its own in the notice.
   */
  name: Name
  /**
   * Of the payload, as it came.
   */
  field?: Name
  /**
   * As it is when the notice is sent.
   */
  channel?: Name
  /**
   * Parameter of the rope's effect, as its feed sets it at that moment.
   */
  from?: Name
  constant?: Datum
}
export interface Shake {
  do: 'shake'
  /**
   * u
   */
  size: number
  /**
   * Swings a second.
   */
  frequency: number
  /**
   * s until a twentieth is left.
   */
  decay: number
}
export interface Flash {
  do: 'flash'
  colour: Colour
  opacity: number
  seconds: number
}
export interface Pause {
  do: 'pause'
  seconds: number
}
export interface Notice {
  do: 'notice'
  name: Name
  /**
   * s
   */
  after?: number
  /**
   * What it carries.
   */
  values?: NoticeValue[]
}
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Channel".
 */
export interface Channel {
  name: Name
  description?: string
  /**
   * What the game is expected to publish.
   */
  range: Pair
  /**
   * What holds until the game says something.
   */
  usual?: number
  unit?: string
}
/**
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Place".
 */
export interface Place {
  name: Name
  position: Vector
}
/**
 * A contract as it was handed over.
 *
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Version".
 */
export interface Version {
  name: Name
  note?: string
  contract: Contract
}
/**
 * What game code names.
 *
 * This interface was referenced by `Bundle`'s JSON-Schema
 * via the `definition` "Contract".
 */
export interface Contract {
  events: EventType[]
  channels: Channel[]
  effects: {
    name: Name
    description?: string
    looping?: boolean
    parameters: Parameter[]
  }[]
  notices: {
    name: Name
    /**
     * Ropes that tell it.
     */
    from: Name[]
    values?: {
      field: Field
      /**
       * Whether every rope that sends the notice sends it.
       */
      always?: boolean
    }[]
  }[]
  /**
   * Events that ropes announce.
   */
  announced: Name[]
}
