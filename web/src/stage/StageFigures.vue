<script setup lang="ts">
import { onMounted, ref, shallowRef, watch } from 'vue'
import { drawables, paintFigures, type Figure, type Look } from './figures'
import type { Picture } from './framing'

/** Where the subjects of a running game are. */
const props = defineProps<{
  figures: readonly Figure[]
  looks: readonly Look[]
  picture: Picture
  pale: boolean
}>()
const canvas = ref<HTMLCanvasElement>()
const drawn = shallowRef(new Map())

function paint() {
  if (!canvas.value) return
  const { width, height } = props.picture
  const ratio = devicePixelRatio
  const [w, h] = [Math.round(width * ratio), Math.round(height * ratio)]
  if (canvas.value.width !== w || canvas.value.height !== h)
    Object.assign(canvas.value, { width: w, height: h })
  paintFigures(canvas.value, ratio, props.picture, props.figures, drawn.value, props.pale)
}

watch(
  () => props.looks,
  (looks) => (drawn.value = drawables(looks, paint)),
  { immediate: true },
)
watch([() => props.figures, () => props.picture, () => props.pale, drawn], paint, { flush: 'post' })
onMounted(paint)
</script>

<template>
  <canvas
    ref="canvas"
    role="img"
    data-testid="figures"
    :aria-label="`${figures.length} subjects: ${figures
      .slice(-8)
      .map((f) => f.subject)
      .join(', ')}`"
  />
</template>

<style scoped>
canvas {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
</style>
