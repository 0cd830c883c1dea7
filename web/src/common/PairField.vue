<script setup lang="ts">
import { computed } from 'vue'
import type { Pair } from '../api/bundle'
import NumberField from './NumberField.vue'
import type { NumberProps } from './numberText'

/**
 * A least and a most side by side, with a hint that every value between is equally likely. A least above the most is shown as
 * wrong where it stands; then both can change places, or both become it.
 */
const props = defineProps<
  NumberProps & {
    value: Pair
    free?: boolean
    /** Without the hint that all between are equally likely. */
    plain?: boolean
  }
>()
const emit = defineEmits<{ draft: [value: Pair]; commit: [value: Pair] }>()

// Only the end that is turned changes; the other stays as it is, whatever is typed.
function pair(end: 0 | 1, value: number): Pair {
  return end === 0 ? [value, props.value[1]] : [props.value[0], value]
}
const field = computed(() => {
  const { unit, kind, least, most, step, stepsPerSecond } = props
  return { unit, kind, least, most, step, stepsPerSecond }
})
const partners = computed(() =>
  props.free
    ? [{}, {}]
    : [
        { end: 'least' as const, partner: props.value[1] },
        { end: 'most' as const, partner: props.value[0] },
      ],
)
const swapped = (end: 0 | 1, value: number): Pair =>
  end === 0 ? [props.value[1], value] : [value, props.value[0]]
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
      v-bind="{ ...field, ...partners[0] }"
      :value="value[0]"
      :label="`${label}, ${free ? 'from' : 'least'}`"
      unit=" "
      @draft="emit('draft', pair(0, $event))"
      @commit="emit('commit', pair(0, $event))"
      @swap="emit('commit', swapped(0, $event))"
      @both="emit('commit', [$event, $event])"
    />
    <span class="quiet">{{ free ? '→' : '–' }}</span>
    <NumberField
      v-bind="{ ...field, ...partners[1] }"
      :value="value[1]"
      :label="`${label}, ${free ? 'to' : 'most'}`"
      @draft="emit('draft', pair(1, $event))"
      @commit="emit('commit', pair(1, $event))"
      @swap="emit('commit', swapped(1, $event))"
      @both="emit('commit', [$event, $event])"
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
