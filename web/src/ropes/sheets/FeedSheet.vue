<script setup lang="ts">
import { computed, toRef } from 'vue'
import Choice from '../../common/Choice.vue'
import type { Datum, EaseName, Feed, Key, Rope } from '../../api/bundle'
import NumberField from '../../common/NumberField.vue'
import PairField from '../../common/PairField.vue'
import { bounds, setting } from '../../common/settings'
import CurveLane from '../../effect/CurveLane.vue'
import TryField from '../../effects/turn/TryField.vue'
import { numeric, scalar } from '../../effects/turn/parameters'
import { useProject } from '../../project/useProject'
import { dots } from '../../project/recorded'
import FeedChart from './FeedChart.vue'
import SourceRows from './SourceRows.vue'
import { useFit } from '../fit'
import { readFrom, sourceWords, type Fed } from './sources'
import { useFeeds } from './useFeeds'

/** One feed: which parameter, by what, from which values to which, by which curve, how quickly it follows. */
const props = defineProps<{ rope: Rope; ropeId: number; index: number }>()
const emit = defineEmits<{
  change: [edit: (rope: Rope) => void, save: boolean]
  shut: [edit: (rope: Rope) => void]
}>()
const project = useProject()
const view = useFeeds(toRef(props, 'ropeId'))

const effect = computed(() => project.effects.find((e) => e.body.name === props.rope.play)?.body)
const feed = computed(() => props.rope.feeds[props.index])
const parameter = computed(() => effect.value?.parameters.find((p) => p.name === feed.value.parameter))
const drawn = computed(() => view.value?.feeds[props.index])
const feedable = computed(
  () =>
    effect.value?.parameters.filter(
      (p) => p.name === feed.value.parameter || !props.rope.feeds.some((f) => f.parameter === p.name),
    ) ?? [],
)
const edit = (change: (f: Feed) => void, save = true) =>
  emit('change', (r) => change(r.feeds[props.index]), save)
const fit = useFit()
async function refit(to: string, source: Fed) {
  const [next] = await fit([props.rope], {
    feed: { index: props.index, parameter: to, source: readFrom(source) },
  })
  if (next) emit('change', (r) => (r.feeds[props.index] = next.feeds[props.index]), true)
}
const setSource = (source: Fed) => refit(feed.value.parameter, source)
const setParameter = (name: string) => refit(name, feed.value)
const offer = computed(() => view.value?.offers.find((o) => o.parameter === feed.value.parameter))

const changes = computed(
  () => !!(feed.value.channel || feed.value.since || feed.value.held || feed.value.from),
)
const unit = computed(() => parameter.value?.unit || ' ')
const EASES: EaseName[] = ['linear', 'ease', 'ease-in', 'ease-out', 'ease-in-out']
const STRAIGHT: Key[] = [
  { at: 0, value: 0, ease: 'linear' },
  { at: 1, value: 1, ease: 'linear' },
]
const shape = computed(() => {
  const keys = feed.value.shape
  if (!keys) return 'linear'
  const plain =
    keys.length === 2 && keys[0].at === 0 && keys[0].value === 0 && keys[1].at === 1 && keys[1].value === 1
  return plain && typeof keys[0].ease === 'string' && keys[0].ease !== 'hold' ? keys[0].ease : 'drawn'
})
function setShape(name: string) {
  edit((f) => {
    if (name === 'linear') delete f.shape
    else if (name === 'drawn')
      f.shape = [
        { at: 0, value: 0, ease: 'linear' },
        { at: 0.5, value: 0.7, ease: 'linear' },
        { at: 1, value: 1, ease: 'linear' },
      ]
    else f.shape = [{ at: 0, value: 0, ease: name as EaseName }, STRAIGHT[1]]
  })
}
const SHAPE = setting('Feed', 'shape')
const TIMES = [
  [
    { key: 'rise', words: 'rises over' },
    { key: 'fall', words: 'falls over' },
  ],
  [{ key: 'every', words: 'sampled every' }],
] as const
const setTime = (key: 'rise' | 'fall' | 'every', value: number, save: boolean) =>
  edit((f) => {
    if (value) f[key] = value
    else delete f[key]
  }, save)
