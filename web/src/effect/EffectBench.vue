<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Effect } from '../api/bundle'
import BirthAct from './BirthAct.vue'
import CourseField from './CourseField.vue'
import LifeAct from './LifeAct.vue'
import { provideEdit } from './useEdit'

/** An effect unfolded under the rope that plays it: Birth and Life of one emitter at a time. */
const props = defineProps<{ effect: Effect; part: number; users: number }>()
const at = ref(0)
watch(
  () => props.part,
  () => (at.value = 0),
)
const { emitter } = provideEdit({
  part: computed(() => props.part),
  effect: computed(() => props.effect),
  base: computed(() => undefined),
  report: computed(() => undefined),
  at,
})
</script>

<template>
  <div class="bench" data-testid="bench" @click.stop>
    <header>
      <span role="tablist" aria-label="Emitters, drawn first to last" class="tabs">
        <el-button
          link
          v-for="(e, i) in effect.emitters"
          :key="e.seed"
          role="tab"
          :aria-selected="i === at"
          @click="at = i"
        >
          {{ e.name }}
        </el-button>
      </span>
      <span class="quiet shared" :title="effect.description">
        <RouterLink :to="{ path: '/effects', query: { effect: part } }" class="link">{{
          effect.name
        }}</RouterLink>{{ users > 1 ? `, shared by ${users} ropes` : '' }} ·
        <CourseField />
      </span>
    </header>
    <div :key="emitter.seed" class="acts">
      <BirthAct />
      <LifeAct />
    </div>
  </div>
</template>

<style scoped>
.bench {
  border-top: 1px solid var(--line);
  background: var(--paper);
  cursor: default;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 8px;
  padding: 6px 14px;
  border-bottom: 1px solid var(--line);
}
.shared {
  white-space: nowrap;
}
.tabs {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
}
.tabs button {
  color: var(--muted);
  border-bottom: 2px solid transparent;
}
.tabs button[aria-selected='true'] {
  color: var(--ink);
  font-weight: 600;
  border-color: var(--bronze);
}
.acts {
  display: grid;
  grid-template-columns: 288px minmax(0, 1fr);
}
</style>
