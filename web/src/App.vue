<script setup lang="ts">
import { computed, onMounted, reactive, ref, watch } from 'vue'
import type { InputInstance } from 'element-plus'
import { useRoute, useRouter, type LocationQuery } from 'vue-router'
import { api } from './api/client'
import Explainer from './common/Explainer.vue'
import { forgetOwnTimes } from './common/times'
import { letterKeys, useKeys } from './common/useKeys'
import { sharing, unshared, useSharing } from './game/useSharing'
import ConflictSheet from './project/ConflictSheet.vue'
import ProjectMenu from './project/ProjectMenu.vue'
import { useNews } from './project/useNews'
import { useProject } from './project/useProject'
import { ahead } from './views'

const project = useProject()
const route = useRoute()
const router = useRouter()
const find = ref('')
const view = ref<{ takeFirst?: () => void }>()
const search = ref<InputInstance>()
const news = useNews()
useSharing(news.games)
/** What was open in each view when it was left. */
const left = reactive(new Map<string, LocationQuery>())
router.afterEach((to) => {
  left.set(to.path, to.query)
})

async function start() {
  try {
    const lines = await api.projects()
    const wanted = Number(route.query.project)
    const chosen = lines.find((l) => l.id === wanted) ?? lines[0]
    if (chosen) await project.open(chosen.id)
  } catch (e) {
    project.state = 'failed'
    project.failure = (e as Error).message
  }
}

async function open(id: number) {
  if (id !== project.id) {
    left.clear()
    forgetOwnTimes()
  }
  await router.replace({ query: { project: id } })
  if (id !== project.id) await project.open(id)
}
watch(
  () => project.state === 'ready',
  (ready) => ready && ahead(project),
)

onMounted(async () => {
  await router.isReady()
  await start()
})
useKeys({
  '/': () => search.value?.focus(),
  'Ctrl+z': () => project.undo(),
  'Ctrl+Shift+z': () => project.redo(),
  'Ctrl+y': () => project.redo(),
})

const standing = computed(() => {
  if (news.state.value === 'lost') {
    const waiting = project.waiting.size
    return waiting
      ? `server away, ${waiting} ${waiting === 1 ? 'change waits' : 'changes wait'}`
      : 'server away, trying again'
  }
  const games = news.games.value
  const drafts = !sharing.value ? '' : unshared.value ? ' without your draft' : ' with drafts'
  const linked = games ? `, ${games} ${games === 1 ? 'game' : 'games'}${drafts}` : ''
  return (project.saving ? 'saving…' : news.state.value === 'open' ? 'connected' : 'connecting…') + linked
})
const keys = computed(() => KEYS[route.path] ?? ROPE_KEYS)
/** Opens the first of what was found. */
function takeFirst() {
  view.value?.takeFirst?.()
  search.value?.blur()
}
function leaveFind() {
  find.value = ''
  search.value?.blur()
}

