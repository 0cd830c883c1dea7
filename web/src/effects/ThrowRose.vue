<script setup lang="ts">
import { computed } from 'vue'
import type { NumbersReport } from '../api/client'

/** Which way particles are thrown, as seen from the side: a petal for each sixteenth of the circle, and the mean. */
const props = defineProps<{ numbers: NumbersReport }>()
const most = computed(() => Math.max(1, ...props.numbers.rose))
const thrown = computed(() => props.numbers.rose.reduce((a, b) => a + b, 0))
const petals = computed(() =>
  props.numbers.rose.map((n, i) => {
    const r = 23 * Math.sqrt(n / most.value)
    const a = (i / 16) * 2 * Math.PI
    const b = ((i + 1) / 16) * 2 * Math.PI
    const p = (angle: number) => `${(r * Math.cos(angle)).toFixed(2)} ${(-r * Math.sin(angle)).toFixed(2)}`
    return n ? `M0 0L${p(a)}A${r} ${r} 0 0 0 ${p(b)}Z` : ''
  }),
)
const mean = computed(() => {
  const a = (props.numbers.throwDirection * Math.PI) / 180
  const r = 25 * props.numbers.throwResultant
  return { x: r * Math.cos(a), y: -r * Math.sin(a) }
})
const words = computed(
  () =>
    `Thrown ${Math.round(props.numbers.throwDirection)}° from right, mean resultant length ${props.numbers.throwResultant.toFixed(2)}: 0 is evenly round, 1 all the same way`,
)
</script>

<template>
  <svg
    v-if="thrown"
    class="rose"
    viewBox="-28 -28 56 56"
    width="56"
    height="56"
    role="img"
    :aria-label="words"
  >
    <title>{{ words }}</title>
    <circle r="25" class="rim" />
    <path v-for="(d, i) in petals" :key="i" :d="d" class="petal" />
    <path :d="`M0 0L${mean.x} ${mean.y}`" class="mean" />
  </svg>
</template>

<style scoped>
.rose {
  position: absolute;
  right: 14px;
  bottom: 38px;
}
.rim {
  fill: rgba(24, 32, 43, 0.55);
  stroke: rgba(201, 210, 222, 0.4);
}
.petal {
  fill: var(--bronze-soft);
  opacity: 0.85;
}
.mean {
  stroke: #fff;
  stroke-width: 1.5;
}
</style>
