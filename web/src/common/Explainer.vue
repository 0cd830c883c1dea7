<script setup lang="ts">
import { onBeforeUnmount, onMounted, ref, shallowRef } from 'vue'

/**
 * Says what a setting is for, beside it, while it has the focus or the pointer rests on it: whatever stands in an element
 * with `data-explains`. There is one for the whole page.
 */

/** How long the pointer rests before anything is said, ms. */
const REST = 500
const ID = 'explained-words'

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
function focused(event: FocusEvent) {
  const element = explained(event.target)
  say(element, REST)
  read(event.target as HTMLElement, element?.dataset.explains)
}
/** What explains the field that has the focus, for whoever does not see it. */
const heard = ref('')
let described: HTMLElement | undefined
function read(field: HTMLElement, words = '') {
  if (described?.getAttribute('aria-describedby') === ID) described.removeAttribute('aria-describedby')
  described = undefined
  heard.value = words
  if (!words || field.hasAttribute('aria-describedby')) return
  field.setAttribute('aria-describedby', ID)
  described = field
}
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
  <span :id="ID" class="visually-hidden">{{ heard }}</span>
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
    transition="at-once"
    :enterable="false"
  />
</template>
