<script setup lang="ts">
import { ref } from 'vue'
import { Refused } from '../api/client'
import { download } from '../common/download'
import NumberField from '../common/NumberField.vue'
import TextField from '../common/TextField.vue'
import { bounds } from '../common/settings'
import { showNumber } from '../common/numberText'
import type { Score } from '../api/bundle'
import { useProject, type Part } from '../project/useProject'
import TraceSheet from './TraceSheet.vue'
import { writeTrace } from './trace'
import { useRehearsal } from './useRehearsal'
import { useScores } from './useScores'

/** The scores of the project, new ones, and what the chosen one is called. */
defineProps<{ shown: Part<Score>[] }>()
const project = useProject()
const rehearsal = useRehearsal()
const taken = ref<File>()
const { score, named, add, save, addEmpty, addWorst } = useScores()

async function give(table: boolean) {
  try {
    const source = `/${project.name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}`
    const file = await writeTrace(score.value!, table, source, rehearsal.traced)
    download(file, `${project.name} ${score.value!.name}.${table ? 'csv' : 'jsonl'}`)
  } catch (e) {
    if (e instanceof Refused) project.refusal = e.refusal
    else throw e
  }
}
</script>

<template>
  <h2>Rehearsals</h2>
  <ul>
    <li v-for="s in shown" :key="s.id" :class="{ chosen: s.id === rehearsal.score?.id }">
      <el-button link :aria-pressed="s.id === rehearsal.score?.id" @click="rehearsal.chosen = s.id">
        {{ s.body.name }}
        <span class="quiet">{{ showNumber(s.body.seconds) }} s, {{ s.body.lanes.length }} lanes</span>
      </el-button>
    </li>
  </ul>
  <div class="new">
    <el-button data-testid="new-score" @click="addEmpty">New rehearsal</el-button>
    <el-button data-testid="worst" :disabled="!project.ropes.length" @click="addWorst"
      >The worst second</el-button
    >
    <el-upload
      class="upload"
      accept=".jsonl,.csv"
      :auto-upload="false"
      :show-file-list="false"
      data-testid="pulls-file"
      @change="taken = $event.raw"
    >
      <span
        class="button"
        title="CloudEvents, one in JSON a line, or a table: what a game sent, or a rehearsal"
        >From a file of pulls…</span
      >
    </el-upload>
  </div>
  <template v-if="score">
    <h2>This one</h2>
    <dl class="facts">
      <dt>name</dt>
      <dd>
        <TextField
          :value="score.name"
          label="Name of the rehearsal"
          demanded
          :take="(name: string) => save({ ...score!, name })"
        />
      </dd>
      <dt v-explains="'Score.seconds'">length</dt>
      <dd>
        <NumberField
          :value="score.seconds"
          label="Length"
          v-bind="bounds('Score', 'seconds')"
          kind="time"
          @commit="(v) => save({ ...score!, seconds: v })"
        />
      </dd>
      <dt v-explains="'Score.seed'">seed</dt>
      <dd>
        <NumberField
          :value="score.seed ?? 0"
          label="Seed"
          v-bind="bounds('Score', 'seed')"
          @commit="(v) => save({ ...score!, seed: v })"
        />
      </dd>
    </dl>
    <el-button link class="link" @click="add({ ...score, name: named(score.name) })">copy</el-button>&ensp;
    <el-button link class="link" @click="project.remove(rehearsal.score!.id)">delete</el-button>
    <p class="quiet save">
      save its pulls as
      <el-button link class="link" title="CloudEvents, one in JSON a line" @click="give(false)"
        >lines</el-button
      >
      or
      <el-button link class="link" title="A table, as spreadsheets read it" @click="give(true)"
        >table</el-button
      >
    </p>
  </template>
  <TraceSheet
    v-if="taken"
    :key="taken.name + taken.lastModified"
    :file="taken"
    :name="named(taken.name.replace(/\.[^.]*$/, '').slice(0, 70) || 'pulls')"
    :ask="rehearsal.traced"
    @take="add"
    @close="taken = undefined"
  />
</template>

<style scoped>
ul {
  list-style: none;
  margin: 6px -14px 10px;
  padding: 0;
}
li {
  padding: 4px 14px;
  border-top: 1px solid var(--line);
}
li.chosen {
  background: var(--bronze-pale);
}
li .quiet {
  display: block;
  font-weight: 400;
}
li :deep(.el-button) {
  text-align: left;
  width: 100%;
  justify-content: flex-start;
}
.new {
  display: grid;
  gap: 6px;
  margin-bottom: 16px;
}
.upload :deep(.el-upload) {
  width: 100%;
}
.upload .button {
  width: 100%;
  text-align: center;
  border-color: transparent;
  font-weight: 600;
}
.save {
  margin: 4px 0 0;
}
.facts {
  display: grid;
  grid-template-columns: 48px 1fr;
  gap: 4px 8px;
  align-items: center;
  margin: 6px 0;
}
.facts dd {
  margin: 0;
  min-width: 0;
}
.facts :deep(.text-field) {
  width: 100%;
}
</style>
