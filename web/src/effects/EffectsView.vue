<script setup lang="ts">
import { computed, nextTick, reactive, ref, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import OneOf from '../common/OneOf.vue'
import { toTheMinute } from '../common/when'
import { Refused, type PartView, type PreviewHead } from '../api/client'
import type { Effect, Vector } from '../api/bundle'
import { latest } from '../common/latest'
import { preview } from '../core/computed'
import { put } from '../common/paths'
import { useKeys } from '../common/useKeys'
import { useOpened } from '../common/useOpened'
import BirthAct from '../effect/BirthAct.vue'
import CourseField from '../effect/CourseField.vue'
import EndAct from '../effect/EndAct.vue'
import LifeAct from '../effect/LifeAct.vue'
import { provideEdit } from '../effect/useEdit'
import { freeName } from '../common/freeName'
import { useProject } from '../project/useProject'
import type { Take } from '../stage/frames'
import type { Backdrop } from '../stage/renderer'
import { spriteSources } from '../stage/sprites'
import { outlinesOf, pathOf, type Grip } from '../stage/outlines'
import StageRoom from '../stage/StageRoom.vue'
import StageView from '../stage/StageView.vue'
import { MODES, useModes } from '../stage/useModes'
import EffectHead from './EffectHead.vue'
import EffectList from './EffectList.vue'
import EffectNumbers from './EffectNumbers.vue'
import EffectSide from './EffectSide.vue'
import ParameterBench from './turn/ParameterBench.vue'
import PlayedRow from './PlayedRow.vue'
import RecipeSheet from './RecipeSheet.vue'
import RevisionSheet from './RevisionSheet.vue'
import ThrowRose from './ThrowRose.vue'
import { speedOf, usualPlay, type Play } from './play'

/** The view of effects: start from something near, shape it, see at once what it does, read its numbers and findings. */
const props = defineProps<{ find: string }>()
const project = useProject()
const route = useRoute()

type Shown = Take<PreviewHead>
const BELOW = ['shape', 'parameters'] as const
const SURFACES = ['ground', 'wall', 'ceiling'] as const

const stage = ref<InstanceType<typeof StageView>>()
const effectId = ref(Number(route.query.effect) || project.effects[0]?.id || 0)
const at = ref(0)
const saved = computed(() => {
  const when = base.value && new Date(base.value.savedAt)
  return when ? `before, ${toTheMinute(when)}` : 'before'
})
const { mode, words, title, flip } = useModes(saved)
const view = ref<'side' | 'top' | 'free'>('side')
/** Whether the stage fills the view. */
const whole = ref(false)
const backdrop = ref<Backdrop>('night')
const play = reactive<Play>(usualPlay())
const take = shallowRef<Shown>()
const takeBefore = shallowRef<Shown>()
const busy = ref(false)
const offline = ref('')
const sheet = ref<'recipes' | 'revisions'>()
const below = ref<'shape' | 'parameters'>(route.query.below === 'parameters' ? 'parameters' : 'shape')
/** The parameter that is open. */
const chosen = ref('')
function show(parameter?: string) {
  if (parameter) chosen.value = parameter
  below.value = 'parameters'
}
/** The version that each effect is compared with: the one it had when it was first opened here, or one that was chosen. */
const bases = reactive(new Map<number, PartView>())

const part = computed(() => project.effects.find((e) => e.id === effectId.value))
const effect = computed(() => part.value?.body as Effect)
const base = computed(() => bases.get(effectId.value))
const sprites = computed(() => spriteSources(project.id, project.sprites))
const rope = computed(() => project.ropes.find((r) => r.id === play.rope))
const normal = computed<[number, number, number]>(() =>
  play.surface === 'ground' ? [0, 1, 0] : play.surface === 'wall' ? [-1, 0, 0] : [0, -1, 0],
)
const report = computed(() => take.value?.head.report)

const edit = provideEdit({
  part: effectId,
  effect,
  base: computed(() => base.value?.body as Effect | undefined),
  report,
  at,
} as Parameters<typeof provideEdit>[0])

/** The velocity of the source, where it moves. */
const moving = computed<Vector | undefined>(() => {
  const speed = effect.value ? speedOf(play, effect.value) : 0
  return speed ? [speed, 0, 0] : undefined
})
/** What is drawn on the stage, seen from somewhere: the open emitter, and the way of the source. */
function outlines(seen: Vector) {
  if (below.value !== 'shape' || !take.value) return { outlines: [], grips: [] }
  const origin: Vector = [0, 0, 0]
  const facing = take.value.head.facing as Vector
  const drawn = outlinesOf(edit.emitter.value, { origin, facing, seen })
  const seconds = (take.value.length - 1) / take.value.head.stepsPerSecond
  const path = moving.value && pathOf(origin, moving.value, seconds)
  return path ? { ...drawn, outlines: [...drawn.outlines, path] } : drawn
}
const setGrip = (grip: Grip, value: number | Vector, save: boolean) =>
  edit.change((e) => put(e, grip.path, value), save)

/** The emitter that plays without the others. */
const alone = ref('')
function order(drafts: { part: number; body: unknown }[], of: Effect) {
  return {
    effect: effectId.value,
    rope: rope.value?.id,
    payload: rope.value && play.payload ? play.payload : undefined,
    surface: play.surface,
    side: play.side,
    velocity: play.speed === undefined ? undefined : [play.speed, 0, 0],
    seed: play.seed,
    stopAfter: effect.value.course.kind === 'looping' ? play.stopAfter : undefined,
    alone: of.emitters.some((e) => e.name === alone.value) ? alone.value : undefined,
    set: turned(of),
    drafts,
  }
}

/** What is turned by hand, of the parameters that a version has and that take the same there. */
function turned(of: Effect) {
  const now = effect.value.parameters
  const known = Object.entries(play.set ?? {}).filter(([name]) =>
    of.parameters.some((p) => p.name === name && p.type === now.find((x) => x.name === name)?.type),
  )
  return known.length ? Object.fromEntries(known) : undefined
}

/** Asks for the preview as things stand; of many asked for, only the last is fetched. */
const fetchTake = latest<void>(async () => {
  const id = effectId.value
  if (!effect.value) return
  busy.value = true
  try {
    const next = await preview(project, order(project.draftList, effect.value), 'now', stage.value?.clock.at)
    if (id === effectId.value) take.value = next
    offline.value = ''
    performance.mark('take shown')
  } catch (e) {
    failed(e)
  } finally {
    busy.value = false
  }
})
const fetchBefore = latest<void>(async () => {
  const was = base.value
  if (mode.value === 'now' || !was || !effect.value) return
  try {
    const others = project.draftList.filter((d) => d.part !== was.id)
    takeBefore.value = await preview(
      project,
      order([...others, { part: was.id, body: was.body }], was.body as unknown as Effect),
      'before',
      stage.value?.clock.at,
    )
  } catch (e) {
    failed(e)
  }
})

function failed(e: unknown) {
  if (e instanceof Refused && (e.status === 0 || e.status === 501)) offline.value = e.message
  else if (e instanceof Refused) project.refusal = e.refusal
  else throw e
}

function open(id: number) {
  if (!project.effects.some((e) => e.id === id)) return
  if (id !== effectId.value) {
    take.value = undefined
    takeBefore.value = undefined
    at.value = 0
    chosen.value = ''
    alone.value = ''
    Object.assign(play, { ...usualPlay(), surface: play.surface, side: play.side })
    if (mode.value === 'before') mode.value = 'now'
  }
  effectId.value = id
}

useOpened('effect', effectId, open, [
  {
    what: 'emitter',
    opened: () => (at.value ? (effect.value?.emitters[at.value]?.name ?? '') : ''),
    open: (name) => (at.value = Math.max(0, effect.value?.emitters.findIndex((e) => e.name === name) ?? 0)),
  },
  {
    what: 'below',
    opened: () => (below.value === 'parameters' ? below.value : ''),
    open: (name) => (below.value = name === 'parameters' ? name : 'shape'),
  },
  {
    what: 'parameter',
    opened: () => (below.value === 'parameters' ? chosen.value : ''),
    open: (name) => (chosen.value = name),
  },
])

watch(
  [() => project.content, effectId],
  () => {
    if (!part.value) effectId.value = project.effects[0]?.id ?? 0
    const saved = project.parts.get(effectId.value)
    if (saved && !bases.has(saved.id)) bases.set(saved.id, saved)
    fetchTake()
  },
  { immediate: true },
)
// Keeps the same emitter open where another was put before it.
watch(
  () => ({ id: effectId.value, seeds: effect.value?.emitters.map((e) => e.seed) ?? [] }),
  (now, was) => {
    if (now.id !== was.id || now.seeds.length <= was.seeds.length) return
    const moved = now.seeds.indexOf(was.seeds[at.value])
    if (moved >= 0 && now.seeds.at(-1) === was.seeds.at(-1)) at.value = moved
  },
)
watch([play, alone], () => {
  fetchTake()
  fetchBefore()
})
watch([mode, base], () => {
  takeBefore.value = undefined
  fetchBefore()
})

async function add(body: Effect) {
  const name = freeName(
    body.name,
    project.effects.map((e) => e.body.name),
  )
  const id = await project.add('effect', { ...JSON.parse(JSON.stringify(body)), name })
  sheet.value = undefined
  if (id) open(id)
}
async function remove() {
  const i = project.effects.findIndex((e) => e.id === effectId.value)
  const next = project.effects[i + 1] ?? project.effects[i - 1]
  await project.remove(effectId.value)
  if (next && !project.effects.some((e) => e.id === effectId.value)) open(next.id)
}

/** What stands below: settings, or parameters. */
const lower = ref<HTMLElement>()
const list = ref<InstanceType<typeof EffectList>>()
function move(by: number) {
  const shown = list.value?.shown ?? []
  const next =
    shown[Math.min(shown.length - 1, Math.max(0, shown.findIndex((e) => e.id === effectId.value) + by))]
  if (next) open(next.id)
}
const belowWords = (part: 'shape' | 'parameters') =>
  part === 'shape'
    ? `Settings of ${effect.value?.emitters[at.value]?.name}`
    : `Parameters for game code ${effect.value?.parameters.length}`

defineExpose({ takeFirst: () => list.value?.shown[0] && open(list.value.shown[0].id) })

useKeys({
  ArrowDown: () => move(1),
  ArrowUp: () => move(-1),
  b: () => flip('side by side'),
  h: () => flip('before'),
  k: () => part.value && bases.set(effectId.value, project.parts.get(effectId.value)!),
  n: () => (sheet.value = 'recipes'),
  t: () => {
    below.value = below.value === 'shape' ? 'parameters' : 'shape'
    nextTick(() => lower.value?.querySelector<HTMLElement>('button, input')?.focus())
  },
  v: () => (sheet.value = 'revisions'),
  r: () => play.seed++,
  a: () => {
    const name = effect.value?.emitters[at.value]?.name ?? ''
    alone.value = alone.value === name ? '' : name
  },
  f: () => (whole.value = !whole.value),
  Escape: () => (whole.value = false),
  p: () => stage.value?.toggle(),
  ',': () => stage.value?.step(-1),
  '.': () => stage.value?.step(1),
})
</script>

<template>
  <main class="effects" :class="{ alone: whole }">
    <EffectList
      ref="list"
      :selected="effectId"
      :find="props.find"
      @select="open"
      @recipes="sheet = 'recipes'"
    />
    <section v-if="effect" class="middle" aria-label="Effect">
      <StageRoom name="effects" :least="0.45" :whole="whole">
        <template #stage>
          <StageView
            ref="stage"
            v-model:view="view"
            v-model:backdrop="backdrop"
            :take="mode === 'before' ? takeBefore : take"
            :busy="busy"
            :sprites="sprites"
            :point="[0, 0, 0]"
            :normal="normal"
            :rate="play.rate"
            :every="play.every"
            :area="take?.head.live"
            :beside="mode === 'side by side' ? takeBefore : undefined"
            :title="title || (alone && `${alone} alone`)"
            unpaused
            :outlines="outlines"
            :moving="moving"
            :home="effectId"
            :whole="whole"
            presses="a press plays it from its beginning"
            @set="setGrip"
            @pull="stage?.again()"
            @whole="whole = !whole"
          >
            <template #numbers>
              <EffectNumbers :numbers="take?.head.numbers" />
            </template>
            <template #left>
              <OneOf
                class="group"
                label="Which version"
                :value="mode"
                :options="MODES"
                :words="words"
                @choose="mode = $event"
              />
            </template>
            <template #right>
              <OneOf
                class="group"
                label="Surface"
                :value="play.surface"
                :options="SURFACES"
                @choose="play.surface = $event"
              />
            </template>
            <template #over><ThrowRose v-if="take" :numbers="take.head.numbers" /></template>
            <template #repeat><PlayedRow :play="play" part="time" :effect="effect" /></template>
            <template v-if="mode === 'side by side'" #beside>
              <StageView
                :take="takeBefore"
                :beside="take"
                :busy="false"
                :sprites="sprites"
                :point="[0, 0, 0]"
                :normal="normal"
                :view="view"
                :backdrop="backdrop"
                :follows="stage?.clock"
                :title="saved"
                unpaused
              />
            </template>
          </StageView>
        </template>
        <p v-if="offline" class="offline" role="alert">{{ offline }}</p>
        <PlayedRow :play="play" part="pull" :effect="effect" />
        <EffectNumbers
          :numbers="take?.head.numbers"
          :before="mode === 'now' ? undefined : takeBefore?.head.numbers"
        />
        <OneOf
          class="below"
          label="What is shown below"
          :value="below"
          :options="BELOW"
          :words="belowWords"
          :hint="() => 'T turns over'"
          @choose="below = $event"
        />
        <div ref="lower">
          <ParameterBench
            v-if="below === 'parameters'"
            :key="effectId"
            :part="effectId"
            :play="play"
            v-model:chosen="chosen"
          />
          <div v-else :key="effectId + '/' + at" class="acts">
            <BirthAct />
            <LifeAct />
            <EndAct />
          </div>
        </div>
      </StageRoom>
    </section>
    <section v-else class="middle empty">
      <p>An effect is what the player sees. This project has none yet.</p>
      <el-button type="primary" @click="sheet = 'recipes'">Start from a recipe</el-button>
    </section>
    <EffectSide
      v-if="effect"
      v-model:at="at"
      v-model:alone="alone"
      :part="effectId"
      :report="report"
      @parameter="show"
    >
      <EffectHead :part="effectId" @duplicate="add(effect)" @remove="remove" @revisions="sheet = 'revisions'">
        <CourseField />
      </EffectHead>
    </EffectSide>
    <RecipeSheet v-if="sheet === 'recipes'" @close="sheet = undefined" @choose="add" />
    <RevisionSheet
      v-if="sheet === 'revisions' && part"
      :part="effectId"
      :base="base?.revision"
      @close="sheet = undefined"
      @compare="
        (p) => {
          bases.set(effectId, p)
          mode = 'side by side'
        }
      "
    />
  </main>
</template>

<style scoped>
.effects {
  display: grid;
  grid-template-columns: 190px minmax(0, 1fr) 290px;
  min-height: 0;
  height: 100%;
}
.middle {
  min-width: 0;
  min-height: 0;
  border-left: 1px solid var(--line);
}
.alone {
  grid-template-columns: minmax(0, 1fr) !important;
}
.alone > :not(.middle) {
  display: none;
}
.empty {
  display: grid;
  place-content: center;
  justify-items: center;
}
.offline {
  margin: 0;
  padding: 6px 14px;
  color: var(--vermilion);
  border-bottom: 1px solid var(--line);
}
.below {
  display: flex;
  padding: 2px 14px 0;
  border-bottom: 1px solid var(--line);
}
.acts {
  display: grid;
  grid-template-columns: 274px minmax(0, 1fr) 204px;
}
@media (max-width: 1180px) {
  .effects {
    grid-template-columns: 186px minmax(0, 1fr) 272px;
  }
  .acts {
    grid-template-columns: 268px minmax(0, 1fr);
  }
  .acts > :last-child {
    grid-column: 1 / -1;
    border-left: 0;
    border-top: 1px solid var(--line);
  }
}
@media (min-width: 1600px) {
  .effects {
    grid-template-columns: 220px minmax(0, 1fr) 330px;
  }
  .acts {
    grid-template-columns: 320px minmax(0, 1fr) 280px;
  }
}
</style>
