<script setup lang="ts">
import { computed } from 'vue'
import Choice from '../common/Choice.vue'
import type { Rope } from '../api/bundle'
import { useFit } from './fit'
import TextField from '../common/TextField.vue'
import { useProject } from '../project/useProject'
import { freeName } from '../common/freeName'
import { freeSeed } from './newRope'

/** What can be done with several ropes at once; each press is one change, undone at once. */
const props = defineProps<{ chosen: Set<number>; shown: number[] }>()
const emit = defineEmits<{ choose: [ids: number[]]; done: [] }>()
const project = useProject()
const fit = useFit()

const ropes = computed(() => project.ropes.filter((r) => props.chosen.has(r.id)))
const groups = computed(() => [...new Set(project.ropes.flatMap((r) => r.body.group ?? []))])
/** The group of all that are chosen, if they have the same. */
const common = computed(() => {
  const all = new Set(project.ropes.filter((r) => props.chosen.has(r.id)).map((r) => r.body.group))
  return all.size === 1 ? [...all][0] : undefined
})

function each(change: (rope: Rope) => void) {
  project.change(
    ropes.value.map((r) => {
      const body = JSON.parse(JSON.stringify(r.body)) as Rope
      change(body)
      return { part: r.id, body }
    }),
  )
}
async function play(effect: string) {
  if (!project.effects.some((e) => e.body.name === effect)) return
  const before = ropes.value
  const fitted = await fit(
    before.map((r) => r.body),
    { effect },
  )
  if (fitted.length) project.change(before.map((r, i) => ({ part: r.id, body: fitted[i] })))
}
async function duplicate() {
  const made: Rope[] = []
  const all = () => [...project.ropes.map((r) => r.body), ...made]
  for (const r of ropes.value) {
    const body = JSON.parse(JSON.stringify(r.body)) as Rope
    made.push({
      ...body,
      name: freeName(
        body.name.slice(0, 74),
        all().map((r) => r.name),
      ),
      seed: freeSeed(all()),
    })
  }
  const parts = await project.change(made.map((body) => ({ kind: 'rope', body })))
  if (parts)
    emit(
      'choose',
      parts.map((p) => p.id),
    )
}
async function away() {
  await project.change(ropes.value.map((r) => ({ part: r.id })))
  emit('choose', [])
}
defineExpose({ duplicate })
</script>

<template>
  <div class="bulk" role="toolbar" aria-label="Several ropes">
    <b>{{ chosen.size }} chosen</b>
    <el-button link class="link" @click="emit('choose', shown)">all {{ shown.length }}</el-button>
    <el-button link class="link" :disabled="!chosen.size" @click="each((r) => (r.off = true))">off</el-button>
    <el-button link class="link" :disabled="!chosen.size" @click="each((r) => delete r.off)">on</el-button>
    <span class="one"
      >group
      <TextField
        :value="common"
        label="Group of the chosen ropes"
        maxlength="80"
        :offers="groups"
        :take="
          (group) =>
            each((r) => {
              if (group) r.group = group
              else delete r.group
            })
        "
    /></span>
    <Choice label="Effect of the chosen ropes" value="" @choose="play($event)">
      <option value="" disabled>play…</option>
      <option v-for="e in project.effects" :key="e.id">{{ e.body.name }}</option>
    </Choice>
    <el-button link class="link" :disabled="!chosen.size" @click="duplicate">duplicate</el-button>
    <el-button link class="link" :disabled="!chosen.size" @click="away">delete</el-button>
    <el-button link class="link right" @click="emit('done')">done</el-button>
  </div>
</template>

<style scoped>
.bulk {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: baseline;
  padding: 6px 16px;
  background: var(--bronze-pale);
  border-bottom: 1px solid var(--line);
}
.right {
  margin-left: auto;
}
button:disabled {
  color: var(--muted);
}
</style>
