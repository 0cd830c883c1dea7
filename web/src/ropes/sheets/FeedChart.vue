<script setup lang="ts">
import { computed } from 'vue'
import type { FeedsView } from '../../api/client'
import Plot from '../../common/Plot.vue'
import { between, brief, type Drawn } from '../../common/plot'
import type { Dot } from '../../project/recorded'

/** What a feed makes of every value of its source, where the game's values lie, and what the last pulls gave. */
const props = defineProps<{ feed: FeedsView['feeds'][number]; dots: Dot[] }>()

const from = computed(() => props.feed.at[0])
const to = computed(() => props.feed.at.at(-1)!)
const pulls = computed(() =>
  props.dots.flatMap((d) =>
    typeof d.given === 'number' && typeof d.value === 'number'
      ? [{ at: Math.min(to.value, Math.max(from.value, d.given)), given: d.given, becomes: d.value }]
      : [],
  ),
)
// Every place of the curve and every pull, in one order.
const places = computed(() =>
  [
    ...props.feed.at.map((at, i) => ({ at, becomes: props.feed.becomes[i], pull: false, given: at })),
    ...pulls.value.map((p) => ({ ...p, pull: true })),
  ].sort((a, b) => a.at - b.at || Number(a.pull) - Number(b.pull)),
)
const drawn = computed((): Drawn[] => [
  {
    name: props.feed.parameter,
    as: 'line',
    colour: '--bronze',
    values: places.value.map((p) => (p.pull ? null : p.becomes)),
  },
  {
    name: 'pulls',
    as: 'dots',
    colour: '--verdigris',
    values: places.value.map((p) => (p.pull ? p.becomes : null)),
  },
])
const y = computed(() =>
  between(
    Math.min(...props.feed.becomes, props.feed.lowest ?? Infinity),
    Math.max(...props.feed.becomes, props.feed.highest ?? -Infinity),
    brief,
  ),
)
const x = computed(() =>
  between(from.value, to.value, (v) => (v === to.value ? `${brief(v)} ${props.feed.unit}` : brief(v))),
)
const span = computed(() =>
  props.feed.least !== undefined && props.feed.most !== undefined
    ? { from: props.feed.least, to: props.feed.most }
    : undefined,
)
function words(i: number) {
  const p = places.value[i]
  const made = p.pull ? 'became' : 'becomes'
  return `${brief(p.given)} ${props.feed.unit} ${made} ${props.feed.parameter} ${brief(p.becomes)}`
}
const rest = computed(() => {
  const n = pulls.value.length
  const came = n === 0 ? 'No pull has come yet.' : n === 1 ? 'The last pull.' : `The last ${n} pulls.`
  return span.value ? `${came} The band is what the game sends.` : came
})
</script>

<template>
  <Plot
    v-if="feed.at.length"
    class="feed"
    :label="`${feed.source} ${brief(from)} to ${brief(to)} ${feed.unit} becomes ${feed.parameter} ${brief(feed.becomes[0])} to ${brief(feed.becomes.at(-1)!)}; ${pulls.length} pulls`"
    :places="places.map((p) => p.at)"
    :drawn="drawn"
    :x="x"
    :y="y"
    :words="words"
    :rest="rest"
    :span="span"
    :height="96"
  />
  <p v-else class="quiet">{{ rest }}</p>
</template>

<style scoped>
.feed {
  margin: 0 8px 4px 0;
}
p {
  margin: 0 8px 4px;
  font-size: 12px;
}
</style>
