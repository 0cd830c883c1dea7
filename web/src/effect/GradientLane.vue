<script setup lang="ts">
import { mostOf } from '../common/settings'
import { computed, ref } from 'vue'
import type { Stop } from '../api/bundle'
import NumberField from '../common/NumberField.vue'
import { rounded } from '../common/numberText'
import ColourField from './ColourField.vue'
import LaneActs, { type LaneAct } from './LaneActs.vue'
import { laidColours } from './laid'

/** Colours over a fraction, each with its opacity; between them light is mixed, not numbers. */
const props = defineProps<{ stops: Stop[]; label: string; base?: Stop[] }>()
const emit = defineEmits<{ draft: [stops: Stop[]]; commit: [stops: Stop[]] }>()

const MOST_STOPS = mostOf('Gradient')
const chosen = ref<number>()
const bar = ref<HTMLElement>()
const paint = (stops: Stop[]) =>
  `linear-gradient(to right in srgb-linear, ${stops
    .map((s) => `${s.colour} ${s.at * 100}%`)
    .concat(stops.length === 1 ? [`${stops[0].colour} 100%`] : [])
    .join(', ')})`
const background = computed(() => paint(props.stops))
const copy = () => props.stops.map((s) => ({ ...s }))

function held(stops: Stop[], i: number, at: number): Stop[] {
  const least = i > 0 ? stops[i - 1].at + 0.001 : 0
  const most = i < stops.length - 1 ? stops[i + 1].at - 0.001 : 1
  stops[i].at = rounded(Math.min(most, Math.max(least, at)))
  return stops
}
function fraction(event: MouseEvent) {
  const box = bar.value!.getBoundingClientRect()
  return Math.round(Math.min(1, Math.max(0, (event.clientX - box.left) / box.width)) * 100) / 100
}
const add = (event: MouseEvent) => put(fraction(event))
function put(at: number) {
  if (props.stops.length >= MOST_STOPS || props.stops.some((s) => Math.abs(s.at - at) < 0.01)) return
  const nearest = [...props.stops].sort((a, b) => Math.abs(a.at - at) - Math.abs(b.at - at))[0]
  const next = [...copy(), { at, colour: nearest.colour }].sort((a, b) => a.at - b.at)
  chosen.value = next.findIndex((s) => s.at === at)
  emit('commit', next)
}
/** A colour more in the middle of the widest gap. */
function more() {
  const ends = [...new Set([0, ...props.stops.map((s) => s.at), 1])]
  const gaps = ends.slice(1).map((at, i) => ({ from: ends[i], wide: at - ends[i] }))
  const widest = gaps.reduce((a, b) => (b.wide > a.wide ? b : a))
  put(rounded(Math.round((widest.from + widest.wide / 2) * 100) / 100))
}
function act(what: LaneAct) {
  if (what === 'add') more()
  else if (what === 'copy') laidColours.value = copy()
  else if (laidColours.value) {
    chosen.value = undefined
    emit(
      'commit',
      laidColours.value.map((s) => ({ ...s })),
    )
  }
}
let moving: Stop[] | undefined
function grab(event: PointerEvent, i: number) {
  chosen.value = i
  moving = copy()
  ;(event.target as Element).setPointerCapture(event.pointerId)
}
function move(event: PointerEvent, i: number) {
  if (!moving) return
  moving = held(copy(), i, fraction(event))
  emit('draft', moving)
}
function drop() {
  if (moving) emit('commit', moving)
  moving = undefined
}
function key(event: KeyboardEvent, i: number) {
  event.stopPropagation()
  const step = event.shiftKey ? 0.1 : event.altKey ? 0.001 : 0.01
  if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') {
    event.preventDefault()
    emit('commit', held(copy(), i, props.stops[i].at + (event.key === 'ArrowLeft' ? -step : step)))
  } else if (event.key === 'Delete' || event.key === 'Backspace') {
    take(i)
  }
}
/** The fields of a key are there while something of the lane has the focus. */
function leave(event: FocusEvent) {
  const next = event.relatedTarget as Node | null
  if (!moving && next && !(event.currentTarget as Element).contains(next)) chosen.value = undefined
}
function giveBack() {
  if (!props.base) return
  chosen.value = undefined
  emit(
    'commit',
    props.base.map((s) => ({ ...s })),
  )
}
function take(i: number) {
  if (props.stops.length < 2) return
  chosen.value = undefined
  emit(
    'commit',
    copy().filter((_, j) => j !== i),
  )
}
function setAt(value: number, save: boolean) {
  const next = held(copy(), chosen.value!, value / 100)
  if (save) emit('commit', next)
  else emit('draft', next)
}
function setColour(value: string, save: boolean) {
  const next = copy()
  next[chosen.value!].colour = value
  if (save) emit('commit', next)
  else emit('draft', next)
}
</script>

