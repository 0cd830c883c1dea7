<script setup lang="ts">
import { computed } from 'vue'
import Choice from '../common/Choice.vue'
import { useProject } from '../project/useProject'
import { useRehearsal } from '../rehearsal/useRehearsal'
import type { Line } from './lines'

/** The pools, the effects that have none, and the rehearsal that they are sized by. */
const props = defineProps<{ lines: Line[]; chosen?: number }>()
const emit = defineEmits<{ choose: [id: number] }>()
const project = useProject()
const rehearsal = useRehearsal()

const groups = computed(() =>
  [
    { title: 'Pools', lines: props.lines.filter((l) => l.pool) },
    { title: 'Effects without a pool', lines: props.lines.filter((l) => !l.pool) },
  ].filter((g) => g.lines.length),
)
</script>

<template>
  <label class="which"
    >for
    <Choice
      label="Rehearsal"
      :value="String(rehearsal.score?.id ?? '')"
      @choose="(v) => (rehearsal.chosen = Number(v))"
    >
      <option v-if="!project.scores.length" value="" disabled>no rehearsal yet</option>
      <option v-for="s in project.scores" :key="s.id" :value="String(s.id)">{{ s.body.name }}</option>
    </Choice>
  </label>
  <div class="doing" role="status" data-testid="sizing">
    <template v-if="rehearsal.sizing">
      <span>{{ rehearsal.sizing.done }} of {{ rehearsal.sizing.all }} runs</span>
      <el-progress
        :percentage="(100 * rehearsal.sizing.done) / rehearsal.sizing.all"
        :show-text="false"
        aria-label="Runs played"
      />
      <el-button link class="link" @click="rehearsal.stop()">stop</el-button>
    </template>
    <template v-else-if="rehearsal.playing">playing the rehearsal…</template>
    <template v-else>
      <el-button
        :type="rehearsal.sizesFresh ? undefined : 'primary'"
        data-testid="size"
        :disabled="!rehearsal.score"
        @click="rehearsal.size()"
        >{{ rehearsal.sized.length ? 'Size again' : 'Find the sizes' }}</el-button
      >
      <p v-if="rehearsal.sized.length && !rehearsal.sizesFresh" class="doubt">
        The project changed since; sizes are as they were.
      </p>
    </template>
    <p v-if="rehearsal.failure" class="bad" role="alert">{{ rehearsal.failure }}</p>
  </div>
  <template v-for="g in groups" :key="g.title">
    <h2>{{ g.title }}</h2>
    <ul>
      <li v-for="l in g.lines" :key="l.id" :class="{ chosen: l.id === chosen }">
        <button
          class="line"
          :aria-pressed="l.id === chosen"
          title="most held at once in the rehearsal"
          @click="emit('choose', l.id)"
        >
          <span class="name">{{ l.name }}</span>
          <span class="count"
            >{{ l.peak }}<template v-if="l.pool"> of {{ l.pool.body.capacity }}</template></span
          >
          <span v-if="l.loss && l.loss.tone !== 'sound'" :class="l.loss.tone">{{ l.loss.words }}</span>
        </button>
      </li>
    </ul>
  </template>
</template>

<style scoped>
.which {
  display: flex;
  align-items: center;
  gap: 6px;
}
.doing {
  margin: 8px 0 14px;
}
.doing p {
  margin: 4px 0 0;
}
ul {
  list-style: none;
  margin: 4px -14px 12px;
  padding: 0;
}
li {
  border-top: 1px solid var(--line);
}
li.chosen {
  background: var(--bronze-pale);
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
  width: 100%;
  text-align: left;
  padding: 4px 14px;
  min-height: 26px;
}
.name {
  flex: 1;
}
.count {
  font-weight: 600;
}
.line .bad,
.line .doubt {
  width: 100%;
  font-size: 12px;
}
</style>
