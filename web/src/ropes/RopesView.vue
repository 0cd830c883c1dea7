<script setup lang="ts">
import { computed, nextTick, onMounted, provide, reactive, ref, shallowRef, watch } from 'vue'
import { api, Refused, type AccountReport, type ResponseView } from '../api/client'
import type { Effect, Payload, Vector } from '../api/bundle'
import { latest } from '../common/latest'
import { responses as computedResponses, take as computedTake } from '../core/computed'
import { useKeys } from '../common/useKeys'
import { useOpened } from '../common/useOpened'
import EffectBench from '../effect/EffectBench.vue'
import { pullsOf } from '../project/recorded'
import { useProject } from '../project/useProject'
import type { Frame, Take } from '../stage/frames'
import { spriteSources } from '../stage/sprites'
import type { Grip } from '../stage/outlines'
import StageRoom from '../stage/StageRoom.vue'
import StageView from '../stage/StageView.vue'
import { useStage } from '../stage/useStage'
import AccountList from './AccountList.vue'
import Board from './Board.vue'
import EventList from './EventList.vue'
import NumbersRow from './NumbersRow.vue'
import PullPanel from './PullPanel.vue'
import OtherPull from './OtherPull.vue'
import { pressed, ropeOutlines, struck } from './onStage'
import RopeTools from './RopeTools.vue'
import { usePulling } from './usePulling'
import { useWiring } from './useWiring'
import { newRope } from './newRope'
import { NEW_EVENT } from './newEvent'

/** The view of ropes: pull an event, see the response, read its numbers, change one thing, pull again. */
defineProps<{ find: string }>()
const project = useProject()

// What a part may play is there before its list opens: nothing moves under the pointer. A failure is said there.
onMounted(() => api.recipes().catch(() => undefined))

const stage = ref<InstanceType<typeof StageView>>()
const list = ref<InstanceType<typeof EventList>>()
const board = ref<InstanceType<typeof Board>>()
const eventId = ref(0)
const ropeId = ref(0)
const shaping = ref(false)
/** Whether the stage fills the view. */
const whole = ref(false)
const lit = ref<number>()
const take = shallowRef<Take>()
const responses = reactive(new Map<number, ResponseView>())
/** Ropes whose response is not computed as things stand. */
const owed = reactive(new Set<number>())
let stopped = false
const busy = ref(false)
const offline = ref('')

const event = computed(() => project.events.find((e) => e.id === eventId.value))
const rope = computed(() => project.ropes.find((r) => r.id === ropeId.value))
const effect = computed(() => project.effects.find((e) => e.body.name === rope.value?.body.play))
const users = computed(() => project.ropes.filter((r) => r.body.play === rope.value?.body.play).length)
const sprites = computed(() => spriteSources(project.id, project.sprites))

const newEvent = () => list.value?.add()
provide(NEW_EVENT, newEvent)

const wiring = useWiring()
const live = useStage({
  frame: (frame: Frame) => stage.value?.showLive(frame),
  refused: (refused) => (project.refusal = { ...refused.refusal, title: 'Not pulled' }),
  begun: () => pulling.again(),
})

const pulling = usePulling({
  eventId,
  event,
  rope,
  live,
  expect: (pressed) => stage.value?.expectPull(pressed),
  changed: () => fetchTake(),
  failed: (words) => (offline.value = words),
})

const first = computed(() => take.value?.head.account.answers.find((a) => a.answered))
const point = computed<Vector>(
  () => (first.value?.origin as Vector | undefined) ?? positionOf(pulling.payload),
)
const normal = computed<Vector>(() => {
  const field = event.value?.body.fields.find((f) => f.type === 'normal')
  const given = field && (pulling.payload[field.name] as Vector | undefined)
  return given ?? [0, 1, 0]
})

/** The payload with which the board shows the open rope. */
const onBoard = computed(() => responses.get(ropeId.value)?.payload as Payload | undefined)

function positionOf(of: Payload): Vector {
  const field = event.value?.body.fields.find((f) => f.type === 'position')
  return (field && (of[field.name] as Vector | undefined)) ?? [0, 0, 0]
}

/** What is drawn on the stage, seen from somewhere. */
const outlines = (seen: Vector) =>
  ropeOutlines({
    rope: rope.value?.body,
    event: event.value?.body,
    payload: pulling.payload,
    point: point.value,
    numbers: first.value && take.value?.head.numbers,
    places: project.places.map((p) => p.body).filter((p) => p.name === rope.value?.body.place?.name),
    seen,
  })
