<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Ease, EaseName, Key } from '../api/bundle'
import NumberField from '../common/NumberField.vue'
import { rounded } from '../common/numberText'

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

const WIDTH = 240
const HEIGHT = 52
/** Above and below the curve, so that the handles of two lanes never overlap. */
const EDGE = 10
const EASES: EaseName[] = ['linear', 'ease', 'ease-in', 'ease-out', 'ease-in-out', 'hold']
const BEZIERS: Record<string, [number, number, number, number]> = {
  linear: [0, 0, 1, 1],
  ease: [0.25, 0.1, 0.25, 1],
  'ease-in': [0.42, 0, 1, 1],
  'ease-out': [0, 0, 0.58, 1],
  'ease-in-out': [0.42, 0, 0.58, 1],
}

const chosen = ref<number>()
const svg = ref<SVGSVGElement>()
const top = computed(() =>
  Math.max(props.least < 0 ? 0.001 : 1, ...values(props.keys), ...values(props.base)),
)
const bottom = computed(() => Math.min(0, ...values(props.keys), ...values(props.base)))
const values = (keys?: Key[]) => (keys ?? []).map((k) => k.value)

const x = (at: number) => 6 + at * (WIDTH - 12)
const span = () => top.value - bottom.value || 1
const y = (value: number) => HEIGHT - EDGE - ((value - bottom.value) / span()) * (HEIGHT - 2 * EDGE)

// The browser's own cubic draws the way between two keys: a CSS easing is a Bézier in time and progress, and a spline with
// slopes has its control points a third of the way along them.
function line(keys: Key[]): string {
  let d = `M${x(0)} ${y(keys[0].value)}L${x(keys[0].at)} ${y(keys[0].value)}`
  for (let i = 1; i < keys.length; i++) {
    const [a, b] = [keys[i - 1], keys[i]]
    const ease: Ease = a.ease ?? 'linear'
    if (ease === 'hold') {
      d += `H${x(b.at)}V${y(b.value)}`
      continue
    }
    const at = (s: number) => x(a.at + (b.at - a.at) * s)
    if (typeof ease === 'object' && 'out' in ease) {
      const third = (b.at - a.at) / 3
      d += `C${at(1 / 3)} ${y(a.value + ease.out * third)} ${at(2 / 3)} ${y(b.value - ease.in * third)} ${x(b.at)} ${y(b.value)}`
      continue
    }
    const [x1, y1, x2, y2] = Array.isArray(ease) ? ease : BEZIERS[ease as EaseName]
    const up = (s: number) => y(a.value + (b.value - a.value) * s)
    d += `C${at(x1)} ${up(y1)} ${at(x2)} ${up(y2)} ${x(b.at)} ${y(b.value)}`
  }
  return d + `L${x(1)} ${y(keys.at(-1)!.value)}`
}
const path = computed(() => line(props.keys))
const ghost = computed(() =>
  props.base && JSON.stringify(props.base) !== JSON.stringify(props.keys) ? line(props.base) : '',
)

/** Ready-made courses, scaled to the highest value the curve has. */
const SHAPES: Record<string, [number, number, EaseName?][]> = {
  even: [[0, 1]],
  'grow in': [
    [0, 0.1, 'ease-out'],
    [0.2, 1],
  ],
  'grow all along': [
    [0, 0.2],
    [1, 1],
  ],
  'shrink away': [
    [0, 1],
    [0.5, 1, 'ease-in'],
    [1, 0],
  ],
  'fade out': [
    [0, 1],
    [0.7, 1],
    [1, 0],
  ],
  'in and out': [
    [0, 0],
    [0.15, 1],
    [0.7, 1],
    [1, 0],
  ],
  flicker: [
    [0, 1, 'hold'],
    [0.2, 0.3, 'hold'],
    [0.35, 0.9, 'hold'],
    [0.6, 0.4, 'hold'],
    [0.8, 0.8],
    [1, 0],
  ],
}
function setShape(name: string) {
  const high = Math.max(...values(props.keys)) || 1
  chosen.value = undefined
  emit(
    'commit',
    SHAPES[name].map(([at, value, ease]) => ({ at, value: rounded(value * high), ease: ease ?? 'linear' })),
  )
}

