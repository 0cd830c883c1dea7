<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import type { Channel, Channelled, Score } from '../api/bundle'
import Choice from '../common/Choice.vue'
import { showNumber } from '../common/numberText'
import { useWidth } from '../common/useWidth'
import { useProject } from '../project/useProject'
import { bent, pathOf, pointed, spanOf, valueAt } from './channelLine'

/** What channels carry over the score, as lines on its axis: a double press adds a point, a point is dragged, or moved by keys. */
const props = defineProps<{
  score: Score
  /** Seconds on the axis. */
  length: number
  at: number
}>()
const emit = defineEmits<{ change: [channels: Channelled[], save: boolean] }>()
const project = useProject()

const HEIGHT = 40
const EDGE = 6
const room = ref<HTMLElement>()
const width = useWidth(room)

const declared = (name: string): Channel | undefined =>
  project.channels.find((c) => c.body.name === name)?.body
const on = (seconds: number) => (seconds / props.length) * width.value
const reached = reactive(new Map<string, number>())
const rows = computed(() =>
  (props.score.channels ?? []).map((one) => {
    const { low, high } = spanOf(one.points, declared(one.channel)?.range as number[] | undefined)
    const y = (value: number) => HEIGHT - EDGE - ((value - low) / (high - low)) * (HEIGHT - 2 * EDGE)
    const valueOf = (top: number) =>
      Math.min(high, Math.max(low, low + ((HEIGHT - EDGE - top) / (HEIGHT - 2 * EDGE)) * (high - low)))
    const unit = declared(one.channel)?.unit ?? ''
    return {
      one,
      y,
      valueOf,
      low,
      high,
      path: pathOf(one.points, props.length, on, y),
      index: Math.min(reached.get(one.channel) ?? 0, one.points.length - 1),
      words: `${showNumber(low)} to ${showNumber(high)}${unit && ` ${unit}`}`,
      unit,
    }
  }),
)
type Row = (typeof rows.value)[number]
/** Channels that are not drawn yet. */
const others = computed(() =>
  project.channels.map((c) => c.body).filter((c) => !rows.value.some((r) => r.one.channel === c.name)),
)

function set(row: Row, points: Channelled['points'], save = true) {
  const channels = (props.score.channels ?? []).map((c) =>
    c.channel === row.one.channel ? { ...c, points } : c,
  )
  emit('change', channels, save)
}
function addChannel(name: string) {
  const channel = declared(name)
  if (!channel) return
  const value = channel.usual ?? channel.range[0]
  emit('change', [...(props.score.channels ?? []), { channel: name, points: [{ at: 0, value }] }], true)
}
function remove(row: Row) {
  emit(
    'change',
    (props.score.channels ?? []).filter((c) => c.channel !== row.one.channel),
    true,
  )
}

function place(event: MouseEvent, row: Row) {
  const lane = (event.currentTarget as Element).closest('.line')!.getBoundingClientRect()
  const at = Math.min(
    props.score.seconds,
    Math.max(0, ((event.clientX - lane.left) / width.value) * props.length),
  )
  return { at, value: row.valueOf(event.clientY - lane.top) }
}
function add(event: MouseEvent, row: Row) {
  const { at, value } = place(event, row)
  take(row, at, value)
}
function take(row: Row, at: number, value: number) {
  const { points, index } = pointed(row.one.points, at, value)
  reached.set(row.one.channel, index)
  if (points !== row.one.points) set(row, points)
}

let dragged: { channel: string; index: number; points: Channelled['points'] } | undefined
function down(event: PointerEvent, row: Row, index: number) {
  reached.set(row.one.channel, index)
  dragged = { channel: row.one.channel, index, points: row.one.points }
  ;(event.target as Element).setPointerCapture(event.pointerId)
}
function move(event: PointerEvent, row: Row, save: boolean) {
  if (dragged?.channel !== row.one.channel) return
  const next = bent(dragged.points, dragged.index, place(event, row), props.score.seconds)
  if (save) dragged = undefined
  set(row, next, save)
}
function cancel(row: Row) {
  if (!dragged) return
  set(row, dragged.points)
  dragged = undefined
}

