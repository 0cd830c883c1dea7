<script setup lang="ts">
import { computed } from 'vue'
import { areaOf } from './framing'
import type { Clock } from './clock'

/** The bar below the stage: where the take is, held or running, and how many live over it. */
const props = defineProps<{
  clock: Clock
  frames: number
  stepsPerSecond: number
  /** Drawn above the bar: one number a step. */
  area?: number[]
}>()
const emit = defineEmits<{ at: [step: number]; toggle: []; hold: [on: boolean] }>()

const last = computed(() => Math.max(1, props.frames - 1))
const length = computed(() => (props.frames > 0 ? (props.frames - 1) / props.stepsPerSecond : 0))
const seconds = computed(() => Math.min(props.clock.at / props.stepsPerSecond, length.value))
const area = computed(() => areaOf(props.area))
</script>

<template>
  <div class="scrub">
    <button
      :aria-label="clock.playing ? 'Hold the take' : 'Run the take'"
      class="run"
      @click="emit('toggle')"
    >
      <svg viewBox="0 0 12 12" width="12" height="12" aria-hidden="true">
        <path v-if="clock.playing" d="M2 1h3v10H2zM7 1h3v10H7z" />
        <path v-else d="M2 1l9 5-9 5z" />
      </svg>
    </button>
    <span class="time">{{ seconds.toFixed(2) }} s</span>
    <span class="track">
      <svg v-if="area" viewBox="0 0 100 20" preserveAspectRatio="none" aria-hidden="true">
        <path :d="area" />
      </svg>
      <input
        type="range"
        min="0"
        :max="last"
        step="1"
        :value="Math.min(Math.floor(clock.at), last)"
        aria-label="Moment of the take"
        @input="emit('at', Number(($event.target as HTMLInputElement).value))"
        @pointerdown="emit('hold', true)"
        @pointerup="emit('hold', false)"
        @keydown.stop
      />
    </span>
    <span class="time">{{ length.toFixed(2) }} s</span>
    <slot
      ><span class="quiet">{{ clock.playing ? 'repeat when finished' : 'held' }}</span></slot
    >
  </div>
</template>

<style scoped>
.scrub {
  flex: none;
  display: flex;
  align-items: center;
  gap: 10px;
  height: 40px;
  contain: strict;
  padding: 0 14px;
  border-bottom: 1px solid var(--line);
}
.run {
  width: 24px;
  height: 24px;
  display: grid;
  place-items: center;
  fill: var(--bronze);
}
.time {
  white-space: nowrap;
}
.track {
  position: relative;
  flex: 1;
  height: 100%;
  min-width: 60px;
}
.track svg {
  position: absolute;
  inset: 4px 7px auto 7px;
  width: calc(100% - 14px);
  height: 26px;
  fill: var(--bronze-soft);
  pointer-events: none;
}
/* Its own line, so that nothing lies on the handle: the area stands on the bar. */
input[type='range'] {
  position: absolute;
  left: 0;
  bottom: 1px;
  width: 100%;
  height: 20px;
  margin: 0;
  appearance: none;
  background: none;
  cursor: pointer;
}
input[type='range']::-webkit-slider-runnable-track {
  height: 3px;
  background: var(--line);
  border-radius: 2px;
}
input[type='range']::-moz-range-track {
  height: 3px;
  background: var(--line);
  border-radius: 2px;
}
input[type='range']::-webkit-slider-thumb {
  appearance: none;
  width: 5px;
  height: 18px;
  margin-top: -12px;
  border-radius: 2px;
  background: var(--ink);
  outline: 2px solid var(--paper);
}
input[type='range']::-moz-range-thumb {
  width: 5px;
  height: 18px;
  border: 0;
  border-radius: 2px;
  background: var(--ink);
  outline: 2px solid var(--paper);
}
</style>
