<script setup lang="ts" generic="T extends string">
/** One of a few, side by side as words. */
defineProps<{
  value: string | undefined
  label: string
  options: readonly T[]
  /** What an option is called, where that is not its own word. */
  words?: (option: T) => string
  /** What is said of an option while the pointer rests on it. */
  hint?: (option: T) => string
}>()
const emit = defineEmits<{ choose: [option: T] }>()
</script>

<template>
  <span class="one-of" role="group" :aria-label="label">
    <slot />
    <el-button
      v-for="o in options"
      :key="o"
      link
      :aria-pressed="o === value"
      :title="hint?.(o)"
      @click="emit('choose', o)"
    >
      {{ words?.(o) ?? o }}
    </el-button>
  </span>
</template>

<style scoped>
.one-of:not(.group) {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  align-items: baseline;
}
.one-of:not(.group) button {
  min-height: 24px;
  color: var(--muted);
  border-bottom: 2px solid transparent;
}
.one-of:not(.group) button[aria-pressed='true'] {
  color: var(--ink);
  font-weight: 600;
  border-color: var(--bronze);
}
</style>
