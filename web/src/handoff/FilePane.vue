<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import OneOf from '../common/OneOf.vue'
import { api } from '../api/client'
import { useProject } from '../project/useProject'

/** The contract as files: source text per language, and the open formats. */
const props = defineProps<{ version?: string; changed: number }>()
const format = defineModel<string>('format', { required: true })
const project = useProject()

const WEB_GAME = 'web-game'
const whole = computed(() => format.value === WEB_GAME)
/** What is shown, and what is downloaded: of a web game everything together. */
const path = computed(() =>
  whole.value ? '/game/bellrope.ts' : api.contractPath(project.id, format.value, props.version),
)
const saved = computed(() => (whole.value ? api.contractPath(project.id, WEB_GAME) : path.value))
const text = ref('')
const file = ref('')
const failure = ref('')
const copied = ref(false)
watch(
  [path, () => props.changed],
  async () => {
    const asked = path.value
    try {
      const response = await fetch(asked)
      const body = await response.text()
      if (asked !== path.value) return
      if (!response.ok) throw new Error(JSON.parse(body).detail ?? response.statusText)
      text.value = body
      file.value = whole.value
        ? 'bellrope.ts'
        : (/filename="([^"]+)"/.exec(response.headers.get('Content-Disposition') ?? '')?.[1] ?? '')
      failure.value = ''
    } catch (e) {
      failure.value =
        e instanceof TypeError
          ? 'The server does not answer; this is what it said last.'
          : (e as Error).message
    }
  },
  { immediate: true },
)
async function copy() {
  await navigator.clipboard.writeText(text.value)
  copied.value = true
  setTimeout(() => (copied.value = false), 1500)
}
</script>

<script lang="ts">
export const FORMATS = [
  ['code/java', 'Java'],
  ['code/csharp', 'C#'],
  ['code/cpp', 'C++'],
  ['code/typescript', 'TypeScript'],
  ['web-game', 'Web game'],
  ['asyncapi', 'AsyncAPI'],
  ['schema', 'JSON Schema'],
] as const
</script>

<template>
  <aside aria-label="Files">
    <header>
      <OneOf
        label="Language or format"
        :value="format"
        :options="FORMATS.map(([key]) => key)"
        :words="(key) => FORMATS.find(([k]) => k === key)![1]"
        @choose="format = $event"
      />
      <p>
        <b>{{ file }}</b>
        <span v-if="whole" class="quiet">wraps the core in a game's page</span>
        <span v-else class="quiet">{{ version ? `version ${version}` : 'as it stands' }}</span>
        <a class="link" :href="saved" :download="whole ? '' : file">{{
          whole ? 'download with core, calls and bundle' : 'download'
        }}</a>
        <el-button link class="link" @click="copy">{{ copied ? 'copied' : 'copy' }}</el-button>
      </p>
      <p v-if="failure" class="failure" role="alert">{{ failure }}</p>
    </header>
    <pre tabindex="0" :aria-label="`Text of ${file}`">{{ text }}</pre>
  </aside>
</template>

<style scoped>
aside {
  display: flex;
  flex-direction: column;
  min-width: 0;
  min-height: 0;
  border-left: 1px solid var(--line);
}
header {
  padding: 6px 14px;
  border-bottom: 1px solid var(--line);
}
p {
  display: flex;
  align-items: baseline;
  gap: 10px;
  margin: 6px 0 2px;
}
.failure {
  color: var(--vermilion);
}
pre {
  flex: 1;
  margin: 0;
  padding: 10px 14px;
  overflow: auto;
  background: var(--card);
  font:
    12px/1.45 'DejaVu Sans Mono',
    monospace;
  tab-size: 4;
}
</style>
