import { describe, expect, it } from 'vitest'
import type { Fault } from './faults'
import type { Value } from './WindrowPost'
import { CAN, RATE, World, type Told } from './world'

interface Pull {
  event: string
  phase: string
  subject: string
  value?: string
  payload: Record<string, Value>
  at: number
}

/** Runs the game on a stage that writes down what it is told. */
function run(
  seed: number,
  seconds: number,
  faults: Fault[] = [],
  during?: (world: World, step: number) => unknown,
) {
  const pulls: Pull[] = []
  const published = new Map<string, { least: number; most: number }>()
  const gone: string[] = []
  let clock = () => 0
  const told: Told = {
    bell: {
      pull: (event, phase, subject, value, payload) =>
        pulls.push({ event, phase, subject, value, payload, at: clock() }),
      publish: (channel, value) =>
        void published.set(channel, {
          least: Math.min(value, published.get(channel)?.least ?? value),
          most: Math.max(value, published.get(channel)?.most ?? value),
        }),
      set: () => {},
    },
    move: (subject, position) => {
      if (!position.every(Number.isFinite)) throw new Error(`${subject} is nowhere`)
    },
    gone: (subject) => gone.push(subject),
    camera: () => {},
  }
  const world = new World(seed, told, new Set(faults))
  clock = () => world.seconds
  for (let step = 0; step < seconds * RATE; step++) {
    during?.(world, step)
    world.step()
  }
  return { world, pulls, published, gone, of: (event: string) => pulls.filter((p) => p.event === event) }
}