<template>
  <div class="lane" @keydown.f2.stop.prevent="giveBack" @focusout="leave">
    <span class="name"
      ><span class="quiet"
        >{{ label }}
        <LaneActs
          :label="label"
          what="colour"
          :pastes="!!laidColours"
          :full="stops.length >= MOST_STOPS"
          @act="act" /></span
      ><slot name="clock"
    /></span>
    <div class="box">
      <div v-if="base" class="bar base" :style="{ background: paint(base) }" aria-hidden="true" />
      <div ref="bar" class="bar" :style="{ background }" title="Double-click adds a colour" @dblclick="add" />
      <button
        v-for="(s, i) in stops"
        :key="i"
        class="stop"
        :class="{ chosen: chosen === i }"
        :style="{ left: `calc(6px + ${s.at} * (100% - 12px))` }"
        :aria-label="`${label}, colour at ${Math.round(s.at * 100)} % is ${s.colour}; arrows move, Delete removes`"
        @pointerdown="grab($event, i)"
        @pointermove="move($event, i)"
        @pointerup="drop"
        @pointercancel="drop"
        @focus="chosen = i"
        @keydown="key($event, i)"
      />
    </div>
    <div class="clockrow"><slot name="row" /></div>
    <div v-if="chosen !== undefined && stops[chosen]" class="exact">
      <NumberField
        :value="Math.round(stops[chosen].at * 1000) / 10"
        :label="`${label} colour, at`"
        unit="%"
        :step="1"
        :least="0"
        :most="100"
        @draft="setAt($event, false)"
        @commit="setAt($event, true)"
      />
      <ColourField
        :value="stops[chosen].colour"
        :label="`${label} colour ${chosen + 1}`"
        @draft="setColour($event, false)"
        @commit="setColour($event, true)"
      />
      <el-button link v-if="stops.length > 1" class="link" @click="take(chosen)">remove</el-button>
    </div>
  </div>
</template>

<style scoped>
.lane {
  display: grid;
  grid-template-columns: 72px minmax(0, 1fr);
  align-items: center;
}
.box {
  position: relative;
  height: 34px;
  border: 1px solid var(--line);
  background: #fff;
  border-radius: 3px;
  padding: 5px 6px 11px;
}
.bar {
  height: 16px;
  border-radius: 2px;
  box-shadow: inset 0 0 0 1px rgba(36, 34, 30, 0.12);
}
.base {
  position: absolute;
  left: 6px;
  right: 6px;
  bottom: 2px;
  height: 4px;
  opacity: 0.7;
}
.stop {
  position: absolute;
  bottom: -4px;
  width: 24px;
  height: 24px;
  margin-left: -12px;
  display: grid;
  place-items: center;
  touch-action: none;
  cursor: grab;
}
.stop::before {
  content: '';
  width: 4px;
  height: 12px;
  background: var(--ink);
  border: 1px solid #fff;
}
.stop.chosen::before {
  background: var(--bronze);
  width: 6px;
}
.exact {
  grid-column: 2;
  display: flex;
  gap: 12px;
  align-items: center;
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
