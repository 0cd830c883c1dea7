<script setup lang="ts">
import { computed } from 'vue'
import type { FeedsView } from '../../api/client'
import { showNumber } from '../../common/numberText'
import type { Dot } from '../../project/recorded'

/** What a feed makes of every value of its source, where the game's values lie, and what the last pulls gave. */
const props = defineProps<{ feed: FeedsView['feeds'][number]; dots: Dot[] }>()

const WIDTH = 300
const HEIGHT = 96
const from = computed(() => props.feed.at[0])
const to = computed(() => props.feed.at.at(-1)!)
const low = computed(() => Math.min(...props.feed.becomes, props.feed.lowest ?? Infinity))
const high = computed(() => Math.max(...props.feed.becomes, props.feed.highest ?? -Infinity))
const x = (v: number) => 34 + ((v - from.value) / (to.value - from.value || 1)) * (WIDTH - 44)
const y = (v: number) => HEIGHT - 18 - ((v - low.value) / (high.value - low.value || 1)) * (HEIGHT - 28)
const line = computed(
  () =>
    'M' + props.feed.at.map((a, i) => `${x(a).toFixed(1)} ${y(props.feed.becomes[i]).toFixed(1)}`).join('L'),
)
const shown = computed(() =>
  props.dots.flatMap((d) =>
    typeof d.given === 'number' && typeof d.value === 'number'
      ? [
          {
            x: x(Math.min(to.value, Math.max(from.value, d.given))),
            y: y(d.value),
            given: d.given,
            value: d.value,
          },
        ]
      : [],
  ),
)
const round = (v: number) => showNumber(Number(v.toPrecision(3)))
</script>

<template>
  <svg
    v-if="feed.at.length"
    :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
    role="img"
    :aria-label="`${feed.source} ${round(from)} to ${round(to)} ${feed.unit} becomes ${feed.parameter} ${round(feed.becomes[0])} to ${round(feed.becomes.at(-1)!)}; ${shown.length} pulls`"
  >
    <rect
      v-if="feed.least !== undefined && feed.most !== undefined"
      class="announced"
      :x="x(feed.least)"
      :width="x(feed.most) - x(feed.least)"
      y="6"
      :height="HEIGHT - 24"
    />
    <path class="axis" :d="`M34 ${HEIGHT - 18}H${WIDTH - 10}M34 6V${HEIGHT - 18}`" />
    <text x="30" :y="y(high) + 4" text-anchor="end">{{ round(high) }}</text>
    <text x="30" :y="y(low) + 4" text-anchor="end">{{ round(low) }}</text>
    <text :x="x(from)" :y="HEIGHT - 4">{{ round(from) }}</text>
    <text :x="x(to)" :y="HEIGHT - 4" text-anchor="end">{{ round(to) }} {{ feed.unit }}</text>
    <path class="curve" :d="line" />
    <circle v-for="(d, i) in shown" :key="i" :cx="d.x" :cy="d.y" r="3">
      <title>{{ round(d.given) }} {{ feed.unit }} became {{ round(d.value) }}</title>
    </circle>
  </svg>
  <p class="quiet">
    {{
      shown.length === 0
        ? 'No pull has come yet.'
        : shown.length === 1
          ? 'The last pull.'
          : `The last ${shown.length} pulls.`
    }}
    <template v-if="feed.least !== undefined">The band is what the game sends.</template>
  </p>
</template>

<style scoped>
svg {
  display: block;
  flex: none;
  width: 100%;
}
.announced {
  fill: var(--bronze-pale);
}
.axis {
  stroke: var(--line);
  fill: none;
}
.curve {
  fill: none;
  stroke: var(--bronze);
  stroke-width: 1.8;
}
circle {
  fill: var(--verdigris);
  fill-opacity: 0.6;
}
text {
  font-size: 10px;
  fill: var(--muted);
}
p {
  margin: 0 8px 4px;
  font-size: 12px;
}
</style>
