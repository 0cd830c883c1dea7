<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import type { Pool } from '../api/bundle'
import type { SizedView } from '../api/client'
import Choice from '../common/Choice.vue'
import NumberField from '../common/NumberField.vue'
import Plot from '../common/Plot.vue'
import TextField from '../common/TextField.vue'
import { bounds } from '../common/settings'
import { freeName } from '../common/freeName'
import { showNumber } from '../common/numberText'
import { useKeys } from '../common/useKeys'
import { useProject, type Part } from '../project/useProject'
import { ticks } from '../rehearsal/score'
import { placesOf } from '../rehearsal/usage'
import { useRehearsal } from '../rehearsal/useRehearsal'
import { advice, changed, lossChart, lossWords, takesOver, why, WHEN_EMPTY, type Advice } from './sizing'

/** How many of each effect may be held at once: what a rehearsal asks for, what each size loses, what is advised. */
const props = defineProps<{ find: string }>()
const project = useProject()
const rehearsal = useRehearsal()
const route = useRoute()

/** A pool of the project, or an effect that has none. */
interface Line {
  key: string
  name: string
  effects: string[]
  part?: Part<Pool>
  /** Most held at once in the rehearsal as it was played. */
  peak: number
  sized?: SizedView
  refused: number
  takenOver: number
  asked: number
}
const chosen = ref(String(route.query.pool ?? ''))
const played = computed(() => rehearsal.take?.head)
rehearsal.follow()

const lines = computed<Line[]>(() => {
  const pooled = new Set(project.pools.flatMap((p) => p.body.effects))
  const sizedOf = (name: string) => rehearsal.sized.find((s) => s.name === name)
  const pools = project.pools.map((part): Line => {
    const use = played.value?.pools.find((p) => p.name === part.body.name)
    return {
      key: `pool ${part.id}`,
      name: part.body.name,
      effects: part.body.effects,
      part,
      peak: use?.peak ?? 0,
      sized: sizedOf(part.body.name),
      refused: use?.refused ?? 0,
      takenOver: use?.takenOver ?? 0,
      asked: use?.asked ?? 0,
    }
  })
  const bare = project.effects
    .filter((e) => !pooled.has(e.body.name))
    .map((e): Line => {
      const used = played.value?.effects.find((x) => x.name === e.body.name)
      return {
        key: `effect ${e.id}`,
        name: e.body.name,
        effects: [e.body.name],
        peak: used?.peak ?? 0,
        sized: rehearsal.sized.find((s) => !s.pooled && s.effects[0] === e.body.name),
        refused: 0,
        takenOver: 0,
        asked: 0,
      }
    })
    .sort((a, b) => b.peak - a.peak)
  return [...pools, ...bare]
})
const seen = computed(() => {
  const words = props.find.trim().toLowerCase()
  return lines.value.filter((l) => [l.name, ...l.effects].some((n) => n.toLowerCase().includes(words)))
})
const pools = computed(() => seen.value.filter((l) => l.part))
const bare = computed(() => seen.value.filter((l) => !l.part))
const line = computed(() => seen.value.find((l) => l.key === chosen.value) ?? seen.value[0])
const pool = computed(() => line.value?.part?.body)
function takeFirst() {
  if (seen.value[0]) chosen.value = seen.value[0].key
}
defineExpose({ takeFirst })

/** Instances of the effects of a pool over the rehearsal. */
const held = computed(() => {
  if (!played.value || !line.value) return undefined
  const of = played.value.effects.filter((e) => line.value!.effects.includes(e.name))
  if (!of.length) return undefined
  return placesOf(played.value).map((_, i) => of.reduce((sum, e) => sum + (e.values[i] ?? 0), 0))
})
const length = computed(() => (played.value ? played.value.live.length / played.value.stepsPerSecond : 1))
const demand = computed(() => {
  if (!held.value || !played.value) return undefined
  const capacity = pool.value?.capacity
  const top = Math.max(1, capacity ?? 0, ...held.value)
  return {
    places: placesOf(played.value),
    drawn: [
      { name: 'held', values: held.value, as: 'line' as const, colour: '--ink' },
      ...(capacity
        ? [
            {
              name: 'capacity',
              values: held.value.map(() => capacity),
              as: 'line' as const,
              colour: '--vermilion',
              dash: [5, 4],
            },
          ]
        : []),
    ],
    y: {
      from: 0,
      to: top * 1.1,
      marks: [...new Set([0, Math.max(...held.value), capacity ?? 0])],
      words: (v: number) => String(v),
    },
  }
})
const loss = computed(
  () => line.value?.sized && line.value.sized.sizes.length > 1 && lossChart(line.value.sized),
)
const advised = computed(() => (line.value?.sized?.sizes.length ? advice(line.value.sized, pool.value) : []))

