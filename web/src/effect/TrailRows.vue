<script setup lang="ts">
import { bounds, boundsWhile, mostOf } from '../common/settings'
import { computed } from 'vue'
import Choice from '../common/Choice.vue'
import type { End, Key, Stop } from '../api/bundle'
import CurveLane from './CurveLane.vue'
import GradientLane from './GradientLane.vue'
import PathNumber from './PathNumber.vue'
import { useEdit } from './useEdit'

/** The ribbon behind a particle, and those that lie over it along the same way. */
const emit = defineEmits<{ remove: [] }>()
const edit = useEdit()
type Trail = NonNullable<End['trail']>
type Strand = NonNullable<Trail['over']>[number]
const trail = computed(() => edit.emitter.value.end!.trail!)

// What a lane of the trail is while nothing is said.
const ONE: Key[] = [{ at: 0, value: 1, ease: 'linear' }]
const WHITE: Stop[] = [{ at: 0, colour: '#FFFFFFFF' }]
const MOST_OVER = mostOf('Trail', 'over')
const UNITS: Record<Trail['by'], { unit: string; step: number }> = {
  seconds: { unit: 's', step: 0.05 },
  units: { unit: 'u', step: 0.05 },
  points: { unit: 'points', step: 1 },
}
const WIDTH = bounds('Trail', 'width')

function set(act: (trail: Trail) => void, save = true) {
  edit.change((e) => act(e.end!.trail!), save)
}
function measure(by: Trail['by']) {
  set((t) => {
    // About as long as it was, at sixty steps a second.
    if (by === 'points') t.length = Math.max(2, Math.round(t.by === 'seconds' ? t.length * 60 : 20))
    else if (t.by === 'points') t.length = Number((t.length / 60).toFixed(2))
    t.by = by
  })
}
const add = () =>
  set((t) => {
    const half: Strand = {
      share: 0.6,
      width: [
        { at: 0, value: 0.4, ease: 'linear' },
        { at: 1, value: 0, ease: 'linear' },
      ],
      colour: [
        { at: 0, colour: '#FFFFFFFF' },
        { at: 1, colour: '#FFFFFF00' },
      ],
    }
    t.over = [...(t.over ?? []), half]
  })
const drop = (i: number) =>
  set((t) => {
    t.over!.splice(i, 1)
    if (!t.over!.length) delete t.over
  })
</script>

<template>
  <div class="saying">
    trails a ribbon of
    <PathNumber
      path="end.trail.length"
      label="Trail, length"
      v-bind="{ ...UNITS[trail.by], ...boundsWhile('Trail', 'by', trail.by, 'length') }"
    />
    <Choice :value="trail.by" label="Trail, measured in" @choose="measure($event as Trail['by'])">
      <option>seconds</option>
      <option>units</option>
      <option>points</option>
    </Choice>
    <el-button link class="link" aria-label="Remove the trail" @click="emit('remove')">×</el-button>
    <CurveLane
      :keys="trail.width ?? ONE"
      label="width"
      :most="WIDTH.most"
      @draft="(k) => set((t) => (t.width = k), false)"
      @commit="(k) => set((t) => (t.width = k))"
    />
    <GradientLane
      :stops="trail.colour ?? WHITE"
      label="along it"
      @draft="(s) => set((t) => (t.colour = s), false)"
      @commit="(s) => set((t) => (t.colour = s))"
    />
    <template v-for="(over, i) in trail.over ?? []" :key="i">
      over it one of
      <PathNumber
        :path="`end.trail.over.${i}.share`"
        :usual="1"
        :label="`Ribbon ${i + 2}, share`"
        :step="0.1"
      />
      of its length
      <el-button link class="link" :aria-label="`Remove ribbon ${i + 2}`" @click="drop(i)">×</el-button>
      <CurveLane
        :keys="over.width ?? ONE"
        :label="`width ${i + 2}`"
        :most="WIDTH.most"
        @draft="(k) => set((t) => (t.over![i].width = k), false)"
        @commit="(k) => set((t) => (t.over![i].width = k))"
      />
      <GradientLane
        :stops="over.colour ?? WHITE"
        :label="`along ${i + 2}`"
        @draft="(s) => set((t) => (t.over![i].colour = s), false)"
        @commit="(s) => set((t) => (t.over![i].colour = s))"
      />
    </template>
    <el-button v-if="(trail.over?.length ?? 0) < MOST_OVER" link class="link" @click="add"
      >+ a ribbon over it</el-button
    >
  </div>
</template>

<style scoped>
.saying {
  line-height: 1.9;
  margin: 0 0 6px;
}
</style>
