<script setup lang="ts">
import { subjectOf } from '../project/names'
import { computed, ref } from 'vue'
import OneOf from '../common/OneOf.vue'
import Choice from '../common/Choice.vue'
import type { EventType, Rope } from '../api/bundle'
import NumberField from '../common/NumberField.vue'
import TextField from '../common/TextField.vue'
import { useProject } from '../project/useProject'
import PayloadFields from './PayloadFields.vue'
import type { Alternating, Pulling } from './usePulling'

/** The pull: what it carries, and the hand on it, which for a span is held and for a state chooses. */
const props = defineProps<{ event: EventType; pulling: Pulling; rope?: Rope }>()
const emit = defineEmits<{ gone: [subject: string] }>()
const project = useProject()

const hand = computed(() => props.pulling)
const STRENGTHS = ['soft', 'usual', 'hard'] as const
const more = ref(false)
const kept = ref(false)
const state = computed(() => props.pulling.states.get(props.event.name))
const varies = computed(() => props.event.fields.some((f) => f.type === 'number'))
const sided = computed(() =>
  props.event.fields.some((f) => ['direction', 'normal', 'heading', 'velocity'].includes(f.type)),
)
/** Channels that a rope of this event looks at. */
const channels = computed(() => {
  const asked = new Set<string>()
  for (const rope of project.ropes)
    if (rope.body.event === props.event.name)
      for (const part of [...rope.body.feeds, ...rope.body.conditions])
        if ('channel' in part && part.channel) asked.add(part.channel)
  return project.channels.filter((c) => asked.has(c.body.name)).map((c) => c.body)
})
const said = (name: string, usual: number) => props.pulling.channels.get(name) ?? usual
const usualOf = (c: { usual?: number; range: [number, number] }) => c.usual ?? (c.range[0] + c.range[1]) / 2

function down(e: PointerEvent) {
  ;(e.currentTarget as HTMLElement).setPointerCapture(e.pointerId)
  if (props.pulling.holding && kept.value) props.pulling.end()
  else props.pulling.begin(e.timeStamp)
}
function up() {
  if (!kept.value) props.pulling.end()
}
function byKey(e: KeyboardEvent, isDown: boolean) {
  if (e.key !== 'Enter' || e.repeat) return
  e.preventDefault()
  if (isDown) props.pulling.begin(e.timeStamp)
  else if (!kept.value) props.pulling.end()
}
const subjectName = computed(() => props.pulling.subject || subjectOf(props.event.name))
</script>

