<script setup lang="ts">
import { computed } from 'vue'
import TextField from '../common/TextField.vue'
import Choice from '../common/Choice.vue'
import type { Datum, EventType, Field, Payload, Vector } from '../api/bundle'
import NumberField from '../common/NumberField.vue'

/** The payload of the next pull, a chip for each field. */
const props = defineProps<{ event: EventType; payload: Payload }>()
const emit = defineEmits<{ payload: [payload: Payload] }>()

const fields = computed(() => props.event.fields.filter((f) => f.name in props.payload))
const UNITS: Record<string, string> = {
  position: 'u',
  extent: 'u full',
  'half extent': 'u half',
  velocity: 'u/s',
}
const unit = (field: Field) => UNITS[field.type] ?? ' '

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
      <Choice
        v-else-if="field.type === 'choice'"
        :value="payload[field.name]"
        :label="field.name"
        @choose="set(field.name, $event)"
      >
        <option v-for="o in field.options" :key="o">{{ o }}</option>
      </Choice>
      <el-checkbox
        v-else-if="field.type === 'flag'"
        :model-value="payload[field.name] as boolean"
        :aria-label="field.name"
        @change="set(field.name, $event)"
      />
      <ColourField
        v-else-if="field.type === 'colour'"
        :value="payload[field.name] as string"
        :label="field.name"
        @draft="set(field.name, $event)"
        @commit="set(field.name, $event)"
      />
      <TextField
        v-else-if="field.type === 'text'"
        :value="payload[field.name] as string"
        :label="field.name"
        :take="(text) => set(field.name, text)"
      />
      <template v-else>
        <NumberField
          v-for="(axis, i) in ['x', 'y', 'z']"
          :key="axis"
          :value="(payload[field.name] as Vector)[i]"
          :label="`${field.name} ${axis}`"
          :unit="i < 2 ? ',' : unit(field)"
          :step="unit(field) === ' ' ? 0.1 : 0.5"
          @draft="setAxis(field.name, i, $event)"
          @commit="setAxis(field.name, i, $event)"
        />
      </template>
    </span>
  </div>
</template>

<style scoped>
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
</style>
