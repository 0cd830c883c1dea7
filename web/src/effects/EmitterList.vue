<script setup lang="ts">
import { computed, ref } from 'vue'
import { freeName } from '../common/freeName'
import TextField from '../common/TextField.vue'
import Choice from '../common/Choice.vue'
import { api, type EffectReport, type RecipeView } from '../api/client'
import type { Effect, Emitter } from '../api/bundle'
import { useEdit } from '../effect/useEdit'
import { blankEmitter } from '../ropes/sheets/blankEffect'
import { showNumber } from '../common/numberText'
import { useProject } from '../project/useProject'

/** The emitters of an effect in draw order: choose, name, move, copy, remove, or copy one from elsewhere. */
defineProps<{ report?: EffectReport }>()
const at = defineModel<number>('at', { required: true })
/** The emitter that plays alone, with what it spawns; nothing of that is saved. */
const alone = defineModel<string>('alone', { default: '' })
const edit = useEdit()
const project = useProject()
const effect = computed(() => edit.effect.value)
const recipes = ref<RecipeView[]>([])
const adding = ref(false)

function many(e: Emitter): string {
  const b = e.birth
  const words: string[] = []
  if (b.bursts.length) {
    const least = b.bursts.reduce((n, x) => n + x.least * (x.times ?? 1), 0)
    const most = b.bursts.reduce((n, x) => n + x.most * (x.times ?? 1), 0)
    words.push(least === most ? String(least) : `${least}–${most}`)
  }
  if (b.stream)
    words.push(
      `${showNumber(b.stream.perSecond)} /s${b.stream.lasting ? `, ${showNumber(b.stream.lasting)} s` : ''}`,
    )
  if (b.perUnit) words.push(`${showNumber(b.perUnit)} /u`)
  if (words.length) return words.join(' + ')
  const parent = effect.value.emitters.find((p) => p.end?.children?.some((c) => c.emitter === e.name))
  return parent ? `from ${parent.name}` : 'never born'
}

const said = (e: Emitter) => (alone.value === e.name ? 'alone' : e.off ? 'off' : many(e))

function put(emitter: Emitter) {
  edit.changeEffect((effect) => {
    const copy = JSON.parse(JSON.stringify(emitter)) as Emitter
    const names = new Set(effect.emitters.map((e) => e.name))
    const seeds = new Set(effect.emitters.map((e) => e.seed))
    // What it bore where it came from may not be here.
    if (copy.end?.children)
      copy.end.children = copy.end.children.filter(
        (c) => c.effect || names.has(c.emitter!) || c.emitter === emitter.name,
      )
    copy.name = freeName(
      emitter.name,
      effect.emitters.map((e) => e.name),
    )
    copy.end?.children?.forEach((c) => c.emitter === emitter.name && (c.emitter = copy.name))
    let seed = 1
    while (seeds.has(seed)) seed++
    copy.seed = seed
    effect.emitters.push(copy)
  }, true)
  at.value = effect.value.emitters.length - 1
  adding.value = false
}
function rename(i: number, name: string) {
  const old = effect.value.emitters[i].name
  edit.changeEffect((effect) => {
    effect.emitters[i].name = name
    // Whoever means this emitter goes on meaning it.
    for (const e of effect.emitters) e.end?.children?.forEach((c) => c.emitter === old && (c.emitter = name))
    for (const p of effect.parameters) p.bindings.forEach((b) => b.emitter === old && (b.emitter = name))
  }, true)
}
const move = (by: number) => place(at.value, at.value + by)
/** Puts an emitter elsewhere in the order; what is open stays open. */
function place(from: number, to: number) {
  if (from === to || to < 0 || to >= effect.value.emitters.length) return
  const open = effect.value.emitters[at.value].seed
  edit.changeEffect((effect) => {
    const [moved] = effect.emitters.splice(from, 1)
    effect.emitters.splice(to, 0, moved)
  }, true)
  at.value = effect.value.emitters.findIndex((e) => e.seed === open)
}
function blank() {
  put(blankEmitter(effect.value.emitters[at.value].look.sprite))
}
function switchOff(i: number) {
  edit.changeEffect((effect) => {
    const e = effect.emitters[i]
    if (e.off) delete e.off
    else e.off = true
  }, true)
}
const toggleAlone = (name: string) => (alone.value = alone.value === name ? '' : name)

