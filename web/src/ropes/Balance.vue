<script setup lang="ts">
import { computed } from 'vue'
import type { BalanceLine, WiringView } from '../api/client'
import type { Rope } from '../api/bundle'
import NumberField from '../common/NumberField.vue'
import Plot from '../common/Plot.vue'
import type { Along, Drawn } from '../common/plot'
import { showNumber, showPresence } from '../common/numberText'
import { useProject } from '../project/useProject'

/**
 * All responses against the weight of their events. The line is what a response of that weight usually has in this
 * project; the band about it is three times more and less.
 */
const props = defineProps<{ wiring?: WiringView; open: number }>()
const emit = defineEmits<{ open: [id: number] }>()
const project = useProject()

const lines = computed(() => props.wiring?.lines ?? [])
const name = (id: number) => project.ropes.find((r) => r.id === id)?.body.name ?? ''
const usual = (weight: number) =>
  Math.exp((props.wiring?.intercept ?? 0) + (props.wiring?.slope ?? 0) * weight)

/** How far the dots of one weight are from one another, and how much of its place they take at the most. */
const STEP = 0.12
const WIDE = 0.8
// Those of one weight stand side by side, in the order of the ropes; the line goes on to both ends.
const dots = computed((): { at: number; line?: BalanceLine }[] => {
  const beside = Map.groupBy(lines.value, (l) => l.weight)
  const placed = [...beside].flatMap(([weight, these]) => {
    const step = Math.min(STEP, WIDE / these.length)
    return these.map((line, i) => ({ at: weight + (i - (these.length - 1) / 2) * step, line }))
  })
  return [{ at: 0.5 }, ...placed.sort((a, b) => a.at - b.at), { at: 5.5 }]
})
const drawn = computed((): Drawn[] => {
  const along = (times: number) => dots.value.map((d) => usual(d.at) * times)
  const those = (which: (l: BalanceLine) => boolean) =>
    dots.value.map((d) => (d.line && which(d.line) ? d.line.presence : null))
  const open = (l: BalanceLine) => l.rope === props.open
  return [
    {
      name: 'three times usual',
      as: 'edge',
      colour: '--line',
      values: along(3),
      fill: { to: 1, colour: '--bronze-pale' },
    },
    { name: 'a third of usual', as: 'edge', colour: '--line', values: along(1 / 3) },
    { name: 'usual', as: 'line', colour: '--bronze', values: along(1) },
    {
      name: 'usual',
      as: 'dots',
      colour: '--verdigris',
      values: those((l) => l.verdict === 'usual' && !open(l)),
    },
    {
      name: 'more',
      as: 'dots',
      colour: '--vermilion',
      values: those((l) => l.verdict === 'loud' && !open(l)),
    },
    {
      name: 'less',
      as: 'dots',
      colour: '--amber',
      hollow: true,
      values: those((l) => l.verdict === 'faint' && !open(l)),
    },
    { name: 'open', as: 'dots', colour: '--ink', values: those(open) },
  ]
})
const x: Along = { from: 0.5, to: 5.5, marks: [1, 2, 3, 4, 5], words: (w) => `weight ${w}` }
const y = computed((): Along => {
  const all = lines.value.flatMap((l) => [l.presence, l.usual])
  const least = Math.floor(Math.log10(Math.min(0.01, ...all)))
  const most = Math.ceil(Math.log10(Math.max(1, ...all)))
  const marks = Array.from({ length: most - least + 1 }, (_, i) => 10 ** (least + i))
  return { from: 10 ** least, to: 10 ** most, marks, words: showNumber, log: true }
})
const stops = computed(() => dots.value.flatMap((d, i) => (d.line ? [i] : [])))
const words = (i: number) => {
  const l = dots.value[i].line!
  return `${name(l.rope)}: ${showPresence(l.presence)} u² s, ${verdict(l)}`
}
const outliers = computed(() =>
  lines.value
    .filter((l) => l.verdict !== 'usual' || l.outdoes || l.rope === props.open)
    .sort((a, b) => Math.abs(Math.log(b.ratio)) - Math.abs(Math.log(a.ratio))),
)
const counts = (id: number) => project.ropes.find((r) => r.id === id)?.body.overrides?.count ?? 1
function scale(id: number, factor: number, save = true) {
  const body = project.ropes.find((r) => r.id === id)?.body
  if (!body) return
  const next = JSON.parse(JSON.stringify(body)) as Rope
  next.overrides = { ...next.overrides, count: Math.min(100, Math.max(0, Number(factor.toFixed(2)))) }
  if (next.overrides.count === 1) delete next.overrides.count
  if (!Object.keys(next.overrides).length) delete next.overrides
  if (save) project.commit(id, next)
  else project.draft(id, next)
}
function verdict(l: BalanceLine) {
  const times = l.ratio >= 1 ? l.ratio : 1 / l.ratio
  const how = l.ratio >= 1 ? 'more' : 'less'
  const first = `${showNumber(Number(times.toFixed(1)))} times ${how} than usual at weight ${l.weight}`
  return l.outdoes ? `${first}; more than ${l.outdoes}, which weighs more` : first
}
</script>

<template>
  <div class="balance">
    <p v-if="!lines.length" class="quiet">Nothing can be seen yet, so there is nothing to weigh.</p>
    <Plot
      v-else
      label="Presence of each response against the weight of its event"
      :places="dots.map((d) => d.at)"
      :drawn="drawn"
      :x="x"
      :y="y"
      :words="words"
      :stops="stops"
      leads
      rest="Presence, u² s. The line is what is usual at each weight, the band three times more and less."
      :height="300"
      @choose="(i) => emit('open', dots[i].line!.rope)"
    />
    <table v-if="lines.length">
      <caption>
        What stands out, and the open rope
      </caption>
      <tbody>
        <tr v-for="l in outliers" :key="l.rope" :class="{ open: l.rope === open }">
          <th scope="row">
            <el-button link class="link" @click="emit('open', l.rope)">{{ name(l.rope) }}</el-button>
          </th>
          <td>{{ l.event }}</td>
          <td :class="{ amber: l.verdict !== 'usual' || l.outdoes }">{{ verdict(l) }}</td>
          <td class="counts">
            counts
            <NumberField
              :value="counts(l.rope)"
              :label="`Counts of ${name(l.rope)}`"
              unit="×"
              :least="0"
              :most="100"
              :step="0.1"
              @draft="scale(l.rope, $event, false)"
              @commit="scale(l.rope, $event)"
            />
          </td>
          <td>
            <el-button
              link
              v-if="l.verdict !== 'usual'"
              class="link"
              :title="'For this rope alone; the effect stays as it is'"
              @click="scale(l.rope, counts(l.rope) / l.ratio)"
            >
              make it usual
            </el-button>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.balance {
  padding: 10px 16px;
  overflow-y: auto;
  min-height: 0;
}
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 12px;
}
caption {
  text-align: left;
  color: var(--muted);
  font-weight: 600;
  padding: 6px 0;
}
th,
td {
  text-align: left;
  font-weight: 400;
  padding: 3px 8px 3px 0;
  border-top: 1px solid var(--line);
  vertical-align: baseline;
}
tr.open {
  background: var(--card);
}
.amber {
  color: var(--amber);
}
.counts,
td:last-child {
  white-space: nowrap;
}
.link {
  text-align: left;
}
</style>
