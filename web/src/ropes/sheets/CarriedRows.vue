<script setup lang="ts">
import { computed, ref } from 'vue'
import type { NoticeValue, Rope } from '../../api/bundle'
import NumberField from '../../common/NumberField.vue'
import { useProject } from '../../project/useProject'
import { chosenSource, CONSTANTS, freshValue, sourceOf } from './carried'

/** What a notice carries to game code: values by name, each with where it is read. */
const props = defineProps<{ values: NoticeValue[]; rope: Rope; label: string }>()
const emit = defineEmits<{ set: [values: NoticeValue[], save: boolean] }>()
const project = useProject()
const MAXIMUM = 8
const root = ref<HTMLElement>()
/** Lists open beside the scrolled rows, but inside their sheet: a click outside of it shuts it. */
const host = computed(() => root.value?.closest<HTMLElement>('.el-popper') ?? document.body)

const fields = computed(
  () => project.events.find((e) => e.body.name === props.rope.event)?.body.fields.map((f) => f.name) ?? [],
)
const parameters = computed(
  () =>
    project.effects.find((e) => e.body.name === props.rope.play)?.body.parameters.map((p) => p.name) ?? [],
)
const groups = computed(() =>
  [
    { label: props.rope.event, options: fields.value.map((f) => ({ value: `field ${f}`, label: f })) },
    {
      label: 'channels',
      options: project.channels.map((c) => ({ value: `channel ${c.body.name}`, label: c.body.name })),
    },
    {
      label: `parameters of ${props.rope.play}`,
      options: parameters.value.map((p) => ({ value: `from ${p}`, label: p })),
    },
    {
      label: 'always the same',
      options: CONSTANTS.map(([kind, label]) => ({ value: `constant ${kind}`, label })),
    },
  ].filter((g) => g.options.length),
)

const change = (index: number, next: Partial<NoticeValue>, save = true) =>
  emit(
    'set',
    props.values.map((v, i) => (i === index ? { ...v, ...next } : v)),
    save,
  )
function named(index: number, name: string) {
  const free = name.trim() && !props.values.some((v, i) => i !== index && v.name === name.trim())
  if (free) change(index, { name: name.trim() })
}
const sourced = (index: number, chosen: string) =>
  emit(
    'set',
    props.values.map((v, i) => (i === index ? { name: v.name, ...sourceOf(chosen) } : v)),
    true,
  )
const add = () => emit('set', [...props.values, freshValue(props.values, fields.value)], true)
const remove = (index: number) =>
  emit(
    'set',
    props.values.filter((_, i) => i !== index),
    true,
  )
</script>

<template>
  <div ref="root" class="carried" role="group" :aria-label="label">
    <span>{{ label }}</span>
    <div v-for="(v, i) in values" :key="i" class="value">
      <el-input
        size="small"
        :model-value="v.name"
        :aria-label="`Name of value ${i + 1}`"
        :maxlength="80"
        @change="named(i, $event)"
        @keydown.stop
      />
      <el-select
        size="small"
        :append-to="host"
        :model-value="chosenSource(v)"
        :aria-label="`Source of ${v.name}`"
        @change="sourced(i, $event)"
      >
        <el-option-group v-for="g in groups" :key="g.label" :label="g.label">
          <el-option v-for="o in g.options" :key="o.value" :value="o.value" :label="o.label" />
        </el-option-group>
      </el-select>
      <NumberField
        v-if="typeof v.constant === 'number'"
        :value="v.constant"
        :label="`Value of ${v.name}`"
        unit=" "
        :least="-1e6"
        :most="1e6"
        :step="1"
        @draft="change(i, { constant: $event }, false)"
        @commit="change(i, { constant: $event })"
      />
      <el-input
        v-else-if="typeof v.constant === 'string'"
        size="small"
        :model-value="v.constant"
        :aria-label="`Value of ${v.name}`"
        :maxlength="80"
        @change="change(i, { constant: $event.trim() || v.constant })"
        @keydown.stop
      />
      <el-button link size="small" :aria-label="`Remove ${v.name}`" @click="remove(i)">×</el-button>
    </div>
    <el-button v-if="values.length < MAXIMUM" class="add" size="small" @click="add">Add a value</el-button>
  </div>
</template>

<style scoped>
.carried {
  display: flex;
  flex-direction: column;
  gap: 4px;
  padding: 3px 8px;
}
.value {
  display: grid;
  grid-template-columns: 1fr 1fr auto auto;
  align-items: center;
  gap: 6px;
}
.add {
  align-self: start;
}
</style>
