<script setup lang="ts">
import { computed } from 'vue'
import type { NumbersReport } from '../api/client'
import { showNumber, showPresence } from '../common/numberText'

/** The numbers of the take, each with its unit. */
const props = defineProps<{ numbers?: NumbersReport }>()

const short = (n: number) => showNumber(Number(n.toFixed(2)))
const cells = computed(() => {
  const n = props.numbers
  if (!n) return []
  const seconds = (v: number | undefined) => (v === undefined ? 'until ended' : `${short(v)} s`)
  return [
    {
      name: 'births',
      value: String(n.births),
      more: n.dropped ? `${n.dropped} dropped` : '',
      why: 'Particles born',
    },
    {
      name: 'peak',
      value: String(n.peak),
      more: `at ${short(n.peakAt)} s`,
      why: 'Most particles alive at once',
    },
    {
      name: 'onset',
      value: n.onset === undefined ? 'never' : `${Math.round(n.onset)} ms`,
      more: '',
      why: 'Until something can be seen; one step is the least',
      bad: n.onset === undefined || n.onset > 100,
    },
    { name: 'release', value: seconds(n.release), more: '', why: 'Until the last particle is gone' },
    {
      name: 'hold',
      value: seconds(n.hold),
      more: '',
      why: 'For how long an instance is needed: last birth plus longest life',
    },
    {
      name: 'reach',
      value: `${short(n.reach)} u`,
      more: `all round ${short(n.extent)} u`,
      why: 'How far the farthest centre comes along the facing, and in any direction where it can be seen',
    },
    {
      name: 'presence',
      value: `${showPresence(n.presencePeak)} u²`,
      more: `${showPresence(n.presenceTotal)} u²·s`,
      why: 'Opacity × area × luminance: in the fullest frame, and summed over time',
    },
  ]
})
</script>

<template>
  <dl class="numbers" data-testid="numbers">
    <div v-for="c in cells" :key="c.name" :title="c.why">
      <dd :class="{ bad: c.bad }" :data-number="c.name">{{ c.value }}</dd>
      <dt>
        {{ c.name }}<small v-if="c.more">{{ c.more }}</small>
      </dt>
    </div>
  </dl>
</template>

<style scoped>
.numbers {
  display: grid;
  grid-template-columns: repeat(7, auto);
  margin: 8px 0 0;
  gap: 0;
  min-height: 48px;
}
.numbers div {
  display: flex;
  flex-direction: column;
  padding: 0 6px;
  border-left: 1px solid var(--line);
}
.numbers div:first-child {
  border-left: 0;
  padding-left: 0;
}
dd {
  margin: 0;
  font-weight: 600;
  white-space: nowrap;
}
dd.bad {
  color: var(--vermilion);
}
dt {
  color: var(--muted);
  font-size: 12px;
}
small {
  display: block;
  font-size: 11px;
}
</style>
