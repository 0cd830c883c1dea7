<script setup lang="ts">
import { computed } from 'vue'
import type { Channel, EventType, Field, Parameter } from '../api/bundle'
import type { ContractView } from '../api/client'
import { showNumber } from '../common/numberText'
import ShapeGlyph from '../ropes/ShapeGlyph.vue'
import { carries, found, takes, usually } from './words'

/** The contract as a programmer reads it. */
const props = defineProps<{ view: ContractView; find: string }>()

interface Contract {
  events: EventType[]
  channels: Channel[]
  effects: { name: string; description: string; looping?: boolean; parameters: Parameter[] }[]
  notices: { name: string; from: string[]; values?: { field: Field; always?: boolean }[] }[]
  announced: string[]
}
const contract = computed(() => props.view.contract as Contract)
const events = computed(() =>
  contract.value.events.filter((e) =>
    found(props.find, e.name, e.description, ...e.fields.map((f) => f.name)),
  ),
)
const channels = computed(() =>
  contract.value.channels.filter((c) => found(props.find, c.name, c.description)),
)
const effects = computed(() =>
  contract.value.effects.filter((e) =>
    found(props.find, e.name, e.description, ...e.parameters.map((p) => p.name)),
  ),
)
const notices = computed(() =>
  contract.value.notices.filter((n) =>
    found(props.find, n.name, ...(n.values ?? []).map((v) => v.field.name)),
  ),
)
const former = (kind: string, within: string, to: string) =>
  props.view.aliases.filter((a) => a.kind === kind && a.within === within && a.to === to).map((a) => a.from)
const HOW: Record<string, string> = {
  moment: 'announced when it happens',
  span: 'begins, and ends',
  state: 'takes a value',
}
</script>

<template>
  <section aria-label="Events">
    <h2>What the game announces</h2>
    <article v-for="e in events" :key="e.name">
      <h3>
        <ShapeGlyph :shape="e.shape" /> {{ e.name }}
        <span class="quiet"
          >{{ HOW[e.shape] }}<template v-if="e.values">: {{ e.values.join(', ') }}</template></span
        >
        <span v-for="f in former('event', '', e.name)" :key="f" class="former">formerly {{ f }}</span>
      </h3>
      <p v-if="e.description">{{ e.description }}</p>
      <table v-if="e.fields.length">
        <tbody>
          <tr v-for="f in e.fields" :key="f.name">
            <th scope="row">
              {{ f.name }}
              <span v-for="x in former('field', e.name, f.name)" :key="x" class="former"
                >formerly {{ x }}</span
              >
            </th>
            <td>{{ carries(f) }}</td>
            <td class="unit">
              {{ f.type === 'number' ? f.unit : f.type === 'extent' || f.type === 'position' ? 'u' : '' }}
            </td>
            <td class="quiet">
              {{ f.type === 'number' ? `usually ${showNumber(f.usual ?? f.range[0])}` : '' }}
            </td>
          </tr>
        </tbody>
      </table>
    </article>
    <p v-if="!events.length" class="quiet">Nothing.</p>
  </section>
  <section aria-label="Channels">
    <h2>What the game publishes all along</h2>
    <table>
      <tbody>
        <tr v-for="c in channels" :key="c.name">
          <th scope="row">
            {{ c.name }}
            <span v-for="x in former('channel', '', c.name)" :key="x" class="former">formerly {{ x }}</span>
          </th>
          <td>a number, {{ showNumber(c.range[0]) }} to {{ showNumber(c.range[1]) }}</td>
          <td class="unit">{{ c.unit }}</td>
          <td class="quiet">usually {{ showNumber(c.usual ?? c.range[0]) }}</td>
          <td>{{ c.description }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="!channels.length" class="quiet">Nothing.</p>
  </section>
  <section aria-label="Effects">
    <h2>What the game may set</h2>
    <article v-for="e in effects" :key="e.name">
      <h3>
        {{ e.name }} <span class="quiet">{{ e.looping ? 'looping' : 'one-shot' }}</span>
        <span v-for="f in former('effect', '', e.name)" :key="f" class="former">formerly {{ f }}</span>
      </h3>
      <p v-if="e.description">{{ e.description }}</p>
      <table v-if="e.parameters.length">
        <tbody>
          <tr v-for="p in e.parameters" :key="p.name">
            <th scope="row">
              {{ p.name }}
              <span v-for="x in former('parameter', e.name, p.name)" :key="x" class="former"
                >formerly {{ x }}</span
              >
            </th>
            <td>{{ takes(p) }}</td>
            <td class="unit">{{ p.unit }}</td>
            <td class="quiet">usually {{ usually(p) }}</td>
            <td>{{ p.description }} <b v-if="p.byGame" class="code">game code sets it</b></td>
          </tr>
        </tbody>
      </table>
    </article>
    <p v-if="!effects.length" class="quiet">Nothing.</p>
  </section>
  <section aria-label="Notices">
    <h2>What the game is told</h2>
    <table>
      <tbody>
        <template v-for="n in notices" :key="n.name">
          <tr>
            <th scope="row">{{ n.name }}</th>
            <td colspan="4">by {{ n.from.join(', ') }}</td>
          </tr>
          <tr v-for="v in n.values ?? []" :key="v.field.name" class="carried">
            <th scope="row">with {{ v.field.name }}</th>
            <td>{{ carries(v.field) }}</td>
            <td class="unit">{{ v.field.type === 'number' ? v.field.unit : '' }}</td>
            <td class="quiet">{{ v.always ? 'always' : 'by some ropes' }}</td>
            <td></td>
          </tr>
        </template>
        <tr v-for="n in contract.announced" :key="n">
          <th scope="row">{{ n }}</th>
          <td colspan="4">an event that ropes announce themselves</td>
        </tr>
      </tbody>
    </table>
    <p v-if="!notices.length && !contract.announced.length" class="quiet">Nothing.</p>
  </section>
</template>

<style scoped>
section {
  padding: 10px 16px 14px;
  border-bottom: 1px solid var(--line);
}
article {
  padding-top: 8px;
}
h3 {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 8px;
  margin: 0;
  font-size: 13px;
}
h3 .quiet {
  font-weight: 400;
}
p {
  margin: 2px 0;
  max-width: 70ch;
}
table {
  width: 100%;
  border-collapse: collapse;
  margin-top: 2px;
}
th,
td {
  text-align: left;
  vertical-align: top;
  font-weight: 400;
  padding: 3px 12px 3px 0;
  border-top: 1px solid var(--line);
}
th {
  width: 130px;
  font-weight: 600;
}
.carried th {
  font-weight: 400;
  padding-left: 12px;
}
.unit {
  width: 36px;
  color: var(--muted);
}
td:nth-child(4) {
  width: 96px;
}
.former {
  color: var(--amber);
  font-weight: 400;
  font-size: 12px;
}
.code {
  color: var(--verdigris);
  font-weight: 600;
  white-space: nowrap;
}
</style>
