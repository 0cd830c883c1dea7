<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Words } from '../api/client'
import type { Rope } from '../api/bundle'
import RopePart from './RopePart.vue'

/** A rope as its sentence. Where it may be edited, each bold part opens in place. */
const props = defineProps<{ words: Words[]; rope?: Rope; ropeId?: number; lit?: number }>()

// A mark stays on the line of the part before it; between a button and a text a line could break.
const mark = (i: number) =>
  /^[,;.]/.exec(props.words[i]?.slot === 'words' ? props.words[i].text : '')?.[0] ?? ''
const rest = (i: number) => (i > 0 ? props.words[i].text.slice(mark(i).length) : props.words[i].text)

// What may take several lines has the mark behind its own last word.
const long = (word: Words) => word.text.length > 36
/** The slot that was just added, whose part opens once the sentence says it: the last of its kind. */
const adding = ref<string>()
const NAMED: Record<string, string[]> = { 'follow up': ['follow up', 'gap'] }
function opens(i: number) {
  const slots = NAMED[adding.value ?? ''] ?? [adding.value]
  return slots.includes(props.words[i].slot) && !props.words.slice(i + 1).some((w) => slots.includes(w.slot))
}
const editable = computed(() => props.rope !== undefined && props.ropeId !== undefined)
</script>

<template>
  <p class="sentence">
    <template v-for="(word, i) in words" :key="i">
      <template v-if="word.slot === 'words'">{{ editable ? rest(i) : word.text }}</template>
      <span v-else-if="editable" class="tied"
        ><RopePart
          :word="word"
          :rope="rope!"
          :rope-id="ropeId!"
          :lit="word.slot === 'condition' && lit === word.index"
          :opens="opens(i)"
          :mark="long(word) ? mark(i + 1) : undefined"
          @opened="adding = undefined"
        />{{ long(word) ? '' : mark(i + 1) }}</span
      >
      <b v-else :class="{ gap: word.slot === 'gap' }">{{ word.text }}</b>
    </template>
    <template v-if="editable">
      {{ ' ' }}
      <RopePart
        :word="{ text: '+ condition', slot: 'new condition', index: rope!.conditions.length }"
        :rope="rope!"
        :rope-id="ropeId!"
      />
      {{ ' ' }}
      <RopePart
        v-if="rope!.play"
        :word="{ text: '+ feed', slot: 'new feed', index: rope!.feeds.length }"
        :rope="rope!"
        :rope-id="ropeId!"
      />
      {{ ' ' }}
      <RopePart
        :word="{ text: '+ more', slot: 'new', index: 0 }"
        :rope="rope!"
        :rope-id="ropeId!"
        @added="adding = $event"
      />
    </template>
  </p>
</template>

<style scoped>
.sentence {
  margin: 0;
  line-height: 1.45;
  text-wrap: pretty;
}
b {
  font-weight: 600;
  border-bottom: 1px dotted var(--bronze-soft);
}
.tied {
  white-space: nowrap;
}
.tied > :deep(.part) {
  white-space: normal;
  max-width: 100%;
}
.gap {
  color: var(--vermilion);
  border-bottom: 1px dashed var(--vermilion);
}
</style>
