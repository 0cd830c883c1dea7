<script setup lang="ts">
import { computed, toRef } from 'vue'
import Choice from '../../common/Choice.vue'
import type { Rope } from '../../api/bundle'
import NumberField from '../../common/NumberField.vue'
import { showNumber } from '../../common/numberText'
import { useProject } from '../../project/useProject'
import { useFeeds } from './useFeeds'

/** How far the game's own hit test reaches, drawn against how far the player sees the response reach. */
const props = defineProps<{ rope: Rope; ropeId: number }>()
const emit = defineEmits<{
  change: [edit: (rope: Rope) => void, save: boolean]
  shut: [edit: (rope: Rope) => void]
}>()
const project = useProject()
const view = useFeeds(toRef(props, 'ropeId'))
const reach = computed(() => view.value?.reach)
const fields = computed(() =>
  (project.events.find((e) => e.body.name === props.rope.event)?.body.fields ?? [])
    .filter((f) => f.type === 'number')
    .map((f) => f.name),
)
const field = computed(() => (typeof props.rope.hit === 'object' ? props.rope.hit.field : ''))
function setField(name: string) {
  emit('change', (r) => (r.hit = name ? { field: name } : (reach.value?.usualReach ?? 1)), true)
}

const WIDTH = 300
const HEIGHT = 96
const at = computed(() => reach.value?.at ?? [])
const top = computed(() => Math.max(0.1, ...(reach.value?.reach ?? []), ...(reach.value?.hit ?? [])) * 1.1)
const x = (v: number) => 34 + ((v - at.value[0]) / (at.value.at(-1)! - at.value[0] || 1)) * (WIDTH - 44)
const y = (v: number) => HEIGHT - 18 - (v / top.value) * (HEIGHT - 26)
const line = (values: number[]) => 'M' + at.value.map((a, i) => `${x(a)} ${y(values[i])}`).join('L')
const two = (v: number) => showNumber(Math.round(v * 100) / 100)
</script>

<template>
  <h3>Hit-test radius</h3>
  <div class="line">
    <Choice :value="field" label="Hit test by" @choose="setField($event)">
      <option value="">a length of its own</option>
      <option v-for="f in fields" :key="f" :value="f">the field {{ f }}</option>
    </Choice>
    <NumberField
      v-if="typeof rope.hit === 'number'"
      :value="rope.hit"
      label="Hit test reaches"
      unit="u"
      :least="0.01"
      :most="10000"
      @draft="(v) => emit('change', (r) => (r.hit = v), false)"
      @commit="(v) => emit('change', (r) => (r.hit = v), true)"
    />
  </div>
  <template v-if="reach">
    <svg
      v-if="at.length > 1"
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      role="img"
      :aria-label="`Reach and hit test over ${reach.over} ${two(at[0])} to ${two(at.at(-1)!)} ${reach.unit}`"
    >
      <path class="axis" :d="`M34 ${HEIGHT - 18}H${WIDTH - 10}M34 6V${HEIGHT - 18}`" />
      <text x="30" :y="y(top) + 8" text-anchor="end">{{ two(top) }} u</text>
      <text x="30" :y="HEIGHT - 14" text-anchor="end">0</text>
      <text :x="x(at[0])" :y="HEIGHT - 4">{{ two(at[0]) }}</text>
      <text :x="x(at.at(-1)!)" :y="HEIGHT - 4" text-anchor="end">
        {{ reach.over }} {{ two(at.at(-1)!) }} {{ reach.unit }}
      </text>
      <path class="seen" :d="line(reach.reach)" />
      <path v-if="reach.hit.length" class="hit" :d="line(reach.hit)" />
    </svg>
    <p class="quiet">Bronze is how far it is seen, dashed the game’s hit-test radius.</p>
    <p :class="reach.agrees ? 'agrees' : 'differs'">
      Seen as far as {{ two(reach.usualReach) }} u at the usual value<template
        v-if="reach.usualHit !== undefined"
        >, hit within {{ two(reach.usualHit) }} u<template v-if="!reach.agrees && reach.worst !== undefined"
          >; up to {{ two(Math.abs(reach.worst) * 100) }} % apart</template
        ></template
      >.
      <template v-if="!reach.agrees && reach.fitting !== undefined"
        >{{ reach.parameter }} at {{ two(reach.fitting) }} would reach as far as it hits.</template
      >
    </p>
  </template>
  <el-button link class="link away" @click="emit('shut', (r) => delete r.hit)"
    >Remove the hit-test radius</el-button
  >
</template>

<style scoped src="./sheet.css" />
<style scoped>
svg {
  display: block;
  flex: none;
  width: 100%;
}
.axis {
  stroke: var(--line);
  fill: none;
}
.seen {
  fill: none;
  stroke: var(--bronze);
  stroke-width: 1.8;
}
.hit {
  fill: none;
  stroke: var(--ink);
  stroke-dasharray: 5 3;
}
text {
  font-size: 10px;
  fill: var(--muted);
}
.agrees {
  color: var(--verdigris);
}
.differs {
  color: var(--vermilion);
}
</style>
