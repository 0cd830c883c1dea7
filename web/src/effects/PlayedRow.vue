<script setup lang="ts">
import { computed } from 'vue'
import OneOf from '../common/OneOf.vue'
import Choice from '../common/Choice.vue'
import type { Effect } from '../api/bundle'
import NumberField from '../common/NumberField.vue'
import { useProject } from '../project/useProject'
import { speedOf, type Play } from './play'

/** With what, from where and how fast the preview plays; and when again. */
const props = defineProps<{ play: Play; part: 'pull' | 'time'; effect: Effect }>()
const project = useProject()
// The owner hands out its own reactive object, so that both rows and the fetching share it.
const play = computed(() => props.play)
const ropes = computed(() => project.ropes.filter((r) => r.body.play === props.effect.name))
const rope = computed(() => project.ropes.find((r) => r.id === play.value.rope))
const event = computed(() => project.events.find((e) => e.body.name === rope.value?.body.event))
const numbers = computed(() =>
  (event.value?.body.fields ?? []).flatMap((f) => (f.type === 'number' ? [f] : [])),
)
const STRENGTHS = ['soft', 'usual', 'hard'] as const
const SIDES = ['left', 'right'] as const
const RATES = [0.1, 0.25, 0.5, 1, 2]

function setRope(id: number) {
  Object.assign(play.value, { rope: id || undefined, payload: undefined })
  if (id) setStrength('usual')
}
function setStrength(strength: Play['strength']) {
  const ready = event.value && project.strengths.get(event.value.id)?.[strength]
  Object.assign(play.value, { strength, payload: ready ? { ...ready } : undefined })
}
function setNumber(name: string, value: number) {
  play.value.payload = { ...play.value.payload, [name]: value }
}
const seconds = project.stepsPerSecond
const set = <K extends keyof Play>(key: K, value: Play[K]) => (play.value[key] = value)
</script>

<template>
  <span v-if="part === 'time'" class="time">
    <Choice
      :value="play.every === undefined ? 'gone' : 'every'"
      label="When it plays again"
      @choose="set('every', $event === 'every' ? 2 : undefined)"
    >
      <option value="gone">repeat when finished</option>
      <option value="every">again every</option>
    </Choice>
    <NumberField
      v-if="play.every !== undefined"
      :value="play.every"
      label="Again every"
      unit="s"
      kind="time"
      :least="0.1"
      :most="20"
      :steps-per-second="seconds"
      @draft="set('every', $event)"
      @commit="set('every', $event)"
    />
    <label>
      <span class="quiet">speed&ensp;</span>
      <Choice :value="play.rate" label="How fast time passes" @choose="set('rate', Number($event))">
        <option v-for="r in RATES" :key="r" :value="r">{{ r }} ×</option>
      </Choice>
    </label>
  </span>
  <div v-else class="played">
    <span class="quiet">played</span>
    <Choice :value="play.rope ?? 0" label="Played as by" @choose="setRope(Number($event))">
      <option :value="0">as it is</option>
      <option v-for="r in ropes" :key="r.id" :value="r.id">as by “{{ r.body.name }}”</option>
    </Choice>
    <template v-if="rope">
      <OneOf label="Strength" :value="play.strength" :options="STRENGTHS" @choose="setStrength" />
      <template v-for="f in numbers" :key="f.name">
        <span class="quiet">{{ f.name }}</span>
        <NumberField
          :value="Number(play.payload?.[f.name] ?? f.usual ?? f.range[0])"
          :label="`Payload, ${f.name}`"
          :unit="f.unit"
          :least="f.range[0]"
          :most="f.range[1]"
          @draft="setNumber(f.name, $event)"
          @commit="setNumber(f.name, $event)"
        />
      </template>
    </template>
    <span class="quiet">from the</span>
    <OneOf label="From which side" :value="play.side" :options="SIDES" @choose="set('side', $event)" />
    <span class="quiet">source moves</span>
    <NumberField
      :value="speedOf(play, effect)"
      label="Source moves"
      unit="u/s"
      :step="1"
      :least="0"
      :most="100"
      @draft="set('speed', $event)"
      @commit="set('speed', $event)"
    />
    <template v-if="effect.course.kind === 'looping'">
      <span class="quiet">stops after</span>
      <NumberField
        :value="play.stopAfter ?? 4"
        label="Stops after"
        unit="s"
        kind="time"
        :least="0.1"
        :most="10"
        :steps-per-second="seconds"
        @draft="set('stopAfter', $event)"
        @commit="set('stopAfter', $event)"
      />
    </template>
    <el-button link class="link" title="New random seed (R)" @click="set('seed', play.seed + 1)">
      new seed <span class="quiet">{{ play.seed }}</span>
    </el-button>
  </div>
</template>

<style scoped>
.played,
.time {
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
  align-items: baseline;
}
.played {
  padding: 2px 14px;
  border-bottom: 1px solid var(--line);
  min-height: 30px;
}
.time {
  flex-wrap: nowrap;
}
</style>
