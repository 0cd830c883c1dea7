<script setup lang="ts">
import { computed } from 'vue'

/** A colour with opacity, as #RRGGBBAA. */
const props = defineProps<{ value: string; label: string }>()
const emit = defineEmits<{ draft: [value: string]; commit: [value: string] }>()

const upper = (v: string | null) => (v ? (v.length === 7 ? v + 'FF' : v).toUpperCase() : undefined)
const model = computed({
  get: () => props.value,
  set: (v: string | null) => {
    const colour = upper(v)
    if (colour) emit('commit', colour)
  },
})
function active(v: string | null) {
  const colour = upper(v)
  if (colour && /^#[0-9A-F]{8}$/.test(colour)) emit('draft', colour)
}
</script>

<template>
  <span class="colour" @keydown.stop>
    <el-color-picker
      v-model="model"
      show-alpha
      color-format="hex"
      size="small"
      :clearable="false"
      :aria-label="label"
      @active-change="active"
    />
  </span>
</template>

<style scoped>
.colour {
  display: inline-flex;
}
.colour :deep(.el-color-picker),
.colour :deep(.el-color-picker__trigger) {
  width: 52px;
  height: 24px;
  padding: 1px;
  border-color: var(--line);
}
.colour :deep(.el-color-picker__icon) {
  display: none;
}
</style>