const percent = (n: number, of: number) =>
  of ? `${showNumber(Number(((100 * n) / of).toPrecision(2)))} %` : '0 %'

function save(next: Pool, keep = true) {
  const part = line.value?.part
  if (!part) return
  if (keep) void project.commit(part.id, next)
  else project.draft(part.id, next)
}
const set = (some: Partial<Pool>, keep = true) => pool.value && save(changed(pool.value, some), keep)

async function add(effects: string[], capacity: number, whenEmpty: Advice['whenEmpty'] = 'refuse') {
  const name = freeName(
    effects[0],
    project.pools.map((p) => p.body.name),
  )
  const body = changed({ name, effects, capacity, prewarm: capacity }, { whenEmpty })
  const id = await project.add('pool', body)
  if (id) chosen.value = `pool ${id}`
}
function apply(a: Advice) {
  if (pool.value) set({ capacity: a.capacity, whenEmpty: a.whenEmpty, prewarm: a.capacity })
  else if (line.value) void add(line.value.effects, a.capacity, a.whenEmpty)
}
/** Gives every effect that was held the pool that is advised, and every pool its capacity, in one change. */
const open = computed(() =>
  lines.value.filter((l) => l.sized?.sizes.length && !advice(l.sized, l.part?.body).some((a) => a.standing)),
)
async function applyAll() {
  await project.change(
    open.value.map((l) => {
      const size = l.sized!.refusing
      if (l.part) {
        const over = takesOver(l.part.body)
        return {
          part: l.part.id,
          body: changed(l.part.body, {
            capacity: over ? l.sized!.takingOver : size,
            prewarm: over ? l.sized!.takingOver : size,
          }),
        }
      }
      return {
        kind: 'pool' as const,
        body: { name: l.name, effects: l.effects, capacity: size, prewarm: size },
      }
    }),
  )
}
const free = computed(() => {
  const pooled = new Set(project.pools.flatMap((p) => p.body.effects))
  return project.effects.map((e) => e.body.name).filter((n) => !pooled.has(n))
})

function choose(by: number) {
  const at = seen.value.findIndex((l) => l.key === line.value?.key)
  const next = seen.value[Math.min(seen.value.length - 1, Math.max(0, at + by))]
  if (next) chosen.value = next.key
}
useKeys({
  ArrowDown: () => choose(1),
  ArrowUp: () => choose(-1),
  s: () => rehearsal.size(),
  'Ctrl+z': () => project.undo(),
  'Ctrl+Shift+z': () => project.redo(),
  'Ctrl+y': () => project.redo(),
})
</script>