function setGrip(grip: Grip, value: number | Vector, save: boolean) {
  const [owner, name] = grip.path.split('.')
  if (owner === 'payload') pulling.setPayload({ ...pulling.payload, [name]: value })
  else if (rope.value) {
    const next = { ...rope.value.body, hit: value as number }
    if (save) project.commit(rope.value.id, next)
    else project.draft(rope.value.id, next)
  }
}
function pullThere(stroke: { at: Vector; way?: Vector; share: number; pressed: number }) {
  if (!event.value) return
  pulling.setPayload(struck(event.value.body, pulling.carries(), stroke))
  pull(stroke.pressed)
}

/** Asks for the take of the open rope as things stand; of many asked for, only the last is fetched. */
const fetchTake = latest<void>(async () => {
  const fit = pulling.fitting
  const id = ropeId.value
  if (!id || !rope.value) {
    take.value = undefined
    return
  }
  busy.value = true
  try {
    const asked = {
      rope: id,
      event: rope.value.body.event,
      payload: fit ? undefined : pulling.payload,
      value: undefined,
      held: pulling.heldFor,
      channels: Object.fromEntries(pulling.channels),
      seed: pulling.seed,
      drafts: project.draftList,
    }
    const next = await computedTake(project, asked, stage.value?.clock.at)
    if (id !== ropeId.value) return
    take.value = next
    if (fit) pulling.fit(next.head.payload as Payload)
    offline.value = ''
    performance.mark('take shown')
  } catch (e) {
    failed(e)
    if (id === ropeId.value) pulling.fit()
  } finally {
    busy.value = false
  }
})

/** Asks for responses: of these ropes first, then of all that are still owed. */
const fetchResponses = latest<number[]>(async (ids, replaced) => {
  const there = new Set(project.ropes.map((r) => r.id))
  const all = [...new Set([...ids, ...owed])].filter((id) => there.has(id))
  owed.clear()
  all.forEach((id) => owed.add(id))
  stopped = false
  try {
    await computedResponses(
      project,
      all,
      project.draftList,
      (r) => {
        responses.set(r.rope, r)
        if (!replaced()) owed.delete(r.rope)
      },
      () => !replaced() && !stopped,
    )
    offline.value = ''
  } catch (e) {
    failed(e)
  } finally {
    if (!replaced()) owed.clear()
  }
})

function failed(e: unknown) {
  if (e instanceof Refused && (e.status === 0 || e.status === 501)) offline.value = e.message
  else if (e instanceof Refused) project.refusal = e.refusal
  else throw e
}

function open(id: number, fit = true) {
  const body = project.ropes.find((r) => r.id === id)?.body
  if (!body) return
  ropeId.value = id
  eventId.value = project.events.find((e) => e.body.name === body.event)?.id ?? 0
  lit.value = undefined
  if (fit) pulling.forget()
  fetchTake()
}

function select(id: number) {
  eventId.value = id
  const name = event.value?.body.name
  const own = project.ropes.find((r) => r.body.event === name)
  if (own) open(own.id)
  else {
    ropeId.value = 0
    take.value = undefined
    pulling.setStrength('usual')
  }
}

function pull(pressed: number, id = eventId.value) {
  if (id !== eventId.value) select(id)
  pulling.pull(pressed)
}

/** After so many pulls of the open rope the wiring is looked at again. */
const LOOKS = [3, 10, 40]

// The account says who answered; if the open rope did not, the one that did is opened.
watch(live.account, (account: AccountReport | undefined) => {
  if (!account) return
  // Whether a feed ever leaves its clamp is known once a few pulls have come.
  if (rope.value && LOOKS.includes(pullsOf(rope.value.body.name))) wiring.look()
  // What ends, or comes by itself, does not change what is looked at.
  if (account.phase === 'end' || account.event !== event.value?.body.name) return
  const answered = account.answers.filter((a) => a.answered && a.held === undefined)
  const mine = rope.value && answered.some((a) => a.rope === rope.value!.body.name)
  const other = answered[0] && project.ropes.find((r) => r.body.name === answered[0].rope)
  if (!mine && other) open(other.id, false)
  else fetchTake()
})

