<script setup lang="ts">
import {
  Comment,
  Fragment,
  inject,
  nextTick,
  onBeforeUnmount,
  onMounted,
  Text,
  useSlots,
  useTemplateRef,
  type VNode,
} from 'vue'
import { IN_SHEET } from './sheet'
import KindGlyph from './KindGlyph.vue'

/**
 * One of several: a select of the platform, told its options as HTML tells them, by `option` and `optgroup`. Long lists
 * can be searched. It is as wide as what is chosen.
 */
const props = defineProps<{
  value: unknown
  label: string
  /** Each with a small picture of the kind that it is. */
  pictured?: boolean
}>()
const emit = defineEmits<{ choose: [value: string] }>()
const slots = useSlots()
/** In a sheet the list belongs to it, else a press on the list would be one beside the sheet and shut it. */
const inSheet = inject(IN_SHEET, false)

/** From so many options on they can be searched. */
const MANY = 8

interface Option {
  value: string
  label: string
  disabled?: boolean
}
interface Group {
  label: string
  options: Option[]
}

function textOf(node: VNode): string {
  const { children } = node
  if (typeof children === 'string') return children
  return Array.isArray(children) ? children.map((c) => textOf(c as VNode)).join('') : ''
}
function read(nodes: VNode[]): (Option | Group)[] {
  return nodes.flatMap((node) => {
    if (node.type === Comment || node.type === Text) return []
    if (node.type === Fragment || node.type === 'template')
      return Array.isArray(node.children) ? read(node.children as VNode[]) : []
    if (node.type === 'optgroup')
      return [{ label: String(node.props?.label), options: read(node.children as VNode[]) as Option[] }]
    const label = textOf(node).trim()
    return [
      {
        label,
        value: String(node.props?.value ?? label),
        ...(node.props?.disabled === '' && { disabled: true }),
      },
    ]
  })
}
let last: { told: string; options: (Option | Group)[]; hint: string } = { told: '', options: [], hint: ' ' }
/**
 * The options, and what is said while nothing is chosen: an option that cannot be. The same array while they are the
 * same, so that the select has nothing to work out anew.
 */
function told() {
  const now = read(slots.default?.() ?? [])
  const text = JSON.stringify(now)
  if (text !== last.told) {
    const cannot = (o: Option | Group) => 'disabled' in o && o.disabled
    last = { told: text, options: now.filter((o) => !cannot(o)), hint: now.find(cannot)?.label ?? ' ' }
  }
  return last
}
const many = (all: (Option | Group)[]) => all.reduce((n, o) => n + ('options' in o ? o.options.length : 1), 0)
const holds = (all: (Option | Group)[], value: string): boolean =>
  all.some((o) => ('options' in o ? holds(o.options, value) : o.value === value))

const select = useTemplateRef<{ $el: HTMLElement }>('select')
const POINTS = 'aria-activedescendant'
let pointed = ''
let shut = true
// A list that is shut has no option that its field could point at, yet the platform points at what is newly chosen.
const watched = new MutationObserver(([{ target }]) => {
  const field = target as Element
  if (!shut || !field.hasAttribute(POINTS)) return
  pointed = field.getAttribute(POINTS)!
  field.removeAttribute(POINTS)
})
onMounted(() => {
  const field = select.value?.$el.querySelector('input')
  if (field) watched.observe(field, { attributeFilter: [POINTS] })
})
onBeforeUnmount(() => watched.disconnect())
async function turned(open: boolean) {
  shut = !open
  await nextTick()
  const field = select.value?.$el.querySelector('input')
  if (!open && field?.hasAttribute(POINTS)) {
    pointed = field.getAttribute(POINTS)!
    field.removeAttribute(POINTS)
  } else if (open && pointed && !field?.hasAttribute(POINTS)) field?.setAttribute(POINTS, pointed)
}

// Worked out while it is drawn, since what stands in the slot belongs to whoever draws this.
function bound() {
  const { options: all, hint } = told()
  const value = String(props.value ?? '')
  return {
    options: all,
    modelValue: holds(all, value) ? value : undefined,
    placeholder: hint,
    filterable: many(all) > MANY,
  }
}
</script>

<template>
  <el-select-v2
    ref="select"
    class="choice-of"
    size="small"
    v-bind="bound()"
    :aria-label="label"
    :empty-values="[undefined]"
    :teleported="!inSheet"
    :popper-options="inSheet ? { strategy: 'fixed' } : undefined"
    :persistent="false"
    :show-arrow="false"
    :offset="3"
    @change="emit('choose', $event)"
    @visible-change="turned"
  >
    <template v-if="pictured" #label="{ label: words, value: kind }"
      ><KindGlyph :kind="kind" /> {{ words }}</template
    >
    <template v-if="pictured" #default="{ item }"><KindGlyph :kind="item.value" /> {{ item.label }}</template>
  </el-select-v2>
</template>
