<script setup lang="ts">
import { computed } from 'vue'
import type { LaneName } from '../api/bundle'
import PathNumber from './PathNumber.vue'
import { useEdit } from './useEdit'

/** What a lane of Life runs along: the life of each particle, or seconds from its birth. */
const props = defineProps<{
  lane: LaneName
  /** Beside the name of the lane, or in a row below it. */
  part: 'name' | 'row'
}>()
const edit = useEdit()
const seconds = computed(() => edit.emitter.value.life.timed?.[props.lane])

function bySeconds() {
  const [, most] = edit.emitter.value.birth.lifetime
  edit.change((e) => {
    e.life.timed = { ...e.life.timed, [props.lane]: Math.min(most, 0.5) }
  }, true)
}
function byLife() {
  edit.change((e) => {
    const rest = { ...e.life.timed }
    delete rest[props.lane]
    if (Object.keys(rest).length) e.life.timed = rest
    else delete e.life.timed
  }, true)
}
</script>

<template>
  <span v-if="part === 'name' ? seconds === undefined : seconds !== undefined" class="clock">
    <el-button
      v-if="seconds === undefined"
      link
      size="small"
      :aria-label="`${lane} runs over life; press to run over seconds from birth`"
      title="Runs over the life of each particle. Press to run it over seconds from birth, whatever the life."
      @click="bySeconds"
      >over life</el-button
    >
    <template v-else>
      <span class="quiet">over</span>
      <PathNumber
        :path="`life.timed.${lane}`"
        :label="`${lane}, seconds from birth`"
        unit="s from birth"
        kind="time"
        :step="0.05"
      />
      <el-button link size="small" :aria-label="`${lane}: run over life again`" @click="byLife">×</el-button>
    </template>
  </span>
</template>

<style scoped>
.clock {
  display: inline-flex;
  align-items: baseline;
  gap: 3px;
  white-space: nowrap;
}
.clock .el-button {
  min-height: 24px;
  padding: 0;
  color: var(--muted);
  font-size: 11px;
  font-weight: 400;
  border-bottom: 1px dotted var(--bronze-soft);
  border-radius: 0;
}
.clock .el-button:hover {
  color: var(--ink);
}
</style>
