<script setup lang="ts">
import { computed } from 'vue'
import { useProject } from './useProject'

/** Both versions of a part that was saved elsewhere first, line by line where they differ. */
const project = useProject()

function flat(value: unknown, path = ''): Map<string, string> {
  const out = new Map<string, string>()
  if (Array.isArray(value) && value.every((v) => typeof v !== 'object')) out.set(path, value.join(' – '))
  else if (value !== null && typeof value === 'object')
    for (const [key, inner] of Object.entries(value))
      for (const [k, v] of flat(inner, path ? `${path} · ${key}` : key)) out.set(k, v)
  else out.set(path, String(value))
  return out
}

const differences = computed(() => {
  if (!project.conflict) return []
  const yours = flat(project.conflict.yours.body)
  const theirs = flat(project.conflict.theirs.body)
  return [...new Set([...yours.keys(), ...theirs.keys()])]
    .filter((k) => yours.get(k) !== theirs.get(k))
    .map((place) => ({ place, yours: yours.get(place) ?? '–', theirs: theirs.get(place) ?? '–' }))
})
</script>

<template>
  <el-dialog
    :model-value="!!project.conflict"
    width="620"
    :show-close="false"
    :close-on-click-modal="false"
    :close-on-press-escape="false"
    :title="`“${project.conflict?.theirs.name}” was changed elsewhere first`"
  >
    <p class="quiet">
      Your change was made on revision {{ project.conflict?.yours.revision }}; revision
      {{ project.conflict?.theirs.revision }} has been saved since. Choose which one goes on: saving yours on
      top keeps the other among the revisions; going on with the saved one drops yours.
    </p>
    <table data-testid="conflict">
      <thead>
        <tr>
          <th>where they differ</th>
          <th>yours</th>
          <th>saved</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="d in differences" :key="d.place">
          <td>{{ d.place }}</td>
          <td>{{ d.yours }}</td>
          <td>{{ d.theirs }}</td>
        </tr>
        <tr v-if="differences.length === 0">
          <td colspan="3">They say the same.</td>
        </tr>
      </tbody>
    </table>
    <template #footer>
      <el-button @click="project.keepTheirs">Go on with the saved one</el-button>
      {{ ' ' }}
      <el-button type="primary" @click="project.keepYours">Save yours on top</el-button>
    </template>
  </el-dialog>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  text-align: left;
  padding: 4px 8px 4px 0;
  border-bottom: 1px solid var(--line);
  font-weight: 400;
}
th {
  color: var(--muted);
}
td:not(:first-child) {
  font-weight: 600;
}
</style>
