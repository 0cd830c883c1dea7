<script setup lang="ts">
import { computed } from 'vue'
import type { ContractView } from '../api/client'

/** What differs from an earlier version, and whom it breaks; what breaks first. */
const props = defineProps<{ view: ContractView }>()
const ordered = computed(() =>
  [...props.view.differences].sort((a, b) => Number(b.breaks) - Number(a.breaks)),
)
const title = computed(() => {
  const n = props.view.differences.length
  if (!n) return `Nothing differs from version ${props.view.against}`
  const many = n === 1 ? '1 difference' : `${n} differences`
  const b = props.view.breaks
  return `${many} from version ${props.view.against}; ${b ? `${b} of them ${b === 1 ? 'breaks' : 'break'} game code` : 'nothing breaks'}`
})
</script>

<template>
  <section aria-label="What changed" data-testid="differences">
    <h2 :class="{ breaks: view.breaks }">{{ title }}</h2>
    <table v-if="ordered.length">
      <tbody>
        <tr v-for="d in ordered" :key="d.what + d.kind + d.before">
          <td class="kind" :class="{ breaks: d.breaks }">{{ d.breaks ? `${d.kind}, breaks` : d.kind }}</td>
          <th scope="row">{{ d.what }}</th>
          <td>
            <template v-if="d.kind === 'changed' || d.kind === 'renamed'"
              ><span class="was">{{ d.before || '—' }}</span> → {{ d.after || '—' }}</template
            >
            <template v-else-if="d.after && d.after !== 'there'">{{ d.after }}</template>
          </td>
          <td class="quiet">{{ d.why }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
section {
  padding: 10px 16px 14px;
  border-bottom: 1px solid var(--line);
}
h2.breaks {
  color: var(--vermilion);
}
table {
  border-collapse: collapse;
  width: 100%;
  margin-top: 4px;
}
th,
td {
  text-align: left;
  vertical-align: top;
  padding: 3px 12px 3px 0;
  border-top: 1px solid var(--line);
  font-weight: 400;
}
th {
  font-weight: 600;
}
.kind {
  color: var(--verdigris);
  white-space: nowrap;
}
.kind.breaks {
  color: var(--vermilion);
  font-weight: 600;
}
.was {
  color: var(--muted);
}
</style>
