import RopesView from './ropes/RopesView.vue'
import { stageCore } from './stage/useStage'
import type { Shown } from './core/core'

const later = {
  effects: () => import('./effects/EffectsView.vue'),
  rehearsal: () => import('./rehearsal/RehearsalView.vue'),
  pools: () => import('./pools/PoolsView.vue'),
  game: () => import('./game/GameView.vue'),
  handoff: () => import('./handoff/HandoffView.vue'),
}

export const routes = [
  { path: '/', component: RopesView },
  { path: '/effects', component: later.effects },
  { path: '/rehearsal', component: later.rehearsal },
  { path: '/pools', component: later.pools },
  { path: '/game', component: later.game },
  { path: '/handoff', component: later.handoff },
]

/** Brings, while nothing else is to be done, what is not needed yet: so that it is here when the server is away. */
export function ahead(project: Shown) {
  const idle = window.requestIdleCallback ?? ((work: () => void) => setTimeout(work, 1000))
  idle(() => {
    // What cannot be had now is asked for when it is needed, and missed there.
    Object.values(later).forEach((view) => view().catch(() => undefined))
    stageCore.ready(project)
  })
}
