<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Effect } from '../api/bundle'
import OneOf from '../common/OneOf.vue'
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
      <OneOf
        label="Emitters, drawn first to last"
        :value="effect.emitters[at]?.name"
        :options="effect.emitters.map((e) => e.name)"
        @choose="(name) => (at = effect.emitters.findIndex((e) => e.name === name))"
      />
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
.acts {
  display: grid;
  grid-template-columns: 288px minmax(0, 1fr);
}
</style>
