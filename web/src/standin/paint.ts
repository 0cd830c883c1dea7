import type { Crow } from './crows'
import { LOOKS, SAILS, TOWER } from './looks'
import { shape, type Patch } from './moor'
import type { WeatherValue } from './WindrowPost'
import type { Part, World } from './world'

/** Units from top to bottom of the picture. */
export const HIGH = 10.5

/** Top and bottom of the sky, and what lies in it: sRGB. */
const SKIES: Record<WeatherValue, { top: number[]; low: number[]; light: number }> = {
  clear: { top: [38, 48, 86], low: [226, 150, 108], light: 1 },
  drizzle: { top: [62, 74, 96], low: [170, 152, 148], light: 0.5 },
  downpour: { top: [32, 38, 52], low: [98, 104, 116], light: 0.12 },
  hail: { top: [48, 52, 74], low: [140, 136, 150], light: 0.25 },
  snow: { top: [96, 108, 132], low: [196, 194, 202], light: 0.5 },
}
const GROUND = [22, 24, 30]
const PATHS = {
  courier: new Path2D(LOOKS.courier.path),
  crow: new Path2D(LOOKS.crow.path),
  parcel: new Path2D(LOOKS.parcel.path),
  tower: new Path2D(TOWER),
  sails: new Path2D(SAILS),
}

const css = (c: number[], alpha = 1) => `rgb(${c.map(Math.round).join(' ')} / ${alpha})`
const mix = (a: number[], b: number[], t: number) => a.map((v, i) => v + (b[i] - v) * t)

/** Paints the moor and all that is on it; the light of effects goes over it. */
export class Painter {
  private sky = SKIES.clear
  private clouds = 0

  /** @param camera what the picture has in its middle */
  paint(g: CanvasRenderingContext2D, world: World, camera: readonly number[], seconds: number) {
    const { width, height } = g.canvas
    const k = height / HIGH
    this.turn(world, seconds)
    this.paintSky(g, width, height)
    const hills = [
      { far: 0.1, up: 1.1, tall: 0.9, long: 13, share: 0.2 },
      { far: 0.25, up: 0.3, tall: 0.7, long: 9, share: 0.42 },
      { far: 0.5, up: -0.5, tall: 0.6, long: 7, share: 0.68 },
    ]
    hills.forEach((hill, i) => this.hill(g, hill, i, camera, k, world))
    g.save()
    // From here on in units of the world, y up.
    g.translate(width / 2, height / 2)
    g.scale(k, -k)
    g.translate(-camera[0], -camera[1])
    const half = width / k / 2 + 1
    const [left, right] = [camera[0] - half, camera[0] + half]
    const near = (x: number, wide = 4) => x > left - wide && x < right + wide
    const dark = css(mix(GROUND, this.sky.low, 0.06))
    world.moor.mills.filter((m) => near(m.x)).forEach((m) => this.mill(g, m.x, m.y, world.sails))
    world.moor.trees
      .filter((t) => near(t.x))
      .forEach((t) => tree(g, t.x, t.y, t.branch, css(mix(GROUND, this.sky.low, 0.14))))
    const patches = world.moor.patches.filter((p) => p.to > left && p.from < right)
    patches.forEach((p) => this.stands(g, world, p))
    this.ground(g, world, left, right, camera[1] - HIGH / 2 - 1, dark)
    patches.forEach((p) => this.lies(g, world, p))
    g.fillStyle = css(mix([246, 214, 150], this.sky.low, 0.2))
    world.parcels.filter((p) => near(p.x)).forEach((p) => figure(g, 'parcel', p.x, p.y, 1, 0))
    g.fillStyle = css([16, 17, 22])
    world.crows.all.forEach((c) => crow(g, c))
    world.parts.forEach((part) => scrap(g, part))
    this.courier(g, world)
    g.restore()
    this.cloud(g, width, height)
  }

