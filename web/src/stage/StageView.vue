<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, reactive, ref, shallowRef, watch } from 'vue'
import type { Vector } from '../api/bundle'
import type { Frame, Take } from './frames'
import { areaOf, cameraOn, flashColour, heightOf, runOn, surfaceLine, VIEWS, type View } from './framing'
import { paintOverlay } from './overlay'
import { Renderer, type Backdrop, type Camera } from './renderer'
import { loadSprites, type SpriteSource } from './sprites'
import type { Comfort } from './useStage'

/** Where a take is; shared by stages that run side by side. */
export interface Clock {
  at: number
  playing: boolean
}

/**
 * The dark window where light is made. Shows live frames while anything plays, and else the take, again and again. The
 * owner hands live frames to `showLive`, which draws at once.
 */
const props = withDefaults(
  defineProps<{
    take?: Take<{ stepsPerSecond: number }>
    sprites: SpriteSource[]
    /** Whether another take is on its way; then the old one is not worth drawing again. */
    busy: boolean
    /** Where the response is and which way its surface faces. */
    point: Vector
    normal: Vector
    /** The clock of another stage, which this one follows. */
    follows?: Clock
    /** Height of the window, px. */
    tall?: number
    /** How fast time passes, 1 as it is. */
    rate?: number
    /** Seconds after which the take begins again; when all is gone if absent. */
    every?: number
    /** Drawn in the scrub bar: one number a step. */
    area?: number[]
    title?: string
    /** Another take that is shown beside this one: both are framed alike. */
    beside?: Take<{ stepsPerSecond: number }>
    unpaused?: boolean
    /** What shakes and flashes while the stage is live. */
    comfort?: Comfort
  }>(),
  {
    take: undefined,
    follows: undefined,
    tall: 252,
    rate: 1,
    every: undefined,
    area: undefined,
    title: '',
    beside: undefined,
    unpaused: false,
    comfort: undefined,
  },
)
const clock = reactive<Clock>({ at: 0, playing: true })
const shared = computed(() => props.follows ?? clock)

const BACKDROPS: Backdrop[] = ['night', 'dusk', 'moor', 'snow', 'checker']

const canvas = ref<HTMLCanvasElement>()
const overlay = ref<HTMLCanvasElement>()
const box = ref<HTMLElement>()
const view = defineModel<View>('view', { default: 'side' })
const backdrop = defineModel<Backdrop>('backdrop', { default: 'night' })
const yaw = ref(30)
const pitch = ref(25)
const playing = computed({ get: () => shared.value.playing, set: (v) => (shared.value.playing = v) })
const at = computed({ get: () => shared.value.at, set: (v) => (shared.value.at = v) })
const live = shallowRef<Frame>()
const failure = ref('')
const scrubbing = ref(false)
let renderer: Renderer | undefined
let loop = 0
let last = 0
let dirty = true

const liveNow = computed(() => !!live.value && live.value.instances > 0)
const seconds = computed(() => at.value / (props.take?.head.stepsPerSecond ?? 60))
const length = computed(() => (props.take ? (props.take.length - 1) / props.take.head.stepsPerSecond : 0))
const shown = computed(() => {
  if (liveNow.value) return live.value
  const take = props.take
  return take?.frame(Math.min(Math.floor(at.value), take.length - 1))
})

/** The live particles over the take as an area. */
const liveArea = computed(() => areaOf(props.area))

const camera = computed<Camera>(() => {
  const aspect = (canvas.value?.width ?? 435) / (canvas.value?.height ?? 264)
  return cameraOn(
    props.point,
    heightOf(props.point, aspect, props.take, props.beside),
    view.value,
    { yaw: yaw.value, pitch: pitch.value },
    liveNow.value && props.comfort ? props.comfort.shake : [0, 0],
  )
})
const flash = computed(() => flashColour(props.comfort?.flash ?? [0, 0, 0, 0]))

function draw() {
  if (!renderer || !canvas.value) return
  dirty = false
  const { width, height } = canvas.value
  const surface = surfaceLine(props.point, props.normal, camera.value, view.value, width, height)
  renderer.draw(shown.value, camera.value, backdrop.value, surface)
}

/** Draws a live frame now, and measures the way from a key press to the picture if one began. */
function showLive(frame: Frame) {
  const first = pressed !== undefined && frame.count > 0
  live.value = frame
  if (first || frame.instances === 0 || renderer?.ready()) draw()
  else dirty = true
  if (first) {
    renderer?.finish()
    performance.measure('pull to picture', { start: pressed, end: performance.now() })
    pressed = undefined
  }
}

let pressed: number | undefined
/** Notes when a key or handle asked for a pull. */
function expectPull(timeStamp: number) {
  pressed = timeStamp
}

defineExpose({ showLive, expectPull, step, toggle, clock })

