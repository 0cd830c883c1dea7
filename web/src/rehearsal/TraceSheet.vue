<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, shallowRef } from 'vue'
import type { TraceView } from '../api/client'
import type { Score } from '../api/bundle'
import { showNumber } from '../common/numberText'
import { useSheet } from '../common/useKeys'
import { readTrace, type Ask } from './trace'

/** What was found in a file of pulls: what is sound can be taken as a rehearsal, what is not is said line by line. */
const props = defineProps<{ file: File; name: string; ask: Ask }>()
const emit = defineEmits<{ take: [score: Score]; close: [] }>()
const open = ref(true)
const share = ref(0)
const failure = ref('')
const view = shallowRef<TraceView & { score?: Score }>()
let wanted = true

onMounted(async () => {
  try {
    view.value = await readTrace(props.file, props.name, props.ask, (bytes) => {
      share.value = bytes / Math.max(1, props.file.size)
      return wanted
    })
  } catch (e) {
    failure.value = (e as Error).message
  }
})
onBeforeUnmount(() => (wanted = false))
useSheet()

const many = (n: number, what: string) => `${showNumber(n)} ${what}${n === 1 ? '' : 's'}`
const left = computed(() => {
  const v = view.value
  if (!v) return []
  return [
    ...(v.tagged ? [`tags of ${many(v.tagged, 'pull')}`] : []),
    ...(v.moving ? [`velocities of ${many(v.moving, 'pull')}`] : []),
    ...(v.gone ? [`${many(v.gone, 'end')} of subjects`] : []),
  ]
})
const made = computed(() => {
  const score = view.value?.score
  return score ? `: ${many(score.lanes.length, 'lane')}, ${showNumber(score.seconds)} s` : ''
})
function take() {
  if (view.value?.score) emit('take', view.value.score)
  open.value = false
}
</script>

<template>
  <el-dialog v-model="open" :title="`Pulls from ${file.name}`" width="640" top="10vh" @closed="emit('close')">
    <p v-if="failure" class="bad" role="alert">Nothing was read: {{ failure }}</p>
    <template v-else-if="!view">
      <p role="status">Reading…</p>
      <el-progress :percentage="Math.round(100 * share)" aria-label="Read so far" />
    </template>
    <div v-else data-testid="trace">
      <p>
        <b>{{ many(view.sound, 'line') }}</b> can be played{{ made }}.
        <template v-if="view.wrong"
          ><b class="bad">{{ many(view.wrong, 'line') }}</b> cannot and would be left out:</template
        >
      </p>
      <ul v-if="view.problems.length" class="problems" tabindex="0" aria-label="What cannot be played">
        <li v-for="(p, i) in view.problems" :key="i">
          <b>{{ p.place.replace(/^\//, '') }}</b> {{ p.given }}: <span class="quiet">{{ p.allowed }}</span>
        </li>
      </ul>
      <p v-if="left.length" class="quiet">A rehearsal does not keep {{ left.join(', ') }}.</p>
      <p class="acting">
        <el-button v-if="view.score" type="primary" data-testid="take-trace" @click="take">{{
          view.wrong ? 'Make a rehearsal of the rest' : 'Make a rehearsal of it'
        }}</el-button>
        <el-button @click="open = false">{{ view.score ? 'Leave it' : 'Close' }}</el-button>
      </p>
    </div>
  </el-dialog>
</template>

<style scoped>
.problems {
  max-height: 46vh;
  overflow-y: auto;
  margin: 8px 0;
  padding: 0;
  list-style: none;
}
.problems li {
  padding: 4px 0;
  border-top: 1px solid var(--line);
}
.acting {
  margin-top: 14px;
}
</style>
