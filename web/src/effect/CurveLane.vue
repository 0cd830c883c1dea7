<script setup lang="ts">
import { computed, ref } from 'vue'
import Choice from '../common/Choice.vue'
import type { Key } from '../api/bundle'
import NumberField from '../common/NumberField.vue'
import { showNumber } from '../common/numberText'
import EaseField from './EaseField.vue'
import LaneActs, { type LaneAct } from './LaneActs.vue'
import { laid } from './laid'
import * as lane from './lane'

/** One lane of Life: a value over life fraction, edited where it is seen. */
const props = withDefaults(
  defineProps<{
    keys: Key[]
    label: string
    most: number
    least?: number
    unit?: string
    /** The keys before, as a ghost. */
    base?: Key[]
    /** Whether the curve stands instead of what was born; absent where it cannot. */
    replaces?: boolean
    /** What the lane runs along. */
    over?: string
  }>(),
  { least: 0, unit: '×', base: undefined, replaces: undefined, over: 'life' },
)
const emit = defineEmits<{ draft: [keys: Key[]]; commit: [keys: Key[]]; replace: [on: boolean] }>()

const chosen = ref<number>()
const svg = ref<SVGSVGElement>()
const scale = computed(() => lane.scaleOf(props.least, props.keys, props.base))
const short = (value: number) => showNumber(Number(value.toPrecision(3)))
const up = (value: number) => lane.y(value, scale.value)
const path = computed(() => lane.line(props.keys, scale.value))
const ghost = computed(() =>
  props.base && JSON.stringify(props.base) !== JSON.stringify(props.keys)
    ? lane.line(props.base, scale.value)
    : '',
)
const send = (keys: Key[], save: boolean) => (save ? emit('commit', keys) : emit('draft', keys))
const to = (i: number, at: number, value: number) =>
  lane.moved(props.keys, i, at, value, props.least, props.most)

function setShape(name: string) {
  chosen.value = undefined
  emit('commit', lane.shaped(props.keys, name))
}

// While a key is dragged the scale stays, so that it follows the pointer.
let frozen: lane.Scale | undefined
let moving: Key[] | undefined
function point(event: PointerEvent | MouseEvent) {
  const box = svg.value!.getBoundingClientRect()
  return lane.placed(
    ((event.clientX - box.left) / box.width) * lane.WIDTH,
    ((event.clientY - box.top) / box.height) * lane.HEIGHT,
    frozen ?? scale.value,
  )
}
function grab(event: PointerEvent, i: number) {
  chosen.value = i
  frozen = { ...scale.value }
  moving = lane.copied(props.keys)
  ;(event.target as Element).setPointerCapture(event.pointerId)
}
function move(event: PointerEvent, i: number) {
  if (!moving) return
  const p = point(event)
  moving = to(i, p.at, p.value)
  emit('draft', moving)
}
function drop() {
  if (moving) emit('commit', moving)
  moving = undefined
  frozen = undefined
}
function add(event: MouseEvent) {
  const p = point(event)
  put(p.at, p.value)
}

/** A press on the line adds a key there; beside it, a second press does. */
const NEAR = 7
function press(event: MouseEvent) {
  const box = svg.value!.getBoundingClientRect()
  const at = lane.placed(((event.clientX - box.left) / box.width) * lane.WIDTH, 0, scale.value).at
  const there = (up(lane.valueAt(props.keys, at)) / lane.HEIGHT) * box.height
  if (Math.abs(event.clientY - box.top - there) <= NEAR) put(at, lane.valueAt(props.keys, at))
}
function put(at: number, value: number) {
  const next = lane.withKey(props.keys, at, value, props.least, props.most)
  if (!next) return
  chosen.value = next.findIndex((k) => k.at === at)
  emit('commit', next)
}
/** A key more in the middle of the widest gap, on the line. */
function more() {
  const at = lane.widest(props.keys)
  put(at, lane.valueAt(props.keys, at))
}
/** How many steps the lane is to be held in, while that is asked. */
const stepping = ref(0)
function makeSteps() {
  emit('commit', lane.stepped(props.keys, stepping.value))
  stepping.value = 0
  chosen.value = undefined
}
function act(what: LaneAct) {
  if (what === 'add') more()
  else if (what === 'steps') stepping.value = 10
  else if (what === 'copy') laid.value = lane.copied(props.keys)
  else if (what === 'paste' && laid.value) {
    chosen.value = undefined
    emit('commit', lane.within(laid.value, props.least, props.most))
  }
}

