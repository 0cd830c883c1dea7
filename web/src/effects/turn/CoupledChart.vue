<script setup lang="ts">
import { computed } from 'vue'
import type { ParameterReport } from '../../api/client'
import Plot from '../../common/Plot.vue'
import { between, brief, type Drawn } from '../../common/plot'
import { showNumber } from '../../common/numberText'

/** Everything that one parameter drives, in one chart: what its value becomes for each property. */
const props = defineProps<{
  curves: ParameterReport['rows'][number]['curves']
  value?: number
  unit: string
}>()

const DASHES = [[], [6, 3], [2, 3], [9, 3, 2, 3], [4, 2, 1, 2, 1, 2], [1, 2]]
const SIGN: Record<string, string> = { divide: '1 / ', add: '+ ', replace: '= ' }
const curves = computed(() => props.curves.filter((c) => c.at.length > 1))
const places = computed(() => [...new Set(curves.value.flatMap((c) => c.at))].sort((a, b) => a - b))
// Curves that lie on one another share a line and a name.
const lines = computed(() => {
  const found = new Map<string, Drawn & { names: string[] }>()
  for (const c of curves.value) {
    const key = JSON.stringify([c.at, c.becomes])
    const dash = DASHES[found.size % DASHES.length]
    const line = found.get(key) ?? {
      name: '',
      names: [],
      as: 'line' as const,
      colour: '--bronze',
      dash,
      values: places.value.map((p) => c.becomes[c.at.indexOf(p)] ?? null),
    }
    const name = (SIGN[c.mode] ?? '× ') + c.property
    if (!line.names.includes(name)) line.names.push(name)
    found.set(key, line)
  }
  return [...found.values()].map((l) => ({ ...l, name: l.names.join(', ') }))
})
const all = computed(() => curves.value.flatMap((c) => c.becomes))
const y = computed(() => {
  const along = between(Math.min(0, ...all.value), Math.max(1, ...all.value), brief)
  return along.from < 1 && along.to > 1.2 ? { ...along, marks: [along.from, 1, along.to] } : along
})
const x = computed(() => {
  const [from, to] = [places.value[0], places.value.at(-1)!]
  return between(from, to, (v) => (v === to ? `${showNumber(v)} ${props.unit}` : showNumber(v)))
})
const words = (i: number) =>
  `${brief(places.value[i])} ${props.unit}: ` +
  lines.value
    .flatMap((l) => (l.values[i] === null ? [] : l.names.map((n) => `${n} ${brief(l.values[i]!)}`)))
    .join(', ')
</script>

<template>
  <figure v-if="curves.length">
    <Plot
      :label="`What ${showNumber(x.from)} to ${showNumber(x.to)} ${unit} becomes: ${lines.map((l) => l.name).join('; ')}`"
      :places="places"
      :drawn="lines"
      :x="x"
      :y="y"
      :words="words"
      :marker="value"
    />
    <figcaption>
      <span v-for="l in lines" :key="l.name">
        <svg viewBox="0 0 26 6" width="26" height="6" aria-hidden="true">
          <path class="curve" d="M0 3H26" :stroke-dasharray="l.dash!.join(' ')" />
        </svg>
        {{ l.name }}
      </span>
    </figcaption>
  </figure>
  <p v-else class="quiet">No curve to draw: it acts on nothing that is a number.</p>
</template>

<style scoped>
figure {
  margin: 0;
  max-width: 320px;
}
figcaption svg {
  display: inline-block;
  width: 26px;
}
figcaption span {
  display: inline-block;
  margin-right: 10px;
  font-size: 12px;
}
.curve {
  fill: none;
  stroke: var(--bronze);
  stroke-width: 1.8;
}
</style>
