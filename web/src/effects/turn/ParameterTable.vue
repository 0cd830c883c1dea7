<script setup lang="ts">
import { computed } from 'vue'
import type { Datum, Effect, Parameter, Property } from '../../api/bundle'
import type { ParameterReport } from '../../api/client'
import { strengths } from './parameters'
import TryField from './TryField.vue'

/** Parameters by emitters: what answers, how strongly, and what does not though one would expect it to. */
const props = defineProps<{
  effect: Effect
  report?: ParameterReport
  chosen: string
  values: Record<string, Datum>
}>()
const emit = defineEmits<{
  choose: [name: string]
  turn: [name: string, value: Datum]
  bind: [parameter: Parameter, property: Property, emitter: string]
}>()

const rows = computed(() =>
  props.effect.parameters.map((p) => {
    const row = props.report?.rows.find((r) => r.parameter === p.name)
    return {
      parameter: p,
      cells: props.effect.emitters.map((e) => {
        const at = props.report?.emitters.indexOf(e.name) ?? -1
        const cell = at >= 0 ? row?.cells[at] : undefined
        return {
          emitter: e.name,
          bound: cell?.bound ?? [],
          missing: cell?.missing ?? [],
          words: cell ? strengths(props.report!.usual[at], cell.low, cell.high, cell.bound) : [],
        }
      }),
    }
  }),
)
</script>

<template>
  <div class="scroll">
    <table>
      <thead>
        <tr>
          <th scope="col">parameter</th>
          <th scope="col">try</th>
          <th v-for="e in effect.emitters" :key="e.seed" scope="col">{{ e.name }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.parameter.name" :class="{ open: r.parameter.name === chosen }">
          <th scope="row">
            <el-button
              link
              :aria-expanded="r.parameter.name === chosen"
              :title="r.parameter.description"
              @click="emit('choose', r.parameter.name)"
            >
              {{ r.parameter.name }}
            </el-button>
          </th>
          <td>
            <TryField
              :parameter="r.parameter"
              :value="values[r.parameter.name] ?? r.parameter.default"
              :label="`Try ${r.parameter.name}`"
              @turn="emit('turn', r.parameter.name, $event)"
            />
          </td>
          <td
            v-for="c in r.cells"
            :key="c.emitter"
            :title="c.bound.length ? `${r.parameter.name} acts on its ${c.bound.join(', ')}` : ''"
          >
            <span v-for="w in c.words" :key="w.what" class="strength" :class="w.what">{{ w.words }}</span>
            <span v-if="!c.words.length && !c.missing.length" class="none">{{
              c.bound.length ? `acts on ${c.bound.join(', ')}` : '–'
            }}</span>
            <el-button
              link
              v-for="m in c.missing"
              :key="m"
              class="missing"
              :title="`Let the ${m} of ${c.emitter} answer to ${r.parameter.name}`"
              @click="emit('bind', r.parameter, m as Property, c.emitter)"
            >
              no {{ m }}
            </el-button>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
}
thead th {
  color: var(--muted);
  font-weight: 400;
}
th,
td {
  text-align: left;
  vertical-align: top;
  padding: 4px 6px 4px 0;
  border-bottom: 1px solid var(--line);
}
th:first-child {
  padding-left: 14px;
}
tbody th button {
  font-weight: 600;
  min-height: 24px;
  border-bottom: 1px dotted var(--bronze);
}
tr.open {
  background: var(--bronze-pale);
}
tr.open th button {
  color: var(--bronze);
}
.strength {
  display: inline-block;
  font-size: 12px;
  line-height: 16px;
  white-space: nowrap;
  margin-right: 8px;
  letter-spacing: -0.1px;
}
.reach,
.presence {
  color: var(--muted);
}
.none {
  color: var(--muted);
}
.missing {
  display: block;
  color: var(--vermilion);
  font-weight: 600;
  font-size: 12px;
  min-height: 24px;
}
.missing::before {
  content: '! ';
}
.missing:hover {
  text-decoration: underline;
}
</style>
