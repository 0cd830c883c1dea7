<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { readNumber, rounded, showNumber, showTime, typedUnit, type NumberProps } from './numberText'
import { keepTimeUnit, timeUnit } from './times'

/**
 * A number that can be typed, dragged by its unit, and stepped: Shift coarse, Alt fine. What is typed takes effect when it is
 * meant – Enter, Tab, leaving the field – and never half typed; steps and drags are shown at once by `draft`. What cannot be
 * taken stays in the field with the reason and the nearest that can.
 */
const props = withDefaults(
  defineProps<
    NumberProps & {
      value: number
      wide?: boolean
      /** The other end of a range, which this one may not pass, and which end this one is. */
      partner?: number
      end?: 'least' | 'most'
    }
  >(),
  {
    unit: '',
    kind: 'plain',
    least: -Infinity,
    most: Infinity,
    step: 0.1,
    stepsPerSecond: 60,
    partner: undefined,
    end: undefined,
  },
)
const emit = defineEmits<{
  draft: [value: number]
  commit: [value: number]
  /** A number that lies beyond the partner: both ends change places, or both become it. */
  swap: [value: number]
  both: [value: number]
}>()

const time = computed(() => (props.kind === 'time' ? timeUnit(props.label) : undefined))
const show = (value: number) =>
  time.value ? showTime(value, time.value, props.stepsPerSecond) : showNumber(value)
const units = computed(() => {
  const words = time.value === 'f' ? 'frames' : time.value
  return words && /^s\b/.test(props.unit) ? props.unit.replace(/^s/, words) : props.unit
})

const text = ref(show(props.value))
const field = ref<HTMLInputElement>()
/** Whether what stands in the field was typed and not taken yet. */
const typed = ref(false)
let before = props.value
let pending: number | undefined

const read = () => readNumber(text.value, props.kind, props.stepsPerSecond, time.value)

watch([() => props.value, time], ([value]) => {
  if (!typed.value && pending === undefined) text.value = show(value)
})

const beyondPartner = computed(() => {
  const value = read()
  if (value === undefined || props.partner === undefined) return false
  return props.end === 'least' ? value > props.partner : value < props.partner
})
const outOfBounds = computed(() => {
  const value = read()
  return value !== undefined && (value < props.least || value > props.most)
})
const wrong = computed(() => {
  if (read() === undefined)
    return props.kind === 'time'
      ? 'a time such as 0.3, 300ms or 18f'
      : props.kind === 'rate'
        ? 'a rate such as 60, or every 100ms'
        : 'a number, or a sum such as 0.3*2'
  if (outOfBounds.value)
    return Number.isFinite(props.most)
      ? `from ${show(props.least)} to ${show(props.most)}`
      : `${show(props.least)} or more`
  if (beyondPartner.value) return props.end === 'least' ? 'above the most' : 'below the least'
  return ''
})
/** The nearest that could be taken. */
const nearest = computed(() => {
  const value = read()
  return value === undefined ? undefined : Math.min(props.most, Math.max(props.least, value))
})

const became = computed(() => {
  const value = read()
  if (props.kind === 'rate' && value)
    return `one every ${showNumber(Number((1000 / value).toPrecision(3)))} ms`
  if (props.kind !== 'time' || value === undefined) return undefined
  return `${showNumber(value)} s, ${showNumber(value * props.stepsPerSecond)} frames`
})

const width = computed(() => Math.max(2, text.value.length) + 0.6 + 'ch')

// Takes what stands in the field, if it can be taken.
function settle() {
  if (typed.value && wrong.value) return
  // What was stepped is taken as it is, not as it is rounded to be shown.
  const value = typed.value ? read() : pending
  if (value === undefined) return
  if (value !== before || pending !== undefined) emit('commit', value)
  before = value
  // A time goes on in the unit that was typed.
  const unit = typed.value && time.value && typedUnit(text.value)
  if (unit) keepTimeUnit(props.label, unit)
  text.value = show(value)
  typed.value = false
  pending = undefined
}

function focus() {
  if (!typed.value) before = props.value
  nextTick(() => field.value?.select())
}

function blur() {
  // Another window came to the front; this field is still being typed in.
  if (document.activeElement === field.value) return
  settle()
}

function size(event: { shiftKey: boolean; altKey: boolean }) {
  const step = props.kind === 'whole' ? Math.max(1, props.step) : props.step
  const factor = event.shiftKey ? 10 : event.altKey ? 0.1 : 1
  return props.kind === 'whole' ? Math.max(1, Math.round(step * factor)) : step * factor
}

