<script setup lang="ts">
import { computed } from 'vue'
import type { Birth } from '../api/bundle'
import PathNumber from './PathNumber.vue'
import SettingRow from './SettingRow.vue'
import { useEdit } from './useEdit'

/** Sizes that each particle takes one of, with how likely each is beside the others. */
const edit = useEdit()
type Sizes = NonNullable<Birth['sizes']>
const sizes = computed(() => edit.emitter.value.birth.sizes ?? [])
const set = (act: (sizes: Sizes) => void) => edit.change((e) => act(e.birth.sizes!), true)
function rangeAgain() {
  edit.change((e) => {
    const all = e.birth.sizes!.map((s) => s.size)
    e.birth.size = [Math.min(...all), Math.max(...all)]
    delete e.birth.sizes
  }, true)
}
</script>

<template>
  <SettingRow path="birth.sizes" name="size, one of" label="Sizes" kind="none">
    <span class="sizes">
      <span v-for="(_, i) in sizes" :key="i" class="one">
        <PathNumber :path="`birth.sizes.${i}.size`" :label="`Size ${i + 1}`" :step="0.02" />
        <PathNumber
          :path="`birth.sizes.${i}.weight`"
          :label="`Weight of size ${i + 1}`"
          :usual="1"
          :least="0.001"
          :step="1"
        />
      </span>
      <span class="one">
        <el-button link class="link" aria-label="Another size" @click="set((s) => s.push({ ...s.at(-1)! }))"
          >+</el-button
        >
        <el-button
          v-if="sizes.length > 1"
          link
          class="link"
          aria-label="Remove the last size"
          @click="set((s) => s.pop())"
          >−</el-button
        >
        <el-button link class="link" @click="rangeAgain">any between</el-button>
      </span>
    </span>
  </SettingRow>
</template>

<style scoped>
.sizes {
  display: flex;
  flex-direction: column;
  align-items: flex-end;
}
.one {
  display: inline-flex;
  gap: 8px;
  white-space: nowrap;
}
</style>
