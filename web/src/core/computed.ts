import {
  api,
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
import { readTake, takeOf, type Take } from '../stage/frames'
import { Absent, Core, type Question, type Shown, type Told } from './core'

const core = new Core(() => new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' }))

/** Responses that are asked for at once, so that what is looked at need not wait for all of them. */
const AT_ONCE = 12

/** Why the page cannot compute here; the server is asked instead. */
let absent: Absent | undefined

async function computed<T>(
  project: Shown,
  ask: Question,
  what: string,
  wish: object,
  read: (told: Told) => T,
  server: () => Promise<T>,
): Promise<T> {
  if (!absent) {
    try {
      const start = performance.now()
      const told = await core.ask(project, ask, what, wish)
      performance.measure(`asked for ${ask}`, { start, detail: told.took })
      return read(told)
    } catch (e) {
      if (!(e instanceof Absent)) throw e
      absent = e
      console.warn('The core cannot run in this browser, so the server computes:', e.message)
    }
  }
  return server()
}

const answered = <T>(told: Told) => told.answer as T
const played = <H extends { stepsPerSecond: number }>(told: Told) => takeOf(told.head as H, told.frames!)
const name = (project: Shown, part: number) => `“${project.parts.get(part)?.name ?? part}”`

/** Plays an effect for its own sake. */
export const preview = (project: Shown, request: PreviewRequest): Promise<Take<PreviewHead>> =>
  computed(
    project,
    'preview',
    `the preview of ${name(project, request.effect)}`,
    request,
    played<PreviewHead>,
    async () => readTake<PreviewHead>(await api.preview(project.id, request)),
  )

/** Plays a pull. */
export const take = (project: Shown, request: TakeRequest): Promise<Take<TakeHead>> =>
  computed(
    project,
    'take',
    `the take of ${request.rope === undefined ? request.event : name(project, request.rope)}`,
    request,
    played<TakeHead>,
    async () => readTake<TakeHead>(await api.take(project.id, request)),
  )

/** Gives the responses of some ropes, or of all, as they come. */
export async function responses(
  project: Shown,
  ropes: number[] | undefined,
  drafts: Draft[],
  each: (response: ResponseView) => void,
) {
  const all = ropes ?? [...project.parts.values()].filter((p) => p.kind === 'rope').map((p) => p.id)
  for (let i = 0; i < all.length; i += AT_ONCE) {
    const some = all.slice(i, i + AT_ONCE).filter((rope) => project.parts.has(rope))
    const found = await computed(
      project,
      'responses',
      'responses',
      { ropes: some, drafts },
      answered<ResponseView[]>,
      () => api.responses(project.id, some, drafts),
    )
    found.forEach(each)
  }
}

/** Draws the feeds of a rope. */
export const feeds = (project: Shown, rope: number, drafts: Draft[]): Promise<FeedsView> =>
  computed(
    project,
    'feeds',
    `the feeds of ${name(project, rope)}`,
    { rope, drafts },
    answered<FeedsView>,
    () => api.feeds(project.id, rope, drafts),
  )

/** Looks at how everything is wired. */
export const wiring = (
  project: Shown,
  drafts: Draft[],
  recorded: Recorded[],
  pulled: Pulled[],
): Promise<WiringView> =>
  computed(project, 'wiring', 'the wiring', { drafts, recorded, pulled }, answered<WiringView>, () =>
    api.wiring(project.id, drafts, recorded, pulled),
  )

/** Computes what answers to the parameters of an effect. */
export const parameters = (project: Shown, effect: number, drafts: Draft[]): Promise<ParameterReport> =>
  computed(
    project,
    'parameters',
    `the parameters of ${name(project, effect)}`,
    { effect, drafts },
    answered<ParameterReport>,
    () => api.parameters(project.id, effect, drafts),
  )

/** Brings ropes to fit something. */
export const fitted = (project: Shown, request: FittedRequest): Promise<FittedView> =>
  computed(project, 'fitted', 'what fits', request, answered<FittedView>, () =>
    api.fitted(project.id, request),
  )