function moveTo(value: number) {
  const most = props.end === 'least' ? Math.min(props.most, props.partner!) : props.most
  const least = props.end === 'most' ? Math.max(props.least, props.partner!) : props.least
  const held = rounded(Math.min(most, Math.max(least, value)))
  const moved = props.kind === 'whole' ? Math.round(held) : held
  text.value = show(moved)
  typed.value = false
  pending = moved
  emit('draft', moved)
}

function restore() {
  const moved = pending !== undefined
  typed.value = false
  pending = undefined
  text.value = show(before)
  if (moved) {
    emit('draft', before)
    emit('commit', before)
  }
}

function key(event: KeyboardEvent) {
  if (event.key === 'Escape') {
    // Once gives the value back; the next is for whatever the field stands in.
    if (!typed.value && pending === undefined) return
    event.stopPropagation()
    event.preventDefault()
    restore()
    field.value?.select()
    return
  }
  event.stopPropagation()
  if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
    event.preventDefault()
    moveTo(
      (typed.value ? (read() ?? props.value) : (pending ?? props.value)) +
        (event.key === 'ArrowUp' ? 1 : -1) * size(event),
    )
  } else if (event.key === 'Enter') {
    settle()
    field.value?.select()
  }
}

function take(value: number) {
  text.value = show(value)
  settle()
}
function swap() {
  const value = read()!
  typed.value = false
  emit('swap', value)
  text.value = show(props.partner!)
}
function both() {
  const value = read()!
  typed.value = false
  before = value
  emit('both', value)
}

let dragFrom: { x: number; value: number } | undefined
function dragStart(event: PointerEvent) {
  dragFrom = { x: event.clientX, value: props.value }
  before = props.value
  ;(event.target as HTMLElement).setPointerCapture(event.pointerId)
}
function drag(event: PointerEvent) {
  if (!dragFrom) return
  moveTo(dragFrom.value + Math.round((event.clientX - dragFrom.x) / 4) * size(event))
}
function dragEnd() {
  if (dragFrom && pending !== undefined) settle()
  dragFrom = undefined
}
</script>

<template>
  <span class="number" :class="{ wrong: typed && wrong, wide }">
    <input
      ref="field"
      v-model="text"
      inputmode="decimal"
      autocomplete="off"
      spellcheck="false"
      :aria-label="units ? `${label}, ${units}` : label"
      :aria-invalid="typed && !!wrong"
      :title="typed && wrong ? wrong : became"
      :style="{ width }"
      @focus="focus"
      @blur="blur"
      @input="typed = true"
      @keydown="key"
    /><span
      class="unit"
      title="Drag to turn; Shift coarse, Alt fine"
      @pointerdown="dragStart"
      @pointermove="drag"
      @pointerup="dragEnd"
      @pointercancel="dragEnd"
      >{{ units.replace('frames', 'f') || '↔' }}</span
    >
    <span v-if="typed && wrong" class="why" role="alert" @mousedown.prevent>
      {{ wrong }}
      <template v-if="beyondPartner && !outOfBounds">
        <button @click="swap">swap</button>
        <button @click="both">move both</button>
      </template>
      <button v-else-if="nearest !== undefined" @click="take(nearest)">{{ show(nearest) }}</button>
    </span>
  </span>
</template>

<style scoped>
.number {
  position: relative;
  display: inline-flex;
  align-items: baseline;
  white-space: nowrap;
}
input {
  border: 0;
  border-bottom: 1px dotted var(--bronze-soft);
  background: transparent;
  padding: 1px 0;
  font-weight: 600;
  text-align: right;
  min-width: 24px;
  min-height: 24px;
  border-radius: 0;
}
input:hover {
  background: var(--bronze-pale);
}
input:focus {
  background: var(--card);
  outline: 2px solid var(--bronze);
  outline-offset: 1px;
  border-radius: 2px;
}
.unit {
  color: var(--muted);
  padding-left: 3px;
  cursor: ew-resize;
  touch-action: none;
  user-select: none;
}
.wrong input {
  border-bottom-color: var(--vermilion);
  color: var(--vermilion);
}
.why {
  position: absolute;
  z-index: 5;
  top: 100%;
  right: 0;
  margin-top: 4px;
  background: var(--vermilion);
  color: #fff;
  border-radius: 4px;
  padding: 2px 8px;
  font-size: 12px;
  display: flex;
  flex-wrap: wrap;
  justify-content: flex-end;
  gap: 0 8px;
  align-items: baseline;
  max-width: 190px;
  width: max-content;
}
.why button {
  color: #fff;
  font-weight: 600;
  text-decoration: underline;
  text-underline-offset: 3px;
  min-height: 24px;
}
</style>
