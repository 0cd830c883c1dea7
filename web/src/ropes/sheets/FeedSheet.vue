<script setup lang="ts">
import { computed } from 'vue'
import type { Feed, Rope, Source } from '../../api/bundle'
import PairField from '../../common/PairField.vue'
import { useProject } from '../../project/useProject'
import SourceRows from './SourceRows.vue'
import { sourceRange, sourceUnit, sourceWords } from './sources'

/** One feed: which parameter, by what number, from which values to which. */
const props = defineProps<{ rope: Rope; index: number }>()
const emit = defineEmits<{
  change: [edit: (rope: Rope) => void, save: boolean]
  shut: [edit: (rope: Rope) => void]
}>()
const project = useProject()

const event = computed(() => project.events.find((e) => e.body.name === props.rope.event)?.body)
const effect = computed(() => project.effects.find((e) => e.body.name === props.rope.play)?.body)
const channels = computed(() => project.channels.map((c) => c.body))
const feed = computed(() => props.rope.feeds[props.index])
const feedable = computed(
  () =>
    effect.value?.parameters.filter(
      (p) => p.name === feed.value.parameter || !props.rope.feeds.some((f) => f.parameter === p.name),
    ) ?? [],
)
const edit = (change: (f: Feed) => void, save = true) =>
  emit('change', (r) => change(r.feeds[props.index]), save)
function setSource(source: Source) {
  emit(
    'change',
    (r) => {
      const { parameter, out } = r.feeds[props.index]
      r.feeds[props.index] = {
        parameter,
        ...source,
        in: sourceRange(source, event.value, channels.value),
        out,
      }
    },
    true,
  )
}
</script>

<template>
  <h3>{{ feed.parameter }} from {{ sourceWords(feed) }}</h3>
  <div class="line">
    <span>turns</span>
    <select
      :value="feed.parameter"
      aria-label="Parameter"
      @change="edit((f) => (f.parameter = ($event.target as HTMLSelectElement).value))"
    >
      <option v-for="p in feedable" :key="p.name">{{ p.name }}</option>
    </select>
  </div>
  <div class="line">
    <span>by</span>
    <SourceRows :source="feed" :event="rope.event" held label="Field" @set="setSource" />
  </div>
  <div class="line">
    <span>{{ sourceWords(feed) }}</span>
    <PairField
      :value="feed.in"
      label="Values of the field"
      :unit="sourceUnit(feed, event, channels)"
      free
      @draft="edit((f) => (f.in = $event), false)"
      @commit="edit((f) => (f.in = $event))"
    />
  </div>
  <div class="line">
    <span>{{ feed.parameter }}</span>
    <PairField
      :value="feed.out"
      label="Values of the parameter"
      :unit="effect?.parameters.find((p) => p.name === feed.parameter)?.unit || ' '"
      free
      @draft="edit((f) => (f.out = $event), false)"
      @commit="edit((f) => (f.out = $event))"
    />
  </div>
  <button class="link away" @click="emit('shut', (r) => r.feeds.splice(index, 1))">
    Take this feed away
  </button>
</template>

<style scoped src="./sheet.css" />
