<script setup lang="ts">
import { computed } from 'vue'
import Choice from '../../common/Choice.vue'
import type { Parameter } from '../../api/bundle'
import type { FeedsView } from '../../api/client'
import { useProject } from '../../project/useProject'
import type { Fed } from './sources'

/**
 * Where a value is read: a field of the event, a channel, the time since an event, the time held; for a feed also another
 * parameter, chance, or nothing but a constant.
 */
const props = defineProps<{
  source: Fed
  event: string
  held: boolean
  label: string
  parameter?: Parameter
  /** What can drive the parameter. */
  offer?: FeedsView['offers'][number]
}>()
const emit = defineEmits<{ set: [source: Fed] }>()
const project = useProject()

const all = computed(() => project.events.find((e) => e.body.name === props.event)?.body.fields ?? [])
// Until the answer is there, what is chosen already stands alone.
const fields = computed(() =>
  props.parameter
    ? (props.offer?.fields ?? (props.source.field ? [props.source.field] : []))
    : all.value.filter((f) => f.type === 'number').map((f) => f.name),
)
const scalar = computed(() => !props.parameter || !!props.offer?.scalar)
const others = computed(() => (props.parameter ? (props.offer?.others ?? []) : []))
const chosen = computed(() => {
  const s = props.source
  if (s.constant !== undefined) return 'constant'
  if (s.random !== undefined) return 'random'
  if (s.from) return `from ${s.from}`
  return s.held
    ? 'held'
    : s.channel
      ? `channel ${s.channel}`
      : s.since
        ? `since ${s.since}`
        : `field ${s.field}`
})
function set(value: string) {
  const [kind, ...rest] = value.split(' ')
  const name = rest.join(' ')
  if (kind === 'constant') emit('set', { constant: props.parameter!.default })
  else if (kind === 'random') emit('set', { random: 0 })
  else emit('set', kind === 'held' ? { held: true } : { [kind]: name })
}
</script>

<template>
  <Choice :value="chosen" :label="label" @choose="set($event)">
    <optgroup v-if="fields.length" :label="event">
      <option v-for="f in fields" :key="f" :value="`field ${f}`">{{ f }}</option>
    </optgroup>
    <template v-if="parameter">
      <option value="constant">always the same</option>
      <option v-if="scalar" value="random">chance</option>
    </template>
    <template v-if="scalar">
      <option v-if="held" value="held">time held</option>
      <optgroup v-if="project.channels.length" label="channels">
        <option v-for="c in project.channels" :key="c.id" :value="`channel ${c.body.name}`">
          {{ c.body.name }}
        </option>
      </optgroup>
      <optgroup v-if="others.length" label="another parameter">
        <option v-for="o in others" :key="o" :value="`from ${o}`">{{ o }}</option>
      </optgroup>
      <optgroup label="time since">
        <option v-for="e in project.events" :key="e.id" :value="`since ${e.body.name}`">
          since {{ e.body.name }}
        </option>
      </optgroup>
    </template>
  </Choice>
</template>

<style scoped></style>
