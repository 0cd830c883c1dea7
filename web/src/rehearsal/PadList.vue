<script setup lang="ts">
import { computed, onBeforeUnmount, reactive, ref } from 'vue'
import type { EventType, Score, Vector } from '../api/bundle'
import Choice from '../common/Choice.vue'
import NumberField from '../common/NumberField.vue'
import { useKeys } from '../common/useKeys'
import { useProject, type Part } from '../project/useProject'
import { clock, type Stage } from '../stage/useStage'
import { scoreOf, type Tap, type Turned } from './recorded'
import { placedAt } from './subjects'

/**
 * The game in the hand: a pad for each event, pressed for moments, held for spans, a choice for states, a number for channels.
 * What is done while it is recorded becomes a rehearsal.
 */
const props = defineProps<{
  live: Stage
  name: string
  /** Where a hand has put subjects. */
  put: ReadonlyMap<string, Vector>
}>()
/** Whether subjects are shown on the stage, to be dragged. */
const placing = defineModel<boolean>('placing', { required: true })
const emit = defineEmits<{ recorded: [score: Score]; pressed: [at: number] }>()
const project = useProject()

/** Pads that have a key: the digits, in the order of the events. */
const KEYED = 9
const since = ref<number>()
const passed = ref(0)
const held = reactive(new Set<string>())
const states = reactive(new Map<string, string>())
const channels = reactive(new Map<string, number>())
let taps: Tap[] = []
let turned: Turned[] = []
let pulls = 1_000_000
let timer: ReturnType<typeof setInterval> | undefined

const pads = computed(() => project.events.filter((e) => e.body.shape !== 'state'))
const switches = computed(() => project.events.filter((e) => e.body.shape === 'state'))
const usual = (event: Part<EventType>) => ({
  ...project.strengths.get(event.id)?.usual,
  ...placedAt(event.body, props.put),
})
const now = () => clock() - (since.value ?? 0)

function note(event: EventType, value?: string) {
  if (since.value === undefined) return
  taps.push({ event: event.name, at: now(), value, payload: placedAt(event, props.put) })
}
function press(event: Part<EventType>, at: number) {
  const { name, shape } = event.body
  if (shape === 'span' && held.has(name)) return
  emit('pressed', at)
  const phase = shape === 'span' ? ('begin' as const) : undefined
  if (!props.live.pull({ event: name, phase, payload: usual(event), seed: pulls++ })) return
  if (shape === 'span') held.add(name)
  note(event.body)
}
function release(event: Part<EventType>) {
  const { name } = event.body
  if (!held.delete(name)) return
  props.live.pull({ event: name, phase: 'end', seed: 0 })
  const begun = [...taps].reverse().find((t) => t.event === name)
  if (begun && since.value !== undefined) begun.until = now()
}
/** What is held by the pointer; what a key holds, that key releases. */
let pointed: Part<EventType> | undefined
function point(event: Part<EventType>, at: number) {
  press(event, at)
  pointed = event
}
function letGo() {
  if (pointed) release(pointed)
  pointed = undefined
}
const releaseAll = () => pads.value.forEach(release)
function turn(event: Part<EventType>, value: string) {
  if (!props.live.pull({ event: event.body.name, value, payload: usual(event), seed: pulls++ })) return
  states.set(event.body.name, value)
  note(event.body, value)
}
function publish(channel: string, value: number) {
  channels.set(channel, value)
  props.live.publish(channel, value)
  if (since.value !== undefined) turned.push({ channel, at: now(), value })
}

function record() {
  taps = []
  turned = []
  since.value = clock()
  passed.value = 0
  // What is so already is so from the beginning.
  for (const [event, value] of states) taps.push({ event, at: 0, value })
  for (const [channel, value] of channels) turned.push({ channel, at: 0, value })
  timer = setInterval(() => (passed.value = now()), 100)
}
function finish() {
  releaseAll()
  const seconds = now()
  since.value = undefined
  clearInterval(timer)
  emit(
    'recorded',
    scoreOf(
      props.name,
      seconds,
      taps,
      turned,
      project.events.map((e) => e.body),
    ),
  )
}
onBeforeUnmount(() => {
  clearInterval(timer)
  releaseAll()
})