// Where drawing takes longer than a screen frame, every third frame is left to the rest of the bench.
let late = false
function rested(): boolean {
  if (!renderer?.ready()) {
    late = true
    return false
  }
  const rest = late
  late = false
  return !rest
}

function frameLoop(now: number) {
  const passed = Math.min(0.1, (now - last) / 1000)
  last = now
  const take = props.take
  busyFor = props.busy ? busyFor + passed : 0
  const stale = props.busy && busyFor < 0.15 && !liveNow.value
  if (take && playing.value && !liveNow.value && !scrubbing.value && !stale) {
    const run = { frames: take.length, stepsPerSecond: take.head.stepsPerSecond }
    if (!props.follows) at.value = runOn(at.value, passed, run, props.rate, props.every)
  }
  if (!liveNow.value && Math.floor(at.value) !== drawn) dirty = true
  if (dirty && !stale && rested()) {
    drawn = Math.floor(at.value)
    draw()
  }
  loop = requestAnimationFrame(frameLoop)
}
let drawn = -1
let busyFor = 0

function overlaid() {
  if (!overlay.value) return
  const { point, normal } = props
  paintOverlay(overlay.value, devicePixelRatio, {
    point,
    normal,
    camera: camera.value,
    backdrop: backdrop.value,
  })
}

function fit() {
  const element = box.value
  if (!element || !canvas.value || !overlay.value) return
  const { width, height } = element.getBoundingClientRect()
  for (const c of [canvas.value, overlay.value]) {
    c.width = Math.max(1, Math.round(width * devicePixelRatio))
    c.height = Math.max(1, Math.round(height * devicePixelRatio))
  }
  overlaid()
  dirty = true
}

async function takeSprites() {
  // First the pictures: before it is mounted there is no renderer to give them to.
  const images = await loadSprites(props.sprites)
  renderer?.setSprites(images)
  dirty = true
}

watch([camera, backdrop, () => props.normal], overlaid, { flush: 'post' })

let watcher: ResizeObserver | undefined
onMounted(() => {
  try {
    renderer = new Renderer(canvas.value!)
  } catch (e) {
    failure.value = (e as Error).message
    return
  }
  fit()
  watcher = new ResizeObserver(fit)
  watcher.observe(box.value!)
  last = performance.now()
  loop = requestAnimationFrame(frameLoop)
})
watch(
  () => JSON.stringify(props.sprites),
  () =>
    props.sprites.length && takeSprites().catch(() => (failure.value = 'The sprites could not be loaded.')),
  { immediate: true, flush: 'post' },
)
onBeforeUnmount(() => {
  cancelAnimationFrame(loop)
  watcher?.disconnect()
  renderer?.release()
})
// Post, not in the next animation frame: a changed number shows in the very task that brought it.
watch(
  [camera, backdrop, () => props.take, () => props.normal, liveNow],
  () => {
    dirty = true
    if (!liveNow.value && renderer?.ready()) draw()
  },
  { flush: 'post' },
)
watch(
  () => props.take,
  (take) => {
    if (take && at.value > take.length - 1) at.value = 0
  },
)

// A picture that was on its way.
watch(shown, () => (dirty = true), { flush: 'sync' })

function step(by: number) {
  if (!props.take) return
  playing.value = false
  at.value = Math.min(props.take.length - 1, Math.max(0, Math.floor(at.value) + by))
  dirty = true
}
function toggle() {
  playing.value = !playing.value
}
function scrub(event: Event) {
  playing.value = false
  at.value = Number((event.target as HTMLInputElement).value)
  dirty = true
}

let turning: { x: number; y: number } | undefined
function turnStart(event: PointerEvent) {
  if (view.value !== 'free') return
  turning = { x: event.clientX, y: event.clientY }
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
}
function turn(event: PointerEvent) {
  if (!turning) return
  yaw.value -= (event.clientX - turning.x) * 0.5
  pitch.value = Math.min(90, Math.max(-20, pitch.value + (event.clientY - turning.y) * 0.5))
  turning = { x: event.clientX, y: event.clientY }
}
</script>

