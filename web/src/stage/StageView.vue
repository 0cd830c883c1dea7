<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, reactive, ref, watch } from 'vue'
import type { Vector } from '../api/bundle'
import { useKept } from '../common/useKept'
import type { Clock } from './clock'
import { filmOf, type Film } from './film'
import type { Frame, Take } from './frames'
import { flashColour, NOWHERE, placeIn, runOn, surfaceLine, type View } from './framing'
import type { Grip, Outlines } from './outlines'
import { paintOverlay } from './overlay'
import { axes, Renderer, type Backdrop } from './renderer'
import { loadSprites, type SpriteSource } from './sprites'
import StageChips from './StageChips.vue'
import StageOutlines from './StageOutlines.vue'
import StageScrub from './StageScrub.vue'
import { useCamera } from './useCamera'
import { useLive } from './useLive'
import { useHand, type Stroke } from './useHand'
import { length as vectorLength, minus } from './vectors'
import type { Comfort } from './useStage'

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
    /** What is drawn over the light, for the direction from which it is seen. */
    outlines?: (seen: Vector) => Outlines
    /** What a press on the stage does, in words; nothing if absent. */
    presses?: string
    /** Velocity of the source, which the view can follow, u/s. */
    moving?: Vector
    /** Whether it fills the view. */
    whole?: boolean
    /** When this changes, the response comes back to the middle. */
    home?: unknown
    /** What shakes and flashes while the stage is live. */
    comfort?: Comfort
    /** Whether what it shows runs elsewhere: there is nothing to scrub. */
    elsewhere?: boolean
    /** What the picture shows where that is told from elsewhere: its middle, and units from top to bottom. */
    shows?: { centre: Vector; height: number }
  }>(),
  {
    take: undefined,
    follows: undefined,
    rate: 1,
    every: undefined,
    area: undefined,
    title: '',
    beside: undefined,
    unpaused: false,
    outlines: undefined,
    presses: undefined,
    moving: undefined,
    whole: false,
    home: undefined,
    comfort: undefined,
    elsewhere: false,
    shows: undefined,
  },
)
const emit = defineEmits<{
  set: [grip: Grip, value: number | Vector, save: boolean]
  /** A press pulls at a place; a drag also says which way and how far, as a share of the picture's height. */
  pull: [pull: { at: Vector; way?: Vector; share: number; pressed: number }]
  whole: []
}>()
const clock = reactive<Clock>({ at: 0, playing: true })
const shared = computed(() => props.follows ?? clock)

const PALE: Backdrop[] = ['moor', 'snow', 'checker']
const STILL = [0, 0] as const

const canvas = ref<HTMLCanvasElement>()
const overlay = ref<HTMLCanvasElement>()
const box = ref<HTMLElement>()
const view = defineModel<View>('view', { default: 'side' })
const backdrop = defineModel<Backdrop>('backdrop', { default: 'night' })
const outlined = useKept('outlines', true)
const playing = computed({ get: () => shared.value.playing, set: (v) => (shared.value.playing = v) })
const at = computed({ get: () => shared.value.at, set: (v) => (shared.value.at = v) })
const { frame: live, now: liveNow, take: takeLive } = useLive()
const hand = useHand({ free: () => view.value === 'free', pressed: press })
const failure = ref('')
const scrubbing = ref(false)
let renderer: Renderer | undefined
let loop = 0
let last = 0
let dirty = true
let film: Film | undefined

const seconds = computed(() => at.value / (props.take?.head.stepsPerSecond ?? 60))
const shown = computed(() => {
  if (liveNow.value) return live.value
  const take = props.take
  return take?.frame(Math.min(Math.floor(at.value), take.length - 1))
})