function lead(name: string, condition: number) {
  const target = project.ropes.find((r) => r.body.name === name)
  if (!target) return
  open(target.id, false)
  lit.value = condition >= 0 ? condition : undefined
}

const { said } = useOpened('rope', ropeId, (id) => open(id))

// Everything shown follows what is edited, without a pull.
let seen = -1
watch(
  () => project.version,
  () => {
    // What was shown as a draft and has only been saved is computed already.
    const changed = seen !== project.content
    seen = project.content
    if (!rope.value && project.ropes.length && !ropeId.value && !eventId.value)
      open(project.ropes.find((r) => r.id === said())?.id ?? project.ropes[0].id)
    else if (ropeId.value && !rope.value) {
      ropeId.value = 0
      take.value = undefined
    } else if (changed) fetchTake()
    const missing = project.ropes.some((r) => !responses.has(r.id))
    const name = (effect.value?.body as Effect | undefined)?.name
    const concerned = project.ropes
      .filter((r) => changed && (r.body.play === name || r.id === ropeId.value))
      .map((r) => r.id)
    if (project.drafts.size === 0) wiring.look()
    if (missing || project.drafts.size === 0) project.ropes.forEach((r) => owed.add(r.id))
    concerned.forEach((id) => owed.add(id))
    fetchResponses(concerned)
  },
  { immediate: true },
)

watch(
  () => project.id,
  () => {
    responses.clear()
    owed.clear()
    ropeId.value = 0
    eventId.value = 0
    pulling.forget()
    take.value = undefined
    if (project.ropes.length) open(project.ropes[0].id)
  },
)

async function addRope() {
  const body = event.value?.body ?? project.events[0]?.body
  if (!body) return newEvent()
  const made = newRope(
    body,
    project.ropes.map((r) => r.body),
  )
  const id = await project.add('rope', made)
  if (id) open(id)
}

function removeRope() {
  const shown = board.value?.shown ?? []
  const i = shown.findIndex((r) => r.id === ropeId.value)
  const next = shown[i + 1] ?? shown[i - 1]
  project.remove(ropeId.value)
  if (next) open(next.id)
}

function move(by: number) {
  const shown = board.value?.shown ?? []
  const i = shown.findIndex((r) => r.id === ropeId.value)
  const next = shown[Math.min(shown.length - 1, Math.max(0, i + by))]
  if (next) open(next.id)
}

defineExpose({ takeFirst: () => board.value?.shown[0] && open(board.value.shown[0].id) })

useKeys(
  {
    ' ': (e) => !e.repeat && (pulling.shape === 'span' ? pulling.begin(e.timeStamp) : pull(e.timeStamp)),
    '1': () => pulling.setStrength('soft'),
    '2': () => pulling.setStrength('usual'),
    '3': () => pulling.setStrength('hard'),
    ArrowDown: () => move(1),
    ArrowUp: () => move(-1),
    j: () => move(1),
    k: () => move(-1),
    e: () => {
      if (!effect.value) return
      shaping.value = !shaping.value
      nextTick(() => document.querySelector<HTMLElement>('[data-testid=bench] .one-of :checked')?.focus())
    },
    f: () => (whole.value = !whole.value),
    Escape: () => (whole.value = false),
    p: () => stage.value?.toggle(),
    ',': () => stage.value?.step(-1),
    '.': () => stage.value?.step(1),
    c: () => live.clear(),
    'Ctrl+d': () => board.value?.duplicate(),
    o: () => board.value?.switchOff(),
  },
  { ' ': () => pulling.shape === 'span' && pulling.end() },
)
</script>

