<script lang="ts">
const GLYPHS: Record<string, string> = {
  point: 'M7 8h2M8 7v2',
  circle: 'M8 2.5a5.5 5.5 0 1 0 0 11a5.5 5.5 0 1 0 0-11z',
  sphere: 'M8 2.5a5.5 5.5 0 1 0 0 11a5.5 5.5 0 1 0 0-11zM2.5 8c2 2.4 9 2.4 11 0',
  cone: 'M5.5 13.5L2.5 3h11l-3 10.5zM2.5 3c2 1.8 9 1.8 11 0',
  box: 'M2.5 5.5h8v8h-8zM2.5 5.5l3-3h8v8l-3 3M10.5 5.5l3-3',
  line: 'M2 8h12M2 6v4M14 6v4',
  outward: 'M8 8V2M8 8l5 4M8 8l-5 4M6.5 3.500L8 2l1.5 1.5',
  along: 'M8 14V2M5 5l3-3l3 3',
  tangent: 'M13 8a5 5 0 1 1-2-4M11 1v3.200H7.8',
  attractor: 'M8 8h.01M8 1v4M8 15v-4M1 8h4M15 8h-4M6.5 3.500L8 5l1.5-1.500M6.5 12.500L8 11l1.5 1.5',
  swirl: 'M8 8c0-2 3-2 3 .5c0 3-5 3.5-6 .5c-1-3.5 3-6 6-4.500c2 1 3 3 2.5 5.5',
  push: 'M8 8h.01M8 5V1M8 11v4M5 8H1M11 8h4M6.5 2.500L8 1l1.5 1.500M6.5 13.500L8 15l1.5-1.5',
  turbulence: 'M1.5 5c2-3 4 3 6.5 0s4 3 6.5 0M1.5 11c2-3 4 3 6.5 0s4 3 6.5 0',
  ground: 'M1.5 12h13M4 4l3 8l3-5',
  plane: 'M4 14L13 2M4 3l4 5l-5 1',
}

/** Tells whether there is a picture of a kind. */
export const drawn = (kind: string) => kind in GLYPHS
</script>

<script setup lang="ts">
/** A small picture of a kind: where particles are born, which way they go, what drives them, what they meet. */
defineProps<{ kind: string }>()
</script>

<template>
  <svg v-if="drawn(kind)" viewBox="0 0 16 16" width="16" height="16" aria-hidden="true">
    <path :d="GLYPHS[kind]" />
  </svg>
</template>

<style scoped>
svg {
  flex: none;
  vertical-align: -3px;
  fill: none;
  stroke: var(--bronze);
  stroke-width: 1.3;
  stroke-linecap: round;
  stroke-linejoin: round;
}
</style>
