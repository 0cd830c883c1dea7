<script setup lang="ts">
import { computed, nextTick, reactive, ref, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { Refused, type AccountReport } from '../api/client'
import type { Lane, Vector } from '../api/bundle'
import Choice from '../common/Choice.vue'
import OneOf from '../common/OneOf.vue'
import Plot from '../common/Plot.vue'
import { download } from '../common/download'
import { latest } from '../common/latest'
import { useKeys } from '../common/useKeys'
import { useOpened } from '../common/useOpened'
import { useProject } from '../project/useProject'
import type { Clock } from '../stage/clock'
import type { View } from '../stage/framing'
import { ending, type Film } from '../stage/film'
import type { Frame } from '../stage/frames'
import type { Backdrop } from '../stage/renderer'
import { spriteSources } from '../stage/sprites'
import StageRoom from '../stage/StageRoom.vue'
import StageView from '../stage/StageView.vue'
import { MODES, useModes } from '../stage/useModes'
import { useStage } from '../stage/useStage'
import { BY, drawnUsage, USED, usedWords } from './usage'
import ChannelLanes from './ChannelLanes.vue'
import LaneSheet from './LaneSheet.vue'
import PadList from './PadList.vue'
import RehearsalList from './RehearsalList.vue'
import RehearsalSide from './RehearsalSide.vue'
import ScoreLanes from './ScoreLanes.vue'
import { freeId, newLane, ticks, withLane, writtenOut } from './score'
import { grips, subjectsOf } from './subjects'
import { useRehearsal } from './useRehearsal'
import { useScores } from './useScores'

/** A whole stretch of the game: what the game says is a score, what it asks for is computed and can be looked at anywhere. */
const props = defineProps<{ find: string }>()
const project = useProject()
const rehearsal = useRehearsal()
const route = useRoute()

const stage = ref<InstanceType<typeof StageView>>()
const whole = ref(false)
const view = ref<View>('side')
const backdrop = ref<Backdrop>('night')
const lane = ref(Number(route.query.lane) || 0)
const sheet = ref<{ $el: HTMLElement }>()
/** Which line is drawn above the score. */
const used = ref('instances')
/** Whose instances are drawn by name. */
const by = ref<(typeof BY)[number]>('effect')
const clock = reactive<Clock>({ at: 0, playing: false })
const account = shallowRef<AccountReport>()
const lately = shallowRef<AccountReport[]>([])

const asked = Number(route.query.score)
if (asked) rehearsal.chosen = asked
const part = computed(() => rehearsal.score)
const { score, named, add, save, addEmpty, addWorst } = useScores()
const take = computed(() => rehearsal.take)
const played = computed(() => take.value?.head)
const sprites = computed(() => spriteSources(project.id, project.sprites))
useOpened(
  'score',
  computed(() => part.value?.id ?? 0),
  (id) => (rehearsal.chosen = id),
  [
    {
      what: 'lane',
      opened: () => (lane.value ? String(lane.value) : ''),
      open: (name) => (lane.value = Number(name) || 0),
    },
  ],
)

rehearsal.follow()

const rate = computed(() => played.value?.stepsPerSecond ?? 60)
const length = computed(() => Math.max(score.value?.seconds ?? 1, (take.value?.length ?? 0) / rate.value))
const seconds = computed(() => clock.at / rate.value)
const current = computed(() => score.value?.lanes.find((l) => l.id === lane.value))

// What was opened is brought into sight.
watch(lane, async (id) => {
  await nextTick()
  if (id) sheet.value?.$el.scrollIntoView({ block: 'nearest' })
})

function seek(to: number) {
  clock.at = Math.max(0, Math.min((take.value?.length ?? 1) - 1, Math.round(to * rate.value)))
}
// The stage runs its own clock; this one goes with it, and leads it where one presses elsewhere.
const own = computed(() => stage.value?.clock)
watch(
  () => own.value?.at,
  (at) => at !== undefined && (clock.at = at),
)
watch(
  () => clock.at,
  (at) => own.value && Math.floor(own.value.at) !== Math.floor(at) && (own.value.at = at),
)

// What a hand does is seen at once; the rehearsal goes on where it was when that is over.
const live = useStage({
  frame: (frame: Frame) => stage.value?.showLive(frame),
  refused: (refused: Refused) => (project.refusal = refused.refusal),
  begun: () => undefined,
})

/** Subjects on the stage, and where a hand has put them. */
const placing = ref(false)
const put = reactive(new Map<string, Vector>())
const subjects = computed(() => {
  const usual = project.events.map((e) => ({
    event: e.body,
    usual: project.strengths.get(e.id)?.usual ?? {},
  }))
  return new Map([...subjectsOf(usual)].map(([subject, at]) => [subject, put.get(subject) ?? at]))
})
watch(
  () => project.id,
  () => put.clear(),
)
function place(subject: string, at: Vector) {
  put.set(subject, at)
  live.move(subject, at)
}

const moment = () => `${project.name} ${score.value?.name} ${seconds.value.toFixed(2)} s`
async function shoot() {
  const png = await stage.value?.shot()
  if (png) download(png, `${moment()}.png`)
}
const filming = shallowRef<{ end: Film['end']; from: string }>()
async function roll() {
  if (filming.value) {
    const { end, from } = filming.value
    filming.value = undefined
    const film = await end()
    if (film) download(film, `${from}.${ending(film)}`)
    else project.notice = 'The clip was too short: the browser had filmed no picture yet.'
    return
  }
  const end = stage.value?.roll()
  if (!end) {
    project.notice = 'This browser cannot film the stage.'
    return
  }
  filming.value = { end, from: moment() }
  if (own.value) own.value.playing = true
}

// The accounts of the moment, while it stands still or as it runs.
const look = latest<number>(async (step) => {
  lately.value = await rehearsal.accounts(step, 12)
})
watch([() => Math.floor(clock.at / 12), take], () => take.value && look(Math.floor(clock.at)))
async function lead(pull: number, at: number) {
  seek(at)
  if (own.value) own.value.playing = false
  account.value = await rehearsal.account(pull)
}
watch([lately, take], () => (account.value = undefined))

const change = (to: Lane, keep: boolean) => save(withLane(score.value!, to.id, to), keep)
function remove() {
  save(withLane(score.value!, lane.value, undefined))
  lane.value = 0
}
function copy() {
  const id = freeId(score.value!)
  save({ ...score.value!, lanes: [...score.value!.lanes, { ...current.value!, id }] })
  lane.value = id
}
function write() {
  const of = played.value?.lanes.find((l) => l.lane === lane.value)
  if (!of) return
  change({ ...current.value!, when: { kind: 'marks', marks: writtenOut(of.at, of.until) } }, true)
}
function addLane(name: string) {
  const event = project.events.find((e) => e.body.name === name)?.body
  if (!event || !score.value) return
  const next = newLane(score.value, event)
  save({ ...score.value, lanes: [...score.value.lanes, next] })
  lane.value = next.id
}

const before = computed(() => rehearsal.before?.take)
const { mode, words, title, flip } = useModes(
  computed(() => `before, ${rehearsal.before?.at}`),
  () => !!before.value,
)

const chart = computed(
  () => played.value && drawnUsage(played.value, used.value, by.value, before.value?.head),
)
const seen = computed(() => {
  const words = props.find.trim().toLowerCase()
  return project.scores.filter((s) => s.body.name.toLowerCase().includes(words))
})
function takeFirst() {
  if (seen.value[0]) rehearsal.chosen = seen.value[0].id
}
defineExpose({ takeFirst })

function choose(by: number) {
  const at = seen.value.findIndex((s) => s.id === part.value?.id)
  const next = seen.value[Math.min(seen.value.length - 1, Math.max(0, at + by))]
  if (next) rehearsal.chosen = next.id
}
useKeys({
  ArrowDown: () => choose(1),
  ArrowUp: () => choose(-1),
  p: () => stage.value?.toggle(),
  ',': () => stage.value?.step(-1),
  '.': () => stage.value?.step(1),
  f: () => (whole.value = !whole.value),
  n: () => addEmpty(),
  k: () => rehearsal.keep(),
  h: () => flip('before'),
  b: () => flip('side by side'),
  Escape: () => {
    if (whole.value) whole.value = false
    else lane.value = 0
  },
})
</script>

<template>
  <main class="columns rehearsal" :class="{ alone: whole }">
    <nav aria-label="Rehearsals">
      <RehearsalList :shown="seen" />
      <PadList
        v-if="part && project.events.length"
        v-model:placing="placing"
        :live="live"
        :put="put"
        :name="named('recorded')"
        @pressed="(at) => stage?.expectPull(at)"
        @recorded="add"
      />
      <p v-if="live.failed.value" class="bad" role="alert">
        {{ live.failed.value }}
        <el-button link class="link" @click="live.restart()">Start it again</el-button>
      </p>
    </nav>

    <section v-if="!part" class="empty">
      <div>
        <h1>Nothing to rehearse yet</h1>
        <p>
          A rehearsal plays a whole stretch of the game: which events come, how often, about whom. It shows
          what they ask for together, and how large pools must be for it.
        </p>
        <el-button type="primary" :disabled="!project.ropes.length" @click="addWorst"
          >Begin with the worst second</el-button
        >
        <el-button @click="addEmpty">Begin with nothing</el-button>
        <p v-if="!project.ropes.length" class="quiet">
          Ropes come first: without one, nothing answers an event.
        </p>
      </div>
    </section>
    <StageRoom v-else name="rehearsal" :least="0.4" :whole="whole">
      <template #stage>
        <StageView
          ref="stage"
          v-model:view="view"
          v-model:backdrop="backdrop"
          :take="mode === 'before' ? before : take"
          :beside="mode === 'side by side' ? before : undefined"
          :title="title"
          :busy="!!rehearsal.playing"
          :sprites="sprites"
          :point="[0, 0, 0]"
          :normal="[0, 1, 0]"
          :area="played?.live"
          :home="part.id"
          :whole="whole"
          :comfort="live.comfort.value"
          :outlines="placing ? () => grips(subjects) : undefined"
          @set="(grip, at) => place(grip.path, at as Vector)"
          @whole="whole = !whole"
        >
          <template #left>
            <span class="state" role="status" data-testid="rehearsed">
              <template v-if="rehearsal.playing">
                playing {{ rehearsal.again ? 'what was kept,' : '' }}
                {{ rehearsal.playing.done.toFixed(1) }} of {{ rehearsal.playing.all.toFixed(0) }} s
                <el-button link class="link" @click="rehearsal.stop()">stop</el-button>
              </template>
              <template v-else-if="rehearsal.failure">not played</template>
              <template v-else-if="!rehearsal.fresh">
                changed since <el-button link class="link" @click="rehearsal.play()">play it</el-button>
              </template>
              <template v-else>as it is now</template>
            </span>
            <span v-if="take" class="group">
              <el-button link title="Save what is shown as a PNG" data-testid="shot" @click="shoot"
                >picture</el-button
              >
              <el-button
                link
                title="Save what is shown from now on as a film"
                data-testid="film"
                :aria-pressed="!!filming"
                @click="roll"
                >{{ filming ? 'end the clip' : 'clip' }}</el-button
              >
            </span>
            <OneOf
              v-if="before"
              class="group"
              label="Which rehearsal"
              :value="mode"
              :options="MODES"
              :words="words"
              @choose="mode = $event"
            />
          </template>
          <template v-if="mode === 'side by side'" #beside>
            <StageView
              :take="before"
              :beside="take"
              :busy="false"
              :sprites="sprites"
              :point="[0, 0, 0]"
              :normal="[0, 1, 0]"
              :view="view"
              :backdrop="backdrop"
              :follows="stage?.clock"
              :title="words('before')"
            />
          </template>
        </StageView>
      </template>
      <div class="below" data-testid="score">
        <p v-if="rehearsal.failure" class="offline" role="alert">{{ rehearsal.failure }}</p>
        <div v-if="chart" class="demand">
          <div class="pick" role="group" aria-label="What is drawn">
            <button v-for="u in USED" :key="u.name" :aria-pressed="used === u.name" @click="used = u.name">
              {{ u.name }}
            </button>
            <Choice
              v-if="used === 'instances' && !before"
              class="by"
              label="Drawn by"
              :value="by"
              @choose="by = $event as typeof by"
            >
              <option v-for="b in BY" :key="b" :value="b">by {{ b }}</option>
            </Choice>
          </div>
          <Plot
            :label="`${used} over time`"
            :places="chart.places"
            :drawn="chart.drawn"
            :x="{ from: 0, to: length, marks: ticks(length), words: (v) => `${v} s` }"
            :y="chart.y"
            :words="(place) => usedWords(played!, used, place, by)"
            :marker="seconds"
            :rest="chart.rest"
            leads
            :height="92"
            @choose="(place) => seek(chart!.places[place])"
          />
        </div>
        <ScoreLanes
          v-if="score"
          :score="score"
          :played="played"
          :length="length"
          :at="seconds"
          :open="lane"
          @open="lane = $event"
          @seek="seek"
          @change="change"
          @lead="lead"
        />
        <div class="add">
          <Choice label="Add a lane" value="" @choose="addLane">
            <option value="" disabled>+ lane for…</option>
            <option v-for="e in project.events" :key="e.id" :value="e.body.name">{{ e.body.name }}</option>
          </Choice>
          <span v-if="!score?.lanes.length" class="quiet"
            >A lane says when an event comes: steadily, by chance, in salvos, or at marks of its own.</span
          >
        </div>
        <ChannelLanes
          v-if="score"
          :score="score"
          :length="length"
          :at="seconds"
          @change="
            (channels, keep) => save({ ...score!, channels: channels.length ? channels : undefined }, keep)
          "
        />
        <LaneSheet
          ref="sheet"
          v-if="current && score"
          :key="current.id"
          :lane="current"
          :score="score"
          :played="!!played"
          @change="change"
          @remove="remove"
          @copy="copy"
          @write="write"
        />
      </div>
    </StageRoom>

    <aside v-if="part" aria-label="What it asks for">
      <RehearsalSide
        v-if="played"
        :played="played"
        :before="rehearsal.before"
        :earlier="rehearsal.earlier"
        :seconds="seconds"
        :account="account"
        :lately="lately"
        @seek="seek"
        @all="account = undefined"
        @keep="rehearsal.keep()"
        @again="rehearsal.compareAgain()"
        @forget="rehearsal.forget()"
      />
      <p v-else class="quiet waits">{{ rehearsal.playing ? 'Being played…' : 'Not played.' }}</p>
    </aside>
  </main>
</template>

<style scoped src="../common/columns.css" />
<style scoped>
.state :deep(.link) {
  color: var(--bronze-soft);
}
.empty div {
  width: 460px;
}
.state {
  display: inline-flex;
  gap: 8px;
  align-items: center;
}
.below {
  min-width: 0;
  padding-bottom: 12px;
}
.add {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 4px 14px;
  border-top: 1px solid var(--line);
}
.demand {
  display: grid;
  grid-template-columns: 216px minmax(0, 1fr);
  padding: 2px 2px 0 0;
}
.pick {
  display: grid;
  grid-template-columns: 1fr 1fr;
  align-content: start;
  justify-items: start;
  padding: 4px 14px;
}
.by {
  grid-column: 1 / -1;
  margin-top: 4px;
}
.pick button {
  min-height: 24px;
  color: var(--muted);
}
.pick button[aria-pressed='true'] {
  color: var(--ink);
  font-weight: 600;
  text-decoration: underline;
  text-decoration-color: var(--bronze);
  text-underline-offset: 4px;
}
aside {
  overflow-y: auto;
}
.waits {
  padding: 10px 14px;
}
.offline {
  margin: 0;
  padding: 6px 14px;
  color: var(--vermilion);
}
</style>
