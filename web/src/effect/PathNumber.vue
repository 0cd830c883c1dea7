<script setup lang="ts">
import { computed } from 'vue'
import NumberField from '../common/NumberField.vue'
import type { NumberKind } from '../common/numberText'
import { useProject } from '../project/useProject'
import { at } from '../common/paths'
import { sets, useEdit } from './useEdit'

/** The number at a path of the emitter, such as `birth.stream.perSecond`. */
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
  { kind: 'plain', unit: '', least: -Infinity, most: Infinity, step: 0.1, usual: 0 },
)
const edit = useEdit()
const project = useProject()
const value = computed(() => (at(edit.emitter.value, props.path) as number | undefined) ?? props.usual)
const field = computed(() => ({
  label: props.label,
  kind: props.kind,
  unit: props.unit,
  least: props.least,
  most: props.most,
  step: props.step,
  stepsPerSecond: project.stepsPerSecond,
  ...sets(edit, props.path),
}))
</script>

<template>
  <NumberField v-bind="field" :value="value" />
</template>
