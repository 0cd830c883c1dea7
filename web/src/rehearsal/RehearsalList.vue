<script setup lang="ts">
import NumberField from '../common/NumberField.vue'
import TextField from '../common/TextField.vue'
import { bounds } from '../common/settings'
import { showNumber } from '../common/numberText'
import type { Score } from '../api/bundle'
import { useProject, type Part } from '../project/useProject'
import { useRehearsal } from './useRehearsal'
import { useScores } from './useScores'

/** The scores of the project, new ones, and what the chosen one is called. */
defineProps<{ shown: Part<Score>[] }>()
const project = useProject()
const rehearsal = useRehearsal()
const { score, named, add, save, addEmpty, addWorst } = useScores()
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
  </template>
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