const FINDS: Record<string, string> = {
  '/effects': 'Find an effect',
  '/handoff': 'Find in the contract',
  '/rehearsal': 'Find a rehearsal',
  '/pools': 'Find a pool',
  '/game': 'Find what happened',
}
const VIEWS = [
  { path: '/', name: 'Ropes' },
  { path: '/effects', name: 'Effects' },
  { path: '/rehearsal', name: 'Rehearsal' },
  { path: '/pools', name: 'Pools' },
  { path: '/game', name: 'Game' },
  { path: '/handoff', name: 'Handoff' },
]
const EFFECT_KEYS = [
  ['↑ ↓', 'effect before, effect after'],
  ['N', 'a new effect from a recipe'],
  ['B', 'the version before, side by side'],
  ['H', 'show the version before, or the present one'],
  ['A', 'show the open emitter alone'],
  ['K', 'keep: compare with this from here on'],
  ['F2', 'in a field: the value before'],
  ['T', 'settings of the emitter, or parameters for game code'],
  ['V', 'revisions'],
  ['R', 'new random seed'],
  ['Alt ↑ ↓', 'emitter earlier, later'],
  ['P', 'hold or run the take'],
  [', .', 'one frame back, one on'],
  ['F', 'the stage alone, and back'],
  ['press', 'on the stage: from its beginning'],
  ['/', 'find an effect'],
  ['Ctrl Z', 'undo'],
  ['Ctrl Shift Z', 'redo'],
]
const HANDOFF_KEYS = [
  ['↑ ↓', 'version before, version after'],
  ['L', 'the next language or format'],
  ['/', 'find in the contract'],
  ['Ctrl Z', 'undo'],
  ['Ctrl Shift Z', 'redo'],
]
const REHEARSAL_KEYS = [
  ['↑ ↓', 'rehearsal before, rehearsal after'],
  ['K', 'keep: compare with this from here on'],
  ['H', 'show what was kept, or what is now'],
  ['B', 'both side by side'],
  ['N', 'a new rehearsal'],
  ['1 … 9', 'pull an event, hold a span'],
  ['P', 'hold or run it'],
  [', .', 'one frame back, one on'],
  ['F', 'the stage alone, and back'],
  ['Esc', 'shut the lane'],
  ['on a mark', '← → move it, ↑ ↓ go to another, D copies it, Delete deletes it, O opens its account'],
  ['/', 'find a rehearsal'],
  ['Ctrl Z', 'undo'],
  ['Ctrl Shift Z', 'redo'],
]
const POOL_KEYS = [
  ['↑ ↓', 'pool before, pool after'],
  ['S', 'find the sizes'],
  ['/', 'find a pool'],
  ['Ctrl Z', 'undo'],
  ['Ctrl Shift Z', 'redo'],
]
const GAME_KEYS = [
  ['↑ ↓', 'what happened after, before'],
  ['H', 'hold the list still, let it go on'],
  ['F', 'the stage alone, and back'],
  ['Esc', 'shut what is open'],
  ['/', 'find what happened'],
  ['Ctrl Z', 'undo'],
  ['Ctrl Shift Z', 'redo'],
]
const ROPE_KEYS = [
  ['Space', 'pull the event'],
  ['1 2 3', 'soft, usual, hard'],
  ['↑ ↓', 'rope before, rope after'],
  ['E', 'edit the effect, close it'],
  ['P', 'hold or run the take'],
  [', .', 'one frame back, one on'],
  ['F', 'the stage alone, and back'],
  ['press', 'on the stage: pull there; a drag gives direction and strength'],
  ['C', 'clear the stage'],
  ['/', 'find a rope'],
  ['Ctrl Z', 'undo'],
  ['Ctrl Shift Z', 'redo'],
]
const KEYS: Record<string, string[][]> = {
  '/effects': EFFECT_KEYS,
  '/rehearsal': REHEARSAL_KEYS,
  '/pools': POOL_KEYS,
  '/game': GAME_KEYS,
  '/handoff': HANDOFF_KEYS,
}
</script>

<template>
  <div class="app">
    <header class="bar">
      <img src="/mark.svg" alt="" width="15" height="27" />
      <b class="brand">Bellrope</b>
      <ProjectMenu @open="open" />
      <nav aria-label="Views">
        <RouterLink
          v-for="v in VIEWS"
          :key="v.path"
          :to="{ path: v.path, query: left.get(v.path) ?? { project: project.id } }"
          >{{ v.name }}</RouterLink
        >
      </nav>
      <span class="space" />
      <span class="undo">
        <el-button
          link
          :disabled="!project.done.length"
          title="Undo, Ctrl Z"
          data-testid="undo"
          @click="project.undo"
        >
          undo
        </el-button>
        <el-button
          link
          :disabled="!project.undone.length"
          title="Redo, Ctrl Shift Z"
          data-testid="redo"
          @click="project.redo"
        >
          redo
        </el-button>
      </span>
      <el-input
        ref="search"
        v-model="find"
        class="find"
        size="small"
        clearable
        placeholder="Find  /"
        :aria-label="FINDS[route.path] ?? 'Find a rope'"
        @keydown.escape="leaveFind"
        @keydown.enter="takeFirst"
      />
      <el-popover trigger="click" placement="bottom-end" :width="260" :show-arrow="false">
        <template #reference><el-button link class="keys">Keys</el-button></template>
        <dl class="keylist">
          <template v-for="[key, what] in keys" :key="key">
            <dt>{{ key }}</dt>
            <dd>{{ what }}</dd>
          </template>
        </dl>
        <el-checkbox class="letters" v-model="letterKeys">Letters, digits and Space act as keys</el-checkbox>
      </el-popover>
      <span class="link-state" :class="news.state.value" role="status">{{ standing }}</span>
    </header>
    <div v-if="news.closed.value" class="strip refusal" role="alert">
      The server closed the connection: {{ news.closed.value }}.
    </div>
    <div v-if="project.refusal" class="strip refusal" role="alert" data-testid="refusal">
      <b>{{ project.refusal.title }}.</b>
      <span v-if="project.refusal.problems?.length">
        <template v-for="p in project.refusal.problems.slice(0, 3)" :key="p.place">
          {{ p.place }}: {{ p.given }}: {{ p.allowed }}.
        </template>
      </span>
      <span v-else>{{ project.refusal.detail }}</span>
      <el-button link v-if="project.drafts.size" class="link" @click="project.saveDrafts"
        >Save again</el-button
      >
      <el-button link class="shut" aria-label="Dismiss" @click="project.refusal = undefined">×</el-button>
    </div>
    <div v-else-if="project.notice" class="strip notice" role="status" data-testid="notice">
      <span>{{ project.notice }}</span>
      <el-button link class="shut" aria-label="Dismiss" @click="project.notice = ''">×</el-button>
    </div>
    <RouterView v-slot="{ Component }">
      <component :is="Component" ref="view" v-if="project.state === 'ready'" :find="find" />
      <main v-else class="whole">
        <el-skeleton
          v-if="project.state === 'loading'"
          class="opening"
          :rows="6"
          animated
          aria-label="Opening the project"
        />
        <div v-else role="alert">
          <p>{{ project.failure }}</p>
          <el-button type="primary" @click="start">Try again</el-button>
        </div>
      </main>
    </RouterView>
    <ConflictSheet />
    <Explainer />
  </div>
