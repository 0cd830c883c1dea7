<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { readNumber, rounded, showNumber, type NumberKind } from './numberText'

/**
 * A number that can be typed, dragged by its unit, and stepped: Shift coarse, Alt fine. `draft` is sent while it moves,
 * `commit` when it rests.
 */
const props = withDefaults(
  defineProps<{
    value: number
    label: string
    unit?: string
    kind?: NumberKind
    least?: number
    most?: number
    step?: number
    stepsPerSecond?: number
    wide?: boolean
  }>(),
  { unit: '', kind: 'plain', least: -Infinity, most: Infinity, step: 0.1, stepsPerSecond: 60, wide: false },
)
const emit = defineEmits<{ draft: [value: number]; commit: [value: number] }>()

const text = ref(showNumber(props.value))
const focused = ref(false)
const field = ref<HTMLInputElement>()
let before = props.value
let pending: number | undefined

watch(
  () => props.value,
  (value) => {
    if (!focused.value || readNumber(text.value, props.kind, props.stepsPerSecond) !== value) {
      if (pending === undefined || !focused.value) text.value = showNumber(value)
    }
  },
)

const wrong = computed(() => {
  const value = readNumber(text.value, props.kind, props.stepsPerSecond)
  if (value === undefined)
    return props.kind === 'time' ? 'a time such as 0.3, 300ms or 18f' : 'a number, or a sum such as 0.3*2'
  if (value < props.least || value > props.most)
    return Number.isFinite(props.most)
      ? `from ${showNumber(props.least)} to ${showNumber(props.most)}`
      : `${showNumber(props.least)} or more`
  return ''
})

const became = computed(() => {
  const value = readNumber(text.value, props.kind, props.stepsPerSecond)
  if (props.kind !== 'time' || value === undefined) return undefined
  return `${showNumber(value)} s, ${showNumber(value * props.stepsPerSecond)} frames`
})

const width = computed(() => Math.max(2, text.value.length) + 0.6 + 'ch')

function typed() {
  const value = readNumber(text.value, props.kind, props.stepsPerSecond)
  if (value === undefined || wrong.value) return
  pending = value
  emit('draft', value)
}

function rest() {
  if (wrong.value) {
    text.value = showNumber(before)
    if (pending !== undefined) emit('commit', before)
  } else if (pending !== undefined) {
    emit('commit', pending)
    text.value = showNumber(pending)
    before = pending
  } else {
    text.value = showNumber(props.value)
  }
  pending = undefined
}

function focus() {
  focused.value = true
  before = props.value
  nextTick(() => field.value?.select())
}

function blur() {
  // Another window came to the front; this field is still being typed in.
  if (document.activeElement === field.value) return
  focused.value = false
  rest()
}

function size(event: { shiftKey: boolean; altKey: boolean }) {
  const step = props.kind === 'whole' ? Math.max(1, props.step) : props.step
  const factor = event.shiftKey ? 10 : event.altKey ? 0.1 : 1
  return props.kind === 'whole' ? Math.max(1, Math.round(step * factor)) : step * factor
}

function moveTo(value: number) {
  const held = rounded(Math.min(props.most, Math.max(props.least, value)))
  text.value = showNumber(props.kind === 'whole' ? Math.round(held) : held)
  typed()
}

function key(event: KeyboardEvent) {
  event.stopPropagation()
  if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
    event.preventDefault()
    const now = readNumber(text.value, props.kind, props.stepsPerSecond) ?? props.value
    moveTo(now + (event.key === 'ArrowUp' ? 1 : -1) * size(event))
  } else if (event.key === 'Enter') {
    rest()
    before = readNumber(text.value, props.kind, props.stepsPerSecond) ?? before
    field.value?.select()
  } else if (event.key === 'Escape') {
    text.value = showNumber(before)
    if (pending !== undefined) {
      emit('draft', before)
      emit('commit', before)
      pending = undefined
    }
    field.value?.blur()
  }
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
  if (dragFrom && pending !== undefined) rest()
  dragFrom = undefined
}
</script>

<template>
  <span class="number" :class="{ wrong, wide }">
    <input
      ref="field"
      v-model="text"
      inputmode="decimal"
      autocomplete="off"
      spellcheck="false"
      :aria-label="unit ? `${label}, ${unit}` : label"
      :aria-invalid="!!wrong"
      :title="wrong || became"
      :style="{ width }"
      @focus="focus"
      @blur="blur"
      @input="typed"
      @keydown="key"
    /><span
      class="unit"
      title="Drag to turn; Shift coarse, Alt fine"
      @pointerdown="dragStart"
      @pointermove="drag"
      @pointerup="dragEnd"
      @pointercancel="dragEnd"
      >{{ unit || '↔' }}</span
    >
    <span v-if="wrong" class="why" role="alert">{{ wrong }}</span>
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
}
</style>