  // Weather comes slowly.
  private turn(world: World, seconds: number) {
    const to = SKIES[world.weather.now]
    const t = Math.min(1, seconds * 0.7)
    const { sky } = this
    this.sky = {
      top: mix(sky.top, to.top, t),
      low: mix(sky.low, to.low, t),
      light: sky.light + (to.light - sky.light) * t,
    }
    const wet = world.weather.now === 'clear' ? 0 : 1
    this.clouds += (wet - this.clouds) * t
  }

  private paintSky(g: CanvasRenderingContext2D, width: number, height: number) {
    const fill = g.createLinearGradient(0, 0, 0, height)
    fill.addColorStop(0, css(this.sky.top))
    fill.addColorStop(0.85, css(this.sky.low))
    g.fillStyle = fill
    g.fillRect(0, 0, width, height)
    const [x, y, r] = [width * 0.72, height * 0.5, height * 0.06]
    const glow = g.createRadialGradient(x, y, r * 0.9, x, y, r * 5)
    glow.addColorStop(0, css([255, 226, 178], 0.55 * this.sky.light))
    glow.addColorStop(1, css([255, 226, 178], 0))
    g.fillStyle = glow
    g.fillRect(0, 0, width, height)
    g.fillStyle = css([255, 238, 208], this.sky.light)
    g.beginPath()
    g.arc(x, y, r, 0, 7)
    g.fill()
  }

  private hill(
    g: CanvasRenderingContext2D,
    { far, up, tall, long, share }: { far: number; up: number; tall: number; long: number; share: number },
    number: number,
    camera: readonly number[],
    k: number,
    world: World,
  ) {
    const { width, height } = g.canvas
    const at = (x: number) =>
      up + tall * (Math.sin(x / long + number * 2) + 0.4 * Math.sin((2.7 * x) / long + number))
    const screen = (y: number) => height * 0.66 - (y - (camera[1] - 3) * far * 0.6) * k
    g.fillStyle = css(mix(this.sky.low, GROUND, share))
    g.beginPath()
    g.moveTo(0, height)
    for (let px = 0; px <= width + 12; px += 12) g.lineTo(px, screen(at(px / k + camera[0] * far)))
    g.lineTo(width, height)
    g.fill()
    if (number !== 1) return
    // Mills far away, turning too.
    for (let i = Math.floor((camera[0] * far) / 9); i < (camera[0] * far + width / k) / 9 + 1; i++) {
      const x = i * 9 + 2
      g.save()
      g.translate((x - camera[0] * far) * k, screen(at(x)) + 0.1 * k)
      g.scale((k * 1.1) / 100, (k * 2.2) / 100)
      g.translate(-50, -100)
      g.fill(PATHS.tower)
      sails(g, world.sails * 0.8 + i)
      g.restore()
    }
  }

  private ground(
    g: CanvasRenderingContext2D,
    world: World,
    left: number,
    right: number,
    bottom: number,
    dark: string,
  ) {
    const fill = g.createLinearGradient(0, 2, 0, bottom)
    fill.addColorStop(0, dark)
    fill.addColorStop(1, css([10, 11, 15]))
    g.fillStyle = fill
    g.beginPath()
    g.moveTo(left, bottom)
    for (let x = left; x <= right; x += 0.2) g.lineTo(x, bed(world, x))
    g.lineTo(right, bottom)
    g.fill()
    // Heather along the edge.
    g.strokeStyle = css(mix([92, 62, 84], this.sky.low, 0.1))
    g.lineWidth = 0.03
    g.beginPath()
    for (let i = Math.floor(left / 0.11); i * 0.11 < right; i++) {
      const x = i * 0.11
      if (world.moor.patch(x)) continue
      const tall = 0.02 + 0.16 * Math.abs(Math.sin(i * 12.9898) * Math.sin(i * 0.31))
      const y = world.moor.height(x)
      g.moveTo(x, y - 0.03)
      g.lineTo(x + 0.06 * Math.sin(i * 7), y + tall)
    }
    g.stroke()
  }

