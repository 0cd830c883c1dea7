<script setup lang="ts">
import { onBeforeUnmount, onMounted, reactive, ref, shallowRef } from 'vue'
import Choice from '../common/Choice.vue'
import NumberField from '../common/NumberField.vue'
import { readFrame } from '../stage/frames'
import { flashColour } from '../stage/framing'
import { Renderer } from '../stage/renderer'
import { FAULTS, type Fault } from './faults'
import { openGame, spritesOf, type Game } from './game'
import { HIGH, Painter } from './paint'
import { CAN, RATE } from './world'

/** Windrow Post in a tab of its own: it plays itself, and is linked as any game would be. */
const SPEEDS = [1, 2, 5, 10, 20]
/** Seconds of a screen frame that are made up for; what is longer is left out. */
const LONGEST = 0.25

const query = new URLSearchParams(location.search)
const own = `${location.protocol === 'https:' ? 'wss' : 'ws'}://${location.host}/link?project=${query.get('project') ?? ''}`
const link = query.get('link') ?? own
const seed = ref(Number(query.get('seed') ?? 7) || 7)
const speed = ref(Math.min(20, Math.max(1, Number(query.get('speed') ?? 1) || 1)))
const faults = reactive(new Set<Fault>())
const paused = ref(false)
const panel = ref(query.get('panel') !== 'shut')
const state = ref('looking for the bench')
const linked = ref(false)
const wrong = ref('')
const failure = ref('')
const canvas = ref<HTMLCanvasElement>()
const game = shallowRef<Game>()
const seen = reactive({ seconds: 0, streak: 0, particles: 0, weather: '', flash: '', edges: '' })

const KEYS: Record<string, string> = {
  h: 'hail strikes',
  c: 'a crow attacks',
  x: 'a crow flees',
  b: 'a branch strikes',
  f: 'the courier falls',
  p: 'a parcel ahead',
  g: 'a gust crosses',
}
let renderer: Renderer | undefined
let flat: CanvasRenderingContext2D
const painter = new Painter()
let loop = 0
let last = 0
let rest = 0
let turn = 0

async function begin() {
  const mine = ++turn
  game.value?.stage.close()
  game.value = undefined
  try {
    const opened = await openGame({
      seed: seed.value,
      link,
      faults,
      listener: {
        linked: (project) => {
          linked.value = true
          state.value = `linked with ${project}`
        },
        unlinked: (why) => {
          linked.value = false
          state.value = `unlinked: ${why}`
        },
        wrong: (why) => (wrong.value = why),
      },
    })
    if (mine !== turn) return opened.stage.close()
    game.value = opened
    // For tests, and for whoever looks into it: the whole game.
    Object.assign(window, { windrow: opened })
  } catch (e) {
    failure.value = `The game cannot begin: ${(e as Error).message}`
  }
}

// With each bundle that is taken its sprites.
let drawnBundle: object | undefined
async function takeSprites(bundle: object) {
  drawnBundle = bundle
  try {
    const images = await spritesOf(bundle)
    if (drawnBundle === bundle) renderer?.setSprites(images)
  } catch {
    failure.value = 'The sprites could not be loaded.'
  }
}

function fit() {
  if (!canvas.value) return
  canvas.value.width = Math.max(1, Math.round(innerWidth * devicePixelRatio))
  canvas.value.height = Math.max(1, Math.round(innerHeight * devicePixelRatio))
  flat.canvas.width = canvas.value.width
  flat.canvas.height = canvas.value.height
}

let middle: number[] | undefined
function frameLoop(now: number) {
  loop = requestAnimationFrame(frameLoop)
  const passed = Math.min(LONGEST, (now - last) / 1000)
  last = now
  const running = game.value
  if (!running || !renderer) return
  if (!paused.value) {
    rest += passed * speed.value * RATE
    const steps = Math.floor(rest)
    rest -= steps
    running.step(steps)
  }
  if (running.stage.bundle !== drawnBundle) void takeSprites(running.stage.bundle)
  if (!renderer.ready()) return
  draw(running, passed)
}

function draw(running: Game, passed: number) {
  const { world, stage } = running
  const aim = world.camera
  // The camera follows softly; a new courier is jumped to.
  if (!middle || Math.abs(aim[0] - middle[0]) > 12) middle = [...aim]
  const t = 1 - Math.exp(-5 * passed * speed.value)
  middle = middle.map((v, i) => v + (aim[i] - v) * (i === 0 ? Math.max(t, 0.12) : t))
  painter.paint(flat, world, middle, passed)
  const bytes = stage.frame()
  const frame = readFrame(bytes.slice().buffer)
  const { shake, flash, edges } = stage.comfort()
  const centre: [number, number, number] = [middle[0] + shake[0], middle[1] + shake[1], 0]
  renderer!.draw(frame, { centre, height: HIGH, yaw: 0, pitch: 0 }, flat.canvas, [0, 0, 1e9])
  Object.assign(seen, {
    seconds: world.seconds,
    streak: world.streak,
    particles: frame.alive,
    weather: world.weather.now,
    flash: flashColour(flash) ?? '',
    edges: flashColour(edges) ?? '',
  })
}