const copy = () => props.keys.map((k) => ({ ...k }))

function held(keys: Key[], i: number, at: number, value: number): Key[] {
  const gap = 0.001
  const least = i > 0 ? keys[i - 1].at + gap : 0
  const most = i < keys.length - 1 ? keys[i + 1].at - gap : 1
  keys[i].at = rounded(Math.min(most, Math.max(least, at)))
  keys[i].value = rounded(Math.min(props.most, Math.max(props.least, value)))
  return keys
}

function point(event: PointerEvent | MouseEvent) {
  const box = svg.value!.getBoundingClientRect()
  const at = ((event.clientX - box.left) / box.width) * WIDTH
  const up = ((event.clientY - box.top) / box.height) * HEIGHT
  return {
    at: Math.round(Math.min(1, Math.max(0, (at - 6) / (WIDTH - 12))) * 100) / 100,
    value: Math.round((low() + ((HEIGHT - EDGE - up) / (HEIGHT - 2 * EDGE)) * scale()) * 100) / 100,
  }
}
// While a key is dragged the scale stays, so that it follows the pointer.
let frozen: { low: number; span: number } | undefined
const scale = () => frozen?.span ?? span()
const low = () => frozen?.low ?? bottom.value

let moving: Key[] | undefined
function grab(event: PointerEvent, i: number) {
  chosen.value = i
  frozen = { low: bottom.value, span: span() }
  moving = copy()
  ;(event.target as Element).setPointerCapture(event.pointerId)
}
function move(event: PointerEvent, i: number) {
  if (!moving) return
  const p = point(event)
  moving = held(copy(), i, p.at, p.value)
  emit('draft', moving)
}
function drop() {
  if (moving) emit('commit', moving)
  moving = undefined
  frozen = undefined
}

function add(event: MouseEvent) {
  const p = point(event)
  if (props.keys.some((k) => Math.abs(k.at - p.at) < 0.01) || props.keys.length >= 32) return
  const next = [
    ...copy(),
    { at: p.at, value: Math.min(props.most, p.value), ease: 'linear' as EaseName },
  ].sort((a, b) => a.at - b.at)
  chosen.value = next.findIndex((k) => k.at === p.at)
  emit('commit', next)
}

function key(event: KeyboardEvent, i: number) {
  const step = event.shiftKey ? 0.1 : event.altKey ? 0.001 : 0.01
  const k = props.keys[i]
  const moves: Record<string, [number, number]> = {
    ArrowLeft: [-step, 0],
    ArrowRight: [step, 0],
    ArrowUp: [0, step * span()],
    ArrowDown: [0, -step * span()],
  }
  event.stopPropagation()
  if (event.key in moves) {
    event.preventDefault()
    emit('commit', held(copy(), i, k.at + moves[event.key][0], k.value + moves[event.key][1]))
  } else if ((event.key === 'Delete' || event.key === 'Backspace') && props.keys.length > 1) {
    emit(
      'commit',
      copy().filter((_, j) => j !== i),
    )
    chosen.value = undefined
  } else if (event.key === 'Escape') {
    chosen.value = undefined
  }
}

function edit(part: 'at' | 'value', value: number, save: boolean) {
  const i = chosen.value!
  const k = props.keys[i]
  const next = held(copy(), i, part === 'at' ? value / 100 : k.at, part === 'value' ? value : k.value)
  if (save) emit('commit', next)
  else emit('draft', next)
}
function setEase(name: string) {
  const next = copy()
  const i = chosen.value!
  const slope = (next[i + 1].value - next[i].value) / (next[i + 1].at - next[i].at)
  next[i].ease =
    name === 'own Bézier'
      ? [0.25, 0.1, 0.25, 1]
      : name === 'slopes'
        ? { out: rounded(slope), in: rounded(slope) }
        : (name as EaseName)
  emit('commit', next)
}
/** The fields of a key are there while something of the lane has the focus. */
function leave(event: FocusEvent) {
  const next = event.relatedTarget as Node | null
  if (!moving && next && !(event.currentTarget as Element).contains(next)) chosen.value = undefined
}
function giveBack() {
  if (!ghost.value) return
  chosen.value = undefined
  emit('commit', JSON.parse(JSON.stringify(props.base)) as Key[])
}
const easeName = (ease: Ease | undefined) =>
  Array.isArray(ease) ? 'own Bézier' : typeof ease === 'object' ? 'slopes' : (ease ?? 'linear')
