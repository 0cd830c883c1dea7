<script setup lang="ts">
import { computed } from 'vue'
import type { Datum, EventType, Payload, Vector } from '../api/bundle'
import NumberField from '../common/NumberField.vue'

/** The payload of the next pull, and the pull itself. */
const props = defineProps<{ event: EventType; payload: Payload; strength: string }>()
const emit = defineEmits<{
  strength: [name: 'soft' | 'usual' | 'hard']
  payload: [payload: Payload]
  pull: [pressed: number]
}>()

const STRENGTHS = ['soft', 'usual', 'hard'] as const
const fields = computed(() => props.event.fields.filter((f) => f.name in props.payload))

function set(name: string, value: Datum) {
  emit('payload', { ...props.payload, [name]: value })
}
function setAxis(name: string, axis: number, value: number) {
  const next = [...(props.payload[name] as Vector)] as Vector
  next[axis] = value
  set(name, next)
}
</script>

<template>
  <section class="pull" aria-label="Pull">
    <div class="head">
      <h2>Pull {{ event.name }}</h2>
      <span role="group" aria-label="Strength" class="strengths">
        <button
          v-for="(s, i) in STRENGTHS"
          :key="s"
          :aria-pressed="strength === s"
          :title="`Key ${i + 1}`"
          @click="emit('strength', s)"
        >
          {{ s }}
        </button>
      </span>
      <button class="button primary" @click="emit('pull', $event.timeStamp)">Pull <kbd>Space</kbd></button>
    </div>
    <div class="fields">
      <span v-for="field in fields" :key="field.name" class="field">
        <span class="quiet">{{ field.name }}</span>
        <NumberField
          v-if="field.type === 'number'"
          :value="payload[field.name] as number"
          :label="field.name"
          :unit="field.unit || ' '"
          :step="(field.range[1] - field.range[0]) / 20"
          @draft="set(field.name, $event)"
          @commit="set(field.name, $event)"
        />
        <select
          v-else-if="field.type === 'choice'"
          :value="payload[field.name]"
          :aria-label="field.name"
          @change="set(field.name, ($event.target as HTMLSelectElement).value)"
          @keydown.stop
        >
          <option v-for="o in field.options" :key="o">{{ o }}</option>
        </select>
        <input
          v-else-if="field.type === 'text'"
          :value="payload[field.name]"
          :aria-label="field.name"
          @change="set(field.name, ($event.target as HTMLInputElement).value)"
          @keydown.stop
        />
        <template v-else>
          <NumberField
            v-for="(axis, i) in ['x', 'y', 'z']"
            :key="axis"
            :value="(payload[field.name] as Vector)[i]"
            :label="`${field.name} ${axis}`"
            :unit="i < 2 ? ',' : field.type === 'position' ? 'u' : ' '"
            :step="field.type === 'position' ? 0.5 : 0.1"
            @draft="setAxis(field.name, i, $event)"
            @commit="setAxis(field.name, i, $event)"
          />
        </template>
      </span>
    </div>
  </section>
</template>

<style scoped>
.pull {
  padding: 8px 14px 0;
}
.head {
  display: flex;
  align-items: center;
  gap: 12px;
}
h2 {
  flex: 1;
}
.strengths {
  display: flex;
  gap: 10px;
}
.strengths button {
  color: var(--muted);
}
.strengths button[aria-pressed='true'] {
  color: var(--ink);
  font-weight: 600;
  text-decoration: underline;
  text-decoration-color: var(--bronze);
  text-underline-offset: 4px;
}
kbd {
  font: inherit;
  font-weight: 500;
  margin-left: 4px;
}
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 8px;
  margin-top: 6px;
}
.field {
  display: inline-flex;
  gap: 5px;
  align-items: baseline;
  background: var(--card);
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 2px 8px;
}
select,
input {
  border: 0;
  background: none;
  font-weight: 600;
  padding: 0;
}
</style>