function pressed(event: KeyboardEvent) {
  const target = event.target as HTMLElement
  if (event.ctrlKey || event.metaKey || event.altKey || target.closest('input, [role=combobox]')) return
  const world = game.value?.world
  if (event.key === 'ArrowUp') world?.courier.hand(2.5)
  else if (event.key === 'ArrowDown') world?.courier.hand(-2.5)
  else if (event.key === ' ' && !target.closest('button')) paused.value = !paused.value
  else if (KEYS[event.key]) world?.ask(KEYS[event.key])
  else return
  event.preventDefault()
}

function toggle(fault: Fault, on: boolean) {
  if (on) faults.add(fault)
  else faults.delete(fault)
}

onMounted(() => {
  try {
    renderer = new Renderer(canvas.value!)
  } catch (e) {
    failure.value = (e as Error).message
    return
  }
  flat = document.createElement('canvas').getContext('2d', { alpha: false })!
  fit()
  addEventListener('resize', fit)
  addEventListener('keydown', pressed)
  last = performance.now()
  loop = requestAnimationFrame(frameLoop)
  void begin()
})
onBeforeUnmount(() => {
  turn++
  cancelAnimationFrame(loop)
  removeEventListener('resize', fit)
  removeEventListener('keydown', pressed)
  game.value?.stage.close()
  renderer?.release()
})
</script>

<template>
  <main>
    <canvas
      ref="canvas"
      role="img"
      :aria-label="`Windrow Post: a courier flies over a moor, ${seen.weather}`"
    />
    <div
      v-if="seen.edges"
      class="light"
      :style="{ background: `radial-gradient(transparent 45%, ${seen.edges})` }"
    />
    <div v-if="seen.flash" class="light" :style="{ background: seen.flash }" />
    <h1>Windrow Post</h1>
    <p class="score">
      streak <b>{{ seen.streak }}</b> · <b>{{ seen.seconds.toFixed(1) }}</b> s ·
      <b data-testid="particles">{{ seen.particles }}</b> particles
    </p>
    <el-button class="open" :aria-expanded="panel" @click="panel = !panel">{{
      panel ? 'hide' : 'controls'
    }}</el-button>
    <aside v-if="panel" aria-label="Controls">
      <p :class="{ linked }" data-testid="link">{{ state }}</p>
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
      <p v-if="failure" class="wrong" role="alert">{{ failure }}</p>
      <div class="row">
        <el-button @click="paused = !paused">{{ paused ? 'Go on' : 'Pause' }}</el-button>
        <label
          >speed
          <Choice label="Speed" :value="String(speed)" @choose="speed = Number($event)">
            <option v-for="s in SPEEDS" :key="s" :value="String(s)">{{ s }} ×</option>
          </Choice></label
        >
      </div>
      <div class="row">
        <label
          >seed
          <NumberField
            :value="seed"
            label="Seed"
            :least="1"
            :most="999999"
            :step="1"
            @commit="seed = Math.round($event)"
        /></label>
        <el-button @click="begin">Begin again</el-button>
      </div>
      <h2>Make it happen</h2>
      <div class="can">
        <el-button v-for="what in CAN" :key="what" link class="link" @click="game?.world.ask(what)">{{
          what
        }}</el-button>
      </div>
      <h2>Let game code be wrong</h2>
      <el-checkbox
        v-for="(words, fault) in FAULTS"
        :key="fault"
        :model-value="faults.has(fault)"
        @update:model-value="toggle(fault, !!$event)"
        >{{ words }}</el-checkbox
      >
      <p class="keys">
        ↑ ↓ climb and sink · H hail · C crow · X frighten one · B branch · F fall · P parcel · G gust · space
        pauses
      </p>
    </aside>
  </main>
</template>

<style scoped>
main {
  position: relative;
  height: 100%;
  overflow: hidden;
  background: var(--stage);
}
canvas {
  display: block;
  width: 100%;
  height: 100%;
}
.light {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
h1,
.score {
  position: absolute;
  left: 18px;
  margin: 0;
  color: #f3ead8;
  text-shadow: 0 1px 3px rgb(0 0 0 / 0.7);
}
h1 {
  top: 12px;
  font-size: 20px;
}
.score {
  top: 40px;
  font-variant-numeric: tabular-nums;
}
.open {
  position: absolute;
  right: 14px;
  top: 12px;
}
aside {
  position: absolute;
  right: 14px;
  top: 52px;
  width: 270px;
  max-height: calc(100% - 66px);
  overflow-y: auto;
  padding: 4px 14px 10px;
  background: rgb(255 253 248 / 0.95);
  border-radius: 4px;
}
aside p {
  margin: 6px 0;
}
.linked {
  color: var(--verdigris);
}
.wrong {
  color: var(--vermilion);
}
.row {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 10px;
  margin: 6px 0;
}
.row label {
  display: flex;
  align-items: center;
  gap: 6px;
}
h2 {
  font-size: 13px;
  margin: 10px 0 4px;
}
.can {
  display: grid;
  grid-template-columns: auto auto;
  justify-content: space-between;
  justify-items: start;
}
.can :deep(.el-button) {
  margin: 0;
  min-height: 24px;
}
.el-checkbox {
  display: flex;
  height: 26px;
  margin: 0;
}
.keys {
  color: var(--muted);
  font-size: 12px;
}
</style>
