import { Courier } from './courier'
import { Crows, type Crow } from './crows'
import { faulty, type Fault } from './faults'
import { Moor, type Tree } from './moor'
import { dice, type Dice } from './random'
import { Weather, WEATHERS } from './weather'
import {
  courierDowned,
  courierLanded,
  courierStruck,
  crowScattered,
  gustCrossingBegins,
  gustCrossingEnds,
  kiteReelingBegins,
  kiteReelingEnds,
  millTurningBegins,
  parcelCollected,
  parcelDelivered,
  publishCourierSpeed,
  publishIntensity,
  publishWind,
  weather,
  type Bell,
  type CourierDownedCause,
  type CourierLandedSurface,
  type CourierStruckBy,
  type Vec,
  type WeatherValue,
} from './WindrowPost'

/** Steps a second, whatever the screen does. */
export const RATE = 60
const STEP = 1 / RATE
const COURIER = 'courier'
/** Hits that bring the courier down. */
const MOST_HURT = 5
const STREAK = 12

/** What the game needs of a stage; a linked one says it all to the bench. */
export interface Told {
  bell: Bell
  move(subject: string, position: Vec, heading?: Vec, velocity?: Vec, look?: string): void
  gone(subject: string): unknown
  camera(position: Vec): void
}

export interface Parcel {
  name: string
  x: number
  y: number
  worth: number
}

interface Gust {
  name: string
  x: number
  y: number
  until: number
}

/** What falls off the courier: drawn, and known to nobody. */
export interface Part {
  x: number
  y: number
  vx: number
  vy: number
  turn: number
  spin: number
  kind: number
}

const LANDINGS = ['thatch', 'stone', 'peat', 'water'] as const
/** Everything that can be made to happen, as the bench offers it. */
export const CAN = [
  ...LANDINGS.map((surface) => `land on ${surface}`),
  'hail strikes',
  'a crow attacks',
  'a crow flees',
  'a branch strikes',
  'the courier falls',
  'a parcel ahead',
  'a gust crosses',
  ...WEATHERS.map((value) => `weather: ${value}`),
] as const

/**
 * Windrow Post: a courier carries parcels from mill to mill, and plays by itself. The same seed gives the same run, whatever
 * draws it and however fast; only what is asked for changes it.
 */
export class World {
  readonly moor: Moor
  readonly weather: Weather
  readonly courier: Courier
  readonly crows: Crows
  readonly parcels: Parcel[] = []
  readonly gusts: Gust[] = []
  readonly parts: Part[] = []
  /** Steps since it began. */
  now = 0
  streak = 0
  carried = 0
  /** Turns of the sails. */
  sails = 0
  /** Whether the stage asked to hide the courier. */
  hidden = false
  private mill = 0
  private way = 1
  private counted = 0
  private nextCrow = 5
  private nextGust = 6
  private nextHail = 0
  private struckBy: CourierStruckBy = 'crow'
  private lastTree: Tree | undefined
  private readonly roll: Dice
  private readonly bell: Bell

  constructor(
    seed: number,
    private readonly told: Told,
    faults: ReadonlySet<Fault> = new Set(),
  ) {
    this.bell = faulty(told.bell, faults, (subject) => told.gone(subject))
    this.roll = dice(seed, 'world')
    this.moor = new Moor(seed)
    this.weather = new Weather(seed)
    this.crows = new Crows(dice(seed, 'crows'))
    this.courier = new Courier(this.moor, this.moor.mills[0].x)
    this.moor.mills.forEach((mill, i) => {
      told.move(`mill ${i + 1}`, [mill.x, mill.y + mill.hub / 2, -1], undefined, [0, 0, 0], 'mill')
      millTurningBegins(this.bell, `mill ${i + 1}`, [mill.x, mill.y + mill.hub, -1])
    })
    weather(this.bell, '', 'clear')
    this.channels(true)
    this.setOut()
  }

  get seconds() {
    return this.now / RATE
  }

  /** How hard the wind blows where the courier is, u/s. */
  private get wind() {
    const gust = this.gusts.some((g) => Math.abs(g.x - this.courier.motion.x) < 7) ? 3.5 : 0
    return (this.weather.wind + gust) * 0.3
  }

  step() {
    const changed = this.weather.step(STEP, this.seconds)
    if (changed) weather(this.bell, '', changed)
    this.fly()
    this.strike()
    this.crows.step(STEP, { ...this.courier.motion, flies: this.courier.way === 'flies' }, (crow, what) =>
      this.crow(crow, what),
    )
    this.collect()
    this.blow()
    this.parts.forEach((part) => {
      part.vy -= 9.81 * STEP
      part.x += part.vx * STEP
      part.y += part.vy * STEP
      part.turn += part.spin * STEP
    })
    this.sails += (0.05 + this.weather.wind * 0.035) * STEP
    this.now++
    this.say()
  }

