<script setup lang="ts">
import { onBeforeUnmount, onMounted, ref, watch } from 'vue'
import type { ResponseView } from '../api/client'

/** The response of one rope: particles alive over the first seconds, on the axis that all ropes share. */
const props = defineProps<{ response?: ResponseView; most: number; open: boolean; seconds: number }>()

const canvas = ref<HTMLCanvasElement>()
let inSight = false
let observer: IntersectionObserver | undefined

function paint() {
  const c = canvas.value
  if (!c || !inSight) return
  const ratio = devicePixelRatio
  const width = c.clientWidth
  const height = c.clientHeight
  c.width = width * ratio
  c.height = height * ratio
  const g = c.getContext('2d', { willReadFrequently: true })!
  g.scale(ratio, ratio)
  const style = getComputedStyle(c)
  const colour = (name: string) => style.getPropertyValue(name)
  g.fillStyle = colour('--line')
  g.fillRect(0, height - 1, width, 1)
  const x = (t: number) => (t / props.seconds) * width
  g.fillStyle = colour('--muted')
  g.globalAlpha = 0.6
  for (let y = 0; y < height; y += 4) g.fillRect(Math.round(x(0.1)), y, 1, 2)
  g.globalAlpha = 1
  const strip = props.response?.strip ?? []
  if (strip.length === 0) return
  const tall = (n: number) => (n / Math.max(1, props.most)) ** 0.5 * (height - 3)
  g.fillStyle = colour(props.open ? '--bronze' : '--bronze-soft')
  g.beginPath()
  g.moveTo(0, height - 1)
  strip.forEach((n, i) => g.lineTo(x(i / 30), height - 1 - tall(n)))
  g.lineTo(x((strip.length - 1) / 30), height - 1)
  g.fill()
  const release = props.response?.numbers?.release
  if (release !== undefined && release <= props.seconds) {
    g.fillStyle = colour('--ink')
    g.fillRect(Math.round(x(release)) - 1, height - 9, 2, 9)
  }
}

onMounted(() => {
  observer = new IntersectionObserver((entries) => {
    inSight = entries[0].isIntersecting
    paint()
  })
  observer.observe(canvas.value!)
})
onBeforeUnmount(() => observer?.disconnect())
watch(() => [props.response, props.most, props.open], paint, { flush: 'post' })
</script>

<template>
  <canvas ref="canvas" class="strip" aria-hidden="true" />
</template>

<style scoped>
.strip {
  display: block;
  width: 100%;
  height: 22px;
}
</style>
