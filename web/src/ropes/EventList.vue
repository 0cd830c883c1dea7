<script setup lang="ts">
import { subjectOf } from '../project/names'
import { computed, ref } from 'vue'
import type { EventType } from '../api/bundle'
import { useProject, type Part } from '../project/useProject'
import EventSheet from './EventSheet.vue'
import ShapeGlyph from './ShapeGlyph.vue'
import WorldSheet from './WorldSheet.vue'

/** The events of the game by subject, with a handle on each. */
const props = defineProps<{ selected: number }>()
const emit = defineEmits<{ select: [id: number]; pull: [id: number, pressed: number] }>()
const project = useProject()

const subjects = computed(() => {
  const groups = new Map<string, { event: Part<EventType>; ropes: number }[]>()
  for (const event of project.events) {
    const subject = subjectOf(event.body.name)
    const ropes = project.ropes.filter((r) => r.body.event === event.body.name && !r.body.off).length
    groups.set(subject, [...(groups.get(subject) ?? []), { event, ropes }])
  }
  return groups
})
const unanswered = computed(
  () =>
    [...subjects.value.values()].flat().filter((line) => line.ropes === 0 && !line.event.body.unanswered)
      .length,
)
const verb = (name: string) => name.split('.')[1] ?? name
/** The event whose sheet is open, 0 for a new one. */
const sheet = ref<number>()
const world = ref(false)
defineExpose({ add: () => (sheet.value = 0) })
</script>

<template>
  <nav class="events" aria-label="Events">
    <div class="head">
      <h2>Events</h2>
      <span v-if="project.events.length" class="quiet">{{
        unanswered === 0 ? 'all answered' : `${unanswered} unanswered`
      }}</span>
    </div>
    <div class="list">
      <p v-if="project.events.length === 0" class="empty">
        Events are what the game announces, such as <b>courier.landed</b>. Make the first below, or import a
        bundle from the menu under the project’s name.
      </p>
      <template v-for="[subject, lines] in subjects" :key="subject">
        <h3>{{ subject }}</h3>
        <div
          v-for="{ event, ropes } in lines"
          :key="event.id"
          class="line"
          :class="{
            selected: event.id === props.selected,
            hollow: ropes === 0,
            wanted: !event.body.unanswered,
          }"
        >
          <el-button
            link
            class="name parts"
            :aria-current="event.id === props.selected"
            :title="event.body.description"
            @click="emit('select', event.id)"
          >
            <ShapeGlyph :shape="event.body.shape" :hollow="ropes === 0" />
            <span>{{ verb(event.body.name) }}</span>
          </el-button>
          <el-button
            link
            class="edit"
            :aria-label="`Edit ${event.body.name}`"
            :title="`Edit ${event.body.name}`"
            @click="sheet = event.id"
          >
            …
          </el-button>
          <svg
            class="weight"
            viewBox="0 0 22 10"
            width="22"
            height="10"
            role="img"
            :aria-label="`weight ${event.body.weight} of 5`"
          >
            <rect
              v-for="i in 5"
              :key="i"
              :x="(i - 1) * 4.5"
              :y="8 - i * 1.4"
              width="3"
              :height="2 + i * 1.4"
              :class="{ on: i <= event.body.weight }"
            />
          </svg>
          <span
            class="count"
            :aria-label="ropes ? `${ropes} ropes` : event.body.unanswered ? 'needs no answer' : 'no answer'"
            :title="event.body.unanswered"
            >{{ ropes || (event.body.unanswered ? '✓' : '–') }}</span
          >
          <button
            class="handle"
            :aria-label="`Pull ${event.body.name}`"
            :title="`Pull ${event.body.name}`"
            @click="emit('pull', event.id, $event.timeStamp)"
          >
            <svg viewBox="0 0 12 22" width="11" height="20" aria-hidden="true">
              <rect x="1" y="1" width="10" height="20" rx="5" />
              <path v-if="ropes" d="M1.4 8.5L10 4.6M1.2 13.5l9.6-4.4M1.6 18l9-4.2" />
            </svg>
          </button>
        </div>
      </template>
    </div>
    <div class="foot quiet">
      <p>
        <el-button link class="link" @click="sheet = 0">+ event</el-button>
        <el-button link class="link" @click="world = true">channels, places</el-button>
      </p>
      <p>
        <ShapeGlyph shape="moment" /> moment <ShapeGlyph shape="span" /> span
        <ShapeGlyph shape="state" /> state · hollow: no answer
      </p>
    </div>
    <EventSheet
      v-if="sheet !== undefined"
      :id="sheet"
      @close="sheet = undefined"
      @made="
        (id) => {
          sheet = id
          emit('select', id)
        }
      "
    />
    <WorldSheet v-if="world" @close="world = false" />
  </nav>
</template>

<style scoped>
.events {
  display: flex;
  flex-direction: column;
  min-height: 0;
  border-right: 1px solid var(--line);
}
.head {
  display: flex;
  justify-content: space-between;
  padding: 10px 14px 4px;
}
.list {
  flex: 1;
  overflow-y: auto;
}
h3 {
  font-size: 13px;
  font-weight: 600;
  color: var(--muted);
  margin: 12px 14px 2px;
}
.line {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 0 14px;
  height: 30px;
}
.line:hover {
  background: #f3ebdb;
}
.selected,
.selected:hover {
  background: var(--bronze-pale);
}
.name {
  flex: 1;
  display: flex;
  align-items: center;
  gap: 8px;
  text-align: left;
  height: 100%;
}
.hollow .name {
  color: var(--muted);
}
.edit {
  width: 24px;
  height: 24px;
  color: var(--muted);
  opacity: 0;
}
.line:hover .edit,
.line:focus-within .edit,
.selected .edit {
  opacity: 1;
}
.weight rect {
  fill: var(--bronze-soft);
}
.weight rect.on {
  fill: var(--bronze);
}
.count {
  width: 2ch;
  text-align: right;
}
.handle {
  display: grid;
  place-items: center;
  width: 24px;
  height: 26px;
}
.handle rect {
  fill: var(--bronze);
}
.handle path {
  stroke: #f1dda0;
  stroke-width: 1.6;
}
.hollow .handle rect {
  fill: none;
  stroke: var(--bronze-soft);
  stroke-width: 1.4;
}
.handle:hover rect {
  fill: var(--bronze-deep);
}
.hollow .handle:hover rect {
  fill: var(--bronze-pale);
}
.handle:active svg {
  transform: translateY(2px);
}
.empty {
  margin: 14px;
  color: var(--muted);
}
.foot p {
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 6px;
  align-items: center;
}
.foot p:first-child {
  gap: 14px;
  margin-bottom: 4px;
}
.foot {
  margin: 0;
  padding: 8px 14px;
  border-top: 1px solid var(--line);
  font-size: 12px;
}
</style>