<template>
  <main class="pools">
    <nav aria-label="Pools">
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
        <p v-if="rehearsal.failure" class="wrong" role="alert">{{ rehearsal.failure }}</p>
      </div>
      <template
        v-for="[title, some] in [
          ['Pools', pools],
          ['Effects without a pool', bare],
        ] as const"
        :key="title"
      >
        <h2 v-if="some.length">{{ title }}</h2>
        <ul>
          <li v-for="l in some" :key="l.key" :class="{ chosen: l.key === line?.key }">
            <button class="line" :aria-pressed="l.key === line?.key" @click="chosen = l.key">
              <span class="name">{{ l.name }}</span>
              <span class="count"
                >{{ l.peak }}<template v-if="l.part"> of {{ l.part.body.capacity }}</template></span
              >
              <span v-if="l.refused" class="wrong">{{ percent(l.refused, l.asked) }} refused</span>
              <span v-else-if="l.takenOver" class="doubt">{{ percent(l.takenOver, l.asked) }} cut short</span>
            </button>
          </li>
        </ul>
      </template>
    </nav>

    <section v-if="!project.effects.length || !project.scores.length" class="empty">
      <div>
        <h1>Pools are sized by a rehearsal</h1>
        <p>
          A pool holds so many instances of an effect ready, and says what happens when one more is asked for.
          How many are needed shows when a whole stretch of the game is rehearsed.
        </p>
        <RouterLink class="link" :to="{ path: '/rehearsal', query: { project: project.id } }"
          >Make a rehearsal</RouterLink
        >
      </div>
    </section>
    <template v-else-if="line">
      <section class="middle">
        <h1>{{ line.name }}</h1>
        <h2>Held over {{ rehearsal.score?.body.name }}</h2>
        <Plot
          v-if="demand"
          :label="`${line.name} held over time`"
          :places="demand.places"
          :drawn="demand.drawn"
          :x="{ from: 0, to: length, marks: ticks(length), words: (v) => `${v} s` }"
          :y="demand.y"
          :words="(place) => `${demand!.places[place].toFixed(2)} s: ${held![place]} held`"
          :rest="
            pool ? `full line: held at once; broken line: the capacity, ${pool.capacity}` : 'held at once'
          "
          :height="150"
        />
        <p v-else class="quiet">The rehearsal asks for none.</p>
        <h2>Lost against capacity</h2>
        <template v-if="loss && line.sized">
          <Plot
            :label="`Loss of ${line.name} against capacity`"
            :places="loss.places"
            :drawn="loss.drawn"
            :x="loss.x"
            :y="loss.y"
            :words="(place) => lossWords(line!.sized!, place)"
            :marker="pool?.capacity"
            :height="230"
            rest="bronze: worst minute of 95 of 100 runs, with its 95 % confidence; black: over all, in the middle of the runs; green, broken: by theory (Erlang B)"
          />
          <p class="why">{{ why(line.sized) }}</p>
          <p v-if="line.sized.byParticles" class="doubt">
            Particles begin instances of it: each run is played whole, and takes longer.
          </p>
        </template>
        <p v-else-if="line.sized" class="quiet">
          At most {{ line.sized.peak.value }} at once in any of the runs: one is enough.
        </p>
        <p v-else class="quiet">
          “Find the sizes” plays the rehearsal 200 times, each with draws of its own, and puts what was held
          through pools of every size.
        </p>
      </section>
      <aside aria-label="Size and advice">
        <section v-if="line.sized?.sizes.length" class="part">
          <h2>Advice</h2>
          <p v-for="a in advised" :key="a.whenEmpty" class="advice">
            {{ a.words }}
            <span v-if="a.standing" class="fine">as it is</span>
            <el-button v-else size="small" :data-testid="`apply-${a.whenEmpty}`" @click="apply(a)"
              >Apply</el-button
            >
          </p>
          <dl class="figures">
            <dt>asked for</dt>
            <dd>{{ showNumber(Number(line.sized.perSecond.toPrecision(3))) }} a second</dd>
            <dt>held for</dt>
            <dd>{{ showNumber(Number(line.sized.hold.toPrecision(3))) }} s</dd>
            <dt>held on average</dt>
            <dd>{{ showNumber(Number(line.sized.load.toPrecision(3))) }}, their product (Little)</dd>
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
        <section v-if="pool && line.part" class="part">
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
          <el-button link class="link" @click="project.remove(line.part.id)">delete the pool</el-button>
        </section>
        <section v-else class="part">
          <h2>Pool</h2>
          <p class="quiet">It has none: as many instances are made as are asked for.</p>
          <el-button data-testid="new-pool" @click="add(line.effects, Math.max(1, line.peak))"
            >Pool of {{ Math.max(1, line.peak) }}</el-button
          >
        </section>
        <section v-if="open.length > 1" class="part">
          <h2>All of them</h2>
          <p class="quiet">
            {{ open.length }} are not as advised. One press gives each its capacity; one undo takes them back.
          </p>
          <el-button data-testid="apply-all" @click="applyAll">Apply all advice</el-button>
        </section>
      </aside>
    </template>
  </main>
</template>

<style scoped>
.pools {
  display: grid;
  grid-template-columns: 240px minmax(0, 1fr) 320px;
  height: 100%;
  min-height: 0;
}
nav {
  padding: 10px 14px;
  overflow-y: auto;
  border-right: 1px solid var(--line);
}
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
.line .wrong,
.line .doubt {
  width: 100%;
  font-size: 12px;
}
.middle {
  overflow-y: auto;
  padding: 10px 16px;
  min-width: 0;
}
.middle h2 {
  margin: 12px 0 2px;
}
h1 {
  font-size: 16px;
  margin: 0;
}
.why {
  max-width: 70ch;
}
aside {
  border-left: 1px solid var(--line);
  overflow-y: auto;
}
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
.empty {
  grid-column: 2 / -1;
  display: grid;
  place-items: center;
}
.empty div {
  width: 460px;
}
.wrong {
  color: var(--vermilion);
}
.doubt {
  color: var(--amber);
}
.fine {
  color: var(--verdigris);
  font-weight: 600;
}
@media (max-width: 1100px) {
  .pools {
    grid-template-columns: 190px minmax(0, 1fr) 260px;
  }
}
</style>
