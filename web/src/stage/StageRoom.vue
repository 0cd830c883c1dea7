<script setup lang="ts">
import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useKept } from '../common/useKept'

/**
 * The stage above what it is worked with: it stays in sight while the rest scrolls, can be dragged larger, and fills the
 * view when it is wanted whole. Its share of the height is kept in the browser.
 */
const props = defineProps<{
  /** Under which name the share is kept. */
  name: string
  /** Least height of the stage as a share of the window's. */
  least: number
  whole?: boolean
}>()

/** Height of the bar below the picture, px. */
const BAR = 40
/** How much an arrow key moves the divider, px. */
const STEP = 24

const share = useKept(`stage of ${props.name}`, props.least)
const room = ref<HTMLElement>()
const tall = ref(0)
const window = ref(globalThis.innerHeight)
const least = computed(() => Math.min(Math.round(window.value * props.least) + BAR, tall.value))
const most = computed(() => Math.max(least.value, Math.round(tall.value * 0.82)))
const held = (to: number) => Math.min(most.value, Math.max(least.value, to))
const wanted = computed(() => (props.whole ? tall.value : held(Math.round(window.value * share.value) + BAR)))
// The splitter is told what it says itself, and then what may be: a panel notices only what is changed.
const size = ref(0)
watch(wanted, (to) => (size.value = to), { immediate: true })
async function resize(value: number | string) {
  const to = Number(value)
  size.value = to
  if (!tall.value || props.whole) return
  share.value = (held(to) - BAR) / window.value
  await nextTick()
  size.value = wanted.value
  tell()
}

let watcher: ResizeObserver | undefined
let divider: HTMLElement | null = null

// The divider of the splitter knows the mouse alone; by keyboard it is a separator as everywhere.
function tell() {
  divider?.setAttribute('aria-valuenow', String(size.value))
  divider?.setAttribute('aria-valuemin', String(least.value))
  divider?.setAttribute('aria-valuemax', String(most.value))
}
function key(event: KeyboardEvent) {
  const to = {
    ArrowUp: size.value - STEP,
    ArrowDown: size.value + STEP,
    Home: least.value,
    End: most.value,
  }[event.key]
  if (to === undefined) return
  event.preventDefault()
  event.stopPropagation()
  resize(held(to))
}

onMounted(() => {
  watcher = new ResizeObserver(([entry]) => {
    tall.value = Math.round(entry.contentRect.height)
    window.value = globalThis.innerHeight
    tell()
  })
  watcher.observe(room.value!)
  divider = room.value!.querySelector('.el-splitter-bar__dragger')
  divider?.setAttribute('role', 'separator')
  divider?.setAttribute('aria-orientation', 'horizontal')
  divider?.setAttribute('aria-label', 'Height of the stage')
  divider?.setAttribute('tabindex', '0')
  divider?.addEventListener('keydown', key)
})
onBeforeUnmount(() => watcher?.disconnect())
</script>

<template>
  <div ref="room" class="room" :class="{ whole }">
    <el-splitter layout="vertical">
      <el-splitter-panel :size="size" @update:size="resize">
        <slot name="stage" />
      </el-splitter-panel>
      <el-splitter-panel>
        <div v-show="!whole" class="rest"><slot /></div>
      </el-splitter-panel>
    </el-splitter>
  </div>
</template>

<style scoped>
.room {
  height: 100%;
  min-height: 0;
  min-width: 0;
}
.rest {
  height: 100%;
  overflow-y: auto;
}
.room :deep(.el-splitter-panel) {
  overflow: hidden;
}
.room :deep(.el-splitter-bar__dragger)::before {
  background: var(--bronze-soft);
}
.whole :deep(.el-splitter-bar) {
  display: none;
}
</style>