</script>

<template>
  <h3>{{ feed.parameter }} from {{ sourceWords(feed) }}</h3>
  <div class="line">
    <span>sets</span>
    <Choice
      :value="feed.parameter"
      v-explains="'Feed.parameter'"
      label="Parameter"
      @choose="setParameter($event)"
    >
      <option v-for="p in feedable" :key="p.name">{{ p.name }}</option>
    </Choice>
  </div>
  <div class="line">
    <span>by</span>
    <SourceRows
      :source="feed"
      :event="rope.event"
      held
      label="Field"
      :parameter="parameter"
      :offer="offer"
      @set="setSource"
    />
  </div>
  <div v-if="feed.constant !== undefined && parameter" class="line">
    <span>always</span>
    <TryField
      :parameter="parameter"
      :value="feed.constant"
      v-explains="'Feed.constant'"
      label="The constant"
      exact
      @turn="(v: Datum) => edit((f) => (f.constant = v))"
    />
  </div>
  <p v-else-if="!feed.out" class="quiet">
    Handed on as it is.
    <template v-if="parameter && numeric(parameter)">
      <el-button link class="link" @click="setSource(feed)">Carry it from one range onto another</el-button>
    </template>
  </p>
  <template v-else>
    <div v-if="feed.in" class="line">
      <span>{{ sourceWords(feed) }}</span>
      <PairField
        :value="feed.in"
        v-explains="'Feed.in'"
        label="Values of the field"
        :unit="drawn?.unit || ' '"
        free
        @draft="edit((f) => (f.in = $event), false)"
        @commit="edit((f) => (f.in = $event))"
      />
    </div>
    <div class="line">
      <span>{{ feed.parameter }}</span>
      <PairField
        :value="feed.out"
        v-explains="'Feed.out'"
        label="Values of the parameter"
        :unit="unit"
        free
        @draft="edit((f) => (f.out = $event), false)"
        @commit="edit((f) => (f.out = $event))"
      />
    </div>
    <div class="line">
      <span>goes</span>
      <span class="group">
        <Choice :value="shape" v-explains="'Feed.shape'" label="Course between" @choose="setShape($event)">
          <option v-for="e in EASES" :key="e" :value="e">{{ e === 'linear' ? 'straight' : e }}</option>
          <option value="drawn">as drawn</option>
        </Choice>
        <el-checkbox
          v-if="feed.in"
          v-explains="'Feed.clamp'"
          :model-value="feed.clamp !== false"
          @change="
            edit((f) => {
              if ($event) delete f.clamp
              else f.clamp = false
            })
          "
          >clamped</el-checkbox
        >
      </span>
    </div>
    <CurveLane
      v-if="shape === 'drawn'"
      :keys="feed.shape ?? STRAIGHT"
      label="course"
      over="its range"
      unit=" "
      :least="SHAPE.least"
      :most="SHAPE.most"
      @draft="edit((f) => (f.shape = $event), false)"
      @commit="edit((f) => (f.shape = $event))"
    />
    <template v-if="changes">
      <div v-for="line in TIMES" :key="line[0].key" class="line">
        <template v-for="t in line" :key="t.key">
          <span>{{ t.words }}</span>
          <NumberField
            :value="feed[t.key] ?? 0"
            v-bind="bounds('Feed', t.key)"
            :label="`${feed.parameter} ${t.words}`"
            kind="time"
            :steps-per-second="project.stepsPerSecond"
            @draft="setTime(t.key, $event, false)"
            @commit="setTime(t.key, $event, true)"
          />
        </template>
      </div>
    </template>
    <FeedChart
      v-if="drawn && parameter && scalar(parameter)"
      :feed="drawn"
      :dots="dots(rope.name, feed.parameter)"
    />
  </template>
  <el-button link class="link away" @click="emit('shut', (r) => r.feeds.splice(index, 1))"
    >Remove this feed</el-button
  >
</template>

<style scoped src="./sheet.css" />
<style scoped>
.group {
  display: inline-flex;
  gap: 10px;
  align-items: baseline;
}
</style>
