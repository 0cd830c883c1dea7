import type { Rope } from './bundle'
import type { components } from './schema'

type Schemas = components['schemas']
export type ProjectLine = Schemas['ProjectLine']
export type ProjectView = Schemas['ProjectView']
export type PartView = Schemas['PartView']
export type Saved = Schemas['Saved']
export type Words = Schemas['Words']
/** A body that stands in for a saved part without being saved. */
export interface Draft {
  part: number
  body: unknown
}
export type Edit = Schemas['Edit']
export type Rename = Schemas['Rename']
export type WiringView = Schemas['WiringView']
export type NoticedView = Schemas['NoticedView']
export type BalanceLine = Schemas['BalanceLine']
export type TakeRequest = Schemas['TakeWish'] & { drafts: Draft[] }
export type TakeHead = Schemas['TakeHead']
export type StageReply = Schemas['StageReply']
export type TraceView = Schemas['TraceView']
export type GameReply = Schemas['GameReply']
export type RehearsalView = Schemas['RehearsalView']
export type Progress = Schemas['Progress']
export type SizedView = Schemas['SizedView']
export type ResponseView = Schemas['ResponseView']
export type NumbersReport = Schemas['NumbersReport']
export type AccountReport = Schemas['AccountReport']
export type PreviewRequest = Schemas['PreviewWish'] & { drafts: Draft[] }
export type PreviewHead = Schemas['PreviewHead']
export type EmitterReport = Schemas['EmitterReport']
export type EffectReport = Schemas['EffectReport']
export type FindingReport = Schemas['FindingReport']
export type RecipeView = Schemas['RecipeView']
export type ChangesView = Schemas['ChangesView']
export type ParameterReport = Schemas['ParameterReport']
export type FeedsView = Schemas['FeedsView']
export type FittedView = Schemas['FittedView']
/** What is to fit, with ropes as in a bundle. */
export type FittedRequest = Omit<Schemas['FitWish'], 'ropes' | 'feed'> & {
  ropes: Rope[]
  drafts?: Draft[]
  feed?: { index?: number; parameter: string; source?: object }
}
export type Recorded = Schemas['Recorded']
export type Pulled = Schemas['Pulled']
export type ContractView = Schemas['ContractView']
export type Refusal = Schemas['Refusal']
export type Problem = Schemas['Problem']

/** Tells this window from any other that has the project open. */
export const reader = crypto.getRandomValues(new Uint32Array(2)).join('-')

/** A request that the server refused, or that never reached it (status 0). */
export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly refusal: Partial<Refusal>,
  ) {
    super(refusal.detail ?? refusal.title ?? 'The server did not answer.')
  }
}

async function send(method: string, path: string, body?: unknown, signal?: AbortSignal): Promise<Response> {
  let response: Response
  try {
    response = await fetch('/api' + path, {
      method,
      signal,
      headers: { 'Content-Type': 'application/json', 'X-Bellrope-Reader': reader },
      body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
    })
  } catch (e) {
    if (e instanceof DOMException && e.name === 'AbortError') throw e
    throw new Refused(0, { title: 'The server does not answer.' })
  }
  if (!response.ok) {
    const refusal = await response.json().catch(() => ({ title: response.statusText }))
    throw new Refused(response.status, refusal)
  }
  return response
}

async function json<T>(method: string, path: string, body?: unknown, signal?: AbortSignal): Promise<T> {
  return (await send(method, path, body, signal)).json()
}

/** The recipes ship with the application: asked for once. */
let kept: Promise<RecipeView[]> | undefined
const recipes = () =>
  (kept ??= json<RecipeView[]>('GET', '/recipes').catch((e) => {
    kept = undefined
    throw e
  }))

export const api = {
  projects: () => json<ProjectLine[]>('GET', '/projects'),
  create: (name: string) => json<ProjectLine>('POST', '/projects', { name }),
  project: (id: number) => json<ProjectView>('GET', `/projects/${id}`),
  add: (project: number, kind: string, body: unknown) =>
    json<Saved>('POST', `/projects/${project}/parts`, { kind, body }),
  save: (part: number, basedOn: number, body: unknown) =>
    json<Saved>('PUT', `/parts/${part}`, { basedOn, body }),
  remove: (part: number, basedOn: number) => json<Saved>('DELETE', `/parts/${part}?basedOn=${basedOn}`),
  change: (project: number, edits: Edit[]) => json<Saved>('POST', `/projects/${project}/changes`, { edits }),
  rename: (project: number, rename: Rename) => json<Saved>('POST', `/projects/${project}/renames`, rename),
  contract: (project: number, against?: string) =>
    json<ContractView>(
      'GET',
      `/projects/${project}/contract${against ? `?against=${encodeURIComponent(against)}` : ''}`,
    ),
  handOver: (project: number, name: string, note: string) =>
    json<Saved>('POST', `/projects/${project}/versions`, { name, note }),
  /** Where a file of the contract is: `asyncapi`, `schema`, `web-game`, or `code/` and a language. */
  contractPath: (project: number, file: string, version?: string) =>
    `/api/projects/${project}/contract/${file}${version ? `?version=${encodeURIComponent(version)}` : ''}`,
  importNew: (text: string) => json<ProjectLine>('POST', '/bundles', text),
  importBundle: (project: number, text: string) =>
    json<ProjectLine>('PUT', `/projects/${project}/bundle`, text),
  exportPath: (project: number) => `/api/projects/${project}/bundle`,
  recipes,
  revisions: (part: number) => json<PartView[]>('GET', `/parts/${part}/revisions`),
  changes: (part: number, before: number, after: number) =>
    json<ChangesView>('GET', `/parts/${part}/changes?before=${before}&after=${after}`),
  /** The revision is only there so that a changed effect is asked for anew. */
  stillPath: (project: number, effect: number, revision: number) =>
    `/api/projects/${project}/effects/${effect}/still?revision=${revision}`,
  recipeStillPath: (name: string) => `/api/recipes/${encodeURIComponent(name)}/still`,
  ownSpritePath: (project: number, sprite: number, revision: number) =>
    `/api/projects/${project}/sprites/${sprite}?revision=${revision}`,
  spritePath: (name: string) => `/api/sprites/${encodeURIComponent(name)}`,
}
