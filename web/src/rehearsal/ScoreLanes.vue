<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import type { RehearsalView } from '../api/client'
import type { Lane, Mark, Score } from '../api/bundle'
import { useWidth } from '../common/useWidth'
import { apart, shownMarks, type Shown } from './marks'
import { laneWords, moved, ticks } from './score'

/**
 * The score: a lane for each event, with what arrived. Marks of one's own can be dragged, added and deleted; what a rule
 * wrote is only shown. Everything stands on one axis of seconds with the charts below.
 */
const props = defineProps<{
  score: Score
  played?: RehearsalView
  /** Seconds on the axis. */
  length: number
  /** The moment that is looked at. */
  at: number
  /** Id of the lane that is open; 0 for none. */
  open: number
}>()
const emit = defineEmits<{
  open: [lane: number]
  seek: [seconds: number]
  change: [lane: Lane, save: boolean]
  /** A mark that was played leads to its account. */
  lead: [pull: number, at: number]
}>()

/** A mark is no narrower than this, px. */
const LEAST = 3
const NUDGE = 0.1

const room = ref<HTMLElement>()
const width = useWidth(room)

const on = (seconds: number) => (seconds / props.length) * width.value
const secondsAt = (event: MouseEvent) => {
  const { left } = room.value!.getBoundingClientRect()
  return Math.min(props.length, Math.max(0, ((event.clientX - left) / width.value) * props.length))
}

/** The mark of each lane that the keyboard is at. */
const reached = reactive(new Map<number, number>())
const reachOf = (lane: Lane, count: number) => Math.min(reached.get(lane.id) ?? 0, count - 1)
const pixels = computed(() => width.value / props.length)
const rows = computed(() =>
  props.score.lanes.map((lane) => {
    const all = shownMarks(lane, props.played)
    return {
      lane,
      own: lane.when.kind === 'marks' ? lane.when.marks : undefined,
      all,
      // The one that the keyboard is at is drawn in any case.
      marks: apart(all, pixels.value, reachOf(lane, all.length)),
      words: [lane.subject, laneWords(lane, props.score.lanes)].filter(Boolean).join(', '),
    }
  }),
)
const wide = (m: Shown) => on(m.lasts)
const sort = (m: Shown) => ({
  bar: wide(m) > LEAST,
  silent: m.answered === 0,
  refused: m.answered !== undefined && m.answered < 0,
})
const axis = computed(() => ticks(props.length))

