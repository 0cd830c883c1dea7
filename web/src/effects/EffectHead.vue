<script setup lang="ts">
import { computed } from 'vue'
import { useEdit } from '../effect/useEdit'
import { useProject } from '../project/useProject'

/** The effect as a whole: name, what it is for, how it runs, whether it looks the same each time. */
defineProps<{ part: number }>()
const emit = defineEmits<{ duplicate: []; remove: []; revisions: [] }>()
const edit = useEdit()
const project = useProject()
const effect = computed(() => edit.effect.value)

function setText(key: 'name' | 'description', event: Event) {
  const field = event.target as HTMLInputElement
  const text = field.value.trim()
  if (key === 'name') {
    if (!text) field.value = effect.value.name
    // Ropes, and effects whose particles begin it, follow.
    else if (text !== effect.value.name) {
      const was = effect.value.name
      project.rename({ what: 'effect', from: was, to: text }).then((done) => !done && (field.value = was))
    }
  } else if (text !== (effect.value[key] ?? '')) edit.changeEffect((e) => (e[key] = text), true)
}
function setSeed(fixed: boolean) {
  edit.changeEffect((e) => {
    if (fixed) e.seed = 1
    else delete e.seed
  }, true)
}
const saving = computed(() => project.saving > 0)
</script>

<template>
  <header class="head">
    <input
      class="name"
      :value="effect.name"
      aria-label="Name of the effect"
      autocomplete="off"
      maxlength="80"
      @change="setText('name', $event)"
      @keydown.enter="($event.target as HTMLInputElement).blur()"
      @keydown.stop
    />
    <textarea
      class="about"
      rows="2"
      :value="effect.description ?? ''"
      placeholder="When to use it, in a sentence"
      aria-label="When to use the effect"
      @change="setText('description', $event)"
      @keydown.stop
    />
    <slot />
    <select
      :value="effect.seed === undefined ? 'new' : 'same'"
      aria-label="How it looks each time"
      @change="setSeed(($event.target as HTMLSelectElement).value === 'same')"
      @keydown.stop
    >
      <option value="new">new look each pull</option>
      <option value="same">the same look each pull</option>
    </select>
    <span class="acting">
      <button class="link" @click="emit('duplicate')">duplicate</button>
      <button class="link" @click="emit('revisions')">revisions</button>
      <button class="link" :disabled="saving" @click="emit('remove')">delete</button>
    </span>
  </header>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  align-items: baseline;
  padding: 8px 14px 6px;
  border-bottom: 1px solid var(--line);
}
input,
textarea {
  border: 0;
  border-bottom: 1px dotted var(--bronze-soft);
  background: transparent;
  min-height: 24px;
}
.name {
  font-weight: 600;
  font-size: 14px;
  width: 100%;
}
.about {
  width: 100%;
  resize: none;
  color: var(--muted);
}
select {
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--card);
}
.acting {
  display: flex;
  gap: 10px;
}
</style>
