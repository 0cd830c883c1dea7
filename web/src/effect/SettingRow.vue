<script setup lang="ts">
import { computed } from 'vue'
import type { Pair, Property, Vector } from '../api/bundle'
import NumberField from '../common/NumberField.vue'
import PairField from '../common/PairField.vue'
import { showNumber, showTime, type NumberKind } from '../common/numberText'
import { timeUnit } from '../common/times'
import { useProject } from '../project/useProject'
import { at, put } from '../common/paths'
import { explanation } from '../common/explained'
import { setting } from '../common/settings'
import AnswersName from './AnswersName.vue'
import { sets, useEdit } from './useEdit'

/**
 * One setting of an emitter: its name, the value it had before as a ghost, how the births share out, and the field. F2
 * gives the value before back.
 */
const props = withDefaults(
  defineProps<{
    path: string
    name: string
    label: string
    kind?: 'number' | 'pair' | 'vector' | 'none'
    number?: NumberKind
    unit?: string
    least?: number
    most?: number
    step?: number
    usual?: unknown
    bins?: number[]
    droppable?: boolean
  }>(),
  {
    kind: 'number',
    number: 'plain',
    unit: undefined,
    least: undefined,
    most: undefined,
    step: undefined,
    usual: undefined,
    bins: undefined,
    droppable: false,
  },
)
/** What parameters call the settings that they can act on. */
const PROPERTIES: Record<string, Property> = {
  'birth.stream': 'rate',
  'birth.perUnit': 'per unit',
  'birth.delay': 'delay',
  'birth.shape': 'shape',
  'birth.offset': 'offset',
  'birth.speed': 'speed',
  'birth.lifetime': 'lifetime',
  'birth.size': 'size',
  'birth.rotation': 'rotation',
  'birth.spin': 'spin',
  'birth.opacity': 'opacity',
  'birth.colour': 'colour',
  'look.brightness': 'brightness',
}
const property = computed(() => (/^birth\.bursts\.\d+$/.test(props.path) ? 'count' : PROPERTIES[props.path]))
const edit = useEdit()
const project = useProject()
// A row without a field of its own may stand for several settings.
const says = computed(() => (props.kind === 'none' ? undefined : setting('Emitter', props.path)))
const explains = computed(() => explanation('Emitter', props.path))
const value = computed(() => at(edit.emitter.value, props.path) ?? props.usual ?? says.value?.usual)
const handlers = computed(() => sets(edit, props.path))
const field = computed(() => ({
  kind: props.number,
  unit: props.unit ?? (says.value?.unit || ' '),
  least: props.least ?? says.value?.least ?? -Infinity,
  most: props.most ?? says.value?.most ?? Infinity,
  step: props.step ?? (says.value?.whole ? 1 : 0.1),
  stepsPerSecond: project.stepsPerSecond,
}))

const before = computed(() => (edit.before.value ? at(edit.before.value, props.path) : value.value))
const changed = computed(
  () =>
    JSON.stringify(at(edit.emitter.value, props.path)) !== JSON.stringify(before.value) && edit.before.value,
)
// In the unit that its field shows.
const show = (v: number) =>
  props.number === 'time' ? showTime(v, timeUnit(props.label), project.stepsPerSecond) : showNumber(v)
function inWords(v: unknown): string {
  if (v === undefined) return 'unused'
  if (typeof v === 'number') return show(v)
  if (Array.isArray(v) && v.every((n) => typeof n === 'number'))
    return (v as number[]).map(show).join(v.length === 2 ? '–' : ', ')
  const range = v as { least?: number; most?: number }
  const now = value.value as typeof range
  if (range.least !== undefined && range.most !== undefined)
    if (range.least !== now?.least || range.most !== now?.most)
      return `${show(range.least)}–${show(range.most)}`
  return 'as before'
}
function giveBack() {
  edit.change((e) => put(e, props.path, before.value), true)
}
function key(event: KeyboardEvent) {
  if (event.key !== 'F2' || !changed.value) return
  event.preventDefault()
  event.stopPropagation()
  ;(document.activeElement as HTMLElement | null)?.blur()
  giveBack()
}
/** What was before stands where the births are drawn, so that nothing moves for it; what is longer, or no number, is told on a hand. */
const SHORT = 9
const ghost = computed(() => {
  const words = inWords(before.value)
  return words.length > SHORT || !/\d/.test(words) ? '↩' : words
})
const tallest = computed(() => Math.max(1, ...(props.bins ?? [])))
const AXES = ['x', 'y', 'z']
function axis(i: number, v: number, save: boolean) {
  const next = [...(value.value as Vector)]
  next[i] = v
  edit.change((e) => put(e, props.path, next), save)
}
</script>

<template>
  <div class="field" :data-setting="path" :data-explains="explains" @keydown.capture="key">
    <AnswersName v-if="property" :property="property" :name="name" />
    <span v-else class="quiet">{{ name }}</span>
    <span class="value">
      <el-button
        link
        v-if="changed"
        class="ghost"
        :aria-label="`${label}: back to ${inWords(before)}`"
        :title="`As it was before: ${inWords(before)}; F2 gives it back`"
        @click="giveBack"
      >
        {{ ghost }}
      </el-button>
      <svg v-else-if="bins?.some((b) => b)" viewBox="0 0 48 12" width="40" height="12" aria-hidden="true">
        <rect
          v-for="(b, i) in bins"
          :key="i"
          :x="(i * 48) / bins.length"
          :width="48 / bins.length - 1"
          :y="12 - (12 * b) / tallest"
          :height="(12 * b) / tallest"
        />
      </svg>
      <slot />
      <NumberField
        v-if="kind === 'number'"
        v-bind="{ ...field, ...handlers }"
        :value="value as number"
        :label="label"
      />
      <PairField
        v-else-if="kind === 'pair'"
        v-bind="{ ...field, ...handlers }"
        :value="value as Pair"
        :label="label"
        :plain="!!bins"
      />
      <template v-else-if="kind === 'vector'">
        <NumberField
          v-for="(v, i) in value as Vector"
          :key="i"
          v-bind="field"
          :value="v"
          :label="`${label}, ${AXES[i]}`"
          :unit="i === 2 ? unit : ' '"
          @draft="axis(i, $event, false)"
          @commit="axis(i, $event, true)"
        />
      </template>
      <slot name="after" />
      <el-button
        link
        v-if="droppable"
        class="drop"
        :aria-label="`Leave out ${label}`"
        @click="edit.change((e) => put(e, path, undefined), true)"
      >
        ×
      </el-button>
    </span>
  </div>
</template>

<style scoped>
svg {
  align-self: center;
  fill: var(--bronze-soft);
  flex: none;
}
</style>
