<script setup lang="ts">
import type { Pair } from '../api/bundle'
import NumberField from './NumberField.vue'
import type { NumberKind } from './numberText'

/** A least and a most side by side, with a hint that every value between is equally likely. */
const props = withDefaults(
  defineProps<{
    value: Pair
    label: string
    unit?: string
    kind?: NumberKind
    least?: number
    most?: number
    step?: number
    stepsPerSecond?: number
    free?: boolean
    /** Without the hint that all between are equally likely. */
    plain?: boolean
  }>(),
  {
    unit: '',
    kind: 'plain',
    least: -Infinity,
    most: Infinity,
    step: 0.1,
    stepsPerSecond: 60,
    free: false,
    plain: false,
  },
)
const emit = defineEmits<{ draft: [value: Pair]; commit: [value: Pair] }>()

// The other end gives way, so that a range is never refused for being turned past itself.
function pair(end: 0 | 1, value: number): Pair {
  const next: Pair = [...props.value]
  next[end] = value
  if (!props.free) {
    if (end === 0 && next[1] < value) next[1] = value
    if (end === 1 && next[0] > value) next[0] = value
  }
  return next
}
</script>

<template>
  <span class="pair">
    <svg
      v-if="!free && !plain && value[0] !== value[1]"
      viewBox="0 0 40 10"
      width="40"
      height="10"
      aria-hidden="true"
    >
      <rect v-for="i in 10" :key="i" :x="(i - 1) * 4" y="1" width="3" height="9" />
    </svg>
    <NumberField
      v-bind="props"
      :value="value[0]"
      :label="`${label}, ${free ? 'from' : 'least'}`"
      unit=" "
      @draft="emit('draft', pair(0, $event))"
      @commit="emit('commit', pair(0, $event))"
    />
    <span class="quiet">{{ free ? '→' : '–' }}</span>
    <NumberField
      v-bind="props"
      :value="value[1]"
      :label="`${label}, ${free ? 'to' : 'most'}`"
      @draft="emit('draft', pair(1, $event))"
      @commit="emit('commit', pair(1, $event))"
    />
  </span>
</template>

<style scoped>
.pair {
  display: inline-flex;
  align-items: baseline;
  gap: 2px;
}
svg {
  align-self: center;
  margin-right: 6px;
  fill: var(--bronze-soft);
}
</style>
