<script setup lang="ts">
import { computed, nextTick, onScopeDispose, ref, watch } from 'vue'
import type { NoticedView, ResponseView, WiringView, Words } from '../api/client'
import type { Rope } from '../api/bundle'
import { useProject, type Part } from '../project/useProject'
import Balance from './Balance.vue'
import BulkBar from './BulkBar.vue'
import RopeRow from './RopeRow.vue'

/** All ropes as sentences with their responses on one time axis. */
const props = defineProps<{
  responses: Map<number, ResponseView>
  open: number
  find: string
  /** How many responses are still to be computed. */
  waiting: number
  wiring?: WiringView
  findings: Map<number, NoticedView[]>
  /** Which condition of the open rope decided the last pull. */
  lit?: number
}>()
const emit = defineEmits<{ open: [id: number]; add: []; mend: [finding: NoticedView]; stop: [] }>()
const project = useProject()

const SECONDS = 3
/** From so many responses on it is said how many are left, and they can be stopped. */
const MANY = 24
const SORTS = ['by event', 'weight', 'presence', 'release', 'findings'] as const
const sort = ref<(typeof SORTS)[number]>('by event')
const list = ref<HTMLElement>()
const weighing = ref(false)
const choosing = ref(false)
const chosen = ref(new Set<number>())
const bulk = ref<InstanceType<typeof BulkBar>>()

const weight = (rope: Rope) => project.events.find((e) => e.body.name === rope.event)?.body.weight ?? 0
const NONE: Words[] = []
const words = (id: number) => project.sentences.get(id) ?? NONE

const shown = computed(() => {
  const find = props.find.trim().toLowerCase()
  const ropes = project.ropes.filter(
    (r) =>
      !find ||
      r.body.name.toLowerCase().includes(find) ||
      (r.body.group ?? '').toLowerCase().includes(find) ||
      (r.body.remark ?? '').toLowerCase().includes(find) ||
      words(r.id)
        .map((w) => w.text)
        .join('')
        .toLowerCase()
        .includes(find),
  )
  if (sort.value === 'by event') {
    const order = new Map(project.events.map((e, i) => [e.body.name, i]))
    return [...ropes].sort((a, b) => (order.get(a.body.event) ?? 0) - (order.get(b.body.event) ?? 0))
  }
  const key = (r: Part<Rope>) => {
    if (sort.value === 'findings') {
      const found = props.findings.get(r.id) ?? []
      return found.length + (found.some((f) => f.severity === 'wrong') ? 100 : 0)
    }
    const n = props.responses.get(r.id)?.numbers
    return sort.value === 'weight'
      ? weight(r.body)
      : sort.value === 'presence'
        ? (n?.presencePeak ?? -1)
        : n
          ? (n.release ?? Infinity)
          : -1
  }
  return [...ropes].sort((a, b) => key(b) - key(a))
})
/** The open rope, which is read below the balance of all. */
const opened = computed(() => project.ropes.find((r) => r.id === props.open))
// A thousand rows take longer than a press may: those in sight come at once, the others a few a frame.
const AT_ONCE = 40
const limit = ref(AT_ONCE)
const rows = computed(() => shown.value.slice(0, limit.value))
let growing = 0
function grow() {
  cancelAnimationFrame(growing)
  if (limit.value >= shown.value.length) return
  growing = requestAnimationFrame(() => {
    limit.value += AT_ONCE
    grow()
  })
}
watch([() => props.find, sort], () => (limit.value = AT_ONCE))
watch(
  [() => shown.value.length, () => props.find, sort, () => props.open],
  () => {
    const at = shown.value.findIndex((r) => r.id === props.open)
    if (at >= limit.value) limit.value = at + AT_ONCE
    grow()
  },
  { immediate: true },
)
onScopeDispose(() => cancelAnimationFrame(growing))
// In steps, so that turning one number does not redraw every strip.
const most = computed(() => {
  const peak = Math.max(1, ...[...props.responses.values()].map((r) => r.numbers?.peak ?? 0))
  return 2 ** (Math.ceil(2 * Math.log2(peak)) / 2)
})

watch(
  () => props.open,
  async () => {
    await nextTick()
    list.value?.querySelector('.row.open')?.scrollIntoView({ block: 'nearest' })
  },
  { immediate: true },
)
/** Opens a rope; with Ctrl it is chosen, with Shift all up to it. */
function click(id: number, event?: MouseEvent) {
  if (event?.ctrlKey || event?.metaKey || (choosing.value && !event?.shiftKey)) toggle(id)
  else if (event?.shiftKey) {
    const ids = shown.value.map((r) => r.id)
    const [a, b] = [ids.indexOf(props.open), ids.indexOf(id)].sort((p, q) => p - q)
    choosing.value = true
    chosen.value = new Set([...chosen.value, ...ids.slice(Math.max(0, a), b + 1)])
  } else emit('open', id)
}
function toggle(id: number) {
  choosing.value = true
  const next = new Set(chosen.value)
  if (!next.delete(id)) next.add(id)
  chosen.value = next
}
function done() {
  choosing.value = false
  chosen.value = new Set()
}
const acting = () => (chosen.value.size ? [...chosen.value] : props.open ? [props.open] : [])
async function duplicate() {
  if (!chosen.value.size && props.open) {
    chosen.value = new Set([props.open])
    choosing.value = true
    await nextTick()
  }
  await bulk.value?.duplicate()
}
function switchOff() {
  const ids = acting()
  const bodies = project.ropes.filter((r) => ids.includes(r.id))
  const off = !bodies.every((r) => r.body.off)
  project.change(bodies.map((r) => ({ part: r.id, body: { ...r.body, off: off || undefined } })))
}
defineExpose({ shown, duplicate, switchOff, toggle })
</script>