const digits = Array.from({ length: KEYED }, (_, i) => i)
useKeys(
  Object.fromEntries(
    digits.map((i) => [
      String(i + 1),
      (event: KeyboardEvent) => {
        if (!event.repeat && pads.value[i]) press(pads.value[i], event.timeStamp)
      },
    ]),
  ),
  Object.fromEntries(digits.map((i) => [String(i + 1), () => pads.value[i] && release(pads.value[i])])),
)
</script>

<template>
  <section aria-label="Pads" @pointerup="letGo" @pointerleave="letGo">
    <div class="top">
      <h2>By hand</h2>
      <el-button v-if="since === undefined" size="small" data-testid="record" @click="record"
        >Record</el-button
      >
      <el-button v-else size="small" type="primary" data-testid="record" @click="finish"
        >Stop, {{ passed.toFixed(1) }} s</el-button
      >
    </div>
    <el-checkbox
      v-model="placing"
      class="placing"
      title="To be dragged: what you pull comes where its subject is"
      data-testid="placing"
      >Subjects on the stage</el-checkbox
    >
    <button
      v-for="(e, i) in pads"
      :key="e.id"
      class="pad"
      :class="{ held: held.has(e.body.name) }"
      :aria-pressed="e.body.shape === 'span' ? held.has(e.body.name) : undefined"
      :title="`${e.body.name}: ${e.body.shape === 'span' ? 'lasts while it is held' : 'comes once'}`"
      @pointerdown="point(e, $event.timeStamp)"
      @keydown.enter.prevent="!$event.repeat && press(e, $event.timeStamp)"
      @keydown.space.prevent="!$event.repeat && press(e, $event.timeStamp)"
      @keyup.enter="release(e)"
      @keyup.space="release(e)"
    >
      <kbd v-if="i < 9">{{ i + 1 }}</kbd>
      <span>{{ e.body.name }}</span>
    </button>
    <label v-for="e in switches" :key="e.id" class="switch"
      >{{ e.body.name }}
      <Choice
        :label="e.body.name"
        :value="states.get(e.body.name) ?? e.body.values![0]"
        @choose="(v) => turn(e, v)"
      >
        <option v-for="v in e.body.values" :key="v" :value="v">{{ v }}</option>
      </Choice>
    </label>
    <label v-for="c in project.channels" :key="c.id" class="switch"
      >{{ c.body.name }}
      <NumberField
        :value="channels.get(c.body.name) ?? c.body.usual ?? c.body.range[0]"
        :label="c.body.name"
        :unit="c.body.unit || ' '"
        :least="c.body.range[0]"
        :most="c.body.range[1]"
        @draft="(v) => publish(c.body.name, v)"
        @commit="(v) => publish(c.body.name, v)"
      />
    </label>
  </section>
</template>

<style scoped>
.top {
  display: flex;
  align-items: center;
  justify-content: space-between;
  margin: 14px 0 6px;
}
.placing {
  height: 26px;
}
.pad {
  display: flex;
  gap: 8px;
  align-items: center;
  width: 100%;
  min-height: 26px;
  margin-bottom: 3px;
  padding: 0 8px;
  text-align: left;
  background: var(--card);
  border: 1px solid var(--line);
  border-radius: 4px;
  user-select: none;
  touch-action: none;
}
.pad span {
  overflow: hidden;
  text-overflow: ellipsis;
}
.pad:active,
.held {
  background: var(--bronze-pale);
  border-color: var(--bronze);
}
kbd {
  font: inherit;
  color: var(--muted);
}
.switch {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 6px;
  min-height: 28px;
}
</style>