const { size, following, camera, picture } = useCamera({
  point: () => props.point,
  take: () => props.take,
  beside: () => props.beside,
  home: () => props.home,
  moving: () => (liveNow.value ? undefined : props.moving),
  seconds: () => seconds.value,
  view,
  turned: hand.turned,
  shake: () => (liveNow.value && props.comfort ? props.comfort.shake : STILL),
  shows: () => props.shows,
})
const drawn = computed(
  () => (outlined.value && props.outlines?.(axes(camera.value).back as Vector)) || undefined,
)
const pale = computed(() => PALE.includes(backdrop.value))
const flash = computed(() => flashColour(props.comfort?.flash ?? [0, 0, 0, 0]))
const edges = computed(() => flashColour(props.comfort?.edges ?? [0, 0, 0, 0]))

function draw() {
  if (!renderer || !canvas.value) return
  dirty = false
  const { width, height } = canvas.value
  const surface = props.shows
    ? NOWHERE
    : surfaceLine(props.point, props.normal, camera.value, view.value, width, height)
  renderer.draw(shown.value, camera.value, backdrop.value, surface)
  film?.take()
}

/** Draws a live frame now, and measures the way from a key press to the picture if one began. */
function showLive(frame: Frame) {
  const first = pressed !== undefined && frame.count > 0
  takeLive(frame)
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

/** Returns what the stage shows now as a picture; nothing where it cannot be had. */
function shot(): Promise<Blob | null> {
  draw()
  return new Promise((resolve) => (canvas.value ? canvas.value.toBlob(resolve, 'image/png') : resolve(null)))
}
/** Films what the stage shows from now on; what is returned ends it and gives the film. Nothing where the browser cannot. */
function roll(): Film['end'] | undefined {
  film = canvas.value && filmOf(canvas.value)
  draw()
  return film && (() => film!.end().finally(() => (film = undefined)))
}

defineExpose({ showLive, expectPull, step, toggle, again, clock, shot, roll })

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
  if (!liveNow.value && Math.floor(at.value) !== painted) dirty = true
  if (dirty && !stale && rested()) {
    painted = Math.floor(at.value)
    draw()
  }
  loop = requestAnimationFrame(frameLoop)
}
let painted = -1
let busyFor = 0

