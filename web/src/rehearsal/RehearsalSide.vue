<script setup lang="ts">
import { computed } from 'vue'
import type { AccountReport, RehearsalView } from '../api/client'
import { showCount } from '../common/numberText'
import { lossOf } from '../pools/lines'
import { useProject } from '../project/useProject'
import { compared } from './compared'
import { unitOf } from './usage'
import type { Before, Earlier } from './useRehearsal'

/** What a rehearsal asks for at once at most, who made it, what pools lost, and the accounts up to a moment. */
const props = defineProps<{
  played: RehearsalView
  /** What it is compared with. */
  before?: Before
  /** One that was kept before the page was loaded, or another score chosen. */
  earlier?: Earlier
  /** The moment that is looked at. */
  seconds: number
  /** The account that a mark led to, in place of the last ones. */
  account?: AccountReport
  lately: AccountReport[]
}>()
const emit = defineEmits<{ seek: [seconds: number]; all: []; keep: []; again: []; forget: [] }>()
const project = useProject()

const to = (pool?: number) => ({ path: '/pools', query: { project: project.id, pool } })
const poolNamed = (name: string) => project.pools.find((p) => p.body.name === name)?.id
const tables = computed(() => props.before && compared(props.before.take.head, props.played))
/** Of the many that come together only who answered; where nobody did, why. */
const told = (a: AccountReport, alone: boolean) =>
  alone || a.answers.every((l) => !l.answered) ? a.answers : a.answers.filter((l) => l.answered)
</script>

<template>
  <section class="open">
    <h2>At once, at most</h2>
    <table>
      <tbody>
        <tr v-for="l in played.whole" :key="l.name">
          <th scope="row">{{ l.name }}</th>
          <td class="number">{{ showCount(Number(l.peak.toPrecision(4))) }}</td>
          <td class="quiet">{{ unitOf(l.name) }}</td>
          <td>
            <el-button link class="link" @click="emit('seek', l.peakAt)"
              >at {{ l.peakAt.toFixed(2) }} s</el-button
            >
          </td>
        </tr>
      </tbody>
    </table>
    <p class="quiet small">
      {{ showCount(played.births) }} born<template v-if="played.dropped"
        >, <b class="bad">{{ showCount(played.dropped) }} dropped</b></template
      >; the limit is {{ showCount(played.particleLimit) }} particles.
      <template v-if="!played.still">Something goes on without end.</template>
    </p>
  </section>
  <section class="open" data-testid="compared">
    <h2>Compared</h2>
    <template v-if="before">
      <p class="quiet small">
        With what was kept at {{ before.at }}.
        <el-button link class="link" @click="emit('keep')">keep this instead</el-button>&ensp;
        <el-button link class="link" @click="emit('forget')">end it</el-button>
      </p>
      <table v-for="t in tables" :key="t.title">
        <thead>
          <tr>
            <th scope="col">{{ t.title }}</th>
            <th scope="col" class="right">before</th>
            <th scope="col" class="right">now</th>
            <th scope="col" class="right">{{ t.last }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in t.rows" :key="r.name">
            <th scope="row">
              {{ r.name }} <small class="quiet">{{ r.unit }}</small>
            </th>
            <td class="right">{{ r.before }}</td>
            <td class="number">{{ r.now }}</td>
            <td class="right" :class="r.tone">{{ r.change }}</td>
          </tr>
        </tbody>
      </table>
    </template>
    <p v-else-if="earlier" class="quiet small">
      A rehearsal was kept at {{ earlier.at }}.
      <b v-if="earlier.broke" class="bad">It cannot be played again: {{ earlier.broke }}</b>
      <el-button v-else link class="link" @click="emit('again')">compare with it again</el-button>&ensp;
      <el-button link class="link" @click="emit('keep')">keep this instead</el-button>&ensp;
      <el-button link class="link" @click="emit('forget')">forget it</el-button>
    </p>
    <p v-else class="quiet small">
      Keep this rehearsal, change something, and see by how much it differs.
      <el-button link class="link" @click="emit('keep')">keep it to compare</el-button>
    </p>
  </section>
  <section v-if="played.makers.length" class="open" data-testid="makers">
    <h2>Who makes the peak</h2>
    <table>
      <tbody>
        <tr v-for="m in played.makers" :key="m.rope">
          <th scope="row">{{ m.rope }}</th>
          <td class="number">{{ m.instances }}</td>
          <td class="quiet">{{ m.instances === 1 ? 'instance' : 'instances' }}</td>
        </tr>
      </tbody>
    </table>
  </section>
  <section class="open">
    <h2>Pools</h2>
    <table v-if="played.pools.length">
      <tbody>
        <tr v-for="p in played.pools" :key="p.name">
          <th scope="row">
            <RouterLink class="link" :to="to(poolNamed(p.name))">{{ p.name }}</RouterLink>
          </th>
          <td class="number">{{ p.peak }} of {{ p.capacity }}</td>
          <td>
            <span :class="lossOf(p).tone">{{ lossOf(p).words }}</span>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else class="quiet small">
      This project has none: every effect makes as many instances as it is asked for.
      <RouterLink class="link" :to="to()">Size them</RouterLink>
    </p>
  </section>
  <section class="open" aria-label="Account">
    <h2>Account, up to {{ seconds.toFixed(2) }} s</h2>
    <ol>
      <li v-for="a in account ? [account] : lately" :key="a.number">
        <el-button link class="link" @click="emit('seek', a.at)">{{ a.at.toFixed(2) }} s</el-button>
        <b>{{ a.event }}</b> <span v-if="a.subject" class="quiet">{{ a.subject }}</span>
        <span v-if="!a.answers.length && !a.refused.length" class="quiet">: {{ a.summary }}</span>
        <p v-for="l in told(a, !!account)" :key="l.rope" :class="{ quiet: !l.answered }">
          {{ l.answered ? '●' : '○' }} {{ l.words }}
          <RouterLink v-if="l.pool" class="link" :to="to(poolNamed(l.pool))">the pool</RouterLink>
        </p>
        <p v-for="r in a.refused" :key="r.place" class="bad">{{ r.place }}: {{ r.given }}: {{ r.allowed }}</p>
        <p v-for="n in a.notes" :key="n" class="doubt">{{ n }}</p>
      </li>
    </ol>
    <el-button v-if="account" link class="link" @click="emit('all')">all up to here</el-button>
    <p v-else-if="!lately.length" class="quiet small">Nothing has come yet.</p>
  </section>
</template>

<style scoped>
.open {
  padding: 10px 14px;
  border-bottom: 1px solid var(--line);
}
table {
  width: 100%;
  border-collapse: collapse;
}
th {
  font-weight: 400;
  text-align: left;
}
tr {
  height: 26px;
}
td {
  padding-left: 6px;
  white-space: nowrap;
}
.number {
  text-align: right;
  font-weight: 600;
}
.right {
  text-align: right;
}
thead th {
  color: var(--muted);
}
.small {
  margin: 6px 0 0;
}
ol {
  list-style: none;
  margin: 4px -14px 0;
  padding: 0;
}
li {
  padding: 4px 14px;
  border-top: 1px solid var(--line);
}
li :deep(.el-button) {
  min-height: 24px;
  margin-right: 6px;
}
li p {
  margin: 0;
}
</style>
