<script setup lang="ts">
import { subjectOf } from '../project/names'
import { computed, ref } from 'vue'
import type { Lane, Pattern, Score } from '../api/bundle'
import Choice from '../common/Choice.vue'
import NumberField from '../common/NumberField.vue'
import PairField from '../common/PairField.vue'
import TextField from '../common/TextField.vue'
import { bounds, setting } from '../common/settings'
import CurveLane from '../effect/CurveLane.vue'
import { useProject } from '../project/useProject'
import { extentOf, KINDS, patternOf, repeated, stretched, type PatternKind } from './score'

/** What a lane of the score does: when its event arrives, about whom, and with which values. */
const props = defineProps<{ lane: Lane; score: Score; played: boolean }>()
const emit = defineEmits<{
  change: [lane: Lane, save: boolean]
  remove: []
  copy: []
  write: []
}>()
const project = useProject()
const event = computed(() => project.events.find((e) => e.body.name === props.lane.event)?.body)
const when = computed(() => props.lane.when)
const set = (some: Partial<Lane>, save = true) => emit('change', { ...props.lane, ...some }, save)
const setWhen = (some: object, save = true) => set({ when: { ...when.value, ...some } as Pattern }, save)
const marks = computed(() => (when.value.kind === 'marks' ? when.value.marks : []))
const extent = computed(() => extentOf(marks.value))
/** How long after a mark it comes again. */
const again = ref(5)
const MANNERS = { soft: 'soft', usual: 'usual', hard: 'hard', any: 'each at random' }
const others = computed(() => props.score.lanes.filter((l) => l.id !== props.lane.id))
/** The choice whose words the lane says in turn. */
const choices = computed(() => event.value?.fields.filter((f) => f.type === 'choice') ?? [])
const saidOf = (field: string) =>
  (props.lane.said ?? []).map((s) => s.payload?.[field]).filter((v): v is string => typeof v === 'string')
function say(field: string, words: string[]) {
  set({ said: words.length ? words.map((w) => ({ payload: { [field]: w } })) : undefined })
}
const values = computed(() => (props.lane.said ?? []).flatMap((s) => (s.value ? [s.value] : [])))
</script>

