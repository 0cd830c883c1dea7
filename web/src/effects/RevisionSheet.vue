<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import { toTheSecond } from '../common/when'
import Choice from '../common/Choice.vue'
import { api, type ChangesView, type PartView } from '../api/client'
import { useProject } from '../project/useProject'
import { useSheet } from '../common/useKeys'

/** Every save of an effect: look, compare two, go back. */
const props = defineProps<{ part: number; base?: number }>()
const emit = defineEmits<{ close: []; compare: [part: PartView] }>()
const project = useProject()
const open = ref(true)
const revisions = ref<PartView[]>([])
const chosen = ref<number>()
const other = ref<number>()
const changes = ref<ChangesView>()
const failure = ref('')

async function load() {
  try {
    revisions.value = (await api.revisions(props.part)).sort((a, b) => b.revision - a.revision)
    other.value = revisions.value[0]?.revision
    chosen.value = revisions.value[1]?.revision ?? revisions.value[0]?.revision
  } catch (e) {
    failure.value = (e as Error).message
  }
}
onMounted(load)
watch([chosen, other], async () => {
  if (chosen.value === undefined || other.value === undefined) return
  try {
    changes.value = await api.changes(props.part, chosen.value, other.value)
  } catch (e) {
    failure.value = (e as Error).message
  }
})
const selected = computed(() => revisions.value.find((r) => r.revision === chosen.value))
const when = (part: PartView) => toTheSecond(new Date(part.savedAt))
async function back() {
  if (selected.value && (await project.commit(props.part, selected.value.body))) await load()
}
function beside() {
  if (selected.value) emit('compare', selected.value)
  open.value = false
}
useSheet()
</script>

<template>
  <el-dialog v-model="open" title="Revisions" width="820" top="8vh" @closed="emit('close')">
    <p v-if="failure" class="bad" role="alert">{{ failure }}</p>
    <div class="two">
      <el-radio-group v-model="chosen" class="list" aria-label="Revisions">
        <el-radio
          v-for="r in revisions"
          :key="r.revision"
          :class="{ chosen: r.revision === chosen }"
          :value="r.revision"
        >
          <b>{{ r.revision }}</b> <span class="quiet">{{ when(r) }}</span>
          <small v-if="r.revision === revisions[0].revision">now</small>
          <small v-else-if="r.revision === base">before</small>
        </el-radio>
      </el-radio-group>
      <div v-if="selected" class="what">
        <p>
          From revision <b>{{ chosen }}</b> to
          <Choice :value="other" @choose="other = Number($event)" label="Compared with revision">
            <option v-for="r in revisions" :key="r.revision" :value="r.revision">{{ r.revision }}</option>
          </Choice>
          {{ changes?.changes.length ? 'this changed:' : 'nothing changed.' }}
        </p>
        <table v-if="changes?.changes.length">
          <tbody>
            <tr v-for="c in changes.changes" :key="c.place">
              <th scope="row">{{ c.place }}</th>
              <td class="was">{{ c.before || '—' }}</td>
              <td>{{ c.after || '—' }}</td>
            </tr>
          </tbody>
        </table>
        <p class="acting">
          <el-button @click="beside">Play it beside the present one</el-button>
          <el-button
            type="primary"
            :disabled="chosen === revisions[0]?.revision"
            title="Saved as a new revision; nothing is lost"
            @click="back"
          >
            Go back to revision {{ chosen }}
          </el-button>
        </p>
      </div>
    </div>
  </el-dialog>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 210px minmax(0, 1fr);
  gap: 16px;
}
.list {
  display: flex;
  flex-direction: column;
  flex-wrap: nowrap;
  align-items: stretch;
  max-height: 60vh;
  overflow-y: auto;
}
.list .el-radio {
  height: auto;
  margin: 0;
  padding: 3px 6px;
  border-radius: 4px;
}
.list .chosen {
  background: var(--bronze-pale);
}
table {
  border-collapse: collapse;
  width: 100%;
  font-size: 12px;
  display: block;
  max-height: 44vh;
  overflow-y: auto;
}
th {
  text-align: left;
  font-weight: 600;
}
th,
td {
  padding: 3px 10px 3px 0;
  border-top: 1px solid var(--line);
  vertical-align: top;
  overflow-wrap: anywhere;
}
.was {
  color: var(--muted);
  text-decoration: line-through;
}
.acting {
  display: flex;
  gap: 10px;
}
</style>
