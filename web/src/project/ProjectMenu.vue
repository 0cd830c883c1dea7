<script setup lang="ts">
import { ref } from 'vue'
import { api, Refused, type Problem, type ProjectLine } from '../api/client'
import SettingsSheet from './SettingsSheet.vue'
import { useProject } from './useProject'

/** The project's name, and under it: the other projects, a new one, bundles in and out. */
const project = useProject()
const emit = defineEmits<{ open: [id: number] }>()
const shown = ref(false)
const lines = ref<ProjectLine[]>([])
const newName = ref('')
const problems = ref<Problem[]>([])
const message = ref('')

async function load() {
  problems.value = []
  message.value = ''
  await attempt(async () => {
    lines.value = await api.projects()
  })
}

async function attempt(work: () => Promise<void>) {
  try {
    await work()
  } catch (e) {
    message.value = (e as Error).message
    problems.value = e instanceof Refused ? (e.refusal.problems ?? []) : []
  }
}

function open(id: number) {
  shown.value = false
  emit('open', id)
}

async function create() {
  await attempt(async () => {
    const made = await api.create(newName.value.trim())
    newName.value = ''
    open(made.id)
  })
}

async function importFile(chosen: File) {
  problems.value = []
  message.value = ''
  await attempt(async () => {
    const empty = project.events.length + project.effects.length + project.ropes.length === 0
    const text = await chosen.text()
    if (!empty) return open((await api.importNew(text)).id)
    await api.importBundle(project.id, text)
    await project.open(project.id)
    open(project.id)
  })
}

const settings = ref(false)
function showSettings() {
  shown.value = false
  settings.value = true
}
</script>

<template>
  <el-popover
    v-model:visible="shown"
    trigger="click"
    placement="bottom-start"
    :width="360"
    :show-arrow="false"
    @show="load"
  >
    <template #reference>
      <el-button link class="name" :aria-expanded="shown" data-testid="project">
        {{ project.name || 'No project' }} ▾
      </el-button>
    </template>
    <div class="menu" @keydown.stop="$event.key === 'Escape' && (shown = false)">
      <h2>Projects</h2>
      <el-button
        link
        v-for="l in lines"
        :key="l.id"
        class="line parts"
        :aria-current="l.id === project.id"
        :disabled="!!l.broken"
        @click="open(l.id)"
      >
        <b>{{ l.name }}</b>
        <span v-if="l.broken" class="broken" data-testid="broken">{{ l.broken }}</span>
        <span v-else class="quiet">{{ l.events }} events, {{ l.effects }} effects, {{ l.ropes }} ropes</span>
      </el-button>
      <form @submit.prevent="create">
        <el-input
          v-model="newName"
          size="small"
          placeholder="Name of a new project"
          aria-label="Name of a new project"
          maxlength="80"
        />
        <el-button native-type="submit" :disabled="!newName.trim()">Create</el-button>
      </form>
      <el-button link class="link left" @click="showSettings">Settings of this project…</el-button>
      <h2>Bundle</h2>
      <div class="bundle">
        <a class="button" :href="api.exportPath(project.id)" download data-testid="export"
          >Export this project</a
        >
        <el-upload
          class="upload"
          accept=".json,application/json"
          :auto-upload="false"
          :show-file-list="false"
          data-testid="import"
          @change="importFile($event.raw!)"
        >
          <span class="button">Import a bundle…</span>
        </el-upload>
      </div>
      <p class="quiet small">A bundle goes into this project if it is empty, and else into a new one.</p>
      <div v-if="message" class="refused" role="alert">
        <p>{{ problems.length ? 'Nothing was imported:' : message }}</p>
        <ul>
          <li v-for="p in problems.slice(0, 12)" :key="p.place + p.given">
            <code>{{ p.place || '/' }}</code> {{ p.given }}: {{ p.allowed }}
          </li>
          <li v-if="problems.length > 12">and {{ problems.length - 12 }} more</li>
        </ul>
      </div>
    </div>
  </el-popover>
  <SettingsSheet v-if="settings" @close="settings = false" />
</template>

<style scoped>
.broken {
  color: var(--vermilion);
  white-space: normal;
}
.left {
  align-self: flex-start;
  min-height: 24px;
}
.name {
  color: var(--muted);
}
.name:hover {
  color: var(--ink);
}
.menu {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.line {
  display: flex;
  justify-content: space-between;
  padding: 4px 8px;
  border-radius: 4px;
}
.line:hover,
.line[aria-current='true'] {
  background: var(--bronze-pale);
}
form,
.bundle {
  display: flex;
  gap: 8px;
}
form input {
  flex: 1;
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 4px 8px;
  background: #fff;
}
a {
  text-decoration: none;
  color: inherit;
}
.small {
  margin: 0;
  font-size: 12px;
}
.refused {
  color: var(--vermilion);
  max-height: 220px;
  overflow: auto;
}
.refused p {
  margin: 4px 0;
  font-weight: 600;
}
ul {
  margin: 0;
  padding-left: 16px;
}
code {
  font: inherit;
  font-weight: 600;
}
</style>
