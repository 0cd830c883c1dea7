<script setup lang="ts">
import { setting } from '../common/settings'
import { computed } from 'vue'
import Choice from '../common/Choice.vue'
import type { Stop, Tint } from '../api/bundle'
import NumberField from '../common/NumberField.vue'
import ColourField from './ColourField.vue'
import GradientLane from './GradientLane.vue'
import SettingRow from './SettingRow.vue'
import { useEdit } from './useEdit'

/** The colours that particles are born with: between two, one of a list, or from a gradient. */
const edit = useEdit()
const tint = computed(() => edit.emitter.value.birth.colour)
const kind = computed(() =>
  Array.isArray(tint.value) ? 'between' : 'oneOf' in tint.value ? 'one of' : 'from',
)
const colours = computed<string[]>(() =>
  Array.isArray(tint.value)
    ? tint.value
    : 'oneOf' in tint.value
      ? tint.value.oneOf
      : tint.value.from.map((s) => s.colour),
)

function setKind(next: string) {
  const [first, last] = [colours.value[0], colours.value.at(-1)!]
  const made: Tint =
    next === 'between'
      ? [first, last]
      : next === 'one of'
        ? { oneOf: [...colours.value] }
        : {
            from: [
              { at: 0, colour: first },
              { at: 1, colour: last },
            ],
          }
  edit.change((e) => (e.birth.colour = made), true)
}
function setColour(i: number, value: string, save: boolean) {
  edit.change((e) => {
    const t = e.birth.colour
    if (Array.isArray(t)) t[i] = value
    else if ('oneOf' in t) t.oneOf[i] = value
  }, save)
}
const { least, most } = setting('Birth', 'colour.weights.0')
const WEIGHT = { least, most }
const weights = computed(() =>
  !Array.isArray(tint.value) && 'oneOf' in tint.value ? tint.value.weights : undefined,
)
type OneOf = Extract<Tint, { oneOf: string[] }>
function ofList(change: (t: OneOf) => void, save = true) {
  edit.change((e) => {
    const t = e.birth.colour
    if (!Array.isArray(t) && 'oneOf' in t) change(t)
  }, save)
}
const weigh = () =>
  ofList((t) => {
    if (t.weights) delete t.weights
    else t.weights = t.oneOf.map(() => 1)
  })
const setWeight = (i: number, value: number, save: boolean) => ofList((t) => (t.weights![i] = value), save)
const more = () =>
  ofList((t) => {
    t.oneOf.push(t.oneOf.at(-1)!)
    t.weights?.push(1)
  })
const fewer = () =>
  ofList((t) => {
    t.oneOf.pop()
    t.weights?.pop()
  })
function setStops(stops: Stop[], save: boolean) {
  edit.change((e) => (e.birth.colour = { from: stops }), save)
}
const label = (i: number) =>
  kind.value === 'between' ? (i === 0 ? 'Colour, from' : 'Colour, to') : `Colour ${i + 1}`
</script>

<template>
  <SettingRow path="birth.colour" name="colour" label="Colour" kind="none">
    <Choice :value="kind" label="How colours are chosen" @choose="setKind($event)">
      <option value="between">between</option>
      <option value="one of">one of</option>
      <option value="from">gradient</option>
    </Choice>
    <span v-if="kind !== 'from'" class="swatches">
      <template v-for="(c, i) in colours" :key="i">
        <ColourField
          :value="c"
          :label="label(i)"
          @draft="(v) => setColour(i, v, false)"
          @commit="(v) => setColour(i, v, true)"
        />
        <NumberField
          v-if="weights"
          v-bind="WEIGHT"
          :value="weights[i]"
          :label="`Weight of colour ${i + 1}`"
          unit="×"
          :step="1"
          @draft="(v) => setWeight(i, v, false)"
          @commit="(v) => setWeight(i, v, true)"
        />
      </template>
      <template v-if="kind === 'one of'">
        <el-button link class="link" aria-label="Another colour" @click="more">+</el-button>
        <el-button
          v-if="colours.length > 1"
          link
          class="link"
          :aria-pressed="!!weights"
          title="How likely each is beside the others"
          @click="weigh"
          >{{ weights ? 'equally likely' : 'weights' }}</el-button
        >
        <el-button
          link
          v-if="colours.length > 1"
          class="link"
          aria-label="Remove the last colour"
          @click="fewer"
        >
          −
        </el-button>
      </template>
    </span>
  </SettingRow>
  <GradientLane
    v-if="!Array.isArray(tint) && 'from' in tint"
    :stops="tint.from"
    label="each one's own"
    @draft="(s) => setStops(s, false)"
    @commit="(s) => setStops(s, true)"
  />
</template>

<style scoped>
.swatches {
  display: inline-flex;
  align-items: center;
  gap: 4px;
  flex-wrap: wrap;
  justify-content: flex-end;
}
</style>
