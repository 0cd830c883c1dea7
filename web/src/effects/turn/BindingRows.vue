<script setup lang="ts">
import { setting } from '../../common/settings'
import { computed, ref } from 'vue'
import Choice from '../../common/Choice.vue'
import type { Binding, Effect, Key, Mode, Pair, Parameter, Property } from '../../api/bundle'
import type { ParameterReport } from '../../api/client'
import NumberField from '../../common/NumberField.vue'
import PairField from '../../common/PairField.vue'
import { showNumber } from '../../common/numberText'
import CurveLane from '../../effect/CurveLane.vue'
import { useProject } from '../../project/useProject'
import { actsOn, binding, modesOn, numeric, rebind, scalar, typeOf } from './parameters'

const SHAPE = setting('Remap', 'shape')

/** Where a parameter acts: each line a property, how the value meets the authored one, on which emitters, by which curve. */
const props = defineProps<{ effect: Effect; parameter: Parameter; report?: ParameterReport }>()
const emit = defineEmits<{ change: [edit: (p: Parameter) => void, save: boolean] }>()
const project = useProject()

const STRAIGHT: Key[] = [
  { at: 0, value: 0, ease: 'linear' },
  { at: 1, value: 1, ease: 'linear' },
]
const can = computed(() => actsOn(props.parameter))
const words: Record<Mode, string> = {
  multiply: 'multiplies',
  divide: 'divides',
  add: 'adds to',
  replace: 'replaces',
}
const open = ref<number>()
const edit = (i: number, change: (b: Binding) => void, save = true) =>
  emit('change', (p) => change(p.bindings[i]), save)
function setCurve(i: number, on: boolean) {
  edit(i, (b) => {
    if (on)
      b.remap = {
        in: [props.parameter.least ?? 0, props.parameter.most ?? 1],
        out: [props.parameter.least ?? 0, props.parameter.most ?? 1],
      }
    else delete b.remap
  })
  open.value = on ? i : undefined
}
function onto(i: number, property: Property) {
  const sprites = project.sprites.map((s) => s.body.name)
  const on = props.parameter.bindings[i].emitter
  const used = (props.effect.emitters.find((e) => e.name === on) ?? props.effect.emitters[0]).look.sprite
  const same = modesOn(props.parameter, property).includes(props.parameter.bindings[i].mode)
  emit(
    'change',
    (p) => {
      const sprite = property === 'sprite' || p.bindings[i].property === 'sprite'
      if (sprite || !same) rebind(p, i, property, used, sprites)
      else p.bindings[i].property = property
    },
    true,
  )
}
function setEmitter(i: number, name: string) {
  edit(i, (b) => {
    if (name) b.emitter = name
    else delete b.emitter
  })
}
function add() {
  const p = props.parameter
  const taken = new Set(p.bindings.filter((b) => !b.emitter).map((b) => b.property))
  const bases = props.report?.bases ?? []
  const there = can.value.properties.filter((x) => bases.some((b) => b.property === x && b.most !== 0))
  const next = [...there, ...can.value.properties].find((x) => !taken.has(x)) ?? can.value.properties[0]
  emit('change', (q) => q.bindings.push(binding(q, next)), true)
}
/** What is authored, and so stays the base whatever the parameter does. */
function base(b: Binding): string {
  const mine = (props.report?.bases ?? []).filter(
    (x) => x.property === b.property && (!b.emitter || x.emitter === b.emitter),
  )
  if (b.property === 'sprite') {
    const there = props.effect.emitters.filter((e) => !b.emitter || e.name === b.emitter)
    return [...new Set(there.map((e) => e.look.sprite))].join(', ')
  }
  if (!mine.length) return 'nothing there'
  const least = Math.min(...mine.map((x) => x.least))
  const most = Math.max(...mine.map((x) => x.most))
  const range = least === most ? showNumber(least) : `${showNumber(least)}–${showNumber(most)}`
  return `${range} ${mine[0].unit}`
}
const options = computed(() =>
  typeOf(props.parameter) === 'flag' ? ['no', 'yes'] : (props.parameter.options ?? []),
)
</script>

