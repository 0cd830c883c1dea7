<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import Plot from '../common/Plot.vue'
import { useKeys } from '../common/useKeys'
import { useOpened } from '../common/useOpened'
import { useProject } from '../project/useProject'
import { ticks } from '../rehearsal/score'
import { placesOf } from '../rehearsal/usage'
import { useRehearsal } from '../rehearsal/useRehearsal'
import { alike, heldOver, linesOf, unlike } from './lines'
import PoolList from './PoolList.vue'
import PoolSide from './PoolSide.vue'
import { lossChart, lossWords, why } from './sizing'

/** How many of each effect may be held at once: what a rehearsal asks for, what each size loses, what is advised. */
const props = defineProps<{ find: string }>()
const project = useProject()
const rehearsal = useRehearsal()
const route = useRoute()

const chosen = ref(Number(route.query.pool) || 0)
const played = computed(() => rehearsal.take?.head)
rehearsal.follow()

const lines = computed(() => linesOf(project.pools, project.effects, played.value, rehearsal.sized))
const seen = computed(() => {
  const words = props.find.trim().toLowerCase()
  return lines.value.filter((l) => [l.name, ...l.effects].some((n) => n.toLowerCase().includes(words)))
})
const line = computed(() => seen.value.find((l) => l.id === chosen.value) ?? seen.value[0])
const pool = computed(() => line.value?.pool?.body)
const open = computed(() => unlike(lines.value))
function takeFirst() {
  if (seen.value[0]) chosen.value = seen.value[0].id
}
defineExpose({ takeFirst })
useOpened(
  'pool',
  computed(() => line.value?.id ?? 0),
  (id) => (chosen.value = id),
)

const held = computed(() => line.value && heldOver(line.value, played.value))
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
function choose(by: number) {
  const at = seen.value.findIndex((l) => l.id === line.value?.id)
  const next = seen.value[Math.min(seen.value.length - 1, Math.max(0, at + by))]
  if (next) chosen.value = next.id
}
useKeys({
  ArrowDown: () => choose(1),
  ArrowUp: () => choose(-1),
  s: () => rehearsal.size(),
})
</script>

<template>
  <main class="pools">
    <nav aria-label="Pools">
      <PoolList :lines="seen" :chosen="line?.id" @choose="chosen = $event" />
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
        <p v-else-if="rehearsal.sizing" class="quiet">
          The rehearsal is being played {{ rehearsal.sizing.all }} times; what pools of every size lose is
          shown here when it has been.
        </p>
        <p v-else class="quiet">
          “Find the sizes” plays the rehearsal 200 times, each with draws of its own, and puts what was held
          through pools of every size.
        </p>
      </section>
      <aside aria-label="Size and advice">
        <PoolSide
          :key="line.id"
          :line="line"
          :others="open.length"
          @made="chosen = $event"
          @all="project.change(alike(open))"
        />
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
.empty {
  grid-column: 2 / -1;
  display: grid;
  place-items: center;
}
.empty div {
  width: 460px;
}
@media (max-width: 1100px) {
  .pools {
    grid-template-columns: 190px minmax(0, 1fr) 260px;
  }
}
</style>
