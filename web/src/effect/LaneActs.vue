<script lang="ts">
export type LaneAct = 'add' | 'steps' | 'copy' | 'paste'
</script>

<script setup lang="ts">
/** What can be done with a whole lane: add to it, copy it, paste what was copied. */
defineProps<{ label: string; what: 'key' | 'colour'; pastes: boolean; full?: boolean }>()
const emit = defineEmits<{ act: [what: LaneAct] }>()
</script>

<template>
  <el-dropdown trigger="click" class="acts" @command="emit('act', $event)">
    <el-button link class="quiet" :aria-label="`${label} lane: add, copy, paste`">⋯</el-button>
    <template #dropdown>
      <el-dropdown-menu>
        <el-dropdown-item command="add" :disabled="full">add a {{ what }}</el-dropdown-item>
        <el-dropdown-item v-if="what === 'key'" command="steps">hold it in steps…</el-dropdown-item>
        <el-dropdown-item command="copy">copy this lane</el-dropdown-item>
        <el-dropdown-item command="paste" :disabled="!pastes">paste the copied lane</el-dropdown-item>
      </el-dropdown-menu>
    </template>
  </el-dropdown>
</template>