  /** What stands on the ground, whose foot is in it. */
  private stands(g: CanvasRenderingContext2D, world: World, patch: Patch) {
    const { from, to, surface } = patch
    const level = world.moor.level(patch)
    if (surface === 'thatch') {
      g.fillStyle = this.lit([120, 112, 104], 0.55)
      g.fillRect(from + 0.35, level - 1.5, to - from - 0.7, 1.5 + patch.height * 0.72)
      g.fillStyle = css(mix([255, 208, 120], this.sky.low, 0.1), 0.9)
      g.fillRect(from + 1, level + 0.5, 0.42, 0.42)
      g.fillRect(to - 1.42, level + 0.5, 0.42, 0.42)
      g.fillStyle = this.lit([188, 150, 84], 0.75)
      outline(g, patch, level)
    } else if (surface === 'stone' && patch.height > 0) {
      g.fillStyle = this.lit([150, 148, 146], 0.5)
      outline(g, patch, level)
    }
  }

  /** What lies on the ground or in it: water, and the flags about a mill. */
  private lies(g: CanvasRenderingContext2D, world: World, patch: Patch) {
    const { from, to, surface, height } = patch
    const { moor } = world
    if (surface === 'water') {
      const y = moor.level(patch) + height
      const fill = g.createLinearGradient(0, y, 0, y - 0.8)
      fill.addColorStop(0, css(mix(this.sky.low, this.sky.top, 0.2)))
      fill.addColorStop(1, css(mix(this.sky.top, GROUND, 0.5)))
      g.fillStyle = fill
      g.beginPath()
      g.moveTo(from, y)
      for (let i = 0; i <= 20; i++)
        g.lineTo(from + ((to - from) * i) / 20, bed(world, from + ((to - from) * i) / 20))
      g.lineTo(to, y)
      g.fill()
    } else if (height === 0) {
      g.strokeStyle = this.lit([150, 146, 140], 0.7)
      g.lineWidth = 0.1
      g.beginPath()
      for (let x = from; x < to - 0.3; x += 0.5) {
        g.moveTo(x, moor.height(x))
        g.lineTo(x + 0.4, moor.height(x + 0.4))
      }
      g.stroke()
    }
  }

  private lit(colour: number[], share: number) {
    return css(mix(mix(GROUND, colour, share), this.sky.low, 0.1))
  }

  private mill(g: CanvasRenderingContext2D, x: number, y: number, turned: number) {
    const { width, height } = LOOKS.mill
    g.save()
    g.translate(x, y)
    g.scale(width / 100, -height / 100)
    g.translate(-50, -100)
    g.fillStyle = css(mix(GROUND, this.sky.low, 0.2))
    g.fill(PATHS.tower)
    g.fillStyle = css(mix([60, 48, 40], this.sky.low, 0.2))
    sails(g, turned)
    g.restore()
  }

  private courier(g: CanvasRenderingContext2D, world: World) {
    const { courier } = world
    if (world.hidden || courier.way === 'lies') return
    g.fillStyle = css([18, 17, 20])
    const { x, y } = courier.motion
    figure(g, 'courier', x, y, courier.side, courier.way === 'flies' ? courier.pitch * 0.5 : courier.pitch)
  }

  // What rains stands over the courier.
  private cloud(g: CanvasRenderingContext2D, width: number, height: number) {
    if (this.clouds < 0.02) return
    const fill = g.createLinearGradient(0, 0, 0, height * 0.34)
    fill.addColorStop(0, css(mix(this.sky.top, [20, 22, 30], 0.5), this.clouds))
    fill.addColorStop(1, css(this.sky.top, 0))
    g.fillStyle = fill
    g.fillRect(0, 0, width, height * 0.34)
  }
}

/** Returns how high the ground is, the beds of waters too. */
function bed(world: World, x: number) {
  const { moor } = world
  const patch = moor.patch(x)
  if (patch?.surface !== 'water') return moor.height(x)
  const across = (2 * x - patch.from - patch.to) / (patch.to - patch.from)
  return Math.min(
    moor.height(x),
    moor.level(patch) + patch.height - 0.8 * Math.sqrt(1 - Math.min(1, across * across)),
  )
}

