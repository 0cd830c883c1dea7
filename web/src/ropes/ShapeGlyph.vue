<script setup lang="ts">
/** How an event lies in time: a dot for a moment, a bar for a span, a half-filled disc for a state. */
defineProps<{ shape: 'moment' | 'span' | 'state'; hollow?: boolean }>()
</script>

<template>
  <svg viewBox="0 0 12 10" width="12" height="10" aria-hidden="true" :class="{ hollow }">
    <rect v-if="shape === 'span'" x="0.7" y="3" width="10.6" height="4" rx="0.8" />
    <circle v-else cx="6" cy="5" r="3.4" :class="{ half: shape === 'state' }" />
    <path v-if="shape === 'state'" d="M6 1.6a3.4 3.4 0 0 0 0 6.8z" />
  </svg>
</template>

<style scoped>
svg {
  flex: none;
  fill: var(--bronze);
  stroke: var(--bronze);
}
.half {
  fill: none;
}
.hollow {
  fill: none;
  stroke: var(--muted);
}
</style>