  // Where everything is, once all of the step has happened.
  private say() {
    const { courier } = this
    const { vx, vy } = courier.motion
    if (courier.way !== 'lies')
      this.told.move(COURIER, courier.position, courier.heading, [vx, vy, 0], COURIER)
    if (this.now % 3 === 0) this.told.camera(this.camera)
    if (this.now % 6 === 0) {
      this.crows.all.forEach((c) =>
        this.told.move(c.name, [c.x, c.y, 0], [c.vx, c.vy, 0], [c.vx, c.vy, 0], 'crow'),
      )
      this.channels(false)
    }
  }

  private published: number[] = []
  private channels(all: boolean) {
    const now = [this.weather.wind, this.weather.intensity, Math.min(14, this.courier.speed)]
    ;[publishWind, publishIntensity, publishCourierSpeed].forEach((publish, i) => {
      if (all || now[i] !== this.published[i]) publish(this.bell, now[i])
    })
    this.published = now
  }

  /** What the picture has in its middle. */
  get camera(): [number, number, number] {
    const { x, y } = this.courier.motion
    const ground = this.moor.height(x)
    return [x + this.courier.side * 1.5, ground + 2.9 + 0.35 * Math.max(0, y - ground), 0]
  }

  private setOut() {
    const next = this.mill + this.way
    if (next < 0 || next >= this.moor.mills.length) this.way = -this.way
    this.mill += this.way
    const from = this.courier.motion.x
    const to = this.moor.mills[this.mill].x
    // On the way it comes down once more, somewhere.
    const between = this.roll() < 0.75 ? this.roll.pick(LANDINGS) : undefined
    this.courier.to(
      between
        ? { x: this.moor.nearest(between, from + this.way * 4, this.way), mill: false }
        : { x: to, mill: true },
    )
    for (const share of [0.3, 0.5, 0.72])
      this.hang(from + (to - from) * (share + this.roll.between(-0.05, 0.05)))
  }

  private hang(x: number) {
    const name = `parcel ${++this.counted}`
    const y = this.moor.ground(x).y + this.roll.between(2.8, 3.8)
    this.parcels.push({ name, x, y, worth: 1 + Math.floor(this.roll() * 5) })
    this.told.move(name, [x, y, 0], undefined, [0, 0, 0], 'parcel')
  }

  private fly() {
    const { courier } = this
    if (courier.way === 'stands' || courier.way === 'lies') {
      courier.rest -= STEP
      if (courier.rest > 0) return
      if (courier.way === 'lies') this.begin()
      courier.takeOff()
    }
    const reeled = courier.reeling
    const touched = courier.step(STEP, this.wind)
    if (courier.reeling && !reeled) kiteReelingBegins(this.bell, COURIER, courier.position, courier.heading)
    if (!courier.reeling && reeled) kiteReelingEnds(this.bell, COURIER)
    if (touched) this.land()
  }

  // Another courier, from the mill that was set out from.
  private begin() {
    this.told.gone(COURIER)
    this.parts.length = 0
    this.hidden = false
    const from = this.moor.mills[this.mill - this.way] ?? this.moor.mills[0]
    Object.assign(this.courier.motion, { x: from.x, y: from.y, vx: 0, vy: 0 })
    Object.assign(this.courier, { hurt: 0, way: 'stands', pitch: 0 })
    // What was asked for is asked for still.
    if (this.courier.goal.wanted) this.landOn(this.courier.goal.wanted)
    else this.courier.to({ x: this.moor.mills[this.mill].x, mill: true })
  }

  private land() {
    const { courier } = this
    const { x, vx, vy } = courier.motion
    const ground = this.moor.ground(x)
    const fell = courier.way === 'falls'
    const speed = Math.min(14, Math.hypot(vx, vy))
    if (courier.reeling) kiteReelingEnds(this.bell, COURIER)
    courier.stand(fell ? 2.2 : ground.surface === 'water' ? 0.5 : 1)
    const at: Vec = [x, ground.y, 0]
    courierLanded(this.bell, COURIER, at, ground.normal, speed, ground.surface)
    if (fell) return
    const mill = this.moor.mills[this.mill]
    const { wanted } = courier.goal
    if (wanted && wanted !== ground.surface) this.landOn(wanted)
    else if (Math.abs(x - mill.x) < 5.5) this.deliver(at)
    else courier.to({ x: mill.x, mill: true })
  }

  private deliver(at: Vec) {
    this.courier.hurt = 0
    if (this.carried) {
      this.streak = Math.min(STREAK, this.streak + 1)
      parcelDelivered(this.bell, COURIER, at, this.streak)
    }
    this.carried = 0
    this.setOut()
  }

  private collect() {
    const { x, y } = this.courier.motion
    if (this.courier.way !== 'flies') return
    for (const parcel of [...this.parcels]) {
      if (Math.hypot(parcel.x - x, parcel.y - y) > 1.3) continue
      this.parcels.splice(this.parcels.indexOf(parcel), 1)
      this.carried++
      parcelCollected(this.bell, COURIER, [parcel.x, parcel.y, 0], parcel.worth)
      this.told.gone(parcel.name)
    }
    // What hangs far behind has been blown away.
    const left = this.parcels.findIndex((p) => Math.abs(p.x - x) > 70)
    if (left >= 0) this.told.gone(this.parcels.splice(left, 1)[0].name)
  }