describe('Windrow Post, played by itself', { timeout: 60_000 }, () => {
  const long = run(7, 600)

  it('is the same run for the same seed, and another for another', () => {
    expect(run(7, 60).pulls).toEqual(long.pulls.filter((p) => p.at < 60))
    expect(run(8, 60).pulls).not.toEqual(long.pulls.filter((p) => p.at < 60))
  })

  it('lets every event of the contract happen, with every value that matters', () => {
    const count = (event: string, more: (p: Pull) => boolean = () => true) =>
      long.of(event).filter(more).length
    for (const surface of ['thatch', 'stone', 'peat', 'water'])
      expect(
        count('courier.landed', (p) => p.payload.surface === surface),
        surface,
      ).toBeGreaterThan(0)
    for (const by of ['hail', 'crow', 'branch'])
      expect(
        count('courier.struck', (p) => p.payload.by === by),
        by,
      ).toBeGreaterThan(0)
    for (const value of ['clear', 'drizzle', 'downpour', 'hail', 'snow'])
      expect(
        count('weather', (p) => p.value === value),
        value,
      ).toBeGreaterThan(0)
    for (const event of ['courier.downed', 'parcel.collected', 'parcel.delivered', 'crow.scattered'])
      expect(count(event), event).toBeGreaterThan(1)
    expect(count('mill.turning')).toBe(5)
  })

  it('says nothing outside the ranges of the contract', () => {
    for (const p of long.of('courier.landed')) {
      expect(p.payload.speed).toBeGreaterThan(0)
      expect(p.payload.speed).toBeLessThanOrEqual(14)
      expect(Math.hypot(...(p.payload.normal as unknown as number[]))).toBeCloseTo(1, 9)
    }
    for (const p of long.of('courier.struck')) {
      expect(p.payload.force).toBeGreaterThan(0)
      expect(p.payload.force).toBeLessThanOrEqual(100)
      expect(Math.hypot(...(p.payload.direction as unknown as number[]))).toBeCloseTo(1, 9)
    }
    for (const p of long.of('parcel.delivered')) expect(p.payload.streak).toBeLessThanOrEqual(12)
    const within = (channel: string, most: number) =>
      expect(long.published.get(channel)).toSatisfy(
        (p: { least: number; most: number }) => p.least >= 0 && p.most <= most && p.most > 0,
      )
    within('wind', 12)
    within('intensity', 1)
    within('courier speed', 14)
  })

  it('ends every span that it begins, each once', () => {
    for (const event of ['kite.reeling', 'gust.crossing']) {
      let open = 0
      for (const p of long.of(event)) {
        open += p.phase === 'begin' ? 1 : -1
        expect(open).toBeGreaterThanOrEqual(0)
        expect(open).toBeLessThanOrEqual(1)
      }
    }
  })

  it('never stands still for long, whatever the seed', () => {
    for (let seed = 1; seed <= 8; seed++) {
      const { of, world } = run(seed, 180)
      const landed = of('courier.landed').map((p) => p.at)
      const longest = Math.max(...landed.map((at, i) => (landed[i + 1] ?? 180) - at))
      expect(landed.length, `seed ${seed}`).toBeGreaterThan(14)
      expect(longest, `seed ${seed}`).toBeLessThan(25)
      expect(of('parcel.delivered').length, `seed ${seed}`).toBeGreaterThan(2)
      expect(world.parcels.length).toBeLessThan(20)
      expect(world.crows.all.length).toBeLessThan(12)
    }
  })

  it('lets happen what is asked for', () => {
    for (const what of CAN) {
      const [, wanted] = what.split(/: | on /)
      const since: number[] = []
      const { pulls } = run(3, 40, [], (world, step) => {
        if (step !== 8 * RATE) return
        since.push(world.seconds)
        expect(world.ask(what)).toBe(true)
      })
      const after = pulls.filter((p) => p.at >= since[0])
      const found = after.some(
        (p) =>
          p.value === wanted ||
          p.payload.surface === wanted ||
          (what === 'hail strikes' && p.payload.by === 'hail') ||
          (what === 'a crow attacks' && p.payload.by === 'crow') ||
          (what === 'a branch strikes' && p.payload.by === 'branch') ||
          (what === 'a crow flees' && p.event === 'crow.scattered') ||
          (what === 'the courier falls' && p.event === 'courier.downed') ||
          (what === 'a parcel ahead' && p.event === 'parcel.collected') ||
          (what === 'a gust crosses' && p.event === 'gust.crossing'),
      )
      expect(found, what).toBe(true)
    }
    const { world } = run(3, 1)
    expect(world.ask('sing')).toBe(false)
  })

  it('lands where it is asked to, however long it takes', () => {
    for (let seed = 1; seed <= 4; seed++)
      for (const surface of ['thatch', 'stone', 'peat', 'water']) {
        const { of } = run(seed, 80, [], (world, step) => step === 600 && world.ask(`land on ${surface}`))
        const landed = of('courier.landed').filter((p) => p.at >= 10)
        expect(
          landed.some((p) => p.payload.surface === surface),
          `${surface}, seed ${seed}`,
        ).toBe(true)
      }
  })

  it('misbehaves as it is told to, and in nothing else', () => {
    const misspelt = run(7, 120, ['misspelt'])
    expect(misspelt.of('parcel.collected')).toHaveLength(0)
    expect(misspelt.of('parcel.colected').length).toBeGreaterThan(2)
    expect(run(7, 120, ['missing']).of('courier.landed')[0].payload).not.toHaveProperty('surface')
    expect(run(7, 120, ['unit']).of('courier.landed')[0].payload.speed).toBeGreaterThan(100)
    const once = long.of('courier.struck').filter((p) => p.at < 120)
    const thrice = run(7, 120, ['double']).of('courier.struck')
    expect(thrice).toEqual(once.flatMap((p) => [p, p, p]))
    expect(
      run(7, 60, ['endless'])
        .of('kite.reeling')
        .every((p) => p.phase === 'begin'),
    ).toBe(true)
    const owner = run(7, 60, ['owner'])
    expect(owner.gone.filter((s) => s === 'courier').length).toBeGreaterThanOrEqual(
      owner.of('kite.reeling').filter((p) => p.phase === 'begin').length,
    )
    expect(run(7, 60, ['owner', 'endless']).pulls.filter((p) => p.event !== 'kite.reeling')).toEqual(
      long.pulls.filter((p) => p.at < 60 && p.event !== 'kite.reeling'),
    )
  })
})
