<script setup lang="ts">
import { computed } from 'vue'
import type { BalanceLine, WiringView } from '../api/client'
import type { Rope } from '../api/bundle'
import NumberField from '../common/NumberField.vue'
import { showNumber, showPresence } from '../common/numberText'
import { useProject } from '../project/useProject'

/**
 * All responses against the weight of their events. The line is what a response of that weight usually has in this
 * project; the band about it is three times more and less.
 */
const props = defineProps<{ wiring?: WiringView; open: number }>()
const emit = defineEmits<{ open: [id: number] }>()
const project = useProject()

const W = 600
const H = 300
const lines = computed(() => props.wiring?.lines ?? [])
const name = (id: number) => project.ropes.find((r) => r.id === id)?.body.name ?? ''
const bounds = computed(() => {
  const all = lines.value.flatMap((l) => [l.presence, l.usual])
  const least = Math.floor(Math.log10(Math.min(0.01, ...all)))
  const most = Math.ceil(Math.log10(Math.max(1, ...all)))
  return [least, most]
})
const x = (weight: number) => 60 + ((weight - 0.5) / 5) * (W - 80)
const y = (presence: number) => {
  const [least, most] = bounds.value
  return H - 30 - ((Math.log10(presence) - least) / (most - least)) * (H - 50)
}
const decades = computed(() => {
  const [least, most] = bounds.value
  return Array.from({ length: most - least + 1 }, (_, i) => least + i)
})
const usual = (weight: number) =>
  Math.exp((props.wiring?.intercept ?? 0) + (props.wiring?.slope ?? 0) * weight)
const band = computed(() => {
  if (!lines.value.length) return ''
  const ends = [0.5, 5.5]
  const up = ends.map((w) => `${x(w)} ${y(usual(w) * 3)}`)
  const down = ends.reverse().map((w) => `${x(w)} ${y(usual(w) / 3)}`)
  return `M${[...up, ...down].join('L')}z`
})
// Those of one weight stand side by side, in the order of the ropes.
const dots = computed(() => {
  const seen = new Map<number, number>()
  const count = new Map<number, number>()
  lines.value.forEach((l) => count.set(l.weight, (count.get(l.weight) ?? 0) + 1))
  return lines.value.map((l) => {
    const i = seen.get(l.weight) ?? 0
    seen.set(l.weight, i + 1)
    const step = Math.min(14, 90 / count.get(l.weight)!)
    return { line: l, cx: x(l.weight) + (i - (count.get(l.weight)! - 1) / 2) * step, cy: y(l.presence) }
  })
})
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
    <svg
      :viewBox="`0 0 ${W} ${H}`"
      role="img"
      aria-label="Presence of each response against the weight of its event"
    >
      <path :d="band" class="band" />
      <line
        v-if="lines.length"
        :x1="x(0.5)"
        :y1="y(usual(0.5))"
        :x2="x(5.5)"
        :y2="y(usual(5.5))"
        class="usual"
      />
      <g v-for="d in decades" :key="d">
        <line :x1="60" :x2="W - 20" :y1="y(10 ** d)" :y2="y(10 ** d)" class="grid" />
        <text :x="54" :y="y(10 ** d) + 4" text-anchor="end">{{ showNumber(10 ** d) }}</text>
      </g>
      <text v-for="w in 5" :key="w" :x="x(w)" :y="H - 10" text-anchor="middle">weight {{ w }}</text>
      <text :x="W - 20" :y="12" text-anchor="end">presence, u² s</text>
      <g v-for="{ line, cx, cy } in dots" :key="line.rope" class="dot" @click="emit('open', line.rope)">
        <circle
          :cx="cx"
          :cy="cy"
          :r="line.rope === open ? 6 : 4.5"
          :class="[line.verdict, { open: line.rope === open }]"
        />
        <title>{{ name(line.rope) }}: {{ showPresence(line.presence) }} u² s, {{ verdict(line) }}</title>
      </g>
    </svg>
    <p v-if="!lines.length" class="quiet">Nothing can be seen yet, so there is nothing to weigh.</p>
    <table v-else>
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
svg {
  width: 100%;
  max-height: 340px;
}
text {
  font-size: 11px;
  fill: var(--muted);
}
.band {
  fill: var(--bronze-pale);
}
.usual {
  stroke: var(--bronze);
  stroke-width: 1.4;
}
.grid {
  stroke: var(--line);
}
.dot {
  cursor: pointer;
}
circle {
  fill: var(--verdigris);
  stroke: var(--paper);
}
circle.loud {
  fill: var(--vermilion);
}
circle.faint {
  fill: var(--paper);
  stroke: var(--amber);
  stroke-width: 2;
}
circle.open {
  stroke: var(--ink);
  stroke-width: 2;
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