function key(event: KeyboardEvent, row: Row) {
  const { points } = row.one
  const point = points[row.index]
  const far = event.shiftKey ? 10 : 1
  const step = ((row.high - row.low) / 100) * far
  const by: Record<string, [number, number]> = {
    ArrowLeft: [-0.1 * far, 0],
    ArrowRight: [0.1 * far, 0],
    ArrowUp: [0, step],
    ArrowDown: [0, -step],
  }
  if (by[event.key]) {
    const [later, more] = by[event.key]
    set(
      row,
      bent(points, row.index, { at: point.at + later, value: point.value + more }, props.score.seconds),
    )
  } else if (event.key === 'PageUp' || event.key === 'PageDown') {
    const next = row.index + (event.key === 'PageUp' ? -1 : 1)
    reached.set(row.one.channel, Math.min(points.length - 1, Math.max(0, next)))
  } else if (event.key === 'Enter') {
    take(row, Math.min(props.score.seconds, props.at), valueAt(points, props.at))
  } else if ((event.key === 'Delete' || event.key === 'Backspace') && points.length > 1) {
    set(
      row,
      points.filter((_, i) => i !== row.index),
    )
  } else return
  event.preventDefault()
  event.stopPropagation()
}
const told = (row: Row) => {
  const point = row.one.points[row.index]
  return `${showNumber(point.value)} ${row.unit} at ${point.at} s, ${row.index + 1} of ${row.one.points.length}`
}
</script>

<template>
  <div class="channels" role="group" aria-label="Channels">
    <div class="names">
      <div v-for="r in rows" :key="r.one.channel" class="name">
        <span class="lane"
          ><b>{{ r.one.channel }}</b> <span class="quiet">{{ r.words }}</span></span
        >
        <button class="remove small" :aria-label="`Delete the line of ${r.one.channel}`" @click="remove(r)">
          delete
        </button>
      </div>
    </div>
    <div ref="room" class="time">
      <div
        v-for="r in rows"
        :key="r.one.channel"
        class="line"
        role="slider"
        tabindex="0"
        :aria-label="`Points of ${r.one.channel}`"
        aria-valuemin="0"
        :aria-valuemax="r.one.points.length - 1"
        :aria-valuenow="r.index"
        :aria-valuetext="told(r)"
        title="A double press adds a point, Delete deletes it; PageUp and PageDown go from one to the next"
        @dblclick="add($event, r)"
        @keydown="key($event, r)"
      >
        <svg :width="width" :height="HEIGHT" aria-hidden="true">
          <path :d="r.path" />
          <circle
            v-for="(p, i) in r.one.points"
            :key="i"
            :class="{ at: i === r.index }"
            :cx="on(p.at)"
            :cy="r.y(p.value)"
            r="4"
            @pointerdown="down($event, r, i)"
            @pointermove="move($event, r, false)"
            @pointerup="move($event, r, true)"
            @pointercancel="cancel(r)"
            @dblclick.stop
          >
            <title>{{ p.at }} s: {{ showNumber(p.value) }} {{ r.unit }}</title>
          </circle>
        </svg>
      </div>
      <div v-if="rows.length" class="now" :style="{ left: `${on(at)}px` }" />
    </div>
  </div>
  <div v-if="others.length" class="add">
    <Choice label="Add a channel" value="" @choose="addChannel">
      <option value="" disabled>+ channel…</option>
      <option v-for="c in others" :key="c.name" :value="c.name">{{ c.name }}</option>
    </Choice>
  </div>
</template>

<style scoped src="./lanes.css"></style>
<style scoped>
.name {
  height: 41px;
}
.line {
  height: 41px;
  border-top: 1px solid var(--line);
  cursor: copy;
}
.line svg {
  display: block;
  overflow: visible;
}
path {
  fill: none;
  stroke: var(--bronze);
  stroke-width: 1.5;
}
circle {
  fill: var(--bronze);
  cursor: move;
  touch-action: none;
}
.line:focus-visible circle.at {
  stroke: var(--ink);
  stroke-width: 2;
}
.add {
  padding: 4px 14px;
}
</style>
