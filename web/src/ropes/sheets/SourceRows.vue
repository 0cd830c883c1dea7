<script setup lang="ts">
import { computed } from 'vue'
import type { Source } from '../../api/bundle'
import { useProject } from '../../project/useProject'

/** Where a number is read: a field of the event, a channel, the time since an event, the time held. */
const props = defineProps<{ source: Source; event: string; held: boolean; label: string }>()
const emit = defineEmits<{ set: [source: Source] }>()
const project = useProject()

const fields = computed(() =>
  (project.events.find((e) => e.body.name === props.event)?.body.fields ?? [])
    .filter((f) => f.type === 'number')
    .map((f) => f.name),
)
const chosen = computed(() => {
  const s = props.source
  return s.held
    ? 'held'
    : s.channel
      ? `channel ${s.channel}`
      : s.since
        ? `since ${s.since}`
        : `field ${s.field}`
})
function set(value: string) {
  const [kind, ...rest] = value.split(' ')
  const name = rest.join(' ')
  emit('set', kind === 'held' ? { held: true } : { [kind]: name })
}
</script>

<template>
  <select :value="chosen" :aria-label="label" @change="set(($event.target as HTMLSelectElement).value)">
    <optgroup v-if="fields.length" :label="event">
      <option v-for="f in fields" :key="f" :value="`field ${f}`">{{ f }}</option>
    </optgroup>
    <option v-if="held" value="held">time held</option>
    <optgroup v-if="project.channels.length" label="channels">
      <option v-for="c in project.channels" :key="c.id" :value="`channel ${c.body.name}`">
        {{ c.body.name }}
      </option>
    </optgroup>
    <optgroup label="time since">
      <option v-for="e in project.events" :key="e.id" :value="`since ${e.body.name}`">
        since {{ e.body.name }}
      </option>
    </optgroup>
  </select>
</template>

<style scoped>
select {
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--card);
  padding: 2px 4px;
  max-width: 190px;
}
</style>
