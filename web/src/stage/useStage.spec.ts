import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, nextTick } from 'vue'
import type { PartView, Refused, StageReply } from '../api/client'
import { Core, type Asked, type Told } from '../core/core'
import { Noted } from '../core/noted'
import { useProject } from '../project/useProject'
import type { Frame } from './frames'
import { useStage, type Stage } from './useStage'

/** What the stage was told to do, in order. */
const done = (worker: Noted) =>
  worker.asked
    .filter((a) => !['open', 'put', 'drop'].includes(a.ask))
    .map((a) => (a.ask === 'stage' ? JSON.parse(a.text).do : a.ask))

async function says(asked: Asked, told: Omit<Told, 'id'>) {
  Noted.all.at(-1)!.says({ id: asked.id, ...told })
  await nextTick()
  await nextTick()
}

const reply = (of: Partial<StageReply> = {}): { answer: StageReply } => ({
  answer: { accounts: [], told: [], still: true, ...of },
})

function packed(instances: number): ArrayBuffer {
  const buffer = new ArrayBuffer(4 + 64)
  const view = new DataView(buffer)
  view.setUint32(0, 64, true)
  view.setUint32(4, 0x46524c42, true)
  view.setUint32(4 + 16, instances, true)
  return buffer
}

const LANDING = { event: 'courier.landed', seed: 1, payload: {} }

describe('the live stage of a view', () => {
  let stage: Stage
  let frames: Frame[]
  let refusals: Refused[]
  let draw: (() => void)[]
  const project = () => useProject()
  const worker = () => Noted.all[Noted.all.length - 1]

  function open() {
    const core = new Core(() => new Noted())
    return mount(
      defineComponent({
        setup() {
          stage = useStage(
            {
              frame: (frame) => frames.push(frame),
              refused: (refused) => refusals.push(refused),
              begun: () => stage?.publish('wind', 3),
            },
            core,
          )
          return () => null
        },
      }),
    )
  }

  /** The page is drawn once. */
  async function drawn() {
    draw.splice(0).forEach((one) => one())
    await nextTick()
  }

  beforeEach(() => {
    setActivePinia(createPinia())
    Noted.all = []
    frames = []
    refusals = []
    draw = []
    vi.stubGlobal('requestAnimationFrame', (one: () => void) => draw.push(one))
    const part = { id: 4, kind: 'effect', name: 'puff', place: 1, revision: 1, body: { a: 1 } }
    project().id = 7
    project().parts = new Map([[4, part as unknown as PartView]])
  })

  it('begins with what is set, and plays a pull at once', async () => {
    open()
    expect(done(worker())).toEqual(['startStage', 'comfort', 'publish'])
    expect(stage.pull(LANDING)).toBe(true)
    expect(done(worker()).slice(3)).toEqual(['pull'])
    const account = {
      number: 1,
      event: 'courier.landed',
      refused: [],
      answers: [],
    } as unknown as StageReply['accounts'][0]
    await says(worker().last, { ...reply({ accounts: [account] }), frames: packed(2) })
    expect(stage.account.value).toBe(account)
    expect(frames).toHaveLength(1)
    expect(stage.instances.value).toBe(2)
  })

  it('asks for one frame at a time while something plays, and for none when it is still', async () => {
    open()
    stage.pull(LANDING)
    await drawn()
    expect(done(worker())).not.toContain('tick')
    await says(worker().last, { ...reply({ still: false }), frames: packed(1) })
    await drawn()
    await drawn()
    expect(done(worker()).filter((d) => d === 'tick')).toHaveLength(1)
    await says(worker().last, { ...reply({ still: false }), frames: packed(1) })
    await drawn()
    expect(done(worker()).filter((d) => d === 'tick')).toHaveLength(2)
    await says(worker().last, { ...reply(), frames: packed(0) })
    await drawn()
    expect(done(worker()).filter((d) => d === 'tick')).toHaveLength(2)
    expect(stage.instances.value).toBe(0)
  })

  it('lets what plays bend to the newest of many changes, and tells a still stage with the next pull', async () => {
    open()
    project().draft(4, { a: 2 })
    await nextTick()
    expect(done(worker())).not.toContain('retuneStage')
    stage.pull(LANDING)
    expect(done(worker()).slice(3)).toEqual(['retuneStage', 'pull'])
    expect(JSON.parse(worker().asked.find((a) => a.ask === 'retuneStage')!.text).drafts).toEqual([
      { part: 4, body: { a: 2 } },
    ])
    await says(worker().last, { ...reply(), frames: packed(1) })
    for (let a = 3; a < 9; a++) {
      project().draft(4, { a })
      await nextTick()
    }
    const bent = () => worker().asked.filter((a) => a.ask === 'retuneStage')
    expect(bent(), 'one on its way').toHaveLength(2)
    await says(bent()[1], { ...reply(), frames: packed(1) })
    expect(bent()).toHaveLength(3)
    expect(JSON.parse(bent()[2].text).drafts[0].body).toEqual({ a: 8 })
  })

  it('says what is refused, and goes on', async () => {
    open()
    stage.pull(LANDING)
    await says(worker().last, { problems: [{ place: '/seed', given: '1', allowed: 'less' }] })
    expect(refusals[0].message).toBe('/seed: 1: less')
    expect(stage.failed.value).toBe('')
    expect(stage.pull(LANDING)).toBe(true)
  })

  it('says once that it stopped, takes nothing then, and can be started again', async () => {
    open()
    stage.pull(LANDING)
    stage.pull(LANDING)
    await says(worker().last, { trap: 'RuntimeError: unreachable' })
    expect(stage.failed.value).toContain('Computing the stage broke off')
    expect(stage.pull(LANDING)).toBe(false)
    stage.restart()
    expect(Noted.all).toHaveLength(2)
    expect(done(worker())).toEqual(['startStage', 'comfort', 'publish'])
    expect(stage.failed.value).toBe('')
  })

  it('says why it cannot begin', async () => {
    open()
    const start = worker().asked.find((a) => a.ask === 'startStage')!
    await says(start, { problems: [{ place: '/ropes/0', given: '7', allowed: 'a rope' }] })
    expect(stage.failed.value).toBe('/ropes/0: 7: a rope')
    expect(refusals).toHaveLength(0)
  })

  it('begins anew with another project, and hears nothing more of the one before', async () => {
    open()
    stage.pull(LANDING)
    const late = worker().last
    project().id = 8
    await nextTick()
    expect(done(worker()).slice(4)).toEqual(['startStage', 'comfort', 'publish'])
    await says(late, { ...reply({ still: false }), frames: packed(3) })
    expect(stage.instances.value).toBe(0)
    expect(frames).toHaveLength(0)
  })

  it('ends with its view', async () => {
    const view = open()
    stage.pull(LANDING)
    await says(worker().last, { ...reply({ still: false }), frames: packed(1) })
    view.unmount()
    await drawn()
    expect(done(worker())).not.toContain('tick')
  })
})
