<script setup lang="ts">
import { computed, toRef } from 'vue'
import Choice from '../../common/Choice.vue'
import type { Rope } from '../../api/bundle'
import NumberField from '../../common/NumberField.vue'
import Plot from '../../common/Plot.vue'
import { between, type Drawn } from '../../common/plot'
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

const two = (v: number) => showNumber(Math.round(v * 100) / 100)

const at = computed(() => reach.value?.at ?? [])
const lines = computed((): Drawn[] => [
  { name: 'seen', as: 'line', colour: '--bronze', values: reach.value?.reach ?? [] },
  ...(reach.value?.hit.length
    ? [{ name: 'hit test', as: 'line' as const, colour: '--ink', dash: [5, 3], values: reach.value.hit }]
    : []),
])
const x = computed(() => {
  const to = at.value.at(-1)!
  return between(at.value[0], to, (v) =>
    v === to ? `${reach.value!.over} ${two(v)} ${reach.value!.unit}` : two(v),
  )
})
const y = computed(() => {
  const most = Math.max(0.1, ...lines.value.flatMap((l) => l.values as number[])) * 1.1
  return between(0, most, (v) => (v ? `${two(v)} u` : '0'))
})
function words(i: number) {
  const { over, unit, reach: seen, hit } = reach.value!
  const hits = hit.length ? `, hit within ${two(hit[i])} u` : ''
  return `${over} ${two(at.value[i])} ${unit}: seen as far as ${two(seen[i])} u${hits}`
}
</script>

<template>
  <h3>Hit-test radius</h3>
  <div class="line">
    <Choice :value="field" v-explains="'Rope.hit'" label="Hit test by" @choose="setField($event)">
      <option value="">a length of its own</option>
      <option v-for="f in fields" :key="f" :value="f">the field {{ f }}</option>
    </Choice>
    <NumberField
      v-if="typeof rope.hit === 'number'"
      :value="rope.hit"
      v-explains="'Rope.hit'"
      label="Hit test reaches"
      unit="u"
      :least="0.01"
      :most="10000"
      @draft="(v) => emit('change', (r) => (r.hit = v), false)"
      @commit="(v) => emit('change', (r) => (r.hit = v), true)"
    />
  </div>
  <template v-if="reach">
    <Plot
      v-if="at.length > 1"
      :label="`Reach and hit test over ${reach.over} ${two(at[0])} to ${two(at.at(-1)!)} ${reach.unit}`"
      :places="at"
      :drawn="lines"
      :x="x"
      :y="y"
      :words="words"
      rest="Bronze is how far it is seen, dashed the game’s hit-test radius."
      :height="96"
    />
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
.agrees {
  color: var(--verdigris);
}
.differs {
  color: var(--vermilion);
}
</style>
