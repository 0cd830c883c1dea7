<script setup lang="ts">
import { computed } from 'vue'
import { api } from '../api/client'
import { useProject } from '../project/useProject'

/** All effects of the project with a still of each, its kind, and how many ropes play it. */
const props = defineProps<{ selected: number; find: string }>()
const emit = defineEmits<{ select: [id: number]; recipes: [] }>()
const project = useProject()

const users = computed(() => {
  const count = new Map<string, number>()
  for (const rope of project.ropes)
    if (rope.body.play) count.set(rope.body.play, (count.get(rope.body.play) ?? 0) + 1)
  for (const effect of project.effects)
    for (const emitter of effect.body.emitters)
      for (const child of emitter.end?.children ?? [])
        if (child.effect) count.set(child.effect, (count.get(child.effect) ?? 0) + 1)
  return count
})
const shown = computed(() => {
  const wanted = props.find.trim().toLowerCase()
  return project.effects.filter(
    (e) =>
      !wanted ||
      e.body.name.toLowerCase().includes(wanted) ||
      e.body.emitters.some((m) => m.name.toLowerCase().includes(wanted)),
  )
})
function used(name: string) {
  const n = users.value.get(name) ?? 0
  return n === 0 ? 'unused' : n === 1 ? '1 rope' : `${n} ropes`
}
defineExpose({ shown })
</script>

<template>
  <nav class="list" aria-label="Effects">
    <header>
      <h2>Effects</h2>
      <el-button link class="link" @click="emit('recipes')">+ from a recipe</el-button>
    </header>
    <ul>
      <li v-for="e in shown" :key="e.id">
        <el-button
          link
          class="parts"
          :class="{ selected: e.id === selected }"
          :aria-current="e.id === selected"
          @click="emit('select', e.id)"
        >
          <img
            :src="api.stillPath(project.id, e.id, e.revision)"
            alt=""
            width="48"
            height="32"
            loading="lazy"
          />
          <span>
            {{ e.body.name }}
            <small class="quiet"
              >{{ e.body.course.kind === 'looping' ? 'looping' : 'one-shot' }} ·
              {{ used(e.body.name) }}</small
            >
          </span>
        </el-button>
      </li>
    </ul>
    <p v-if="!shown.length" class="quiet none">
      {{ project.effects.length ? `No effect is named like “${find}”.` : 'No effects yet.' }}
    </p>
  </nav>
</template>

<style scoped>
.list {
  min-height: 0;
  overflow-y: auto;
  padding-bottom: 12px;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  padding: 10px 14px 4px;
  position: sticky;
  top: 0;
  background: var(--paper);
  z-index: 1;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li button {
  display: flex;
  gap: 10px;
  align-items: center;
  width: 100%;
  padding: 6px 14px;
  text-align: left;
  contain: layout;
}
li button:hover,
.selected {
  background: var(--bronze-pale);
}
.selected {
  font-weight: 600;
}
img {
  border-radius: 3px;
  background: var(--stage);
  flex: none;
  object-fit: cover;
}
small {
  display: block;
  font-size: 12px;
  white-space: nowrap;
  font-weight: 400;
}
.none {
  padding: 0 14px;
}
</style>