<template>
  <main class="ropes" :class="{ alone: whole }">
    <EventList ref="list" :selected="eventId" @select="select" @pull="(id, pressed) => pull(pressed, id)" />
    <Board
      ref="board"
      :responses="responses"
      :open="ropeId"
      :find="find"
      :waiting="owed.size"
      @stop="stopped = true"
      :wiring="wiring.view.value"
      :findings="wiring.byRope.value"
      :lit="lit"
      @open="open"
      @add="addRope"
      @mend="wiring.mend"
    >
      <template #open>
        <EffectBench v-if="shaping && effect" :effect="effect.body" :part="effect.id" :users="users" />
        <RopeTools
          v-if="rope"
          :key="rope.id"
          :part="rope.id"
          :rope="rope.body"
          @open="open"
          @away="removeRope"
        >
          <el-button link v-if="effect" class="link" :aria-expanded="shaping" @click="shaping = !shaping">
            {{ shaping ? 'Close' : 'Edit' }} {{ effect.body.name }} <span class="quiet">E</span>
          </el-button>
        </RopeTools>
      </template>
    </Board>
    <aside aria-label="Response">
      <StageRoom name="ropes" :least="0.4" :whole="whole">
        <template #stage>
          <StageView
            ref="stage"
            :take="take"
            :busy="busy"
            :sprites="sprites"
            :point="point"
            :normal="normal"
            :comfort="live.comfort.value"
            :outlines="outlines"
            :presses="event && pressed(event.body)"
            :home="ropeId"
            :whole="whole"
            @set="setGrip"
            @pull="pullThere"
            @whole="whole = !whole"
          >
            <template #numbers><NumbersRow v-if="first" :numbers="take?.head.numbers" /></template>
            <template #repeat>
              <span class="less">
                <el-button
                  link
                  :aria-pressed="live.less.value.lessShake"
                  @click="live.less.value.lessShake = !live.less.value.lessShake"
                >
                  less shake
                </el-button>
                <el-button
                  link
                  :aria-pressed="live.less.value.lessFlash"
                  @click="live.less.value.lessFlash = !live.less.value.lessFlash"
                >
                  less flash
                </el-button>
              </span>
            </template>
          </StageView>
        </template>
        <p v-if="offline" class="offline" role="alert">{{ offline }}</p>
        <section v-if="rope" class="open">
          <h2>{{ rope.body.name }}</h2>
          <NumbersRow v-if="first" :numbers="take?.head.numbers" />
          <p v-else-if="take" class="silent">
            Silent with this payload:
            {{ take.head.account.answers[0]?.why ?? 'no rope listens' }}.
          </p>
          <OtherPull
            v-if="take && event"
            :event="event.body"
            :payload="pulling.payload"
            :board="onBoard"
            @same="pulling.setPayload($event, 'usual')"
          />
        </section>
        <section v-else-if="event" class="open">
          <p class="large">
            Nobody answers <b>{{ event.body.name }}</b>.
            <span class="quiet">{{ event.body.description }}</span>
          </p>
          <el-button @click="addRope">Answer it with a rope</el-button>
        </section>
        <template v-if="event">
          <PullPanel
            :key="event.id"
            :event="event.body"
            :pulling="pulling"
            :rope="rope?.body"
            @gone="live.gone($event)"
          />
          <el-alert
            v-if="live.failed.value"
            type="error"
            :closable="false"
            :title="live.failed.value"
            data-testid="stage-failed"
          >
            <el-button size="small" @click="live.restart()">Start it again</el-button>
          </el-alert>
          <AccountList
            :account="live.account.value"
            :together="live.together.value"
            :told="live.told.value"
            :find="live.find"
            :all="live.all"
            @lead="lead"
          />
        </template>
      </StageRoom>
    </aside>
  </main>
</template>

<style scoped>
.ropes {
  display: grid;
  grid-template-columns: 204px minmax(0, 1fr) 500px;
  min-height: 0;
  height: 100%;
}
aside {
  border-left: 1px solid var(--line);
  contain: content;
  min-height: 0;
}
.alone {
  grid-template-columns: minmax(0, 1fr) !important;
}
.alone > :not(aside) {
  display: none;
}
.open {
  padding: 10px 14px;
  border-bottom: 1px solid var(--line);
}
.large {
  font-size: 14px;
  margin: 0;
}
.silent {
  margin: 8px 0 0;
  color: var(--amber);
}
.offline {
  margin: 0;
  padding: 6px 14px;
  color: var(--vermilion);
  border-bottom: 1px solid var(--line);
}
.less {
  display: inline-flex;
  gap: 10px;
  white-space: nowrap;
}
.less button {
  color: var(--muted);
  font-size: 12px;
}
.less button[aria-pressed='true'] {
  color: var(--ink);
  font-weight: 600;
  text-decoration: underline;
  text-decoration-color: var(--bronze);
  text-underline-offset: 4px;
}
@media (min-width: 1700px) {
  .ropes {
    grid-template-columns: 260px minmax(0, 1fr) 760px;
  }
}
@media (max-width: 1100px) {
  .ropes {
    grid-template-columns: 176px minmax(0, 1fr) 400px;
  }
}
</style>
