import { api, type PreviewHead, type PreviewRequest, type TakeHead, type TakeRequest } from '../api/client'
import { readTake, takeOf, type Take } from '../stage/frames'
import { Absent, Core, type Shown } from './core'

const core = new Core(() => new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' }))

/** Why the page cannot compute here; the server is asked instead. */
let absent: Absent | undefined

async function played<H extends { stepsPerSecond: number }>(
  project: Shown,
  ask: 'preview' | 'take',
  what: string,
  wish: object,
  server: () => Promise<ArrayBuffer>,
): Promise<Take<H>> {
  if (!absent) {
    try {
      const told = await core.ask(project, ask, what, wish)
      return takeOf(told.head as H, told.frames!)
    } catch (e) {
      if (!(e instanceof Absent)) throw e
      absent = e
      console.warn('The core cannot run in this browser, so the server computes:', e.message)
    }
  }
  return readTake<H>(await server())
}

/** Plays an effect for its own sake. */
export function preview(project: Shown, request: PreviewRequest): Promise<Take<PreviewHead>> {
  const name = project.parts.get(request.effect)?.name ?? 'an effect'
  return played(project, 'preview', `the preview of “${name}”`, request, () =>
    api.preview(project.id, request),
  )
}

/** Plays a pull. */
export function take(project: Shown, request: TakeRequest): Promise<Take<TakeHead>> {
  const name = request.rope ? project.parts.get(request.rope)?.name : request.event
  return played(project, 'take', `the take of “${name ?? 'a pull'}”`, request, () =>
    api.take(project.id, request),
  )
}
