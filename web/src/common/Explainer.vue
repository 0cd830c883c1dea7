<script setup lang="ts">
import { onBeforeUnmount, onMounted, ref, shallowRef } from 'vue'

/**
 * Says what a setting is for, beside it, while it has the focus or the pointer rests on it: whatever stands in an element
 * with `data-explains`. There is one for the whole page.
 */

/** How long the pointer rests before anything is said, ms. */
const REST = 500

const words = ref('')
const beside = shallowRef<HTMLElement>()
const shown = ref(false)
let timer: ReturnType<typeof setTimeout> | undefined

const explained = (target: EventTarget | null) =>
  (target as Element | null)?.closest?.<HTMLElement>('[data-explains]') ?? undefined

function say(element: HTMLElement | undefined, after: number) {
  clearTimeout(timer)
  if (!element?.dataset.explains) {
    shown.value = false
    return
  }
  if (shown.value && element === beside.value) return
  shown.value = false
  timer = setTimeout(() => {
    beside.value = element
    words.value = element.dataset.explains!
    shown.value = true
  }, after)
}
const over = (event: PointerEvent) => event.buttons === 0 && say(explained(event.target), REST)
const focused = (event: FocusEvent) => say(explained(event.target), REST)
const hide = () => say(undefined, 0)
function key(event: KeyboardEvent) {
  // What one types is not covered by what explains it.
  if (event.key === 'Escape' || event.key.length === 1) hide()
}

const HEARD = [
  ['pointerover', over],
  ['focusin', focused],
  ['focusout', hide],
  ['pointerdown', hide],
  ['keydown', key],
] as const
onMounted(() => HEARD.forEach(([name, hear]) => document.addEventListener(name, hear as EventListener)))
onBeforeUnmount(() => {
  clearTimeout(timer)
  HEARD.forEach(([name, hear]) => document.removeEventListener(name, hear as EventListener))
})
</script>

<template>
  <el-tooltip
    v-if="beside"
    :visible="shown"
    :content="words"
    virtual-triggering
    :virtual-ref="beside"
    effect="light"
    placement="left"
    popper-class="explained"
    :show-arrow="false"
    :offset="4"
    :hide-after="0"
    :enterable="false"
  />
</template>
