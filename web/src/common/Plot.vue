<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue'
import uPlot from 'uplot'
import 'uplot/dist/uPlot.min.css'
import { nearest, options, type Along, type Drawn } from './plot'

/**
 * A chart. What stands at a place of it is read below it, for the pointer and for arrow keys alike.
 */
const props = withDefaults(
  defineProps<{
    label: string
    /** The places along the axis that the values of all lines belong to, ascending. */
    places: number[]
    drawn: Drawn[]
    x: Along
    y: Along
    /** What is said of a place. */
    words: (place: number) => string
    /** The places that something is said of; all, if left out. */
    stops?: number[]
    /** Those that can be pressed lead somewhere. */
    leads?: boolean
    /** What is told while nothing is pointed at. */
    rest?: string
    height?: number
    /** A stretch of the axis that is set apart. */
    span?: { from: number; to: number }
    /** A line across at one value. */
    marker?: number
  }>(),
  { stops: undefined, rest: '', height: 110, span: undefined, marker: undefined },
)
const emit = defineEmits<{ choose: [place: number] }>()

const room = ref<HTMLElement>()
const at = ref<number>()
const plot = shallowRef<uPlot>()
const stops = computed(() => props.stops ?? props.places.map((_, i) => i))
const step = computed(() => (at.value === undefined ? -1 : stops.value.indexOf(at.value)))
const told = computed(() => (step.value >= 0 ? props.words(at.value!) : props.rest))

const colour = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()

function behind(u: uPlot) {
  if (!props.span) return
  const { left, width } = u.bbox
  const on = (v: number) => Math.min(left + width, Math.max(left, u.valToPos(v, 'x', true)))
  u.ctx.fillStyle = colour('--bronze-pale')
  u.ctx.fillRect(on(props.span.from), u.bbox.top, on(props.span.to) - on(props.span.from), u.bbox.height)
}
function before(u: uPlot) {
  const dense = devicePixelRatio
  u.ctx.lineWidth = 1.5 * dense
  if (props.marker !== undefined) {
    const on = u.valToPos(Math.min(props.x.to, Math.max(props.x.from, props.marker)), 'x', true)
    u.ctx.strokeStyle = colour('--verdigris')
    u.ctx.beginPath()
    u.ctx.moveTo(on, u.bbox.top)
    u.ctx.lineTo(on, u.bbox.top + u.bbox.height)
    u.ctx.stroke()
  }
  if (step.value < 0) return
  u.ctx.strokeStyle = colour('--ink')
  for (const d of props.drawn) {
    const value = d.values[at.value!]
    if (value === null || d.as === 'edge') continue
    u.ctx.beginPath()
    u.ctx.arc(
      u.valToPos(props.places[at.value!], 'x', true),
      u.valToPos(value, 'y', true),
      6 * dense,
      0,
      2 * Math.PI,
    )
    u.ctx.stroke()
  }
}
function point(u: uPlot) {
  const { left, top } = u.cursor
  if (left === undefined || left < 0) return
  const found = nearest(props.places, props.drawn, stops.value, { left, top: top ?? 0 }, (v, s) =>
    u.valToPos(v, s),
  )
  if (found >= 0) at.value = found
}
function draw() {
  plot.value?.destroy()
  plot.value = undefined
  if (!room.value?.clientWidth || !props.places.length) return
  plot.value = new uPlot(
    {
      ...options(
        props.drawn,
        props.x,
        props.y,
        { width: room.value.clientWidth, height: props.height },
        colour,
      ),
      hooks: { drawClear: [behind], draw: [before], setCursor: [point] },
    },
    [props.places, ...props.drawn.map((d) => d.values)] as uPlot.AlignedData,
    room.value,
  )
}
function key(event: KeyboardEvent) {
  const last = stops.value.length - 1
  const to = {
    ArrowRight: step.value + 1,
    ArrowUp: step.value + 1,
    ArrowLeft: step.value < 0 ? last : step.value - 1,
    ArrowDown: step.value < 0 ? last : step.value - 1,
    Home: 0,
    End: last,
  }[event.key]
  if (to !== undefined) {
    event.preventDefault()
    event.stopPropagation()
    at.value = stops.value[Math.min(last, Math.max(0, to))]
  } else if (props.leads && (event.key === 'Enter' || event.key === ' ')) {
    event.preventDefault()
    choose()
  }
}
const choose = () => props.leads && step.value >= 0 && emit('choose', at.value!)

watch(() => [props.places, props.drawn, props.x, props.y, props.height], draw, { flush: 'post' })
watch([at, () => props.marker, () => props.span], () => plot.value?.redraw(false, false))
let watched: ResizeObserver | undefined
onMounted(() => {
  draw()
  watched = new ResizeObserver(() => {
    if (room.value && plot.value?.width !== room.value.clientWidth) draw()
  })
  watched.observe(room.value!)
})
onBeforeUnmount(() => {
  watched?.disconnect()
  plot.value?.destroy()
})
</script>

<template>
  <div class="plot">
    <div
      ref="room"
      class="room"
      :class="{ leads }"
      role="slider"
      tabindex="0"
      :style="{ height: `${height}px` }"
      :aria-label="label"
      :aria-valuemin="0"
      :aria-valuemax="Math.max(0, stops.length - 1)"
      :aria-valuenow="Math.max(0, step)"
      :aria-valuetext="told || 'nothing pointed at'"
      @keydown="key"
      @pointerleave="at = undefined"
      @click="choose"
      @blur="at = undefined"
    ></div>
    <p class="told quiet" aria-hidden="true">{{ told || '\u00a0' }}</p>
  </div>
</template>

<style scoped>
.room {
  width: 100%;
  overflow: hidden;
}
.leads {
  cursor: pointer;
}
.told {
  margin: 0;
  min-height: 1.35em;
  font-size: 12px;
}
</style>
