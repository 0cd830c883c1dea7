<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Vector } from '../api/bundle'
import { showNumber } from '../common/numberText'
import { inPicture, placeIn, type Picture } from './framing'
import type { Grip, NumberGrip, Outline } from './outlines'
import { plus, minus } from './vectors'

/** Outlines over the light, and grips on them: dragged, or stepped by arrow keys (Shift coarse, Alt fine). */
const props = defineProps<{ outlines: Outline[]; grips: Grip[]; picture: Picture; pale: boolean }>()
const emit = defineEmits<{ set: [grip: Grip, value: number | Vector, save: boolean] }>()

/** Grips stand this far apart at least, px. */
const APART = 26
/** Room for a name, px. */
const NAME = 90
const active = ref<string>()
let dragged: { grip: Grip; from: Vector; at: Vector; last?: number | Vector } | undefined

const svg = ref<SVGSVGElement>()
function at(event: PointerEvent): [number, number] {
  const box = svg.value!.getBoundingClientRect()
  return [event.clientX - box.left, event.clientY - box.top]
}

const isNumber = (grip: Grip): grip is NumberGrip => 'to' in grip
const points = (line: Vector[]) => line.map((p) => inPicture(p, props.picture).join(' ')).join(' ')
const drawn = computed(() =>
  props.outlines.map((o) => ({ kind: o.kind, name: o.name, lines: o.lines.map(points) })),
)

/** Grips in sight, where two would lie on each other the later one aside. */
const seen = computed(() => {
  const { width, height } = props.picture
  const taken: [number, number][] = []
  return props.grips.flatMap((grip) => {
    let [x, y] = inPicture(grip.at, props.picture)
    if (!(x > 4 && y > 4 && x < width - 4 && y < height - 4)) return []
    // Names need the room beside them.
    const named = !isNumber(grip) && grip.named
    const top = y
    while (taken.some(([a, b]) => Math.abs(a - x) < APART && Math.abs(b - y) < APART)) {
      if (!named) x += APART
      else if (y + APART < height - APART) y += APART
      else [x, y] = [x + NAME, top]
    }
    if (x > width - 12) return []
    taken.push([x, y])
    return [{ grip, x, y, words: words(grip) }]
  })
})
function words(grip: Grip) {
  return isNumber(grip)
    ? `${showNumber(grip.value)} ${grip.unit}`
    : grip
        .back(grip.at)
        .map((v) => showNumber(Number(v.toFixed(2))))
        .join(', ') + ' u'
}

function take(event: PointerEvent, grip: Grip) {
  if (event.button !== 0) return
  event.stopPropagation()
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  dragged = { grip, from: placeIn(at(event), grip.at, props.picture), at: grip.at }
  active.value = grip.path
}
function move(event: PointerEvent) {
  if (!dragged) return
  const { grip, from, at: begun } = dragged
  const to = plus(begun, minus(placeIn(at(event), begun, props.picture), from))
  dragged.last = isNumber(grip) ? grip.to(to) : grip.back(to)
  emit('set', grip, dragged.last, false)
}
function leave() {
  if (dragged?.last !== undefined) emit('set', dragged.grip, dragged.last, true)
  dragged = undefined
}

function key(event: KeyboardEvent, grip: Grip) {
  const way = { ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowLeft: [-1, 0], ArrowDown: [0, -1] }[event.key]
  if (!way) return
  event.preventDefault()
  event.stopPropagation()
  const by = (isNumber(grip) ? grip.step : 0.1) * (event.shiftKey ? 10 : event.altKey ? 0.1 : 1)
  if (isNumber(grip)) {
    const next = grip.value + (way[0] + way[1]) * by
    emit('set', grip, Number(Math.min(grip.most, Math.max(grip.least, next)).toPrecision(6)), true)
  } else {
    const { right, up } = props.picture
    const to = plus(grip.at, [0, 1, 2].map((i) => (right[i] * way[0] + up[i] * way[1]) * by) as Vector)
    emit('set', grip, grip.back(to), true)
  }
}
</script>

<template>
  <svg ref="svg" class="outlines" :class="{ pale }" :viewBox="`0 0 ${picture.width} ${picture.height}`">
    <g v-for="(o, i) in drawn" :key="i" :class="o.kind">
      <polyline v-for="(line, j) in o.lines" :key="j" :points="line">
        <title>{{ o.name }}</title>
      </polyline>
    </g>
    <g
      v-for="{ grip, x, y, words: said } in seen"
      :key="grip.path"
      class="grip"
      :class="{ place: !isNumber(grip), active: active === grip.path }"
      :data-grip="grip.path"
      :role="isNumber(grip) ? 'slider' : 'button'"
      tabindex="0"
      :aria-label="isNumber(grip) ? grip.label : `${grip.label}, ${said}: arrow keys move it`"
      :aria-valuenow="isNumber(grip) ? grip.value : undefined"
      :aria-valuemin="isNumber(grip) ? grip.least : undefined"
      :aria-valuemax="isNumber(grip) ? grip.most : undefined"
      :aria-valuetext="isNumber(grip) ? said : undefined"
      @pointerdown="take($event, grip)"
      @pointermove="move"
      @pointerup="leave"
      @pointercancel="leave"
      @pointerenter="active = grip.path"
      @pointerleave="dragged || (active = undefined)"
      @focus="active = grip.path"
      @blur="active = undefined"
      @keydown="key($event, grip)"
    >
      <circle class="hold" :cx="x" :cy="y" r="12" />
      <rect v-if="!isNumber(grip)" :x="x - 4" :y="y - 4" width="8" height="8" />
      <circle v-else class="dot" :cx="x" :cy="y" r="4.5" />
      <text
        v-if="active === grip.path || (!isNumber(grip) && grip.named)"
        :x="x > picture.width - 190 ? x - 14 : x + 14"
        :y="y + 4"
        :text-anchor="x > picture.width - 190 ? 'end' : 'start'"
      >
        {{ grip.label }} {{ active === grip.path ? said : '' }}
      </text>
    </g>
  </svg>
</template>

<style scoped>
.outlines {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
  --line: 201 210 222;
  --halo: #18202b;
}
.pale {
  --line: 20 26 36;
  --halo: #f6f1e7;
}
polyline {
  fill: none;
  stroke: rgb(var(--line) / 0.42);
  stroke-width: 1;
  vector-effect: non-scaling-stroke;
}
.throw polyline,
.way polyline {
  stroke-dasharray: 5 4;
}
.force polyline,
.reach polyline {
  stroke-dasharray: 2 4;
}
.barrier polyline {
  stroke-width: 2;
}
.grip {
  pointer-events: auto;
  cursor: grab;
  outline: none;
}
.grip .hold {
  fill: transparent;
}
.grip .dot,
.grip rect {
  fill: var(--halo);
  stroke: rgb(var(--line) / 0.85);
  stroke-width: 1.5;
}
.grip.active .dot,
.grip.active rect {
  fill: rgb(var(--line));
}
.grip:focus-visible .hold {
  stroke: rgb(var(--line));
  stroke-width: 2;
}
text {
  font-size: 12px;
  fill: rgb(var(--line));
  paint-order: stroke;
  stroke: var(--halo);
  stroke-width: 4px;
  pointer-events: none;
}
</style>
