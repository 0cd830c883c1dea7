<script setup lang="ts">
import { computed } from 'vue'
import type { ParameterReport } from '../../api/client'
import { showNumber } from '../../common/numberText'

/** Everything that one parameter drives, in one chart: what its value becomes for each property. */
const props = defineProps<{
  curves: ParameterReport['rows'][number]['curves']
  value?: number
  unit: string
}>()

const WIDTH = 260
const HEIGHT = 110
const drawn = computed(() => props.curves.filter((c) => c.at.length > 1))
const all = computed(() => drawn.value.flatMap((c) => c.becomes))
const low = computed(() => Math.min(0, ...all.value))
const high = computed(() => Math.max(1, ...all.value))
const from = computed(() => drawn.value[0]?.at[0] ?? 0)
const to = computed(() => drawn.value[0]?.at.at(-1) ?? 1)
const x = (v: number) => 30 + ((v - from.value) / (to.value - from.value || 1)) * (WIDTH - 40)
const y = (v: number) => HEIGHT - 16 - ((v - low.value) / (high.value - low.value || 1)) * (HEIGHT - 26)
const DASHES = ['', '6 3', '2 3', '9 3 2 3', '4 2 1 2 1 2', '1 2']
// Curves that lie on one another share a line and a name.
const lines = computed(() => {
  const found = new Map<string, { d: string; names: string[]; end: number }>()
  for (const c of drawn.value) {
    const d = 'M' + c.at.map((a, i) => `${x(a).toFixed(1)} ${y(c.becomes[i]).toFixed(1)}`).join('L')
    const name =
      (c.mode === 'divide' ? '1 / ' : c.mode === 'add' ? '+ ' : c.mode === 'replace' ? '= ' : '× ') +
      c.property
    const line = found.get(d) ?? { d, names: [], end: y(c.becomes.at(-1)!) }
    if (!line.names.includes(name)) line.names.push(name)
    found.set(d, line)
  }
  return [...found.values()].map((l, i) => ({ ...l, dash: DASHES[i % DASHES.length] }))
})
const marker = computed(() =>
  props.value === undefined ? undefined : x(Math.min(to.value, Math.max(from.value, props.value))),
)
</script>

<template>
  <figure v-if="drawn.length">
    <svg
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      role="img"
      :aria-label="`What ${showNumber(from)} to ${showNumber(to)} ${unit} becomes: ${lines.map((l) => l.names.join(', ')).join('; ')}`"
    >
      <path class="axis" :d="`M30 ${y(low)}H${WIDTH - 10}M30 4V${y(low)}`" />
      <path v-if="low < 1 && high > 1" class="one" :d="`M30 ${y(1)}H${WIDTH - 10}`" />
      <text x="26" :y="y(high) + 4" text-anchor="end">{{ showNumber(Number(high.toPrecision(3))) }}</text>
      <text v-if="high > 1.2" x="26" :y="y(1) + 4" text-anchor="end">1</text>
      <text x="26" :y="y(low) + 4" text-anchor="end">{{ showNumber(Number(low.toPrecision(3))) }}</text>
      <text :x="x(from)" :y="HEIGHT - 3">{{ showNumber(from) }}</text>
      <text :x="x(to)" :y="HEIGHT - 3" text-anchor="end">{{ showNumber(to) }} {{ unit }}</text>
      <path v-if="marker !== undefined" class="now" :d="`M${marker} 4V${y(low)}`" />
      <path v-for="l in lines" :key="l.d" class="curve" :d="l.d" :stroke-dasharray="l.dash" />
    </svg>
    <figcaption>
      <span v-for="l in lines" :key="l.d">
        <svg viewBox="0 0 26 6" width="26" height="6" aria-hidden="true">
          <path class="curve" d="M0 3H26" :stroke-dasharray="l.dash" />
        </svg>
        {{ l.names.join(', ') }}
      </span>
    </figcaption>
  </figure>
  <p v-else class="quiet">No curve to draw: it acts on nothing that is a number.</p>
</template>

<style scoped>
figure {
  margin: 0;
}
svg {
  display: block;
  width: 100%;
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
.axis {
  stroke: var(--line);
  fill: none;
}
.one {
  stroke: var(--bronze-soft);
  stroke-dasharray: 1 3;
}
.now {
  stroke: var(--verdigris);
  stroke-width: 1.5;
}
.curve {
  fill: none;
  stroke: var(--bronze);
  stroke-width: 1.8;
}
text {
  font-size: 10px;
  fill: var(--muted);
}
</style>