function overlaid() {
  if (!overlay.value) return
  const { point, normal, shows } = props
  paintOverlay(overlay.value, devicePixelRatio, {
    mark: shows ? undefined : { point, normal },
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
  Object.assign(size, { width: Math.max(1, width), height: Math.max(1, height) })
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
/** Plays the take from its beginning. */
function again() {
  at.value = 0
  playing.value = true
}
function toggle() {
  playing.value = !playing.value
}
function scrub(to: number) {
  playing.value = false
  at.value = to
  dirty = true
}

/** The picture's place of a stroke, and which way and how far it goes. */
function stroked({ from, to }: Stroke) {
  const a = placeIn(from, props.point, picture.value)
  const b = placeIn(to, props.point, picture.value)
  const way = minus(b, a)
  return {
    at: a,
    way: from[0] === to[0] && from[1] === to[1] ? undefined : way,
    share: vectorLength(way) / camera.value.height,
  }
}
function press(stroke: Stroke, pressed: number) {
  if (!props.presses) return
  emit('pull', { ...stroked(stroke), pressed })
}
const arrow = computed(() => {
  if (!hand.stroke.value || !props.presses) return undefined
  const { from, to } = hand.stroke.value
  return `M${from.join(' ')}L${to.join(' ')}`
})
</script>

<template>
  <section class="stage" aria-label="Stage">
    <div class="windows">
      <div
        ref="box"
        class="window"
        :class="{ live: liveNow, pressed: presses }"
        @pointerdown="hand.down"
        @pointermove="hand.move"
        @pointerup="hand.up"
        @pointercancel="hand.cancel"
      >
        <canvas
          ref="canvas"
          data-testid="stage"
          role="img"
          :aria-label="`${shown?.alive ?? 0} particles on the stage`"
        />
        <canvas ref="overlay" class="overlay" aria-hidden="true" />
        <StageOutlines
          v-if="drawn"
          :outlines="drawn.outlines"
          :grips="drawn.grips"
          :picture="picture"
          :pale="pale"
          @set="(grip, value, save) => emit('set', grip, value, save)"
        />
        <p v-if="presses" class="hint" aria-hidden="true">{{ presses }}</p>
        <svg v-if="arrow" class="arrow" aria-hidden="true"><path :d="arrow" /></svg>
        <div
          v-if="edges"
          class="flash"
          :style="{ background: `radial-gradient(ellipse farthest-corner, transparent 45%, ${edges} 100%)` }"
          data-testid="edges"
          aria-hidden="true"
        />
        <div
          v-if="flash"
          class="flash"
          :style="{ background: flash }"
          data-testid="flash"
          aria-hidden="true"
        />
        <p v-if="comfort && comfort.paused > 0" class="pause" aria-hidden="true">hit pause</p>
        <p v-if="title" class="title">{{ title }}</p>
        <div v-if="whole" class="on-stage"><slot name="numbers" /></div>
        <slot name="over" :picture="picture" :pale="pale" />
        <div class="meter" data-testid="meter">
          <template v-if="!unpaused">
            <b v-if="liveNow || !elsewhere" class="which" :class="{ live: liveNow }">{{
              liveNow ? 'live' : 'preview'
            }}</b>
            <span data-testid="live-instances">{{ live?.instances ?? 0 }}</span> playing ·
          </template>
          <span data-testid="alive">{{ shown?.alive ?? 0 }}</span> alive
        </div>
        <p v-if="failure" class="failure" role="alert">{{ failure }}</p>
        <p v-else-if="!take && !liveNow && !busy" class="still">
          {{ elsewhere ? 'Nothing plays now.' : 'Pull an event, or open a rope, to see its response here.' }}
        </p>
      </div>
      <slot name="beside" />
      <template v-if="!props.follows">
        <StageChips
          v-model:view="view"
          v-model:backdrop="backdrop"
          v-model:outlined="outlined"
          v-model:following="following"
          :outlinable="!!outlines"
          :followable="!!moving"
          :whole="whole"
          @whole="emit('whole')"
        >
          <template #left><slot name="left" /></template>
          <template #right><slot name="right" /></template>
        </StageChips>
      </template>
    </div>
    <StageScrub
      v-if="!props.follows && !props.elsewhere"
      :clock="shared"
      :frames="take?.length ?? 0"
      :steps-per-second="take?.head.stepsPerSecond ?? 60"
      :area="area"
      @at="scrub"
      @toggle="toggle"
      @hold="scrubbing = $event"
    >
      <slot name="repeat" />
    </StageScrub>
  </section>
</template>

<style scoped>
.stage {
  display: flex;
  flex-direction: column;
  height: 100%;
}
.windows {
  position: relative;
  flex: 1;
  min-height: 0;
  display: grid;
  grid-auto-rows: minmax(0, 1fr);
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
.title {
  position: absolute;
  left: 12px;
  bottom: 30px;
  margin: 0;
  color: var(--stage-ink);
  font-weight: 600;
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
.window.pressed {
  cursor: crosshair;
}
/* What is live is told from a preview at a glance: a frame, and a lit word. */
.window.live::after {
  content: '';
  position: absolute;
  inset: 0;
  border: 2px solid #4fb3a8;
  pointer-events: none;
}
.which {
  padding: 0 5px;
  margin-right: 4px;
  border-radius: 3px;
  border: 1px solid #55616f;
  font-weight: 600;
}
.which.live {
  background: #4fb3a8;
  border-color: #4fb3a8;
  color: #0f1720;
}
.arrow {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
  fill: none;
  stroke: #f1dda0;
  stroke-width: 2;
}
.hint {
  position: absolute;
  left: 80px;
  bottom: 10px;
  margin: 0;
  font-size: 12px;
  color: var(--stage-ink);
  opacity: 0;
  pointer-events: none;
}
.window:hover .hint {
  opacity: 0.9;
}
.on-stage {
  position: absolute;
  left: 8px;
  top: 44px;
  background: rgba(255, 253, 248, 0.94);
  border-radius: 4px;
  padding: 0 6px 4px;
}
</style>
