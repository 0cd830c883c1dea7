<script setup lang="ts">
import { computed } from 'vue'
import type { Words } from '../api/client'
import type { Rope } from '../api/bundle'
import RopePart from './RopePart.vue'

/** A rope as its sentence. Where it may be edited, each bold part opens in place. */
const props = defineProps<{ words: Words[]; rope?: Rope; ropeId?: number; lit?: number }>()

const editable = computed(() => props.rope !== undefined && props.ropeId !== undefined)
</script>

<template>
  <p class="sentence">
    <template v-for="(word, i) in words" :key="i">
      <template v-if="word.slot === 'words'">{{ word.text }}</template>
      <RopePart
        v-else-if="editable"
        :word="word"
        :rope="rope!"
        :rope-id="ropeId!"
        :lit="word.slot === 'condition' && lit === word.index"
      />
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
.gap {
  color: var(--vermilion);
  border-bottom: 1px dashed var(--vermilion);
}
</style>