let dragged: { lane: Lane; index: number; from: number; marks: Mark[] } | undefined
function down(event: PointerEvent, lane: Lane, index: number) {
  if (lane.when.kind !== 'marks') return
  reached.set(lane.id, index)
  dragged = { lane, index, from: secondsAt(event) - lane.when.marks[index].at, marks: lane.when.marks }
  ;(event.target as Element).setPointerCapture(event.pointerId)
}
function move(event: PointerEvent, save: boolean) {
  if (!dragged) return
  const { lane, index, from, marks } = dragged
  const next = moved(marks, index, secondsAt(event) - from, props.score.seconds)
  if (save) dragged = undefined
  emit('change', { ...lane, when: { kind: 'marks', marks: next } }, save)
}
// What the system took away stays where it was.
function cancel() {
  if (!dragged) return
  const { lane, marks } = dragged
  dragged = undefined
  emit('change', { ...lane, when: { kind: 'marks', marks } }, true)
}
function marksOf(lane: Lane, marks: Mark[]) {
  emit('change', { ...lane, when: { kind: 'marks', marks } }, true)
}
function add(event: MouseEvent, lane: Lane) {
  if (lane.when.kind !== 'marks') return
  const at = Math.round(Math.min(props.score.seconds, secondsAt(event)) * 100) / 100
  marksOf(
    lane,
    [...lane.when.marks, { at }].sort((a, b) => a.at - b.at),
  )
}
function lead(mark: Shown | undefined) {
  if (mark?.pull) emit('lead', mark.pull, mark.at)
}
// What a rule wrote is only gone through.
function through(event: KeyboardEvent, lane: Lane, all: Shown[]) {
  const index = reachOf(lane, all.length)
  const go = { ArrowLeft: -1, ArrowUp: -1, ArrowRight: 1, ArrowDown: 1, Home: -all.length, End: all.length }[
    event.key
  ]
  if (go) reached.set(lane.id, Math.min(all.length - 1, Math.max(0, index + go)))
  else if (event.key === 'Enter' || event.key === 'o') lead(all[index])
  else return
  event.preventDefault()
  event.stopPropagation()
}
function key(event: KeyboardEvent, lane: Lane, all: Shown[]) {
  if (event.ctrlKey || event.metaKey || event.altKey) return
  if (lane.when.kind !== 'marks') return through(event, lane, all)
  const { marks } = lane.when
  const index = reachOf(lane, marks.length)
  const mark = marks[index]
  const by = { ArrowLeft: -NUDGE, ArrowRight: NUDGE }[event.key]
  const go = { ArrowUp: -1, ArrowDown: 1 }[event.key]
  if (event.key === 'Enter') {
    const at = Math.round(Math.min(props.score.seconds, props.at) * 100) / 100
    marksOf(lane, [...marks, { at }])
    reached.set(lane.id, marks.length)
  } else if (!mark) return
  else if (event.key === 'o') lead(all[index])
  else if (go) reached.set(lane.id, Math.min(marks.length - 1, Math.max(0, index + go)))
  else if (by)
    marksOf(lane, moved(marks, index, mark.at + by * (event.shiftKey ? 10 : 1), props.score.seconds))
  else if (event.key === 'Delete' || event.key === 'Backspace')
    marksOf(
      lane,
      marks.filter((_, i) => i !== index),
    )
  else if (event.key === 'd') {
    marksOf(lane, [...marks, { ...mark, at: Math.min(props.score.seconds, mark.at + 1) }])
    reached.set(lane.id, marks.length)
  } else return
  event.preventDefault()
  event.stopPropagation()
}
function told(lane: Lane, all: Shown[], own?: Mark[]) {
  const index = reachOf(lane, all.length)
  const mark = all[index]
  if (!mark) return 'no mark; Enter adds one'
  const answers =
    mark.answered === undefined
      ? ''
      : mark.answered < 0
        ? ', refused'
        : mark.answered === 0
          ? ', unanswered'
          : `, answered by ${mark.answered}`
  const words = own ? said(own[index]) : ''
  return `${Number(mark.at.toFixed(3))} s${words && ` ${words}`}${answers}, ${index + 1} of ${all.length}`
}
const said = (m: Mark) =>
  [m.value, ...Object.values(m.payload ?? {})].filter((v) => v !== undefined).join(' ')
</script>

