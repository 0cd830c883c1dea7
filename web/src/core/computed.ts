import {
  type Draft,
  type FeedsView,
  type FittedRequest,
  type FittedView,
  type ParameterReport,
  type PreviewHead,
  type PreviewRequest,
  type Pulled,
  type Recorded,
  type ResponseView,
  type TakeHead,
  type TakeRequest,
  type WiringView,
} from '../api/client'
import type { Take } from '../stage/frames'
import { Core, type Question, type Shown, type Told } from './core'
import { looked, type Head } from './looked'

const core = new Core(() => new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' }))

/** Responses that are asked for at once, so that what is looked at need not wait for all of them. */
const AT_ONCE = 12

/** Of what was measured, so much is kept. */
const MEASURED = 1_000
let measured = 0

async function computed<T>(
  project: Shown,
  ask: Question,
  what: string,
  wish: object,
  read: (told: Told) => T,
): Promise<T> {
  const start = performance.now()
  const told = await core.ask(project, ask, what, wish)
  if (++measured % MEASURED === 0) performance.clearMeasures()
  performance.measure(`asked for ${ask}`, { start, detail: told.took })
  return read(told)
}

const answered = <T>(told: Told) => told.answer as T

const name = (project: Shown, part: number) => `“${project.parts.get(part)?.name ?? part}”`

/** Asks for a take whose pictures are asked for as they are looked at. */
function watched<H extends Head>(
  project: Shown,
  ask: 'preview' | 'take',
  what: string,
  wish: object,
): Promise<Take<H>> {
  const read = (told: Told) => {
    let life = core.life
    let { viewing } = told
    return looked<H>(told.head as H, { from: told.from!, frames: told.frames! }, async (from, count) => {
      let next: Told
      if (core.life === life) {
        next = await core.ask(project, 'look', what, { viewing, from, count })
      } else {
        // Another question broke the worker, and the new one has not played this yet.
        next = await core.ask(project, ask, what, { ...wish, at: from })
        life = core.life
        viewing = next.viewing
      }
      return { from: next.from!, frames: next.frames! }
    })
  }
  return computed(project, ask, what, wish, read)
}

/**
 * Plays an effect for its own sake.
 *
 * @param window in which it is seen; the next for it replaces this one
 * @param at the step whose picture is looked at
 */
export const preview = (project: Shown, request: PreviewRequest, window: 'now' | 'before', at = 0) =>
  watched<PreviewHead>(project, 'preview', `the preview of ${name(project, request.effect)}`, {
    ...request,
    at,
    window,
  })

/**
 * Plays a pull.
 *
 * @param at the step whose picture is looked at
 */
export const take = (project: Shown, request: TakeRequest, at = 0) =>
  watched<TakeHead>(
    project,
    'take',
    `the take of ${request.rope === undefined ? request.event : name(project, request.rope)}`,
    { ...request, at, window: 'ropes' },
  )

/** Gives the responses of some ropes as they come, until it is not wanted any more. */
export async function responses(
  project: Shown,
  ropes: number[],
  drafts: Draft[],
  each: (response: ResponseView) => void,
  wanted: () => boolean,
) {
  for (let i = 0; i < ropes.length && wanted(); i += AT_ONCE) {
    const some = ropes.slice(i, i + AT_ONCE).filter((rope) => project.parts.has(rope))
    const found = await computed(
      project,
      'responses',
      'responses',
      { ropes: some, drafts },
      answered<ResponseView[]>,
    )
    found.forEach(each)
  }
}

/** Draws the feeds of a rope. */
export const feeds = (project: Shown, rope: number, drafts: Draft[]): Promise<FeedsView> =>
  computed(project, 'feeds', `the feeds of ${name(project, rope)}`, { rope, drafts }, answered<FeedsView>)

/** Looks at how everything is wired. */
export const wiring = (
  project: Shown,
  drafts: Draft[],
  recorded: Recorded[],
  pulled: Pulled[],
): Promise<WiringView> =>
  computed(project, 'wiring', 'the wiring', { drafts, recorded, pulled }, answered<WiringView>)

/** Computes what answers to the parameters of an effect. */
export const parameters = (project: Shown, effect: number, drafts: Draft[]): Promise<ParameterReport> =>
  computed(
    project,
    'parameters',
    `the parameters of ${name(project, effect)}`,
    { effect, drafts },
    answered<ParameterReport>,
  )

/** Brings ropes to fit something. */
export const fitted = (project: Shown, request: FittedRequest): Promise<FittedView> =>
  computed(project, 'fitted', 'what fits', request, answered<FittedView>)
