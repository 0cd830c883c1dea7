<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, Refused, type ContractView } from '../api/client'
import { latest } from '../common/latest'
import { useKeys } from '../common/useKeys'
import { useProject } from '../project/useProject'
import ContractPage from './ContractPage.vue'
import Differences from './Differences.vue'
import FilePane, { FORMATS } from './FilePane.vue'

/** What is handed to game code: the contract as documentation, what changed and whom it breaks, and the files. */
const props = defineProps<{ find: string }>()
const project = useProject()
const view = shallowRef<ContractView>()
const asked = useRoute().query.against
const against = ref(typeof asked === 'string' ? asked : undefined)
const name = ref('')
const note = ref('')
const offline = ref('')
const format = ref('code/java')
const old = ref(false)

const fetch = latest<void>(async () => {
  try {
    view.value = await api.contract(project.id, against.value)
    offline.value = ''
  } catch (e) {
    if (!(e instanceof Refused)) throw e
    if (e.status === 0) offline.value = 'The server does not answer. What you see is the last it said.'
    else if (against.value) {
      // The version that it was compared with is gone.
      against.value = undefined
      fetch(undefined)
    } else project.refusal = e.refusal
  }
})
watch([() => project.version, against], () => fetch(undefined), { immediate: true })

const suggested = computed(() => {
  const last = view.value?.versions[0]?.name
  if (!last) return '1'
  const number = /^(.*?)(\d+)$/.exec(last)
  return number ? number[1] + (Number(number[2]) + 1) : `${last} 2`
})
async function handOver() {
  if (await project.handOver(name.value.trim() || suggested.value, note.value.trim())) {
    name.value = ''
    note.value = ''
    against.value = undefined
  }
}
const shown = computed(() => against.value ?? view.value?.against)
function choose(version: string) {
  against.value = version
  old.value = false
}
function move(by: number) {
  const all = view.value?.versions ?? []
  const at = all.findIndex((v) => v.name === shown.value)
  const next = all[Math.min(all.length - 1, Math.max(0, at + by))]
  if (next) choose(next.name)
}
function nextFormat() {
  const at = FORMATS.findIndex(([key]) => key === format.value)
  format.value = FORMATS[(at + 1) % FORMATS.length][0]
}
const when = (iso: string) => iso.slice(0, 16).replace('T', ' ')
useKeys({
  ArrowDown: () => move(1),
  ArrowUp: () => move(-1),
  l: nextFormat,
})
</script>

<template>
  <main class="handoff">
    <nav aria-label="Versions">
      <h2>Versions</h2>
      <form @submit.prevent="handOver">
        <el-input
          v-model="name"
          size="small"
          :placeholder="suggested"
          aria-label="Name of the version"
          @keydown.stop
        />
        <el-input
          v-model="note"
          type="textarea"
          :rows="2"
          maxlength="2000"
          placeholder="what is new, for whoever reads it"
          aria-label="What is new"
          @keydown.stop
        />
        <el-button type="primary" native-type="submit">Hand over {{ name.trim() || suggested }}</el-button>
      </form>
      <p v-if="view && !view.versions.length" class="quiet">
        A version is the contract as game code was given it. Later changes are held against it, and renames
        keep the deprecated name for one more version.
      </p>
      <ul>
        <li v-for="(v, i) in view?.versions" :key="v.part" :class="{ chosen: v.name === shown }">
          <el-button link :aria-pressed="v.name === shown" @click="choose(v.name)">
            <b>{{ v.name }}</b> <span class="quiet">{{ when(v.at) }}</span>
            <span v-if="v.note" class="note">{{ v.note }}</span>
          </el-button>
          <el-button link v-if="i === 0" class="link" @click="project.remove(v.part)">take back</el-button>
        </li>
      </ul>
    </nav>
    <section v-if="view" class="middle" aria-label="Contract" tabindex="0">
      <h1>
        {{ project.name }} <span class="quiet">{{ view.version }}</span>
      </h1>
      <p v-if="offline" class="offline" role="alert">{{ offline }}</p>
      <Differences v-if="view.against" :view="view" />
      <section v-if="view.aliases.length" class="aliases" aria-label="Deprecated names">
        <h2>Deprecated names, still accepted in this version</h2>
        <p v-for="a in view.aliases" :key="a.kind + a.within + a.from">
          {{ a.kind }} <b>{{ a.from }}</b> is called <b>{{ a.to }}</b>
          <template v-if="a.within"> in {{ a.within }}</template
          >&ensp;<span class="quiet">since version {{ a.since }}</span>
        </p>
      </section>
      <ContractPage :view="view" :find="props.find" />
    </section>
    <section v-else class="middle"><p class="offline quiet">Reading the contract…</p></section>
    <div class="files">
      <el-checkbox v-if="shown" class="which" v-model="old"
        >as version {{ shown }} was handed over</el-checkbox
      >
      <FilePane v-model:format="format" :version="old ? shown : undefined" :changed="project.version" />
    </div>
  </main>
</template>

<style scoped>
.handoff {
  display: grid;
  grid-template-columns: 190px minmax(0, 1fr) 400px;
  min-height: 0;
  height: 100%;
}
nav {
  padding: 10px 14px;
  overflow-y: auto;
}
form {
  display: grid;
  gap: 6px;
  margin: 8px 0 12px;
}
ul {
  list-style: none;
  margin: 0 -14px;
  padding: 0;
}
li {
  padding: 4px 14px;
  border-top: 1px solid var(--line);
}
li.chosen {
  background: var(--bronze-pale);
}
li button:first-child {
  text-align: left;
  width: 100%;
}
.note {
  display: block;
}
li .link {
  min-height: 24px;
}
.middle {
  min-width: 0;
  min-height: 0;
  overflow-y: auto;
  border-left: 1px solid var(--line);
}
h1 {
  font-size: 16px;
  margin: 0;
  padding: 10px 16px;
  border-bottom: 1px solid var(--line);
}
h1 .quiet {
  font-weight: 400;
}
.offline {
  margin: 0;
  padding: 6px 16px;
  color: var(--vermilion);
}
.offline.quiet {
  color: var(--muted);
}
.aliases {
  padding: 10px 16px;
  border-bottom: 1px solid var(--line);
}
.aliases p {
  margin: 2px 0;
}
.files {
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.files > :last-child {
  flex: 1;
}
.which {
  padding: 6px 14px;
  border-left: 1px solid var(--line);
  border-bottom: 1px solid var(--line);
}
@media (min-width: 1600px) {
  .handoff {
    grid-template-columns: 220px minmax(0, 1fr) 560px;
  }
}
</style>
