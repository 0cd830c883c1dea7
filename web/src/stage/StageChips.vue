<script setup lang="ts">
import OneOf from '../common/OneOf.vue'
import { VIEWS, type View } from './framing'
import type { Backdrop } from './renderer'

/** How the stage is looked at: from where, before what, with what drawn over it. */
defineProps<{ outlinable: boolean; followable: boolean; whole: boolean }>()
const emit = defineEmits<{ whole: [] }>()
const view = defineModel<View>('view', { required: true })
const backdrop = defineModel<Backdrop>('backdrop', { required: true })
const outlined = defineModel<boolean>('outlined', { required: true })
const following = defineModel<boolean>('following', { required: true })

const BACKDROPS: Backdrop[] = ['night', 'dusk', 'moor', 'snow', 'checker']
</script>

<template>
  <div class="chips">
    <slot name="left" />
    <span class="space" />
    <slot name="right" />
    <OneOf class="group" label="Camera" :value="view" :options="VIEWS" @choose="view = $event" />
    <el-button v-if="followable" link :aria-pressed="following" @click="following = !following"
      >follow</el-button
    >
    <el-dropdown trigger="click" @command="backdrop = $event">
      <el-button link class="list" :aria-label="`Backdrop: ${backdrop}`">{{ backdrop }}</el-button>
      <template #dropdown>
        <el-dropdown-menu>
          <el-dropdown-item v-for="b in BACKDROPS" :key="b" :command="b">{{ b }}</el-dropdown-item>
        </el-dropdown-menu>
      </template>
    </el-dropdown>
    <span class="group">
      <el-button v-if="outlinable" link :aria-pressed="outlined" @click="outlined = !outlined"
        >outlines</el-button
      >
      <el-button link :aria-pressed="whole" title="Stage alone (F)" @click="emit('whole')">whole</el-button>
    </span>
  </div>
</template>

<style scoped>
.chips {
  position: absolute;
  inset: 8px 8px auto 8px;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  pointer-events: none;
}
.chips > * {
  pointer-events: auto;
}
.chips .space {
  flex: 1;
  pointer-events: none;
}
.chips :deep(.group) {
  display: flex;
  gap: 2px;
}
.chips :deep(.el-segmented__group) {
  display: flex;
  gap: 2px;
}
.chips :deep(button),
.chips :deep(.el-segmented__item) {
  display: inline-block;
  height: auto;
  line-height: inherit;
  background: rgba(24, 32, 43, 0.92);
  color: var(--stage-ink);
  font-size: 12px;
  padding: 2px 7px;
  border-radius: 3px;
  border: 1px solid #3a4656;
}
.chips :deep(button[aria-pressed='true']),
.chips :deep(.el-segmented__item.is-selected) {
  background: var(--stage-ink);
  color: var(--stage);
  font-weight: 600;
}
.list::after {
  content: ' ▾';
}
</style>