<template>
  <section class="stage" aria-label="Stage">
    <div class="windows" :style="{ height: tall + 'px' }">
      <div
        ref="box"
        class="window"
        @pointerdown="turnStart"
        @pointermove="turn"
        @pointerup="turning = undefined"
      >
        <canvas
          ref="canvas"
          data-testid="stage"
          role="img"
          :aria-label="`${shown?.alive ?? 0} particles on the stage`"
        />
        <canvas ref="overlay" class="overlay" aria-hidden="true" />
        <div
          v-if="flash"
          class="flash"
          :style="{ background: flash }"
          data-testid="flash"
          aria-hidden="true"
        />
        <p v-if="comfort && comfort.paused > 0" class="pause" aria-hidden="true">hit pause</p>
        <p v-if="title" class="title">{{ title }}</p>
        <slot name="over" />
        <div class="meter" data-testid="meter">
          <template v-if="!unpaused">
            <b>{{ liveNow ? 'live' : 'take' }}</b> ·
            <span data-testid="live-instances">{{ live?.instances ?? 0 }}</span> playing ·
          </template>
          <span data-testid="alive">{{ shown?.alive ?? 0 }}</span> alive
        </div>
        <p v-if="failure" class="failure" role="alert">{{ failure }}</p>
        <p v-else-if="!take && !liveNow" class="still">
          Pull an event, or open a rope, to see its response here.
        </p>
      </div>
      <slot name="beside" />
      <template v-if="!follows">
        <div class="chips left"><slot name="left" /></div>
        <div class="chips">
          <slot name="right" />
          <span class="group" role="group" aria-label="Camera">
            <button v-for="v in VIEWS" :key="v" :aria-pressed="view === v" @click="view = v">{{ v }}</button>
          </span>
          <span class="group" role="group" aria-label="Backdrop">
            <button v-for="b in BACKDROPS" :key="b" :aria-pressed="backdrop === b" @click="backdrop = b">
              {{ b }}
            </button>
          </span>
        </div>
      </template>
    </div>
    <div v-if="!follows" class="scrub" :class="{ high: liveArea }">
      <button :aria-label="playing ? 'Hold the take' : 'Run the take'" class="run" @click="toggle">
        <svg viewBox="0 0 12 12" width="12" height="12" aria-hidden="true">
          <path v-if="playing" d="M2 1h3v10H2zM7 1h3v10H7z" />
          <path v-else d="M2 1l9 5-9 5z" />
        </svg>
      </button>
      <span class="time">{{ Math.min(seconds, length).toFixed(2) }} s</span>
      <span class="track">
        <svg v-if="liveArea" viewBox="0 0 100 20" preserveAspectRatio="none" aria-hidden="true">
          <path :d="liveArea" />
        </svg>
        <input
          type="range"
          min="0"
          :max="Math.max(1, (take?.length ?? 1) - 1)"
          step="1"
          :value="Math.min(Math.floor(at), (take?.length ?? 1) - 1)"
          aria-label="Moment of the take"
          @input="scrub"
          @pointerdown="scrubbing = true"
          @pointerup="scrubbing = false"
          @keydown.stop
        />
      </span>
      <span class="time">{{ length.toFixed(2) }} s</span>
      <slot name="repeat"
        ><span class="quiet">{{ playing ? 'repeat when finished' : 'held' }}</span></slot
      >
    </div>
  </section>
</template>

<style scoped>
.windows {
  position: relative;
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: minmax(0, 1fr);
}
.window {
  position: relative;
  height: 100%;
  background: var(--stage);
  overflow: hidden;
  touch-action: none;
}
.flash {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
.pause {
  position: absolute;
  left: 14px;
  top: 40px;
  margin: 0;
  font-size: 12px;
  color: #f1dda0;
}
canvas {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
.overlay {
  pointer-events: none;
}
.chips {
  position: absolute;
  top: 8px;
  right: 8px;
  display: flex;
  gap: 8px;
}
.chips :deep(.group) {
  display: flex;
  gap: 2px;
}
.chips :deep(button) {
  background: rgba(24, 32, 43, 0.92);
  color: var(--stage-ink);
  font-size: 12px;
  padding: 2px 7px;
  border-radius: 3px;
  border: 1px solid #3a4656;
}
.chips :deep(button[aria-pressed='true']) {
  background: var(--stage-ink);
  color: var(--stage);
  font-weight: 600;
}
.chips.left {
  right: auto;
  left: 8px;
}
.title {
  position: absolute;
  left: 12px;
  bottom: 30px;
  margin: 0;
  color: var(--stage-ink);
  font-weight: 600;
}
.track {
  position: relative;
  flex: 1;
  display: flex;
  align-items: center;
  min-width: 0;
}
.track svg {
  position: absolute;
  inset: -8px 0 8px 0;
  width: 100%;
  height: 20px;
  fill: var(--bronze-soft);
  pointer-events: none;
}
/* The handle lies above the strip. */
.track input {
  position: relative;
}
.scrub.high {
  height: 44px;
  padding-top: 8px;
}
.meter {
  position: absolute;
  right: 8px;
  bottom: 8px;
  background: rgba(24, 32, 43, 0.92);
  color: var(--stage-ink);
  font-size: 12px;
  padding: 2px 7px;
  border-radius: 3px;
  contain: content;
  white-space: nowrap;
}
.failure,
.still {
  position: absolute;
  inset: 0;
  margin: 0;
  display: grid;
  place-items: center;
  color: var(--stage-ink);
  padding: 0 60px;
  text-align: center;
  pointer-events: none;
}
.scrub {
  display: flex;
  align-items: center;
  gap: 10px;
  height: 30px;
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
input[type='range'] {
  flex: 1;
  accent-color: var(--bronze);
  min-width: 0;
}
</style>
