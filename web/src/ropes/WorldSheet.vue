<script setup lang="ts">
import { ref } from 'vue'
import { freeName } from '../common/freeName'
import TextField from '../common/TextField.vue'
import type { Channel, Place, Vector } from '../api/bundle'
import NumberField from '../common/NumberField.vue'
import PairField from '../common/PairField.vue'
import { useProject, type Part } from '../project/useProject'
import { useSheet } from '../common/useKeys'

/** What the game publishes all the time, and the places it names. */
const emit = defineEmits<{ close: [] }>()
const project = useProject()
const open = ref(true)

function set<T>(part: Part<T>, change: (body: T) => void) {
  const next = JSON.parse(JSON.stringify(part.body)) as T
  change(next)
  project.commit(part.id, next)
}
const addChannel = () =>
  project.add('channel', {
    name: freeName(
      'channel',
      project.channels.map((c) => c.body.name),
    ),
    range: [0, 1],
    usual: 0,
  })
const addPlace = () =>
  project.add('place', {
    name: freeName(
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
useSheet()
</script>

<template>
  <el-dialog v-model="open" title="Channels and places" width="640" append-to-body @closed="emit('close')">
    <div class="sheet" @keydown.stop>
      <h3>Channels: numbers that the game publishes all the time</h3>
      <div v-for="c in project.channels" :key="c.id" class="line">
        <TextField
          :value="c.body.name"
          v-explains="'Channel.name'"
          :label="`Name of ${c.body.name}`"
          maxlength="80"
          demanded
          :take="(to) => project.rename({ what: 'channel', from: c.body.name, to })"
        />
        from
        <PairField
          :value="c.body.range"
          v-explains="'Channel.range'"
          :label="`Range of ${c.body.name}`"
          plain
          @commit="(v) => range(c, v)"
        />
        usually
        <NumberField
          :value="c.body.usual ?? c.body.range[0]"
          v-explains="'Channel.usual'"
          :label="`Usual ${c.body.name}`"
          :least="c.body.range[0]"
          :most="c.body.range[1]"
          @commit="(v) => set(c, (b) => (b.usual = v))"
        />
        <TextField
          class="unit"
          :value="c.body.unit"
          placeholder="unit"
          v-explains="'Channel.unit'"
          :label="`Unit of ${c.body.name}`"
          :take="(unit) => set(c, (b) => (b.unit = unit))"
        />
        <el-button
          link
          class="link right"
          :aria-label="`Remove ${c.body.name}`"
          @click="project.remove(c.id)"
        >
          ×
        </el-button>
      </div>
      <el-button link class="link" @click="addChannel">+ channel</el-button>
      <h3>Places that ropes can name</h3>
      <div v-for="p in project.places" :key="p.id" class="line">
        <TextField
          :value="p.body.name"
          v-explains="'Place.name'"
          :label="`Name of ${p.body.name}`"
          maxlength="80"
          demanded
          :take="(to) => project.rename({ what: 'place', from: p.body.name, to })"
        />
        at
        <NumberField
          v-for="(a, i) in ['x', 'y', 'z']"
          :key="a"
          :value="p.body.position[i]"
          v-explains="'Place.position'"
          :label="`${p.body.name} ${a}`"
          :unit="i < 2 ? ',' : 'u'"
          @commit="(v) => axis(p, i, v)"
        />
        <el-button
          link
          class="link right"
          :aria-label="`Remove ${p.body.name}`"
          @click="project.remove(p.id)"
        >
          ×
        </el-button>
      </div>
      <el-button link class="link" @click="addPlace">+ place</el-button>
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
.unit {
  width: 56px;
}
.right {
  margin-left: auto;
  min-width: 24px;
  min-height: 24px;
}
</style>