<template>
  <section class="pull" aria-label="Pull">
    <div class="head">
      <h2>
        {{ event.shape === 'span' ? 'Hold' : event.shape === 'state' ? 'Switch' : 'Pull' }} {{ event.name }}
      </h2>
      <OneOf
        v-if="varies"
        label="Strength"
        :value="hand.strength"
        :options="STRENGTHS"
        :hint="(s) => `Key ${STRENGTHS.indexOf(s) + 1}`"
        @choose="hand.setStrength"
      />
      <el-button type="primary" v-if="event.shape === 'moment'" @click="hand.pull($event.timeStamp)">
        Pull <kbd>Space</kbd>
      </el-button>
      <template v-else-if="event.shape === 'span'">
        <el-checkbox class="keep" v-model="kept">stays held</el-checkbox>
        <el-button
          type="primary"
          :class="{ held: hand.holding }"
          :aria-pressed="hand.holding"
          @pointerdown.prevent="down"
          @pointerup="up"
          @pointercancel="up"
          @keydown="byKey($event, true)"
          @keyup="byKey($event, false)"
        >
          {{ hand.holding ? 'Held' : 'Hold' }} <kbd>Space</kbd>
        </el-button>
      </template>
    </div>
    <div v-if="event.shape === 'state'" class="values" role="group" :aria-label="event.name">
      <el-button
        link
        v-for="v in event.values"
        :key="v"
        :aria-pressed="(state ?? event.values![0]) === v"
        @click="hand.switchTo(v, $event.timeStamp)"
      >
        {{ v }}
      </el-button>
    </div>
    <PayloadFields :event="event" :payload="hand.payload" @payload="hand.setPayload($event)" />
    <div v-for="c in channels" :key="c.name" class="channel">
      <span>{{ c.name }}</span>
      <el-slider
        size="small"
        :min="c.range[0]"
        :max="c.range[1]"
        :step="(c.range[1] - c.range[0]) / 100"
        :model-value="said(c.name, usualOf(c))"
        :show-tooltip="false"
        :aria-label="`${c.name}, as the game would publish it`"
        @input="hand.publish(c.name, $event as number)"
        @keydown.stop
      />
      <NumberField
        :value="said(c.name, usualOf(c))"
        :label="c.name"
        :unit="c.unit || ' '"
        :step="(c.range[1] - c.range[0]) / 20"
        @draft="hand.publish(c.name, $event)"
        @commit="hand.publish(c.name, $event)"
      />
    </div>
    <el-button link class="link small" :aria-expanded="more" @click="more = !more">
      {{ more ? 'Close' : event.shape === 'moment' ? 'Repeat, alternate, pair…' : 'Whose it is, how long…' }}
    </el-button>
    <div v-if="more" class="more">
      <template v-if="event.shape === 'moment'">
        <span class="one">
          <el-checkbox v-model="hand.repeating">again every</el-checkbox>
          <NumberField
            :value="hand.every"
            label="Seconds between pulls"
            unit="s"
            kind="time"
            :least="0.05"
            :most="60"
            :step="0.05"
            :steps-per-second="project.stepsPerSecond"
            @draft="hand.every = $event"
            @commit="hand.every = $event"
          />
        </span>
        <label>
          alternating
          <Choice
            :value="hand.alternating"
            label="What alternates"
            @choose="hand.alternating = $event as Alternating"
          >
            <option value="">nothing</option>
            <option v-if="sided" value="side">the side</option>
            <template v-for="f in event.fields" :key="f.name">
              <option v-if="f.type === 'choice'" :value="`choice ${f.name}`">{{ f.name }}</option>
            </template>
          </Choice>
        </label>
        <label>
          so many times at once
          <NumberField
            :value="hand.times"
            label="Pulls in one instant"
            unit="×"
            kind="whole"
            :step="1"
            :least="1"
            :most="100"
            @commit="hand.times = $event"
          />
        </label>
        <label>
          in the same instant
          <Choice :value="hand.also" @choose="hand.also = $event" label="Pulled in the same instant">
            <option value="">nothing else</option>
            <template v-for="e in project.events" :key="e.id">
              <option v-if="e.body.name !== event.name">{{ e.body.name }}</option>
            </template>
          </Choice>
        </label>
      </template>
      <label v-else>
        the take holds it for
        <NumberField
          :value="hand.heldFor"
          label="Seconds held in the take"
          unit="s"
          kind="time"
          :least="0"
          :most="10"
          :steps-per-second="project.stepsPerSecond"
          @commit="hand.heldFor = $event"
        />
      </label>
      <label>
        subject
        <TextField
          class="subject"
          :value="hand.subject"
          label="Subject"
          maxlength="80"
          :placeholder="subjectOf(event.name)"
          :take="(text) => (hand.subject = text)"
        />
      </label>
      <el-button link class="link" @click="emit('gone', subjectName)">Remove {{ subjectName }}</el-button>
    </div>
  </section>
</template>

<style scoped>
.pull {
  padding: 8px 14px 0;
}
.head {
  display: flex;
  align-items: center;
  gap: 12px;
}
h2 {
  flex: 1;
}
kbd {
  font: inherit;
  font-weight: 500;
  margin-left: 4px;
}
.keep {
  display: inline-flex;
  align-items: center;
  gap: 5px;
  color: var(--muted);
  font-size: 12px;
}
.el-button.held {
  background: var(--verdigris);
  border-color: var(--verdigris);
}
.values {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin-top: 6px;
}
.values button {
  padding: 3px 10px;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--card);
}
.values button[aria-pressed='true'] {
  border-color: var(--bronze);
  background: var(--bronze-pale);
  font-weight: 600;
}
.channel {
  display: grid;
  grid-template-columns: 104px 1fr auto;
  gap: 10px;
  align-items: center;
  margin-top: 6px;
}
.small {
  font-size: 12px;
  margin-top: 4px;
  min-height: 24px;
}
.more {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  padding: 2px 0 4px;
}
.more label {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
.subject {
  width: 90px;
}
</style>
