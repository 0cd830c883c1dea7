<script setup lang="ts">
import { ref, useId, watch } from 'vue'

/**
 * A line of text that takes effect when it is meant: Enter, Tab, leaving it. Escape gives back what was there. Where a
 * text is demanded, an empty one is given back too; so is one that is not taken.
 */
const props = defineProps<{
  value: string | undefined
  label: string
  /** Takes the new text; false says that it was refused. */
  take: (text: string) => unknown
  demanded?: boolean
  /** More than one line. */
  lines?: number
  /** What may be chosen from while one types. */
  offers?: string[]
}>()
const text = ref(props.value ?? '')
const field = ref<{ blur: () => void }>()
watch(
  () => props.value,
  // What is being typed is not lost because another window saved.
  (value, before) => text.value === (before ?? '') && (text.value = value ?? ''),
)
const giveBack = () => (text.value = props.value ?? '')

async function leave() {
  const next = text.value.trim()
  if (next === (props.value ?? '') || (!next && props.demanded)) giveBack()
  else {
    text.value = next
    if ((await props.take(next)) === false) giveBack()
  }
}
function key(event: KeyboardEvent | Event) {
  const { key } = event as KeyboardEvent
  if (key === 'Enter' && !props.lines) field.value?.blur()
  else if (key === 'Escape' && text.value !== (props.value ?? '')) giveBack()
  else if (key === 'Escape') return
  event.stopPropagation()
}
/** What is offered while one types. */
const list = useId()
</script>

<template>
  <el-input
    ref="field"
    v-model="text"
    class="text-field"
    size="small"
    :type="lines ? 'textarea' : 'text'"
    :rows="lines"
    :aria-label="label"
    autocomplete="off"
    :list="offers && list"
    @blur="leave"
    @keydown="key"
  >
    <template v-if="offers" #suffix
      ><datalist :id="list"><option v-for="o in offers" :key="o" :value="o" /></datalist
    ></template>
  </el-input>
</template>
