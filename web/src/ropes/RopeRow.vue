<script setup lang="ts">
import { computed } from 'vue'
import type { ResponseView, Words } from '../api/client'
import { showNumber, showPresence } from '../common/numberText'
import ResponseStrip from './ResponseStrip.vue'
import RopeSentence from './RopeSentence.vue'

/** One rope on the board: its sentence, its strip, three figures; and, if it is open, what stands below. */
const props = defineProps<{
  id: number
  name: string
  broken: boolean
  words: Words[]
  response?: ResponseView
  most: number
  open: boolean
  seconds: number
}>()
const emit = defineEmits<{ open: [id: number] }>()

const release = computed(() => {
  const seconds = props.response?.numbers?.release
  return seconds === undefined ? 'until ended' : `${showNumber(Number(seconds.toFixed(2)))} s`
})
</script>

<template>
  <article class="row" :class="{ open, broken }" :data-rope="name">
    <div class="line" @click="emit('open', id)">
      <button class="knot" :aria-label="`Open ${name}`" :aria-current="open" @click.stop="emit('open', id)" />
      <div class="middle">
        <RopeSentence :words="words" />
        <ResponseStrip :response="response" :most="most" :open="open" :seconds="seconds" />
        <p v-if="response?.silent" class="why">nothing can play: {{ response.silent }}</p>
      </div>
      <dl v-if="response?.numbers" class="figures">
        <dt>peak</dt>
        <dd>{{ response.numbers.peak }}</dd>
        <dt>presence</dt>
        <dd>{{ showPresence(response.numbers.presencePeak) }} u²</dd>
        <dt>release</dt>
        <dd>{{ release }}</dd>
      </dl>
      <span v-else class="figures quiet">–</span>
    </div>
    <slot />
  </article>
</template>

<style scoped>
.row {
  border-bottom: 1px solid var(--line);
  content-visibility: auto;
  contain-intrinsic-size: auto 76px;
}
.row.open {
  background: var(--card);
  content-visibility: visible;
}
.line {
  position: relative;
  display: grid;
  grid-template-columns: 36px minmax(0, 1fr) 124px;
  cursor: pointer;
  padding: 7px 0 5px;
}
.row:not(.open) .line:hover {
  background: #f3ebdb;
}
.knot {
  justify-self: center;
  width: 24px;
  height: 24px;
  margin-top: -2px;
  display: grid;
  place-items: center;
}
.knot::before {
  content: '';
  width: 9px;
  height: 9px;
  border-radius: 50%;
  border: 2px solid var(--bronze-soft);
  background: var(--paper);
  z-index: 1;
}
.line::before {
  content: '';
  position: absolute;
  left: 17px;
  top: 0;
  bottom: 0;
  border-left: 2px solid var(--bronze-soft);
}
.open .line::before {
  left: 16px;
  border-left: 3px solid var(--bronze);
}
.open .knot::before {
  background: var(--bronze);
  border-color: var(--bronze);
}
.broken .knot::before {
  border-color: var(--vermilion);
}
.middle {
  min-width: 0;
}
.figures {
  margin: 0;
  padding: 0 12px 0 8px;
  display: grid;
  grid-template-columns: 1fr 56px;
  align-content: start;
  gap: 0 4px;
  font-size: 12px;
  text-align: right;
}
dt {
  color: var(--muted);
}
dd {
  margin: 0;
  font-weight: 600;
  white-space: nowrap;
}
.why {
  margin: 2px 0 0;
  color: var(--vermilion);
  font-size: 12px;
}
</style>
