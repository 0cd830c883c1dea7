<script setup lang="ts">
import { computed, nextTick, reactive, ref, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { Refused, type AccountReport } from '../api/client'
import type { Lane, Score } from '../api/bundle'
import Choice from '../common/Choice.vue'
import NumberField from '../common/NumberField.vue'
import Plot from '../common/Plot.vue'
import TextField from '../common/TextField.vue'
import { bounds } from '../common/settings'
import { download } from '../common/download'
import { freeName } from '../common/freeName'
import { latest } from '../common/latest'
import { showNumber } from '../common/numberText'
import { useKeys } from '../common/useKeys'
import { useOpened } from '../common/useOpened'
import { useProject } from '../project/useProject'
import type { Clock } from '../stage/clock'
import type { Frame } from '../stage/frames'
import { spriteSources } from '../stage/sprites'
import StageRoom from '../stage/StageRoom.vue'
import StageView from '../stage/StageView.vue'
import { useStage } from '../stage/useStage'
import { drawnUsage, peakOf, USED, usedWords } from './usage'
import LaneSheet from './LaneSheet.vue'
import PadList from './PadList.vue'
import ScoreLanes from './ScoreLanes.vue'
import { freeId, newLane, ticks, withLane, writtenOut } from './score'
import { useRehearsal } from './useRehearsal'

/** A whole stretch of the game: what the game says is a score, what it asks for is computed and can be looked at anywhere. */
const props = defineProps<{ find: string }>()
const project = useProject()
const rehearsal = useRehearsal()
const route = useRoute()

const stage = ref<InstanceType<typeof StageView>>()
const whole = ref(false)
const lane = ref(0)
/** Which line is drawn below the score. */
const sheet = ref<{ $el: HTMLElement }>()
const used = ref('instances')
const clock = reactive<Clock>({ at: 0, playing: false })
const account = shallowRef<AccountReport>()
const lately = shallowRef<AccountReport[]>([])

const asked = Number(route.query.score)
if (asked) rehearsal.chosen = asked
const part = computed(() => rehearsal.score)
const score = computed(() => part.value?.body)
const take = computed(() => rehearsal.take)
const played = computed(() => take.value?.head)
const sprites = computed(() => spriteSources(project.id, project.sprites))
useOpened(
  'score',
  computed(() => part.value?.id ?? 0),
  (id) => (rehearsal.chosen = id),
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

const moment = () => `${project.name} ${score.value?.name} ${seconds.value.toFixed(2)} s`
async function shoot() {
  const png = await stage.value?.shot()
  if (png) download(png, `${moment()}.png`)
}
/** A film with no picture in it is shorter than this, bytes. */
const HEAD_ALONE = 400
const filming = shallowRef<{ end: () => Promise<Blob>; from: string }>()
async function roll() {
  if (!filming.value) {
    const end = stage.value?.film()
    if (!end) project.notice = 'This browser cannot film the stage.'
    else {
      filming.value = { end, from: moment() }
      if (own.value) own.value.playing = true
    }
    return
  }
  const { end, from } = filming.value
  filming.value = undefined
  const film = await end()
  if (film.size < HEAD_ALONE)
    project.notice = 'The clip was too short: the browser had filmed no picture yet.'
  else download(film, `${from}.${film.type.includes('mp4') ? 'mp4' : 'webm'}`)
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

const fields = (a: AccountReport) => a.answers.filter((l) => l.answered).length

function save(next: Score, keep = true) {
  if (!part.value) return
  if (keep) void project.commit(part.value.id, next)
  else project.draft(part.value.id, next)
}
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

const named = (wanted: string) =>
  freeName(
    wanted,
    project.scores.map((s) => s.body.name),
  )
async function add(body: Score) {
  const id = await project.add('score', body)
  if (id) rehearsal.chosen = id
}
const addEmpty = () => add({ name: named('rehearsal'), seconds: 30, seed: 1, lanes: [] })
async function addWorst() {
  await add(await rehearsal.worstSecond(named('the worst second')))
}

const chart = computed(() => played.value && drawnUsage(played.value, used.value))
const seen = computed(() => {
  const words = props.find.trim().toLowerCase()
  return project.scores.filter((s) => s.body.name.toLowerCase().includes(words))
})
function takeFirst() {
  if (seen.value[0]) rehearsal.chosen = seen.value[0].id
}
defineExpose({ takeFirst })

const makers = computed(() => (played.value ? peakOf(played.value) : []))
const share = (n: number, of: number) =>
  of ? `${showNumber(Number(((100 * n) / of).toPrecision(2)))} %` : '0 %'

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
  Escape: () => (lane.value = 0),
  'Ctrl+z': () => project.undo(),
  'Ctrl+Shift+z': () => project.redo(),
  'Ctrl+y': () => project.redo(),
})
</script>

<template>
  <main class="rehearsal" :class="{ alone: whole }">
    <nav aria-label="Rehearsals">
      <h2>Rehearsals</h2>
      <ul>
        <li v-for="s in seen" :key="s.id" :class="{ chosen: s.id === part?.id }">
          <el-button link :aria-pressed="s.id === part?.id" @click="rehearsal.chosen = s.id">
            {{ s.body.name }}
            <span class="quiet">{{ showNumber(s.body.seconds) }} s, {{ s.body.lanes.length }} lanes</span>
          </el-button>
        </li>
      </ul>
      <div class="new">
        <el-button data-testid="new-score" @click="addEmpty">New rehearsal</el-button>
        <el-button data-testid="worst" :disabled="!project.ropes.length" @click="addWorst"
          >The worst second</el-button
        >
      </div>
      <template v-if="part && score">
        <h2>This one</h2>
        <dl class="facts">
          <dt>name</dt>
          <dd>
            <TextField
              :value="score.name"
              label="Name of the rehearsal"
              demanded
              :take="(name: string) => save({ ...score!, name })"
            />
          </dd>
          <dt v-explains="'Score.seconds'">length</dt>
          <dd>
            <NumberField
              :value="score.seconds"
              label="Length"
              v-bind="bounds('Score', 'seconds')"
              kind="time"
              @commit="(v) => save({ ...score!, seconds: v })"
            />
          </dd>
          <dt v-explains="'Score.seed'">seed</dt>
          <dd>
            <NumberField
              :value="score.seed ?? 0"
              label="Seed"
              kind="whole"
              :least="0"
              @commit="(v) => save({ ...score!, seed: v })"
            />
          </dd>
        </dl>
        <el-button link class="link" @click="add({ ...score, name: named(score.name) })">copy</el-button
        >&ensp;
        <el-button link class="link" @click="project.remove(part.id)">delete</el-button>
      </template>
      <PadList
        v-if="part && project.events.length"
        :live="live"
        :name="named('recorded')"
        @pressed="(at) => stage?.expectPull(at)"
        @recorded="add"
      />
      <p v-if="live.failed.value" class="wrong" role="alert">
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
          :take="take"
          :busy="!!rehearsal.playing"
          :sprites="sprites"
          :point="[0, 0, 0]"
          :normal="[0, 1, 0]"
          :area="played?.live"
          :home="part.id"
          :whole="whole"
          :comfort="live.comfort.value"
          @whole="whole = !whole"
        >
          <template #left>
            <span class="state" role="status" data-testid="rehearsed">
              <template v-if="rehearsal.playing">
                playing {{ rehearsal.playing.done.toFixed(1) }} of {{ rehearsal.playing.all.toFixed(0) }} s
                <el-button link class="link" @click="rehearsal.stop()">stop</el-button>
              </template>
              <template v-else-if="rehearsal.failure">not played</template>
              <template v-else-if="!rehearsal.fresh">
                stopped <el-button link class="link" @click="rehearsal.play()">play it</el-button>
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
          </div>
          <Plot
            :label="`${used} over time`"
            :places="chart.places"
            :drawn="chart.drawn"
            :x="{ from: 0, to: length, marks: ticks(length), words: (v) => `${v} s` }"
            :y="chart.y"
            :words="(place) => usedWords(played!, used, place)"
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

    <aside v-if="part && played" aria-label="What it asks for">
      <section class="open">
        <h2>At once, at most</h2>
        <table class="peaks">
          <tbody>
            <tr v-for="l in played.whole" :key="l.name">
              <th scope="row">{{ l.name }}</th>
              <td class="number">{{ showNumber(Number(l.peak.toPrecision(4))) }}</td>
              <td class="quiet">{{ USED.find((u) => u.name === l.name)?.unit }}</td>
              <td>
                <el-button link class="link" @click="seek(l.peakAt)"
                  >at {{ l.peakAt.toFixed(2) }} s</el-button
                >
              </td>
            </tr>
          </tbody>
        </table>
        <p class="quiet small">
          {{ showNumber(played.births) }} born<template v-if="played.dropped"
            >, <b class="wrong">{{ showNumber(played.dropped) }} dropped</b></template
          >; the limit is {{ showNumber(played.particleLimit) }} particles.
          <template v-if="!played.still">Something goes on without end.</template>
        </p>
      </section>
      <section class="open">
        <h2>Who makes the peak</h2>
        <table class="peaks">
          <tbody>
            <tr v-for="m in makers" :key="m.name">
              <th scope="row">{{ m.name }}</th>
              <td class="number">{{ m.count }}</td>
              <td class="quiet">instances</td>
            </tr>
          </tbody>
        </table>
      </section>
      <section v-if="played.pools.length" class="open">
        <h2>Pools</h2>
        <table class="peaks">
          <tbody>
            <tr v-for="p in played.pools" :key="p.name">
              <th scope="row">{{ p.name }}</th>
              <td class="number">{{ p.peak }} of {{ p.capacity }}</td>
              <td>
                <span v-if="p.refused" class="wrong">{{ share(p.refused, p.asked) }} refused</span>
                <span v-else-if="p.takenOver" class="doubt">{{ share(p.takenOver, p.asked) }} cut short</span>
                <span v-else class="fine">none lost</span>
              </td>
            </tr>
          </tbody>
        </table>
        <RouterLink class="link" :to="{ path: '/pools', query: { project: project.id } }"
          >sizes of pools</RouterLink
        >
      </section>
      <section v-else class="open">
        <h2>Pools</h2>
        <p class="quiet small">
          This project has none: every effect makes as many instances as it is asked for.
          <RouterLink class="link" :to="{ path: '/pools', query: { project: project.id } }"
            >Size them</RouterLink
          >
        </p>
      </section>
      <section class="open" aria-label="Account">
        <h2>Account, up to {{ seconds.toFixed(2) }} s</h2>
        <ol class="accounts">
          <li v-for="a in account ? [account] : lately" :key="a.number">
            <el-button link class="link" @click="seek(a.at)">{{ a.at.toFixed(2) }} s</el-button>
            <b>{{ a.event }}</b> <span v-if="a.subject" class="quiet">{{ a.subject }}</span>
            <span v-if="!a.answers.length && !a.refused.length" class="quiet">: {{ a.summary }}</span>
            <template v-for="l in a.answers" :key="l.rope">
              <p v-if="l.answered || account || !fields(a)" :class="{ quiet: !l.answered }">
                {{ l.answered ? '●' : '○' }} {{ l.words }}
              </p>
            </template>
            <p v-for="r in a.refused" :key="r.place" class="wrong">
              {{ r.place }}: {{ r.given }}: {{ r.allowed }}
            </p>
            <p v-for="n in a.notes" :key="n" class="doubt">{{ n }}</p>
          </li>
        </ol>
        <el-button v-if="account" link class="link" @click="account = undefined">all up to here</el-button>
        <p v-else-if="!lately.length" class="quiet small">Nothing has come yet.</p>
      </section>
    </aside>
    <aside v-else-if="part" aria-label="What it asks for">
      <section class="open"><p class="quiet">Being played…</p></section>
    </aside>
  </main>
</template>

<style scoped>
.rehearsal {
  display: grid;
  grid-template-columns: 190px minmax(0, 1fr) 300px;
  height: 100%;
  min-height: 0;
}
.alone {
  grid-template-columns: minmax(0, 1fr);
}
.alone > nav,
.alone > aside {
  display: none;
}
nav {
  padding: 10px 14px;
  overflow-y: auto;
  border-right: 1px solid var(--line);
}
ul,
ol {
  list-style: none;
  margin: 6px -14px 10px;
  padding: 0;
}
li {
  padding: 4px 14px;
  border-top: 1px solid var(--line);
}
li.chosen {
  background: var(--bronze-pale);
}
nav li .quiet {
  display: block;
  font-weight: 400;
}
nav li :deep(.el-button) {
  text-align: left;
  width: 100%;
  justify-content: flex-start;
}
.new {
  display: grid;
  gap: 6px;
  margin-bottom: 16px;
}
.facts {
  display: grid;
  grid-template-columns: 48px 1fr;
  gap: 4px 8px;
  align-items: center;
  margin: 6px 0;
}
.facts dd {
  margin: 0;
  min-width: 0;
}
.facts :deep(.text-field) {
  width: 100%;
}
.state :deep(.link) {
  color: var(--bronze-soft);
}
.empty {
  grid-column: 2 / -1;
  display: grid;
  place-items: center;
}
.empty div {
  width: 460px;
}
h1 {
  font-size: 18px;
}
.state {
  color: var(--stage-ink);
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
  border-left: 1px solid var(--line);
  overflow-y: auto;
  min-height: 0;
}
.open {
  padding: 10px 14px;
  border-bottom: 1px solid var(--line);
}
.peaks {
  width: 100%;
  border-collapse: collapse;
}
.peaks th {
  font-weight: 400;
  text-align: left;
}
.peaks tr {
  height: 26px;
}
.peaks td {
  padding-left: 6px;
  white-space: nowrap;
}
.number {
  text-align: right;
  font-weight: 600;
}
.small {
  margin: 6px 0 0;
}
.accounts {
  margin: 4px -14px 0;
}
.accounts :deep(.el-button) {
  min-height: 24px;
  margin-right: 6px;
}
.accounts p {
  margin: 0;
}
.wrong {
  color: var(--vermilion);
}
.doubt {
  color: var(--amber);
}
.fine {
  color: var(--verdigris);
}
.offline {
  margin: 0;
  padding: 6px 14px;
  color: var(--vermilion);
}
@media (min-width: 1600px) {
  .rehearsal {
    grid-template-columns: 220px minmax(0, 1fr) 380px;
  }
}
@media (max-width: 1100px) {
  .rehearsal {
    grid-template-columns: 160px minmax(0, 1fr) 250px;
  }
}
</style>