function key(event: KeyboardEvent, i: number) {
  const k = props.keys[i]
  const by = lane.nudge(event, scale.value.span)
  event.stopPropagation()
  if (by) {
    event.preventDefault()
    emit('commit', to(i, k.at + by[0], k.value + by[1]))
  } else if ((event.key === 'Delete' || event.key === 'Backspace') && props.keys.length > 1) {
    emit(
      'commit',
      lane.copied(props.keys).filter((_, j) => j !== i),
    )
    chosen.value = undefined
  } else if (event.key === 'Escape') {
    chosen.value = undefined
  }
}

function edit(part: 'at' | 'value', value: number, save: boolean) {
  const i = chosen.value!
  const k = props.keys[i]
  send(to(i, part === 'at' ? value / 100 : k.at, part === 'value' ? value : k.value), save)
}
const setEase = (name: string) => emit('commit', lane.eased(props.keys, chosen.value!, name))
function setPart(change: (key: Key) => void, save: boolean) {
  const next = lane.copied(props.keys)
  change(next[chosen.value!])
  send(next, save)
}
/** The fields of a key are there while something of the lane has the focus. */
function leave(event: FocusEvent) {
  const next = event.relatedTarget as Node | null
  if (!moving && next && !(event.currentTarget as Element).contains(next)) chosen.value = undefined
}
function giveBack() {
  if (!ghost.value) return
  chosen.value = undefined
  emit('commit', lane.copied(props.base!))
}
</script>

<template>
  <div class="lane" @keydown.f2.stop.prevent="giveBack" @focusout="leave">
    <span class="name">
      <span class="quiet"
        >{{ label }} <LaneActs :label="label" what="key" :pastes="!!laid" @act="act"
      /></span>
      <el-button
        link
        v-if="replaces !== undefined"
        class="mode"
        :class="{ replaces }"
        :aria-label="`${label} ${replaces ? 'replaces what was born' : 'multiplies what was born'}; press to change`"
        :title="
          replaces
            ? 'Stands instead of what each was born with. Press to multiply it.'
            : 'Multiplies what each was born with. Press to replace it.'
        "
        @click="emit('replace', !replaces)"
      >
        {{ replaces ? 'replaces' : 'multiplies' }}
      </el-button>
      <slot name="clock" />
    </span>
    <div class="box">
      <svg
        ref="svg"
        :viewBox="`0 0 ${lane.WIDTH} ${lane.HEIGHT}`"
        preserveAspectRatio="none"
        @click="press"
        @dblclick="add"
      >
        <title>{{ label }} over {{ over }}; a press on the line adds a key</title>
        <path v-for="q in [0.25, 0.5, 0.75]" :key="q" class="grid" :d="`M${lane.x(q)} 0V${lane.HEIGHT}`" />
        <path class="area" :d="`${path}L${lane.x(1)} ${up(0)}L${lane.x(0)} ${up(0)}Z`" />
        <path v-if="ghost" class="ghostline" :d="ghost" />
        <path class="curve" :d="path" />
      </svg>
      <span class="scale" aria-hidden="true"
        ><span>{{ short(scale.low + scale.span) }}</span
        ><span>{{ short(scale.low) }}</span></span
      >
      <button
        v-for="(k, i) in keys"
        :key="i"
        class="key"
        :class="{ chosen: chosen === i }"
        :style="{
          left: (lane.x(k.at) / lane.WIDTH) * 100 + '%',
          top: (up(k.value) / lane.HEIGHT) * 100 + '%',
        }"
        :aria-label="`${label} key at ${Math.round(k.at * 100)} % is ${k.value}; arrows move, Delete removes`"
        @pointerdown="grab($event, i)"
        @pointermove="move($event, i)"
        @pointerup="drop"
        @pointercancel="drop"
        @focus="chosen = i"
        @keydown="key($event, i)"
      />
    </div>
    <div class="clockrow"><slot name="row" /></div>
    <form v-if="stepping" class="exact" @submit.prevent="makeSteps">
      <span class="quiet">held in</span>
      <NumberField
        :value="stepping"
        :label="`${label} lane, steps`"
        unit="steps"
        kind="whole"
        :step="1"
        :least="2"
        :most="lane.MOST_KEYS"
        @draft="stepping = $event"
        @commit="stepping = $event"
      />
      <el-button link class="link" native-type="submit">make them</el-button>
    </form>
    <div v-if="chosen !== undefined && keys[chosen]" class="exact">
      <NumberField
        :value="Math.round(keys[chosen].at * 1000) / 10"
        :label="`${label} key, at`"
        unit="%"
        :step="1"
        :least="0"
        :most="100"
        @draft="edit('at', $event, false)"
        @commit="edit('at', $event, true)"
      />
      <NumberField
        :value="keys[chosen].value"
        :label="`${label} key, value`"
        :unit="unit"
        :step="0.05"
        :least="least"
        :most="most"
        @draft="edit('value', $event, false)"
        @commit="edit('value', $event, true)"
      />
      <EaseField
        v-if="chosen < keys.length - 1"
        :ease="keys[chosen].ease"
        :label="label"
        @choose="setEase"
        @part="setPart"
      />
      <Choice class="shape" value="" :label="`${label}, ready-made course`" @choose="setShape($event)">
        <option value="" disabled>course…</option>
        <option v-for="(_, name) in lane.SHAPES" :key="name">{{ name }}</option>
      </Choice>
    </div>
  </div>
