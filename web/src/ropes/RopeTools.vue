<script setup lang="ts">
import { computed, ref } from 'vue'
import TextField from '../common/TextField.vue'
import type { Rope } from '../api/bundle'
import { useProject } from '../project/useProject'
import { freeName } from '../common/freeName'
import { freeSeed } from './newRope'
import { useFit } from './fit'

/** What can be done with a whole rope: name, remark, group, off, copies, and its place among the others. */
const props = defineProps<{ part: number; rope: Rope }>()
const emit = defineEmits<{ open: [id: number]; away: [] }>()
const project = useProject()
const fit = useFit()
const copying = ref(false)
const chosen = ref(new Set<string>())

const groups = computed(() => [...new Set(project.ropes.flatMap((r) => r.body.group ?? []))])
const event = computed(() => project.events.find((e) => e.body.name === props.rope.event)?.body)
/** What a copy can be made for: other events, or other options of the choice that the rope asks about. */
const asked = computed(
  () => props.rope.conditions.find((c) => 'is' in c) as { field: string; is: string[] } | undefined,
)
const options = computed(() => {
  const field = event.value?.fields.find((f) => f.name === asked.value?.field)
  return field?.type === 'choice' ? field.options.filter((o) => !asked.value!.is.includes(o)) : []
})
const others = computed(() => project.events.filter((e) => e.body.name !== props.rope.event))

function set(change: (rope: Rope) => void) {
  const next = JSON.parse(JSON.stringify(props.rope)) as Rope
  change(next)
  project.commit(props.part, next)
}
function text(key: 'name' | 'remark' | 'group', value: string) {
  set((r) => {
    if (value) r[key] = value
    else delete r[key]
  })
}
function toggle(name: string) {
  const next = new Set(chosen.value)
  if (!next.delete(name)) next.add(name)
  chosen.value = next
}

async function copy() {
  const made: Rope[] = []
  const all = () => [...project.ropes.map((r) => r.body), ...made]
  for (const name of chosen.value) {
    const other = others.value.find((e) => e.body.name === name)
    const next = other
      ? (await fit([props.rope], { event: name }))[0]
      : (JSON.parse(JSON.stringify(props.rope)) as Rope)
    if (!next) return
    if (!other) (next.conditions.find((c) => 'is' in c) as { is: string[] }).is = [name]
    next.name = freeName(
      `${props.rope.name}, ${name}`.slice(0, 74),
      all().map((r) => r.name),
    )
    next.seed = freeSeed(all())
    made.push(next)
  }
  const parts = await project.change(made.map((body) => ({ kind: 'rope', body })))
  copying.value = false
  chosen.value = new Set()
  if (parts?.length) emit('open', parts[0].id)
}

/** Ropes answer in their order; up and down change places with the one before or after. */
function move(by: number) {
  const at = project.ropes.findIndex((r) => r.id === props.part)
  const other = project.ropes[at + by]
  if (!other) return
  const place = (id: number) => project.parts.get(id)!.place
  project.change([
    { part: props.part, body: props.rope, place: place(other.id) },
    { part: other.id, body: other.body, place: place(props.part) },
  ])
}
</script>

<template>
  <div class="tools" @click.stop>
    <div class="line">
      <slot />
      <el-checkbox
        class="off"
        :model-value="!!rope.off"
        @change="set((r) => ($event ? (r.off = true) : delete r.off))"
        >off <span class="quiet">O</span></el-checkbox
      >
      <span class="right">
        <el-button link class="link" aria-label="Answer earlier" title="Answer earlier" @click="move(-1)"
          >▲</el-button
        >
        <el-button link class="link" aria-label="Answer later" title="Answer later" @click="move(1)"
          >▼</el-button
        >
        <el-button link class="link" :aria-expanded="copying" @click="copying = !copying">Copy to…</el-button>
        <el-button link class="link" @click="emit('away')">Delete this rope</el-button>
      </span>
    </div>
    <div class="line">
      <span class="text name"
        >name
        <TextField
          :value="rope.name"
          label="Name of the rope"
          maxlength="80"
          demanded
          :take="(t) => text('name', t)"
      /></span>
      <span class="text group"
        >group
        <TextField
          :value="rope.group"
          label="Group of the rope"
          maxlength="80"
          placeholder="none"
          :offers="groups"
          :take="(t) => text('group', t)"
      /></span>
      <span class="text remark"
        >remark
        <TextField
          :value="rope.remark"
          label="Remark on the rope"
          maxlength="2000"
          placeholder="for whoever comes next"
          :take="(t) => text('remark', t)"
      /></span>
    </div>
    <div v-if="copying" class="copies">
      <p v-if="options.length" class="quiet">the same on another {{ asked?.field }}</p>
      <el-button link v-for="o in options" :key="o" :aria-pressed="chosen.has(o)" @click="toggle(o)">{{
        o
      }}</el-button>
      <p class="quiet">the same at another event</p>
      <el-button
        link
        v-for="e in others"
        :key="e.id"
        :aria-pressed="chosen.has(e.body.name)"
        @click="toggle(e.body.name)"
      >
        {{ e.body.name }}
      </el-button>
      <el-button type="primary" :disabled="!chosen.size" @click="copy">
        Make {{ chosen.size || '' }} {{ chosen.size === 1 ? 'copy' : 'copies' }}
      </el-button>
    </div>
  </div>
</template>

<style scoped>
.tools {
  padding: 3px 14px 8px 36px;
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.line {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
}
.right {
  margin-left: auto;
  display: flex;
  gap: 12px;
}
.off,
.text {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  color: var(--muted);
  font-size: 12px;
}
.group :deep(.text-field) {
  width: 96px;
}
.remark {
  flex: 1;
}
.remark :deep(.text-field) {
  flex: 1;
  min-width: 120px;
}
.right button {
  min-width: 24px;
  min-height: 24px;
}
.copies {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  align-items: center;
}
.copies p {
  width: 100%;
  margin: 2px 0 0;
}
.copies .is-link {
  padding: 2px 8px;
  border: 1px solid var(--line);
  border-radius: 4px;
}
.copies button[aria-pressed='true'] {
  border-color: var(--bronze);
  background: var(--bronze-pale);
  font-weight: 600;
}
.copies .el-button--primary {
  margin-left: auto;
}
</style>
