<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Rope } from '../api/bundle'
import { useProject } from '../project/useProject'
import { freeName, freeSeed } from './newRope'
import { useFit } from './fit'

/** What can be done with a whole rope: name, remark, group, off, copies, and its place among the others. */
const props = defineProps<{ part: number; rope: Rope }>()
const emit = defineEmits<{ open: [id: number]; away: [] }>()
const project = useProject()
const fit = useFit()
const copying = ref(false)
const chosen = ref(new Set<string>())

const groups = computed(() => [...new Set(project.ropes.map((r) => r.body.group).filter((g) => g))])
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
function text(key: 'name' | 'remark' | 'group', e: Event) {
  const field = e.target as HTMLInputElement
  const value = field.value.trim()
  if (key === 'name' && !value) field.value = props.rope.name
  else
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
    next.name = freeName(`${props.rope.name}, ${name}`.slice(0, 74), all())
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
      <label class="off"
        ><input
          type="checkbox"
          :checked="!!rope.off"
          @change="set((r) => (($event.target as HTMLInputElement).checked ? (r.off = true) : delete r.off))"
        />
        off <span class="quiet">O</span></label
      >
      <span class="right">
        <button class="link" aria-label="Answer earlier" title="Answer earlier" @click="move(-1)">▲</button>
        <button class="link" aria-label="Answer later" title="Answer later" @click="move(1)">▼</button>
        <button class="link" :aria-expanded="copying" @click="copying = !copying">Copy to…</button>
        <button class="link" @click="emit('away')">Delete this rope</button>
      </span>
    </div>
    <div class="line">
      <label
        >name
        <input class="name" :value="rope.name" maxlength="80" @change="text('name', $event)" @keydown.stop
      /></label>
      <label
        >group
        <input
          class="group"
          :value="rope.group ?? ''"
          list="rope-groups"
          maxlength="80"
          placeholder="none"
          @change="text('group', $event)"
          @keydown.stop
      /></label>
      <datalist id="rope-groups"><option v-for="g in groups" :key="g" :value="g" /></datalist>
      <label class="remark"
        >remark
        <input
          :value="rope.remark ?? ''"
          maxlength="2000"
          placeholder="for whoever comes next"
          @change="text('remark', $event)"
          @keydown.stop
      /></label>
    </div>
    <div v-if="copying" class="copies">
      <p v-if="options.length" class="quiet">the same on another {{ asked?.field }}</p>
      <button v-for="o in options" :key="o" :aria-pressed="chosen.has(o)" @click="toggle(o)">{{ o }}</button>
      <p class="quiet">the same at another event</p>
      <button
        v-for="e in others"
        :key="e.id"
        :aria-pressed="chosen.has(e.body.name)"
        @click="toggle(e.body.name)"
      >
        {{ e.body.name }}
      </button>
      <button class="button primary" :disabled="!chosen.size" @click="copy">
        Make {{ chosen.size || '' }} {{ chosen.size === 1 ? 'copy' : 'copies' }}
      </button>
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
label {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  color: var(--muted);
  font-size: 12px;
}
label input:not([type='checkbox']) {
  color: var(--ink);
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--paper);
  padding: 2px 6px;
}
.name {
  width: 150px;
}
.group {
  width: 84px;
}
.remark {
  flex: 1;
}
.remark input {
  flex: 1;
  min-width: 100px;
}
input[type='checkbox'] {
  accent-color: var(--bronze);
  width: 16px;
  height: 16px;
  margin: 4px;
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
.copies button:not(.button) {
  padding: 2px 8px;
  border: 1px solid var(--line);
  border-radius: 4px;
}
.copies button[aria-pressed='true'] {
  border-color: var(--bronze);
  background: var(--bronze-pale);
  font-weight: 600;
}
.copies .button {
  margin-left: auto;
}
</style>