</template>

<style scoped>
.app {
  height: 100%;
  display: flex;
  flex-direction: column;
}
.app > :deep(main) {
  flex: 1;
  min-height: 0;
}
.bar {
  height: 44px;
  flex: none;
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 0 16px;
  background: var(--card);
  border-bottom: 1px solid var(--line);
  white-space: nowrap;
}
.brand {
  font-size: 16px;
  letter-spacing: -0.01em;
}
nav {
  align-self: stretch;
  display: flex;
  gap: 18px;
  margin-left: 12px;
}
nav a {
  display: grid;
  place-items: center;
  color: var(--muted);
  text-decoration: none;
  font-size: 14px;
  border-bottom: 2px solid transparent;
}
nav a.router-link-exact-active {
  color: var(--ink);
  font-weight: 600;
  border-color: var(--bronze);
}
.space {
  flex: 1;
}
.undo {
  display: flex;
  gap: 10px;
}
.undo button:disabled {
  color: #8d8475;
  cursor: default;
}
.undo button:not(:disabled) {
  color: var(--bronze);
  font-weight: 600;
}
.find {
  width: 160px;
}
.keys {
  color: var(--muted);
}
.keylist {
  display: grid;
  grid-template-columns: 92px 1fr;
  gap: 4px 8px;
  margin: 0 0 8px;
}
.keylist dt {
  font-weight: 600;
}
.keylist dd {
  margin: 0;
}
.letters {
  display: flex;
  gap: 6px;
  border-top: 1px solid var(--line);
  padding-top: 8px;
  accent-color: var(--bronze);
}
.link-state {
  color: var(--muted);
  min-width: 96px;
}
.link-state::before {
  content: '';
  display: inline-block;
  width: 8px;
  height: 8px;
  border-radius: 50%;
  margin-right: 6px;
  background: var(--bronze-soft);
}
.link-state.open {
  color: var(--verdigris);
}
.link-state.open::before {
  background: var(--verdigris);
}
.link-state.lost {
  color: var(--vermilion);
}
.link-state.lost::before {
  background: none;
  border: 2px solid var(--vermilion);
}
.strip {
  flex: none;
  display: flex;
  gap: 10px;
  align-items: baseline;
  padding: 6px 16px;
  border-bottom: 1px solid var(--line);
}
.refusal {
  background: #f8e4de;
  color: #8a2413;
}
.notice {
  background: var(--bronze-pale);
}
.shut {
  margin-left: auto;
  width: 24px;
  height: 20px;
  font-size: 15px;
}
.opening {
  width: min(640px, 80vw);
}
.whole {
  display: grid;
  place-items: center;
  text-align: center;
}
@media (max-width: 1100px) {
  .bar {
    gap: 8px;
    padding: 0 10px;
  }
  .bar nav {
    gap: 12px;
    margin-left: 4px;
  }
  .find {
    width: 110px;
  }
}
</style>
