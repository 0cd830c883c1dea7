<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Binding, Parameter, Property } from '../api/bundle'
import { actsOn, binding, fresh } from '../effects/turn/parameters'
import { useEdit } from './useEdit'

/** The name of a setting; pressed, it says which parameters turn the setting, and lets another one do so. */
const props = defineProps<{ property: Property; name: string }>()
const edit = useEdit()
const open = ref(false)
const emitter = computed(() => edit.emitter.value.name)
const acts = (b: Binding) => b.property === props.property && (!b.emitter || b.emitter === emitter.value)
const answering = computed(() =>
  edit.effect.value.parameters.flatMap((p) => p.bindings.filter(acts).map((b) => ({ p, b }))),
)
const others = computed(() =>
  edit.effect.value.parameters.filter(
    (p) => actsOn(p).properties.includes(props.property) && !p.bindings.some(acts),
  ),
)
const words = { multiply: 'multiplies', divide: 'divides', add: 'adds to', replace: 'replaces' }

function bind(name: string | undefined, everywhere: boolean) {
  edit.changeEffect((e) => {
    let p = e.parameters.find((x) => x.name === name)
    if (!p) {
      p = fresh(e, props.property === 'count' || props.property === 'rate' ? 'amount' : props.property)
      if (props.property === 'colour')
        p = {
          name: p.name,
          type: 'colour',
          default: '#FFFFFF',
          unit: '',
          description: '',
          bindings: [],
        } as Parameter
      e.parameters.push(p)
    }
    if (everywhere) p.bindings = p.bindings.filter((b) => b.property !== props.property)
    p.bindings.push(binding(p, props.property, everywhere ? undefined : emitter.value))
  }, true)
}
/** Lets this emitter go; one binding for all becomes one for each of the others. */
function release(p: Parameter, b: Binding) {
  edit.changeEffect((e) => {
    const mine = e.parameters.find((x) => x.name === p.name)!
    mine.bindings = mine.bindings.flatMap((x) => {
      if (JSON.stringify(x) !== JSON.stringify(b)) return [x]
      if (x.emitter) return []
      return e.emitters.filter((m) => m.name !== emitter.value).map((m) => ({ ...x, emitter: m.name }))
    })
  }, true)
}
</script>

<template>
  <el-popover
    v-model:visible="open"
    trigger="click"
    placement="bottom-start"
    :width="312"
    :show-arrow="false"
  >
    <template #reference>
      <el-button
        link
        class="quiet name"
        :class="{ bound: answering.length }"
        :aria-label="
          answering.length
            ? `${name}, answers to ${answering.map((a) => a.p.name).join(', ')}`
            : `${name}, answers to no parameter`
        "
        :title="
          answering.length
            ? `Answers to ${answering.map((a) => a.p.name).join(', ')}`
            : 'Let it answer to a parameter'
        "
        @keydown.space.stop
        @keydown.enter.stop
      >
        {{ name }}
      </el-button>
    </template>
    <div class="sheet" @keydown.stop="$event.key === 'Escape' && (open = false)">
      <h3>{{ property }} of {{ emitter }}</h3>
      <p v-for="({ p, b }, i) in answering" :key="i">
        <b>{{ p.name }}</b> {{ words[b.mode] }} it{{ b.emitter ? '' : ', as in all emitters' }}
        <el-button link class="link" @click="release(p, b)">unbind</el-button>
      </p>
      <p v-if="!answering.length" class="quiet">Nothing sets it yet.</p>
      <p v-for="p in others" :key="p.name">
        answer to <b>{{ p.name }}</b>
        <el-button link class="link" @click="bind(p.name, false)">here</el-button>
        <el-button link class="link" @click="bind(p.name, true)">in all emitters</el-button>
      </p>
      <p>
        answer to a new parameter
        <el-button link class="link" @click="bind(undefined, false)">here</el-button>
        <el-button link class="link" @click="bind(undefined, true)">in all emitters</el-button>
      </p>
    </div>
  </el-popover>
</template>

<style scoped>
.name {
  min-height: 24px;
  text-align: left;
}
.name:hover {
  text-decoration: underline dotted;
}
.bound::after {
  content: '';
  display: inline-block;
  width: 6px;
  height: 6px;
  margin-left: 4px;
  border-radius: 3px;
  background: var(--bronze);
  vertical-align: 2px;
}
h3 {
  margin: 0 0 4px;
  font-size: 13px;
  color: var(--muted);
  font-weight: 600;
}
p {
  margin: 0;
  min-height: 26px;
}
.link {
  min-height: 24px;
  margin-left: 6px;
}
</style>
