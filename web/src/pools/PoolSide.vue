<script setup lang="ts">
import { computed } from 'vue'
import type { Pool } from '../api/bundle'
import Choice from '../common/Choice.vue'
import NumberField from '../common/NumberField.vue'
import TextField from '../common/TextField.vue'
import { bounds } from '../common/settings'
import { freeName } from '../common/freeName'
import { brief } from '../common/plot'
import { useProject } from '../project/useProject'
import type { Line } from './lines'
import { advice, changed, WHEN_EMPTY, type Advice } from './sizing'

/** The advice for a pool, or for an effect that has none, with its reasons; and the pool itself. */
const props = defineProps<{
  line: Line
  /** How many pools and effects are not as advised. */
  others: number
}>()
const emit = defineEmits<{ made: [id: number]; all: [] }>()
const project = useProject()

const pool = computed(() => props.line.pool?.body)
const advised = computed(() => (props.line.sized?.sizes.length ? advice(props.line.sized, pool.value) : []))
const free = computed(() => {
  const pooled = new Set(project.pools.flatMap((p) => p.body.effects))
  return project.effects.map((e) => e.body.name).filter((n) => !pooled.has(n))
})

function set(some: Partial<Pool>) {
  if (props.line.pool) void project.commit(props.line.pool.id, changed(props.line.pool.body, some))
}
async function add(effects: string[], capacity: number, whenEmpty: Advice['whenEmpty'] = 'refuse') {
  const name = freeName(
    effects[0],
    project.pools.map((p) => p.body.name),
  )
  const id = await project.add('pool', changed({ name, effects, capacity, prewarm: capacity }, { whenEmpty }))
  if (id) emit('made', id)
}
function apply(a: Advice) {
  if (pool.value) set({ capacity: a.capacity, whenEmpty: a.whenEmpty, prewarm: a.capacity })
  else void add(props.line.effects, a.capacity, a.whenEmpty)
}
</script>

<template>
  <section v-if="line.sized?.sizes.length" class="part">
    <h2>Advice</h2>
    <p v-for="a in advised" :key="a.whenEmpty" class="advice">
      {{ a.words }}
      <span v-if="a.standing" class="sound">as it is</span>
      <el-button v-else size="small" :data-testid="`apply-${a.whenEmpty}`" @click="apply(a)">Apply</el-button>
    </p>
    <dl class="figures">
      <dt>asked for</dt>
      <dd>{{ brief(line.sized.perSecond) }} a second</dd>
      <dt>held for</dt>
      <dd>{{ brief(line.sized.hold) }} s</dd>
      <dt>held on average</dt>
      <dd>{{ brief(line.sized.load) }}, their product (Little)</dd>
      <dt>most at once</dt>
      <dd>
        {{ line.sized.peak.value }} in 95 of 100 runs<template
          v-if="line.sized.peak.low < line.sized.peak.high"
        >
          ({{ line.sized.peak.low }} to {{ line.sized.peak.high }})</template
        >
      </dd>
      <dt>by theory</dt>
      <dd>{{ line.sized.theory }} for 1 % (Erlang B)</dd>
    </dl>
  </section>
  <section v-if="pool && line.pool" class="part">
    <h2>Pool</h2>
    <dl class="form">
      <dt v-explains="'Pool.name'">name</dt>
      <dd>
        <TextField
          :value="pool.name"
          label="Name of the pool"
          demanded
          :take="(name: string) => set({ name })"
        />
      </dd>
      <dt v-explains="'Pool.capacity'">capacity</dt>
      <dd>
        <NumberField
          :value="pool.capacity"
          label="Capacity"
          v-bind="bounds('Pool', 'capacity')"
          @commit="(v) => set({ capacity: v })"
        />
      </dd>
      <dt v-explains="'Pool.prewarm'">prewarm</dt>
      <dd>
        <NumberField
          :value="pool.prewarm ?? 0"
          label="Prewarm"
          v-bind="bounds('Pool', 'prewarm')"
          :most="pool.capacity"
          @commit="(v) => set({ prewarm: v })"
        />
      </dd>
      <dt v-explains="'Pool.whenEmpty'">when empty</dt>
      <dd>
        <Choice
          label="When empty"
          :value="pool.whenEmpty ?? 'refuse'"
          @choose="(v) => set({ whenEmpty: v as Pool['whenEmpty'] })"
        >
          <option v-for="(words, key) in WHEN_EMPTY" :key="key" :value="key">{{ words }}</option>
        </Choice>
      </dd>
      <template v-if="pool.whenEmpty === 'grow'">
        <dt v-explains="'Pool.bound'">grows to</dt>
        <dd>
          <NumberField
            :value="pool.bound ?? pool.capacity"
            label="Bound"
            v-bind="bounds('Pool', 'bound')"
            :least="pool.capacity"
            @commit="(v) => set({ bound: v })"
          />
        </dd>
      </template>
      <dt v-explains="'Pool.effects'">effects</dt>
      <dd>
        <div v-for="e in pool.effects" :key="e" class="effect">
          {{ e }}
          <el-button
            v-if="pool.effects.length > 1"
            link
            class="link"
            :aria-label="`Take ${e} out of the pool`"
            @click="set({ effects: pool!.effects.filter((x) => x !== e) })"
            >×</el-button
          >
        </div>
        <Choice
          v-if="free.length"
          label="Add an effect"
          value=""
          @choose="(v) => set({ effects: [...pool!.effects, v] })"
        >
          <option value="" disabled>+ effect</option>
          <option v-for="e in free" :key="e" :value="e">{{ e }}</option>
        </Choice>
      </dd>
    </dl>
    <el-button link class="link" @click="project.remove(line.pool.id)">delete the pool</el-button>
  </section>
  <section v-else class="part">
    <h2>Pool</h2>
    <p class="quiet">It has none: as many instances are made as are asked for.</p>
    <el-button data-testid="new-pool" @click="add(line.effects, Math.max(1, line.peak))"
      >Pool of {{ Math.max(1, line.peak) }}</el-button
    >
  </section>
  <section v-if="others > 1" class="part">
    <h2>All of them</h2>
    <p class="quiet">
      {{ others }} are not as advised. One press gives each its capacity; one undo takes them back.
    </p>
    <el-button data-testid="apply-all" @click="emit('all')">Apply all advice</el-button>
  </section>
</template>

<style scoped>
.part {
  padding: 10px 14px;
  border-bottom: 1px solid var(--line);
}
.advice {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 4px 10px;
  margin: 4px 0;
}
.sound {
  font-weight: 600;
}
dl {
  display: grid;
  grid-template-columns: 96px 1fr;
  gap: 4px 8px;
  margin: 6px 0;
}
.figures dt {
  color: var(--muted);
}
dd {
  margin: 0;
  min-width: 0;
}
.form dt {
  padding-top: 3px;
}
.effect {
  display: flex;
  justify-content: space-between;
}
</style>