<template>
  <section class="sheet" :aria-label="`Lane ${lane.event}`">
    <div class="row">
      <b>{{ lane.event }}</b>
      <label v-explains="'Lane.when'"
        >arrives
        <Choice
          label="When it arrives"
          :value="when.kind"
          @choose="(k) => set({ when: patternOf(k as PatternKind, lane, score) })"
        >
          <option v-for="[kind, words] in KINDS" :key="kind" :value="kind">{{ words }}</option>
        </Choice>
      </label>
      <template v-if="when.kind === 'steady' || when.kind === 'poisson'">
        <NumberField
          :value="when.perSecond"
          label="Rate"
          v-bind="bounds('Lane', 'when.<Poisson>.perSecond')"
          kind="rate"
          @draft="(v) => setWhen({ perSecond: v }, false)"
          @commit="(v) => setWhen({ perSecond: v })"
        />
      </template>
      <template v-else-if="when.kind === 'salvos'">
        <NumberField
          :value="when.count"
          label="How many together"
          v-bind="bounds('Lane', 'when.<Salvos>.count')"
          @commit="(v) => setWhen({ count: v })"
        />
        <label
          >within
          <NumberField
            :value="when.within ?? 0"
            label="Within"
            v-bind="bounds('Lane', 'when.<Salvos>.within')"
            kind="time"
            :most="when.every"
            @commit="(v) => setWhen({ within: v })"
        /></label>
        <label
          >every
          <NumberField
            :value="when.every"
            label="Every"
            v-bind="bounds('Lane', 'when.<Salvos>.every')"
            kind="time"
            :least="Math.max(0.001, when.within ?? 0)"
            @commit="(v) => setWhen({ every: v })"
        /></label>
      </template>
      <template v-else-if="when.kind === 'after'">
        <Choice
          label="Lane that it comes after"
          :value="String(when.lane)"
          @choose="(v) => setWhen({ lane: Number(v) })"
        >
          <option v-for="l in others" :key="l.id" :value="String(l.id)">{{ l.event }} ({{ l.id }})</option>
        </Choice>
        <label
          >with chance
          <NumberField
            :value="when.chance ?? 1"
            label="Chance"
            v-bind="bounds('Lane', 'when.<After>.chance')"
            @commit="(v) => setWhen({ chance: v })"
        /></label>
        <label
          ><NumberField
            :value="when.delay ?? 0"
            label="Delay"
            v-bind="bounds('Lane', 'when.<After>.delay')"
            kind="time"
            @commit="(v) => setWhen({ delay: v })"
          />
          later</label
        >
      </template>
      <span v-if="when.kind === 'marks'" class="quiet"
        >A double press on the lane adds a mark; drag one, or move it with the arrows; D copies it, Delete
        deletes it.</span
      >
    </div>
    <CurveLane
      v-if="when.kind === 'rising'"
      label="rate"
      unit="/s"
      over="the lane"
      :keys="when.perSecond"
      :most="setting('Lane', 'when.<Rising>.perSecond').most"
      @draft="(keys) => setWhen({ perSecond: keys }, false)"
      @commit="(keys) => setWhen({ perSecond: keys })"
    />
    <div class="row">
      <template v-if="marks.length">
        <label
          >the first at
          <NumberField
            :value="extent[0]"
            label="First mark"
            kind="time"
            unit="s"
            :least="0"
            :most="Math.max(0, score.seconds - (extent[1] - extent[0]))"
            :step="0.1"
            @commit="(v) => setWhen({ marks: stretched(marks, [v, v + extent[1] - extent[0]]) })"
        /></label>
        <label v-if="extent[1] > extent[0]"
          >the last at
          <NumberField
            :value="extent[1]"
            label="Last mark"
            kind="time"
            unit="s"
            :least="extent[0] + 0.01"
            :most="score.seconds"
            :step="0.1"
            @commit="(v) => setWhen({ marks: stretched(marks, [extent[0], v]) })"
        /></label>
        <label
          >all again every
          <NumberField
            :value="again"
            label="Again every"
            kind="time"
            unit="s"
            :least="0.01"
            :most="score.seconds"
            :step="0.1"
            @commit="(v) => (again = v)"
        /></label>
        <el-button
          link
          class="link"
          data-testid="repeat"
          @click="setWhen({ marks: repeated(marks, again, score.seconds) })"
          >repeat to the end</el-button
        >
      </template>
      <template v-if="when.kind !== 'marks'">
        <label v-explains="'Lane.from'"
          >from
          <NumberField
            :value="lane.from ?? 0"
            label="From"
            v-bind="bounds('Lane', 'from')"
            kind="time"
            :most="lane.until ?? score.seconds"
            @commit="(v) => set({ from: v || undefined })"
        /></label>
        <label v-explains="'Lane.until'"
          >until
          <NumberField
            :value="lane.until ?? score.seconds"
            label="Until"
            v-bind="bounds('Lane', 'until')"
            kind="time"
            :least="lane.from ?? 0"
            :most="score.seconds"
            @commit="(v) => set({ until: v >= score.seconds ? undefined : v })"
        /></label>
      </template>
      <label v-if="event?.shape === 'span'" v-explains="'Lane.lasts'"
        >each lasts
        <PairField
          label="How long each lasts"
          :value="(lane.lasts as [number, number]) ?? [1, 1]"
          v-bind="bounds('Lane', 'lasts')"
          kind="time"
          @commit="(v: [number, number]) => set({ lasts: v })"
      /></label>
      <label v-explains="'Lane.subject'"
        >about
        <TextField
          class="short"
          :value="lane.subject"
          label="Subject"
          :placeholder="subjectOf(lane.event)"
          :take="(text: string) => set({ subject: text || undefined })"
      /></label>
      <label v-explains="'Lane.subjects'"
        >of which there are
        <NumberField
          :value="lane.subjects ?? 1"
          label="How many subjects"
          v-bind="bounds('Lane', 'subjects')"
          @commit="(v) => set({ subjects: v === 1 ? undefined : v })"
      /></label>
      <label v-if="event?.fields.length" v-explains="'Lane.manner'"
        >values
        <Choice
          label="Values"
          :value="lane.manner ?? 'usual'"
          @choose="(v) => set({ manner: v === 'usual' ? undefined : (v as Lane['manner']) })"
        >
          <option v-for="(words, m) in MANNERS" :key="m" :value="m">{{ words }}</option>
        </Choice>
      </label>
      <label v-for="f in choices" :key="f.name" v-explains="'Lane.said'"
        >{{ f.name }}
        <el-select
          size="small"
          multiple
          collapse-tags
          class="words"
          :teleported="false"
          :model-value="saidOf(f.name)"
          :aria-label="`${f.name} in turn`"
          placeholder="as values say"
          @update:model-value="(v: string[]) => say(f.name, v)"
        >
          <el-option v-for="o in f.options" :key="o" :value="o" :label="o" />
        </el-select>
      </label>
      <label v-if="event?.values?.length && when.kind !== 'marks'" v-explains="'Lane.said'"
        >values in turn
        <el-select
          size="small"
          multiple
          collapse-tags
          class="words"
          :teleported="false"
          :model-value="values"
          aria-label="Values in turn"
          placeholder="all in turn"
          @update:model-value="
            (v: string[]) => set({ said: v.length ? v.map((value) => ({ value })) : undefined })
          "
        >
          <el-option v-for="o in event.values" :key="o" :value="o" :label="o" />
        </el-select>
      </label>
      <span class="space" />
      <el-button v-if="when.kind !== 'marks' && played" link class="link" @click="emit('write')"
        >write out as marks</el-button
      >
      <el-button link class="link" @click="emit('copy')">copy</el-button>
      <el-button link class="link" @click="emit('remove')">delete</el-button>
    </div>
  </section>
</template>

<style scoped>
.sheet {
  padding: 8px 14px;
  background: var(--bronze-pale);
  border-top: 1px solid var(--line);
}
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
  min-height: 28px;
}
label {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  white-space: nowrap;
}
.short {
  width: 110px;
}
.words {
  width: 150px;
}
.words :deep(.el-tag) {
  color: var(--ink);
  background: var(--paper);
  border-color: var(--line);
}
.space {
  flex: 1;
}
</style>
