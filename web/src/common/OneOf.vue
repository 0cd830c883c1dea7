<script setup lang="ts" generic="T extends string">
import { computed } from 'vue'

/** One of a few, side by side as words. */
const props = defineProps<{
  value: string | undefined
  label: string
  options: readonly T[]
  /** What an option is called, where that is not its own word. */
  words?: (option: T) => string
  /** What is said of an option while the pointer rests on it. */
  hint?: (option: T) => string
}>()
const emit = defineEmits<{ choose: [option: T] }>()
const told = computed(() =>
  props.options.map((value) => ({ value, label: props.words?.(value) ?? value, hint: props.hint?.(value) })),
)
</script>

<template>
  <el-segmented
    class="one-of"
    :model-value="value"
    :options="told"
    :aria-label="label"
    @update:model-value="emit('choose', $event as T)"
  >
    <template #default="{ item }">
      <span :title="(item as (typeof told)[number]).hint">{{ (item as (typeof told)[number]).label }}</span>
    </template>
  </el-segmented>
</template>

<style scoped>
.one-of {
  --el-segmented-bg-color: none;
  min-height: 0;
  padding: 0;
  border-radius: 0;
  font-size: inherit;
  line-height: inherit;
}
.one-of :deep(.el-segmented__item-selected) {
  /* Its place is set on the element itself. */
  display: none !important;
}
.one-of :deep(.el-segmented__group) {
  width: auto;
  justify-content: flex-start;
}
.one-of :deep(.el-segmented__item) {
  flex: none;
  min-height: 24px;
  padding: 0;
  border-radius: 0;
  background: none;
}
.one-of :deep(.el-segmented__item:has(:focus-visible)) {
  outline: 2px solid var(--bronze);
  outline-offset: 2px;
}
.one-of:not(.group) :deep(.el-segmented__group) {
  flex-wrap: wrap;
  gap: 2px 10px;
}
.one-of:not(.group) :deep(.el-segmented__item) {
  color: var(--muted);
  border-bottom: 2px solid transparent;
}
.one-of:not(.group) :deep(.el-segmented__item:hover) {
  color: var(--ink);
}
.one-of:not(.group) :deep(.el-segmented__item.is-selected) {
  color: var(--ink);
  font-weight: 600;
  border-color: var(--bronze);
}
</style>