<template>
  <div class="score" role="group" aria-label="Score">
    <div class="names">
      <div class="ruler" />
      <div
        v-for="r in rows"
        :key="r.lane.id"
        class="name"
        :class="{ open: r.lane.id === open, muted: r.lane.muted }"
      >
        <button
          class="lane"
          :aria-expanded="r.lane.id === open"
          :title="`${r.lane.event}: ${r.words}`"
          @click="emit('open', r.lane.id === open ? 0 : r.lane.id)"
        >
          <b>{{ r.lane.event }}</b>
          <span class="quiet">{{ r.words }}</span>
        </button>
        <button
          class="mute small"
          :aria-pressed="!!r.lane.muted"
          :aria-label="`Mute ${r.lane.event}`"
          @click="emit('change', { ...r.lane, muted: r.lane.muted ? undefined : true }, true)"
        >
          mute
        </button>
      </div>
    </div>
    <div ref="room" class="time">
      <svg class="ruler" :width="width" height="20" @click="emit('seek', secondsAt($event))">
        <g v-for="t in axis" :key="t" :transform="`translate(${on(t)} 0)`">
          <line y1="14" y2="20" />
          <text y="11" :text-anchor="t === 0 ? 'start' : on(t) > width - 20 ? 'end' : 'middle'">
            {{ t }} s
          </text>
        </g>
      </svg>
      <div
        v-for="r in rows"
        :key="r.lane.id"
        class="marks"
        :class="{ open: r.lane.id === open, muted: r.lane.muted, own: r.own }"
        :data-lane="r.lane.id"
        @dblclick="add($event, r.lane)"
      >
        <div
          v-if="r.own || r.all.length"
          class="hand"
          role="slider"
          tabindex="0"
          :aria-label="`Marks of ${r.lane.event}`"
          aria-valuemin="0"
          :aria-valuemax="Math.max(0, r.all.length - 1)"
          :aria-valuenow="Math.max(0, reachOf(r.lane, r.all.length))"
          :aria-valuetext="told(r.lane, r.all, r.own)"
          @keydown="key($event, r.lane, r.all)"
        >
          <template v-if="r.own">
            <i
              v-for="m in r.marks"
              :key="m.index"
              class="mark"
              :class="[sort(m), { at: m.index === reachOf(r.lane, r.all.length) }]"
              :style="{ left: `${on(m.at)}px`, width: `${Math.max(LEAST, wide(m))}px` }"
              :title="`${m.at} s ${said(r.own[m.index])}`"
              @pointerdown="down($event, r.lane, m.index)"
              @pointermove="move($event, false)"
              @pointerup="move($event, true)"
              @pointercancel="cancel"
              @click="lead(m)"
            />
          </template>
          <svg v-else :width="width" height="24" aria-hidden="true">
            <rect
              v-for="m in r.marks"
              :key="m.index"
              :x="on(m.at)"
              :width="Math.max(LEAST - 1, wide(m))"
              :y="wide(m) > LEAST ? 7 : 4"
              :height="wide(m) > LEAST ? 10 : 16"
              :class="[sort(m), { at: m.index === reachOf(r.lane, r.all.length) }]"
              @click="(reached.set(r.lane.id, m.index), lead(m))"
            />
          </svg>
        </div>
      </div>
      <div class="now" :style="{ left: `${on(at)}px` }" />
      <div v-if="score.seconds < length" class="after" :style="{ left: `${on(score.seconds)}px` }" />
    </div>
  </div>
</template>

<style scoped src="./lanes.css"></style>
<style scoped>
.name {
  height: 24px;
}
.lane {
  height: 100%;
}
.ruler {
  height: 20px;
  display: block;
  cursor: pointer;
}
.ruler line {
  stroke: var(--line);
}
.ruler text {
  font-size: 11px;
  fill: var(--muted);
}
.open {
  background: var(--bronze-pale);
}
.muted {
  opacity: 0.75;
}
.muted b {
  text-decoration: line-through;
}
.mute[aria-pressed='true'] {
  color: var(--vermilion);
  font-weight: 600;
}
.marks {
  position: relative;
  height: 24px;
  border-top: 1px solid var(--line);
}
.marks svg {
  display: block;
}
.own .hand {
  cursor: copy;
}
.hand {
  height: 100%;
}
.hand:focus-visible .mark.at {
  outline: 2px solid var(--ink);
}
.hand:focus-visible rect.at {
  stroke: var(--ink);
  stroke-width: 2px;
}
/* A thin mark is easier to take hold of than it is wide. */
.mark::after {
  content: '';
  position: absolute;
  inset: -3px -5px;
}
.mark {
  position: absolute;
  top: 3px;
  height: 18px;
  background: var(--bronze);
  border-radius: 2px;
  cursor: ew-resize;
  touch-action: none;
  outline-offset: 1px;
}
.mark.bar {
  top: 6px;
  height: 11px;
}
rect {
  fill: var(--verdigris);
  cursor: pointer;
}
.silent {
  fill: var(--card);
  background: var(--card);
  stroke: var(--muted);
  border: 1px solid var(--muted);
}
.refused {
  fill: var(--vermilion);
  background: var(--vermilion);
}
.after {
  position: absolute;
  top: 20px;
  bottom: 0;
  right: 0;
  background: var(--paper);
  opacity: 0.6;
  border-left: 1px dashed var(--bronze-soft);
  pointer-events: none;
}
</style>
