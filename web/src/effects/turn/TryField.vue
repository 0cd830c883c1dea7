<script setup lang="ts">
import { computed } from 'vue'
import Choice from '../../common/Choice.vue'
import type { Datum, Parameter, Vector } from '../../api/bundle'
import NumberField from '../../common/NumberField.vue'
import { showNumber } from '../../common/numberText'
import ColourField from '../../effect/ColourField.vue'
import { numeric, typeOf } from './parameters'

/** One parameter to be turned for a try: within its range and a quarter beyond, where it is held at its bound. */
const props = defineProps<{ parameter: Parameter; value: Datum; label: string; exact?: boolean }>()
const emit = defineEmits<{ turn: [value: Datum] }>()

const least = computed(() => props.parameter.least ?? 0)
const most = computed(() => props.parameter.most ?? 1)
const span = computed(() => most.value - least.value || 1)
const low = computed(() => least.value - span.value / 4)
const high = computed(() => most.value + span.value / 4)
const step = computed(
  () =>
    props.parameter.step ||
    (typeOf(props.parameter) === 'whole' ? 1 : Number((span.value / 200).toPrecision(1))),
)
const held = computed(() => {
  const v = props.value as number
  if (props.parameter.free) return ''
  return v > most.value
    ? `held at ${showNumber(most.value)}`
    : v < least.value
      ? `held at ${showNumber(least.value)}`
      : ''
})
const share = (v: number) => ((v - low.value) / (high.value - low.value)) * 100
function axis(i: number, v: number) {
  const next = [...(props.value as Vector)] as Vector
  next[i] = v
  emit('turn', next)
}
</script>

<template>
  <span v-if="numeric(parameter)" class="turn" @keydown.stop>
    <span
      class="rail"
      :style="{
        '--from': share(least) + '%',
        '--to': share(most) + '%',
        '--usual': share(parameter.default as number) + '%',
      }"
    >
      <input
        type="range"
        :min="low"
        :max="high"
        :step="step"
        :value="value"
        :aria-label="label"
        :aria-valuetext="`${showNumber(value as number)} ${parameter.unit ?? ''} ${held}`"
        :title="`${showNumber(least)} to ${showNumber(most)} ${parameter.unit ?? ''}; usually ${showNumber(parameter.default as number)}`"
        @input="emit('turn', Number(($event.target as HTMLInputElement).value))"
      />
    </span>
    <NumberField
      v-if="exact"
      :value="value as number"
      :label="`${label}, exactly`"
      :unit="parameter.unit || ' '"
      :step="step"
      @draft="emit('turn', $event)"
      @commit="emit('turn', $event)"
    />
    <b v-else>{{ showNumber(value as number) }}</b>
    <span v-if="held" class="held">{{ held }}</span>
  </span>
  <el-checkbox
    v-else-if="typeOf(parameter) === 'flag'"
    class="turn"
    :model-value="value as boolean"
    :aria-label="label"
    @change="emit('turn', $event)"
    >{{ value ? 'yes' : 'no' }}</el-checkbox
  >
  <Choice
    v-else-if="typeOf(parameter) === 'choice'"
    :value="value"
    :label="label"
    @choose="emit('turn', $event)"
  >
    <option v-for="o in parameter.options" :key="o">{{ o }}</option>
  </Choice>
  <span v-else-if="typeOf(parameter) === 'vector'" class="turn">
    <NumberField
      v-for="(v, i) in value as Vector"
      :key="i"
      :value="v"
      :label="`${label}, ${['x', 'y', 'z'][i]}`"
      :unit="i === 2 ? parameter.unit || ' ' : ' '"
      @draft="axis(i, $event)"
      @commit="axis(i, $event)"
    />
  </span>
  <ColourField
    v-else
    :value="(value as string).padEnd(9, 'F')"
    :label="label"
    @draft="emit('turn', parameter.opacity ? $event : $event.slice(0, 7))"
    @commit="emit('turn', parameter.opacity ? $event : $event.slice(0, 7))"
  />
</template>

<style scoped>
.turn {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  white-space: nowrap;
}
.rail {
  position: relative;
  width: 84px;
  height: 24px;
}
/* The range itself, and what lies beyond it on either side. */
.rail::before {
  content: '';
  position: absolute;
  top: 10px;
  left: var(--from);
  width: calc(var(--to) - var(--from));
  height: 4px;
  background: var(--bronze-soft);
  border-radius: 2px;
}
.rail::after {
  content: '';
  position: absolute;
  top: 5px;
  left: var(--usual);
  width: 2px;
  height: 14px;
  background: var(--ink);
  pointer-events: none;
}
input[type='range'] {
  appearance: none;
  position: relative;
  width: 100%;
  height: 24px;
  margin: 0;
  background: linear-gradient(var(--line), var(--line)) center / 100% 1px no-repeat;
}
input[type='range']::-webkit-slider-thumb {
  appearance: none;
  width: 12px;
  height: 18px;
  border-radius: 3px;
  border: 2px solid var(--bronze);
  background: var(--card);
  cursor: ew-resize;
}
.held {
  color: var(--amber);
  font-size: 12px;
}
</style>
