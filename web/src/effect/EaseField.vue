<script setup lang="ts">
import Choice from '../common/Choice.vue'
import NumberField from '../common/NumberField.vue'
import type { Ease, Key } from '../api/bundle'
import { EASES, easeName, MOST_STEPS, type Slopes, type Steps } from './lane'

/** How a lane goes on from one key to the next. */
const props = defineProps<{ ease: Ease | undefined; label: string }>()
const emit = defineEmits<{ choose: [name: string]; part: [change: (key: Key) => void, save: boolean] }>()

const JUMPS: [NonNullable<Steps['jump']>, string][] = [
  ['none', 'both held'],
  ['end', 'the first held'],
  ['start', 'the last held'],
  ['both', 'neither held'],
]
const steps = () => props.ease as Steps
function setSteps(change: (steps: Steps) => void, save: boolean) {
  emit(
    'part',
    (key) => {
      const next = { ...(key.ease as Steps) }
      change(next)
      if (next.jump === 'none') delete next.jump
      key.ease = next
    },
    save,
  )
}
</script>

<template>
  <label>
    <span class="quiet">then </span>
    <Choice :value="easeName(ease)" :label="`${label} key, ease`" @choose="emit('choose', $event)">
      <option v-for="e in EASES" :key="e">{{ e }}</option>
      <option>steps</option>
      <option>own Bézier</option>
      <option>slopes</option>
    </Choice>
  </label>
  <template v-if="Array.isArray(ease)">
    <NumberField
      v-for="(v, i) in ease as number[]"
      :key="i"
      :value="v"
      :label="`${label} key, Bézier ${['x1', 'y1', 'x2', 'y2'][i]}`"
      unit=" "
      :step="0.05"
      :least="i % 2 ? -10 : 0"
      :most="i % 2 ? 10 : 1"
      @draft="(n) => emit('part', (k) => ((k.ease as number[])[i] = n), false)"
      @commit="(n) => emit('part', (k) => ((k.ease as number[])[i] = n), true)"
    />
  </template>
  <template v-else-if="easeName(ease) === 'steps'">
    <NumberField
      :value="steps().steps"
      :label="`${label} key, steps`"
      unit="steps"
      kind="whole"
      :step="1"
      :least="(steps().jump ?? 'none') === 'none' ? 2 : 1"
      :most="MOST_STEPS"
      @draft="(n) => setSteps((s) => (s.steps = n), false)"
      @commit="(n) => setSteps((s) => (s.steps = n), true)"
    />
    <Choice
      :value="steps().jump ?? 'none'"
      :label="`${label} key, which end is held`"
      @choose="(jump) => setSteps((s) => (s.jump = jump as Steps['jump']), true)"
    >
      <option v-for="[jump, words] in JUMPS" :key="jump" :value="jump">{{ words }}</option>
    </Choice>
  </template>
  <template v-else-if="typeof ease === 'object'">
    <NumberField
      v-for="end in ['out', 'in'] as const"
      :key="end"
      :value="(ease as Slopes)[end]"
      :label="`${label} key, slope ${end}`"
      :unit="end"
      @draft="(n) => emit('part', (k) => ((k.ease as Slopes)[end] = n), false)"
      @commit="(n) => emit('part', (k) => ((k.ease as Slopes)[end] = n), true)"
    />
  </template>
</template>
