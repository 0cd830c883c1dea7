<script setup lang="ts">
import { computed } from 'vue'
import type { NoticedView, ResponseView, Words } from '../api/client'
import type { Rope } from '../api/bundle'
import { showNumber, showPresence } from '../common/numberText'
import ResponseStrip from './ResponseStrip.vue'
import RopeSentence from './RopeSentence.vue'

/** One rope on the board: its sentence, its strip, three figures; and, if it is open, what stands below. */
const props = defineProps<{
  id: number
  name: string
  rope: Rope
  words: Words[]
  findings?: NoticedView[]
  /** Whether it is one of several chosen; absent while none are being chosen. */
  chosen?: boolean
  response?: ResponseView
  most: number
  open: boolean
  seconds: number
  lit?: number
}>()
const emit = defineEmits<{ open: [id: number, event?: MouseEvent]; mend: [finding: NoticedView] }>()
const broken = computed(() => !props.rope.play && !props.rope.with?.length && !props.rope.then?.length)
/** What is wrong before what is doubtful; what the row says anyway is left out. */
const noticed = computed(() =>
  (props.findings ?? [])
    .filter((f) => f.check !== 'gap' || !props.response?.silent)
    .sort((a, b) => Number(b.severity === 'wrong') - Number(a.severity === 'wrong'))
    .slice(0, props.open ? 5 : 1),
)

const release = computed(() => {
  const seconds = props.response?.numbers?.release
  return seconds === undefined ? 'until ended' : `${showNumber(Number(seconds.toFixed(2)))} s`
})
</script>

<template>
  <article class="row" :class="{ open, broken, off: rope.off, chosen }" :data-rope="name">
    <div class="line" @click="emit('open', id, $event)">
      <el-checkbox
        v-if="chosen !== undefined"
        class="choose"
        :model-value="chosen"
        :aria-label="`Choose ${name}`"
        @click.stop
        @change="emit('open', id, { ctrlKey: true } as MouseEvent)"
      />
      <button
        v-else
        class="knot"
        :aria-label="`Open ${name}`"
        :aria-current="open"
        @click.stop="emit('open', id, $event)"
      />
      <div class="middle">
        <RopeSentence
          v-if="open"
          :words="words"
          :rope="rope"
          :rope-id="id"
          :lit="lit"
          class="opened"
          @click.stop
        />
        <RopeSentence v-else :words="words" />
        <ResponseStrip :response="response" :most="most" :open="open" :seconds="seconds" />
        <p v-if="rope.off" class="note">switched off</p>
        <p v-else-if="response?.silent" class="why">nothing can play: {{ response.silent }}</p>
        <p v-if="rope.remark || (rope.group && open)" class="note">
          <b v-if="rope.group">{{ rope.group }}</b> {{ rope.remark }}
        </p>
        <p v-for="f in noticed" :key="f.check + f.words" class="finding" :class="f.severity">
          {{ f.words }}
          <el-button link v-if="f.remedy" class="link" @click.stop="emit('mend', f)">{{
            f.remedy.words
          }}</el-button>
        </p>
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
.opened {
  font-size: 14px;
  cursor: default;
}
.figures {
  margin: 0;
  padding: 0 12px 0 8px;
  display: grid;
  grid-template-columns: 1fr auto;
  align-content: start;
  gap: 0 6px;
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
.off .middle {
  opacity: 0.62;
}
.off .knot::before {
  border-style: dashed;
}
.row.chosen {
  background: var(--bronze-pale);
}
.choose {
  justify-self: center;
  align-self: start;
  margin-top: 4px;
  accent-color: var(--bronze);
  z-index: 1;
}
.note,
.finding {
  margin: 2px 0 0;
  color: var(--muted);
  font-size: 12px;
}
.finding.doubtful {
  color: var(--amber);
}
.finding.wrong {
  color: var(--vermilion);
}
.finding .link {
  font-size: 12px;
}
.why {
  margin: 2px 0 0;
  color: var(--vermilion);
  font-size: 12px;
}
</style>