<template>
  <div class="bindings">
    <div v-for="(b, i) in parameter.bindings" :key="i" class="binding">
      <div class="line">
        <Choice
          :value="b.mode"
          v-explains="'Binding.mode'"
          :label="`Binding ${i + 1}, how`"
          @choose="edit(i, (x) => (x.mode = $event as Mode))"
        >
          <option v-for="m in modesOn(parameter, b.property)" :key="m" :value="m">{{ words[m] }}</option>
        </Choice>
        <Choice
          :value="b.property"
          v-explains="'Binding.property'"
          :label="`Binding ${i + 1}, property`"
          @choose="onto(i, $event as Property)"
        >
          <option v-for="x in can.properties" :key="x">{{ x }}</option>
        </Choice>
        <span class="quiet">{{ base(b) }}</span>
        <el-button
          link
          class="drop"
          :aria-label="`Remove binding ${i + 1}`"
          @click="emit('change', (p) => p.bindings.splice(i, 1), true)"
        >
          ×
        </el-button>
      </div>
      <div class="line">
        <span class="quiet">on</span>
        <Choice
          :value="b.emitter ?? ''"
          v-explains="'Binding.emitter'"
          :label="`Binding ${i + 1}, emitter`"
          @choose="setEmitter(i, $event)"
        >
          <option value="">all emitters</option>
          <option v-for="e in effect.emitters" :key="e.seed">{{ e.name }}</option>
        </Choice>
        <el-button
          link
          v-if="numeric(parameter)"
          class="link"
          :aria-expanded="open === i"
          @click="b.remap ? (open = open === i ? undefined : i) : setCurve(i, true)"
        >
          {{ b.remap ? 'by a curve' : 'as it is' }}
        </el-button>
      </div>
      <div v-if="b.each" class="line each">
        <template v-for="(o, k) in options" :key="o">
          <span class="quiet">{{ o }}</span>
          <NumberField
            :value="b.each[k] ?? 1"
            v-explains="'Binding.each'"
            :label="`Binding ${i + 1}, ${o}`"
            unit=" "
            :step="0.1"
            @draft="edit(i, (x) => (x.each![k] = $event), false)"
            @commit="edit(i, (x) => (x.each![k] = $event))"
          />
        </template>
      </div>
      <template v-if="b.remap && open === i && scalar(parameter)">
        <div class="line">
          <span class="quiet">{{ parameter.name }}</span>
          <PairField
            :value="b.remap.in"
            v-explains="'Remap.in'"
            :label="`Binding ${i + 1}, from`"
            :unit="parameter.unit || ' '"
            free
            @draft="edit(i, (x) => (x.remap!.in = $event as Pair), false)"
            @commit="edit(i, (x) => (x.remap!.in = $event as Pair))"
          />
          <span class="quiet">becomes</span>
          <PairField
            :value="b.remap.out"
            v-explains="'Remap.out'"
            :label="`Binding ${i + 1}, becomes`"
            unit=" "
            free
            @draft="edit(i, (x) => (x.remap!.out = $event as Pair), false)"
            @commit="edit(i, (x) => (x.remap!.out = $event as Pair))"
          />
          <el-checkbox
            :model-value="b.remap.clamp !== false"
            @change="
              edit(i, (x) => {
                if ($event) delete x.remap!.clamp
                else x.remap!.clamp = false
              })
            "
            >clamped</el-checkbox
          >
          <el-button link class="link" @click="setCurve(i, false)">as it is</el-button>
        </div>
        <CurveLane
          :keys="b.remap.shape ?? STRAIGHT"
          label="shape"
          over="its range"
          unit=" "
          :least="SHAPE.least"
          :most="SHAPE.most"
          @draft="edit(i, (x) => (x.remap!.shape = $event), false)"
          @commit="edit(i, (x) => (x.remap!.shape = $event))"
        />
      </template>
    </div>
    <el-button link class="link" @click="add">+ acts on</el-button>
  </div>
</template>

<style scoped>
.line {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 6px;
  min-height: 28px;
}
.binding {
  border-bottom: 1px solid var(--line);
  padding: 1px 0;
}
.each {
  padding-left: 12px;
}
.drop {
  margin-left: auto;
  min-width: 24px;
  min-height: 24px;
  color: var(--muted);
}
</style>
