<script setup lang="ts">
import { ref } from 'vue'
import type { Channel, Place, Vector } from '../api/bundle'
import NumberField from '../common/NumberField.vue'
import PairField from '../common/PairField.vue'
import { useProject, type Part } from '../project/useProject'

/** What the game publishes all the time, and the places it names. */
const emit = defineEmits<{ close: [] }>()
const project = useProject()
const open = ref(true)

const text = (e: Event) => (e.target as HTMLInputElement).value.trim()
function set<T>(part: Part<T>, change: (body: T) => void) {
  const next = JSON.parse(JSON.stringify(part.body)) as T
  change(next)
  project.commit(part.id, next)
}
async function rename(what: string, from: string, e: Event) {
  const to = text(e)
  if (!to || !(await project.rename({ what, from, to }))) (e.target as HTMLInputElement).value = from
}
function free(wanted: string, taken: string[]) {
  let name = wanted
  for (let n = 2; taken.includes(name); n++) name = `${wanted} ${n}`
  return name
}
const addChannel = () =>
  project.add('channel', {
    name: free(
      'channel',
      project.channels.map((c) => c.body.name),
    ),
    range: [0, 1],
    usual: 0,
  })
const addPlace = () =>
  project.add('place', {
    name: free(
      'place',
      project.places.map((p) => p.body.name),
    ),
    position: [0, 0, 0],
  })
function range(c: Part<Channel>, value: [number, number]) {
  set(c, (b) => {
    b.range = value
    b.usual = Math.min(value[1], Math.max(value[0], b.usual ?? value[0]))
  })
}
function axis(p: Part<Place>, i: number, value: number) {
  set(p, (b) => {
    const next = [...b.position] as Vector
    next[i] = value
    b.position = next
  })
}
</script>

<template>
  <el-dialog v-model="open" title="Channels and places" width="640" append-to-body @closed="emit('close')">
    <div class="sheet" @keydown.stop>
      <h3>Channels: numbers that the game publishes all the time</h3>
      <div v-for="c in project.channels" :key="c.id" class="line">
        <input
          :value="c.body.name"
          :aria-label="`Name of ${c.body.name}`"
          maxlength="80"
          @change="rename('channel', c.body.name, $event)"
        />
        from
        <PairField
          :value="c.body.range"
          :label="`Range of ${c.body.name}`"
          plain
          @commit="(v) => range(c, v)"
        />
        usually
        <NumberField
          :value="c.body.usual ?? c.body.range[0]"
          :label="`Usual ${c.body.name}`"
          :least="c.body.range[0]"
          :most="c.body.range[1]"
          @commit="(v) => set(c, (b) => (b.usual = v))"
        />
        <input
          class="unit"
          :value="c.body.unit ?? ''"
          placeholder="unit"
          :aria-label="`Unit of ${c.body.name}`"
          @change="set(c, (b) => (b.unit = text($event)))"
        />
        <button class="link right" :aria-label="`Remove ${c.body.name}`" @click="project.remove(c.id)">
          ×
        </button>
      </div>
      <button class="link" @click="addChannel">+ channel</button>
      <h3>Places that ropes can name</h3>
      <div v-for="p in project.places" :key="p.id" class="line">
        <input
          :value="p.body.name"
          :aria-label="`Name of ${p.body.name}`"
          maxlength="80"
          @change="rename('place', p.body.name, $event)"
        />
        at
        <NumberField
          v-for="(a, i) in ['x', 'y', 'z']"
          :key="a"
          :value="p.body.position[i]"
          :label="`${p.body.name} ${a}`"
          :unit="i < 2 ? ',' : 'u'"
          @commit="(v) => axis(p, i, v)"
        />
        <button class="link right" :aria-label="`Remove ${p.body.name}`" @click="project.remove(p.id)">
          ×
        </button>
      </div>
      <button class="link" @click="addPlace">+ place</button>
    </div>
  </el-dialog>
</template>

<style scoped>
.sheet {
  display: flex;
  flex-direction: column;
  align-items: stretch;
  gap: 6px;
}
.sheet > .link {
  align-self: flex-start;
}
h3 {
  margin: 8px 0 0;
  font-size: 13px;
  font-weight: 600;
  color: var(--muted);
}
.line {
  display: flex;
  gap: 8px;
  align-items: baseline;
  color: var(--muted);
}
input {
  color: var(--ink);
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--card);
  padding: 3px 6px;
  width: 130px;
}
.unit {
  width: 56px;
}
.right {
  margin-left: auto;
  min-width: 24px;
  min-height: 24px;
}
</style>