  private strike() {
    const { courier, weather } = this
    if (courier.way !== 'flies') return
    if (weather.now === 'hail' && weather.intensity > 0.3) {
      if (this.seconds >= this.nextHail) {
        if (this.nextHail > 0) this.hail()
        this.nextHail = this.seconds - Math.log(1 - this.roll()) * 1.6
      }
    } else this.nextHail = 0
    const tree = this.moor.trees.find(
      (t) => Math.hypot(t.branch[0] - courier.motion.x, t.branch[1] - courier.motion.y) < 0.9,
    )
    if (tree && tree !== this.lastTree) this.branch()
    this.lastTree = tree
  }

  private hail() {
    this.hit('hail', [Math.sin(0.2), -Math.cos(0.2), 0], this.roll.between(15, 75))
  }

  private branch() {
    const { vx, vy } = this.courier.motion
    const speed = Math.hypot(vx, vy) || 1
    this.courier.motion.vx *= 0.75
    this.hit('branch', [-vx / speed, -vy / speed, 0], Math.min(100, speed * 6))
  }

  private crow(crow: Crow, what: 'scared' | 'hits' | 'gone') {
    const speed = Math.hypot(crow.vx, crow.vy) || 1
    const direction: Vec = [crow.vx / speed, crow.vy / speed, 0]
    if (what === 'gone') this.told.gone(crow.name)
    else if (what === 'scared') crowScattered(this.bell, crow.name, [crow.x, crow.y, 0], direction)
    else this.hit('crow', direction, Math.min(100, 20 + 5 * this.courier.speed))
  }

  private hit(by: CourierStruckBy, direction: Vec, force: number) {
    const { courier } = this
    if (courier.way !== 'flies') return
    courierStruck(this.bell, COURIER, courier.position, direction, force, by)
    courier.hurt++
    this.struckBy = by
    if (courier.hurt >= MOST_HURT) this.down()
  }

  private down() {
    const { courier } = this
    if (courier.way !== 'flies') return
    if (courier.reeling) kiteReelingEnds(this.bell, COURIER)
    const { vx, vy, x, y } = courier.motion
    const speed = Math.hypot(vx, vy) || 1
    const cause: CourierDownedCause = this.struckBy
    courierDowned(this.bell, COURIER, courier.position, [vx / speed, vy / speed, 0], cause)
    for (let kind = 0; kind < 4; kind++)
      this.parts.push({
        x,
        y: y + 0.6,
        vx: vx * 0.5 + this.roll.between(-3, 3),
        vy: this.roll.between(1, 5),
        turn: 0,
        spin: this.roll.between(-2, 2),
        kind,
      })
    this.streak = 0
    this.carried = 0
    courier.fall()
  }

  private blow() {
    if (this.seconds >= this.nextCrow) {
      this.nextCrow = this.seconds + this.roll.between(3, 7)
      if (this.courier.way === 'flies') this.callCrow(this.roll() < 0.3)
    }
    if (this.seconds >= this.nextGust) {
      this.nextGust = this.seconds + this.roll.between(9, 15)
      this.gust()
    }
    const over = this.gusts.findIndex((g) => this.seconds >= g.until)
    if (over >= 0) gustCrossingEnds(this.bell, this.gusts.splice(over, 1)[0].name)
  }

  private callCrow(bold: boolean) {
    const { x, y } = this.courier.motion
    this.crows.come(x, y, this.courier.side, bold)
  }

  private landOn(wanted: CourierLandedSurface) {
    const { courier } = this
    courier.to({ x: this.moor.nearest(wanted, courier.motion.x, courier.side), mill: false, wanted })
  }

  private gust() {
    const name = `gust ${++this.counted}`
    const x = this.courier.motion.x + this.courier.side * 9
    const y = this.moor.height(x) + 3
    this.gusts.push({ name, x, y, until: this.seconds + 3.5 })
    gustCrossingBegins(this.bell, name, [x, y, 0], [8, 3, 2])
  }

  /** Makes something of {@link CAN} happen now, or as soon as it can; tells whether it is one of them. */
  ask(what: string): boolean {
    if (!(CAN as readonly string[]).includes(what)) return false
    const { courier } = this
    const [first, second] = what.split(/: | on /)
    if (first === 'weather') weather(this.bell, '', this.weather.change(second as WeatherValue, this.seconds))
    else if (first === 'land') {
      this.landOn(second as CourierLandedSurface)
    } else if (what === 'hail strikes') this.hail()
    else if (what === 'a crow attacks') this.callCrow(true)
    else if (what === 'a crow flees') this.callCrow(false)
    else if (what === 'a branch strikes') this.branch()
    else if (what === 'the courier falls') this.down()
    else if (what === 'a parcel ahead') this.hang(courier.motion.x + courier.side * 8)
    else this.gust()
    return true
  }
}