function outline(g: CanvasRenderingContext2D, patch: Patch, level: number) {
  const { from, to } = patch
  g.beginPath()
  const roof = patch.surface === 'thatch'
  g.moveTo(from - (roof ? 0.25 : 0), level + (roof ? patch.height * 0.55 : -1.5))
  for (let i = 0; i <= 16; i++) {
    const x = from + ((to - from) * i) / 16
    g.lineTo(x, level + patch.height * shape(patch, x))
  }
  g.lineTo(to + (roof ? 0.25 : 0), level + (roof ? patch.height * 0.55 : -1.5))
  g.fill()
}

/** Turns the sails in the box of a mill, which is half as wide as it is high. */
function sails(g: CanvasRenderingContext2D, turned: number) {
  g.translate(50, 20)
  g.scale(2, 1)
  g.rotate(turned * 2 * Math.PI)
  g.scale(0.5, 1)
  g.translate(-50, -20)
  g.fill(PATHS.sails)
}

function tree(g: CanvasRenderingContext2D, x: number, y: number, [bx, by]: [number, number], colour: string) {
  g.strokeStyle = colour
  g.lineCap = 'round'
  const bough = (x0: number, y0: number, x1: number, y1: number, wide: number) => {
    g.lineWidth = wide
    g.beginPath()
    g.moveTo(x0, y0)
    g.quadraticCurveTo(x0, (y0 + y1) / 2, x1, y1)
    g.stroke()
  }
  const side = Math.sign(bx - x) || 1
  const mid = y + (by - y) * 0.55
  bough(x, y - 0.2, x + side * 0.1, mid, 0.24)
  bough(x + side * 0.1, mid - 0.1, bx, by, 0.13)
  bough(x + side * 0.08, mid - 0.3, x - side * 0.8, mid + 0.8, 0.1)
  bough(bx - side * 0.2, by - 0.6, bx + side * 0.5, by - 0.1, 0.06)
  bough(x, mid, x - side * 0.15, by + 0.1, 0.08)
  bough(x - side * 0.5, mid + 0.4, x - side * 0.6, mid + 1.2, 0.05)
}

/** Draws a silhouette that stands at a place, looking left or right, turned by degrees about its middle. */
function figure(
  g: CanvasRenderingContext2D,
  name: 'courier' | 'crow' | 'parcel',
  x: number,
  y: number,
  side: number,
  degrees: number,
) {
  const { width, height } = LOOKS[name]
  g.save()
  g.translate(x, y + height / 2)
  g.scale(side, 1)
  g.rotate((degrees * Math.PI) / 180)
  g.scale(width / 100, -height / 100)
  g.translate(-50, -50)
  g.fill(PATHS[name])
  g.restore()
}

function crow(g: CanvasRenderingContext2D, { x, y, vx, beat }: Crow) {
  const { width, height } = LOOKS.crow
  g.save()
  g.translate(x, y)
  g.scale(
    (Math.sign(vx || 1) * width) / 100,
    (-height / 100) * (0.35 + 0.65 * Math.abs(Math.cos(beat * Math.PI))),
  )
  g.translate(-50, -50)
  g.fill(PATHS.crow)
  g.restore()
}

/** What has come off the courier: cloth, spars, a cap. */
function scrap(g: CanvasRenderingContext2D, { x, y, turn, kind }: Part) {
  g.save()
  g.translate(x, y)
  g.rotate(turn * 2 * Math.PI)
  g.beginPath()
  if (kind === 0) g.ellipse(0, 0, 0.9, 0.22, 0, 0, Math.PI)
  else if (kind === 1) g.rect(-0.7, -0.03, 1.4, 0.06)
  else if (kind === 2) g.arc(0, 0, 0.16, 0, Math.PI)
  else g.rect(-0.2, -0.16, 0.4, 0.32)
  g.fill()
  g.restore()
}