<template>
  <section class="board" aria-label="Ropes">
    <div class="tools">
      <b>{{ shown.length }} {{ shown.length === 1 ? 'rope' : 'ropes' }}</b>
      <el-button link class="link" @click="emit('add')">+ rope</el-button>
      <el-button link class="link" :aria-pressed="choosing" @click="choosing ? done() : (choosing = true)">
        several
      </el-button>
      <el-button link class="link" :aria-pressed="weighing" @click="weighing = !weighing">
        {{ weighing ? 'sentences' : 'balance' }}
      </el-button>
      <span class="right" />
      <span v-if="waiting" class="quiet">
        {{ waiting > MANY ? `computing ${waiting} responses…` : 'computing…' }}
        <el-button link v-if="waiting > MANY" class="link" @click="emit('stop')">stop</el-button>
      </span>
      <el-select v-if="!weighing" v-model="sort" size="small" class="sort" aria-label="Sort">
        <template #prefix>sort</template>
        <el-option v-for="s in SORTS" :key="s" :value="s" :label="s" />
      </el-select>
    </div>
    <BulkBar
      v-if="choosing"
      ref="bulk"
      :chosen="chosen"
      :shown="shown.map((r) => r.id)"
      @choose="chosen = new Set($event)"
      @done="done"
    />
    <Balance v-if="weighing" :wiring="wiring" :open="open" @open="emit('open', $event)" />
    <div v-if="weighing && opened" class="below">
      <RopeRow
        :id="opened.id"
        :key="opened.id"
        :name="opened.body.name"
        :rope="opened.body"
        :findings="findings.get(opened.id)"
        :words="words(opened.id)"
        :response="responses.get(opened.id)"
        :most="most"
        :chosen="undefined"
        open
        :lit="lit"
        :seconds="SECONDS"
        @mend="emit('mend', $event)"
      />
    </div>
    <div v-if="!weighing" class="ruler" aria-hidden="true">
      <span
        v-for="t in [0, 0.1, 0.5, 1, 1.5, 2, 2.5, 3]"
        :key="t"
        :style="{ left: (t / SECONDS) * 100 + '%' }"
        >{{ t === 3 ? '3 s' : t }}</span
      >
    </div>
    <div v-if="!weighing" ref="list" class="rows">
      <p v-if="project.ropes.length === 0" class="empty">
        A rope says: <i>when</i> this event comes, <i>play</i> that. There is none yet.<br />
        <el-button v-if="project.events.length" type="primary" @click="emit('add')">+ rope</el-button>
        <el-button v-else type="primary" @click="emit('add')">+ event</el-button>
      </p>
      <p v-else-if="shown.length === 0" class="empty">No rope says “{{ find }}”.</p>
      <RopeRow
        v-for="rope in rows"
        :id="rope.id"
        :key="rope.id"
        :name="rope.body.name"
        :rope="rope.body"
        :findings="findings.get(rope.id)"
        :chosen="choosing ? chosen.has(rope.id) : undefined"
        :words="words(rope.id)"
        :response="responses.get(rope.id)"
        :most="most"
        :open="rope.id === open"
        :lit="rope.id === open ? lit : undefined"
        :seconds="SECONDS"
        @open="click"
        @mend="emit('mend', $event)"
      >
        <template v-if="rope.id === open" #default><slot name="open" /></template>
      </RopeRow>
    </div>
  </section>
</template>

<style scoped>
.board {
  display: flex;
  flex-direction: column;
  min-width: 0;
  min-height: 0;
}
.tools {
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 5px 16px;
  min-height: 35px;
  overflow: hidden;
  border-bottom: 1px solid var(--line);
  white-space: nowrap;
}
.sort {
  width: 128px;
  flex: none;
}
.right {
  margin-left: auto;
}
.below {
  flex: none;
  border-top: 1px solid var(--line);
}
.ruler {
  position: relative;
  height: 20px;
  margin: 0 139px 0 36px;
  white-space: nowrap;
  font-size: 11px;
  color: var(--muted);
}
.ruler span {
  position: absolute;
  transform: translateX(-50%);
  top: 2px;
}
.ruler span::after {
  content: '';
  position: absolute;
  left: 50%;
  top: 15px;
  height: 4px;
  border-left: 1px solid var(--muted);
}
.ruler span:nth-child(1) {
  transform: none;
}
.ruler span:nth-child(1)::after {
  left: 0;
}
.ruler span:nth-child(2) {
  transform: translateX(-20%);
}
.rows {
  flex: 1;
  overflow-y: auto;
  scrollbar-gutter: stable;
  contain: strict;
}
.empty {
  margin: 40px 60px;
  color: var(--muted);
  text-align: center;
}
</style>