</template>

<style scoped>
.lane {
  display: grid;
  grid-template-columns: 72px minmax(0, 1fr);
  align-items: center;
}
.scale {
  position: absolute;
  inset: 0 100% 0 auto;
  padding-right: 3px;
  display: flex;
  flex-direction: column;
  justify-content: space-between;
  text-align: right;
  font-size: 10px;
  line-height: 12px;
  color: var(--muted);
  pointer-events: none;
}
.acts {
  line-height: 12px;
}
.box {
  user-select: none;
  position: relative;
  height: 52px;
  border: 1px solid var(--line);
  background: #fff;
  border-radius: 3px;
}
svg {
  width: 100%;
  height: 100%;
  display: block;
}
.grid {
  stroke: var(--line);
  vector-effect: non-scaling-stroke;
}
.area {
  fill: var(--bronze-pale);
}
.curve {
  fill: none;
  stroke: var(--bronze);
  stroke-width: 1.8;
  vector-effect: non-scaling-stroke;
}
.key {
  position: absolute;
  width: 24px;
  height: 24px;
  margin: -12px 0 0 -12px;
  display: grid;
  place-items: center;
  cursor: grab;
  touch-action: none;
}
.key::before {
  content: '';
  width: 8px;
  height: 8px;
  border-radius: 50%;
  background: var(--bronze);
  border: 1.5px solid #fff;
}
.key.chosen::before {
  width: 11px;
  height: 11px;
  background: var(--ink);
}
.name {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
}
.mode {
  font-size: 11px;
  color: var(--muted);
  border-bottom: 1px dotted var(--bronze-soft);
  min-height: 24px;
}
.mode.replaces {
  color: var(--bronze);
  font-weight: 600;
}
.ghostline {
  fill: none;
  stroke: var(--bronze-soft);
  stroke-width: 1.4;
  stroke-dasharray: 4 3;
  vector-effect: non-scaling-stroke;
}
.exact {
  grid-column: 2;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: baseline;
  padding: 3px 0 2px;
}
.clockrow {
  grid-column: 2;
  justify-self: end;
}
.clockrow:empty {
  display: none;
}
</style>
