<script setup lang="ts">
import { computed } from 'vue'
import type { NumbersReport } from '../api/client'
import { showNumber, showPresence } from '../common/numberText'

/** The numbers of the preview, each with its unit, and beside them those of the version before. */
const props = defineProps<{ numbers?: NumbersReport; before?: NumbersReport }>()
const short = (n: number, digits = 2) => showNumber(Number(n.toFixed(digits)))

interface Cell {
  name: string
  of: (n: NumbersReport) => string
  more?: (n: NumbersReport) => string
  why: string
  bad?: (n: NumbersReport) => boolean
}
const CELLS: Cell[] = [
  {
    name: 'births',
    of: (n) => String(n.births),
    more: (n) => (n.generations[1] ? n.generations.filter((g) => g).join(' + ') : ''),
    why: 'Particles born; children and children’s children after the plus',
  },
  {
    name: 'dropped',
    of: (n) => String(n.dropped),
    why: 'Births that a cap or the particle limit refused',
    bad: (n) => n.dropped > 0,
  },
  {
    name: 'peak',
    of: (n) => String(n.peak),
    more: (n) => `at ${short(n.peakAt)} s`,
    why: 'Most alive at once',
  },
  {
    name: 'onset',
    of: (n) => (n.onset === undefined ? 'never' : `${Math.round(n.onset)} ms`),
    why: 'Until something can be seen; one step is the least',
    bad: (n) => n.onset === undefined || n.onset > 100,
  },
  {
    name: 'release',
    of: (n) => (n.release === undefined ? 'until ended' : `${short(n.release)} s`),
    more: (n) => (n.hold === undefined ? '' : `hold ${short(n.hold)} s`),
    why: 'Until the last particle is gone; hold: for how long an instance is needed whatever is drawn',
  },
  {
    name: 'reach',
    of: (n) => `${short(n.reach)} u`,
    more: (n) => `all round ${short(n.extent)} u`,
    why: 'How far the farthest centre comes along the facing, and in any direction where it can be seen',
  },
  {
    name: 'presence',
    of: (n) => `${showPresence(n.presencePeak)} u²`,
    more: (n) => `${showPresence(n.presenceTotal)} u²·s`,
    why: 'Opacity × area × luminance: in the fullest frame, and summed over time',
  },
  {
    name: 'overdraw',
    of: (n) => `${short(n.overdrawPeak, 3)} ×`,
    more: (n) => `mean ${short(n.overdrawMean, 3)} ×`,
    why: 'How many times a pixel of the project’s screen is painted, in the fullest frame and on average',
  },
  {
    name: 'cost',
    of: (n) => `${short(n.cost, 0)} µs`,
    more: (n) => `${n.drawCalls} draw call${n.drawCalls === 1 ? '' : 's'}`,
    why: 'Estimated time of the costliest step; runs of one sprite and blend mode',
  },
]
const cells = computed(() => {
  const n = props.numbers
  return n
    ? CELLS.map((c) => ({
        ...c,
        now: c.of(n),
        small: c.more?.(n) ?? '',
        was: props.before && c.of(props.before) !== c.of(n) ? c.of(props.before) : '',
        wrong: c.bad?.(n) ?? false,
      }))
    : []
})
</script>

<template>
  <dl class="numbers" data-testid="numbers">
    <div v-for="c in cells" :key="c.name" :title="c.why">
      <dd :class="{ bad: c.wrong }">
        <span :data-number="c.name">{{ c.now }}</span>
        <small v-if="c.was" class="was" title="In the version before">{{ c.was }}</small>
      </dd>
      <dt>
        {{ c.name }}<small v-if="c.small">{{ c.small }}</small>
      </dt>
    </div>
  </dl>
</template>

<style scoped>
.numbers {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 4px 0;
  margin: 0;
  padding: 6px 8px;
  min-height: 60px;
  border-bottom: 1px solid var(--line);
}
.numbers div {
  padding: 0 6px;
  border-left: 1px solid var(--line);
}
.numbers div:first-child {
  border-left: 0;
}
dd {
  margin: 0;
  font-weight: 600;
  white-space: nowrap;
}
dt {
  color: var(--muted);
  font-size: 12px;
}
small {
  display: block;
  font-size: 11px;
  white-space: nowrap;
}
.was {
  display: inline;
  margin-left: 4px;
  font-weight: 400;
  color: var(--muted);
  text-decoration: line-through;
}
</style>