function setPart(change: (key: Key) => void, save: boolean) {
  const next = copy().map((k) => JSON.parse(JSON.stringify(k)) as Key)
  change(next[chosen.value!])
  if (save) emit('commit', next)
  else emit('draft', next)
}
</script>

<template>
  <div class="lane" @keydown.f2.stop.prevent="giveBack" @focusout="leave">
    <span class="name">
      <span class="quiet">{{ label }}</span>
      <button
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
      </button>
      <slot name="clock" />
    </span>
    <div class="box">
      <svg ref="svg" :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" preserveAspectRatio="none" @dblclick="add">
        <title>{{ label }} over {{ over }}; double-click adds a key</title>
        <path v-for="q in [0.25, 0.5, 0.75]" :key="q" class="grid" :d="`M${x(q)} 0V${HEIGHT}`" />
        <path class="area" :d="`${path}L${x(1)} ${y(0)}L${x(0)} ${y(0)}Z`" />
        <path v-if="ghost" class="ghostline" :d="ghost" />
        <path class="curve" :d="path" />
      </svg>
      <button
        v-for="(k, i) in keys"
        :key="i"
        class="key"
        :class="{ chosen: chosen === i }"
        :style="{ left: (x(k.at) / WIDTH) * 100 + '%', top: (y(k.value) / HEIGHT) * 100 + '%' }"
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
      <label v-if="chosen < keys.length - 1">
        <span class="quiet">then </span>
        <select
          :value="easeName(keys[chosen].ease)"
          :aria-label="`${label} key, ease`"
          @change="setEase(($event.target as HTMLSelectElement).value)"
          @keydown.stop
        >
          <option v-for="e in EASES" :key="e">{{ e }}</option>
          <option>own Bézier</option>
          <option>slopes</option>
        </select>
      </label>
      <template v-if="Array.isArray(keys[chosen].ease)">
        <NumberField
          v-for="(v, i) in keys[chosen].ease as number[]"
          :key="i"
          :value="v"
          :label="`${label} key, Bézier ${['x1', 'y1', 'x2', 'y2'][i]}`"
          unit=" "
          :step="0.05"
          :least="i % 2 ? -10 : 0"
          :most="i % 2 ? 10 : 1"
          @draft="(n) => setPart((k) => ((k.ease as number[])[i] = n), false)"
          @commit="(n) => setPart((k) => ((k.ease as number[])[i] = n), true)"
        />
      </template>
      <template v-else-if="typeof keys[chosen].ease === 'object'">
        <NumberField
          v-for="end in ['out', 'in'] as const"
          :key="end"
          :value="(keys[chosen].ease as { out: number; in: number })[end]"
          :label="`${label} key, slope ${end}`"
          :unit="end"
          @draft="(n) => setPart((k) => ((k.ease as { out: number; in: number })[end] = n), false)"
          @commit="(n) => setPart((k) => ((k.ease as { out: number; in: number })[end] = n), true)"
        />
      </template>
      <select
        class="shape"
        value=""
        :aria-label="`${label}, ready-made course`"
        @change="setShape(($event.target as HTMLSelectElement).value)"
        @keydown.stop
      >
        <option value="" disabled>course…</option>
        <option v-for="(_, name) in SHAPES" :key="name">{{ name }}</option>
      </select>
    </div>
  </div>
</template>

<style scoped>
.lane {
  display: grid;
  grid-template-columns: 64px minmax(0, 1fr);
  align-items: center;
}
.box {
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
.exact select {
  max-width: 84px;
}
.exact {
  grid-column: 2;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: baseline;
  padding: 3px 0 2px;
}
select {
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--card);
}
.clockrow {
  grid-column: 2;
  justify-self: end;
}
.clockrow:empty {
  display: none;
}
</style>
