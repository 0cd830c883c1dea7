<script setup lang="ts">
import { computed } from 'vue'
import NumberField from '../common/NumberField.vue'
import type { NumberKind } from '../common/numberText'
import { useProject } from '../project/useProject'
import { at } from '../common/paths'
import { setting } from '../common/settings'
import { sets, useEdit } from './useEdit'

/** The number at a path of the emitter, such as `birth.stream.perSecond`; what is not said of it is as the schema says. */
const props = withDefaults(
  defineProps<{
    path: string
    label: string
    kind?: NumberKind
    unit?: string
    least?: number
    most?: number
    step?: number
    /** What stands there when nothing does. */
    usual?: number
  }>(),
  { kind: 'plain', unit: undefined, least: undefined, most: undefined, step: undefined, usual: undefined },
)
const edit = useEdit()
const project = useProject()
const says = computed(() => setting('Emitter', props.path))
const value = computed(
  () =>
    (at(edit.emitter.value, props.path) as number | undefined) ??
    props.usual ??
    (says.value.usual as number) ??
    0,
)
const field = computed(() => ({
  label: props.label,
  kind: props.kind,
  unit: props.unit ?? (says.value.unit || ' '),
  least: props.least ?? says.value.least,
  most: props.most ?? says.value.most,
  step: props.step ?? (says.value.whole ? 1 : 0.1),
  stepsPerSecond: project.stepsPerSecond,
  ...sets(edit, props.path),
}))
</script>

<template>
  <NumberField v-bind="field" :value="value" :data-explains="says.description || undefined" />
</template>