// An emitter is dragged by its handle; it goes where the pointer is when it is let go.
const list = ref<HTMLElement>()
const dragged = ref<number>()
const over = ref<number>()
function grab(event: PointerEvent, i: number) {
  dragged.value = over.value = i
  ;(event.target as Element).setPointerCapture(event.pointerId)
}
function drag(event: PointerEvent) {
  if (dragged.value === undefined || !list.value) return
  const rows = [...list.value.children].map((row) => row.getBoundingClientRect())
  const i = rows.findIndex((row) => event.clientY < row.bottom)
  over.value = i < 0 ? rows.length - 1 : i
}
function drop(done: boolean) {
  if (done && dragged.value !== undefined && over.value !== undefined) place(dragged.value, over.value)
  dragged.value = over.value = undefined
}
function takeAway() {
  const name = effect.value.emitters[at.value].name
  edit.changeEffect((effect) => {
    effect.emitters.splice(at.value, 1)
    for (const e of effect.emitters) {
      if (e.end?.children) e.end.children = e.end.children.filter((c) => c.emitter !== name)
      if (e.end?.children && !e.end.children.length) delete e.end.children
    }
    for (const p of effect.parameters) p.bindings = p.bindings.filter((b) => b.emitter !== name)
  }, true)
  at.value = Math.max(0, at.value - 1)
}
async function openAdding() {
  adding.value = !adding.value
  if (adding.value && !recipes.value.length) recipes.value = await api.recipes().catch(() => [])
}
const sources = computed(() => [
  ...recipes.value.map((r) => ({
    of: `recipe: ${r.name}`,
    emitters: (r.body as unknown as Effect).emitters,
  })),
  ...project.effects
    .filter((e) => e.body.name !== effect.value.name)
    .map((e) => ({ of: e.body.name, emitters: e.body.emitters })),
])
function choose(which: string) {
  const [s, i] = which.split('/').map(Number)
  put(sources.value[s].emitters[i])
}
function key(event: KeyboardEvent) {
  if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return
  event.preventDefault()
  event.stopPropagation()
  move(event.key === 'ArrowUp' ? -1 : 1)
}
</script>

<template>
  <section aria-label="Emitters" @keydown="key">
    <header>
      <h2>Emitters, drawn first to last</h2>
      <el-button link class="link" :aria-expanded="adding" @click="openAdding">+ emitter</el-button>
    </header>
    <p v-if="adding" class="adding">
      <Choice label="Copy an emitter from" value="" @choose="choose">
        <option value="" disabled>take one from…</option>
        <optgroup v-for="(s, n) in sources" :key="s.of" :label="s.of">
          <option v-for="(e, i) in s.emitters" :key="e.seed" :value="`${n}/${i}`">{{ e.name }}</option>
        </optgroup>
      </Choice>
      <el-button link class="link" @click="put(effect.emitters[at])"
        >copy {{ effect.emitters[at]?.name }}</el-button
      >
      <el-button link class="link" @click="blank">a blank one</el-button>
    </p>
    <ul ref="list">
      <li
        v-for="(e, i) in effect.emitters"
        :key="e.seed"
        :class="{ selected: i === at, off: e.off, goes: dragged === i, here: over === i && dragged !== i }"
      >
        <span
          class="handle"
          title="Drag to another place in the order; Alt ↑ and Alt ↓ by keys"
          aria-hidden="true"
          @pointerdown.prevent="grab($event, i)"
          @pointermove="drag"
          @pointerup="drop(true)"
          @pointercancel="drop(false)"
          >⠿</span
        >
        <el-button link v-if="i !== at" class="choose parts" @click="at = i">
          <span>{{ e.name }}</span>
          <span class="quiet">{{ said(e) }}</span>
        </el-button>
        <template v-else>
          <TextField
            :value="e.name"
            label="Name of the emitter"
            maxlength="80"
            demanded
            :take="(name) => rename(i, name)"
            @keydown.capture="key"
          />
          <span class="quiet">{{ said(e) }}</span>
        </template>
      </li>
    </ul>
    <p class="acting">
      <el-button link class="link" :disabled="at === 0" title="Alt ↑" @click="move(-1)">earlier</el-button>
      <el-button
        link
        class="link"
        :disabled="at >= effect.emitters.length - 1"
        title="Alt ↓"
        @click="move(1)"
      >
        later
      </el-button>
      <el-button
        link
        class="link"
        title="Switched off it spawns nothing, and nothing spawns it"
        @click="switchOff(at)"
        >{{ effect.emitters[at]?.off ? 'switch on' : 'switch off' }}</el-button
      >
      <el-button
        link
        v-if="effect.emitters.length > 1"
        class="link"
        :aria-pressed="alone === effect.emitters[at]?.name"
        title="Shows it without the others; nothing of that is saved (A)"
        @click="toggleAlone(effect.emitters[at].name)"
        >{{ alone === effect.emitters[at]?.name ? 'show all' : 'alone' }}</el-button
      >
      <el-button link v-if="effect.emitters.length > 1" class="link" @click="takeAway">remove</el-button>
    </p>
  </section>
</template>

<style scoped>
header {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}
ul {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}
li {
  border-left: 3px solid var(--bronze-soft);
  margin: 2px 0;
  display: flex;
  align-items: baseline;
}
li.selected {
  border-color: var(--bronze);
}
li.off .choose {
  color: var(--muted);
  text-decoration: line-through;
}
li.goes {
  opacity: 0.5;
}
li.here {
  background: var(--bronze-pale);
}
.handle {
  align-self: center;
  width: 24px;
  line-height: 24px;
  text-align: center;
  color: var(--bronze-soft);
  cursor: grab;
  touch-action: none;
}
li:hover .handle {
  color: var(--bronze);
}
li > .quiet:last-child {
  margin-left: auto;
}
.choose {
  flex: 1;
  display: flex;
  justify-content: space-between;
  padding: 2px 0;
  text-align: left;
  min-height: 24px;
}
.choose:hover {
  background: var(--bronze-pale);
}
.acting,
.adding {
  flex-wrap: wrap;
  white-space: nowrap;
  display: flex;
  gap: 12px;
  margin: 4px 0 0;
  font-size: 12px;
}
.acting button:disabled {
  color: #8d8475;
  cursor: default;
}
</style>
