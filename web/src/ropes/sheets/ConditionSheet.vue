<script setup lang="ts">
import { computed, toRef } from 'vue'
import TextField from '../../common/TextField.vue'
import Choice from '../../common/Choice.vue'
import type { Condition, Relation, Rope, Source } from '../../api/bundle'
import NumberField from '../../common/NumberField.vue'
import { useProject } from '../../project/useProject'
import SourceRows from './SourceRows.vue'
import { useFeeds } from './useFeeds'

/** One condition, and how many of all must hold. */
const props = defineProps<{ rope: Rope; ropeId: number; index: number }>()
const emit = defineEmits<{
  change: [edit: (rope: Rope) => void, save: boolean]
  shut: [edit: (rope: Rope) => void]
}>()
const project = useProject()
const view = useFeeds(toRef(props, 'ropeId'))

type Compare = Source & { relation: Relation; bound: number }
const RELATIONS: Relation[] = ['over', 'at least', 'under', 'at most']
const MATCHES = [
  ['all', 'all conditions hold'],
  ['any', 'any of them holds'],
  ['none', 'none of them holds'],
] as const
const event = computed(() => project.events.find((e) => e.body.name === props.rope.event)?.body)
const condition = computed(() => props.rope.conditions[props.index])
const options = computed(() => {
  const c = condition.value
  const field = 'is' in c && event.value?.fields.find((f) => f.name === c.field)
  return field && field.type === 'choice' ? field.options : []
})

function edit(change: (c: Condition) => void, save = true) {
  emit('change', (rope) => change(rope.conditions[props.index]), save)
}
function toggle(option: string) {
  edit((c) => {
    if (!('is' in c)) return
    const left = c.is.includes(option) ? c.is.filter((o) => o !== option) : [...c.is, option]
    if (left.length) c.is = left
  })
}
function setSource(source: Source) {
  emit(
    'change',
    (rope) => {
      const { relation, bound } = rope.conditions[props.index] as Compare
      rope.conditions[props.index] = { ...source, relation, bound }
    },
    true,
  )
}
</script>

<template>
  <template v-if="'is' in condition">
    <h3>Only if {{ condition.field }} is</h3>
    <el-button
      link
      v-for="o in options"
      :key="o"
      class="choice"
      :aria-pressed="condition.is.includes(o)"
      @click="toggle(o)"
    >
      {{ o }}
    </el-button>
  </template>
  <template v-else-if="'tag' in condition">
    <h3>Only if the subject</h3>
    <div class="line">
      <Choice
        :value="condition.has === false ? 'no' : 'yes'"
        v-explains="'Condition.has'"
        label="Has the tag"
        @choose="edit((c) => ((c as { has?: boolean }).has = $event === 'no' ? false : undefined))"
      >
        <option value="yes">is</option>
        <option value="no">is not</option>
      </Choice>
      <TextField
        class="text"
        :value="condition.tag"
        v-explains="'Condition.tag'"
        label="Tag"
        maxlength="80"
        demanded
        :take="(tag) => edit((c) => ((c as { tag: string }).tag = tag))"
      />
    </div>
  </template>
  <template v-else-if="'flag' in condition">
    <h3>Only if {{ condition.field }} is</h3>
    <el-button
      link
      v-for="yes in [true, false]"
      :key="String(yes)"
      class="choice"
      :aria-pressed="condition.flag === yes"
      @click="edit((c) => ((c as { flag: boolean }).flag = yes))"
    >
      {{ yes ? 'yes' : 'no' }}
    </el-button>
  </template>
  <template v-else>
    <h3>Only if</h3>
    <div class="line">
      <SourceRows :source="condition" :event="rope.event" :held="false" label="Number" @set="setSource" />
    </div>
    <div class="line">
      <Choice
        :value="condition.relation"
        v-explains="'Condition.relation'"
        label="Relation"
        @choose="edit((c) => ((c as Compare).relation = $event as Relation))"
      >
        <option v-for="r in RELATIONS" :key="r">{{ r }}</option>
      </Choice>
      <NumberField
        :value="condition.bound"
        v-explains="'Condition.bound'"
        label="Bound"
        :unit="view?.units[index] || ' '"
        @draft="edit((c) => ((c as Compare).bound = $event), false)"
        @commit="edit((c) => ((c as Compare).bound = $event))"
      />
    </div>
  </template>
  <div v-if="rope.conditions.length > 1" class="line">
    <span>It answers if</span>
    <Choice
      :value="rope.match ?? 'all'"
      v-explains="'Rope.match'"
      label="How many must hold"
      @choose="
        emit('change', (r) => (r.match = $event === 'all' ? undefined : ($event as Rope['match'])), true)
      "
    >
      <option v-for="[v, words] in MATCHES" :key="v" :value="v">{{ words }}</option>
    </Choice>
  </div>
  <el-button link class="link away" @click="emit('shut', (r) => r.conditions.splice(index, 1))">
    Remove this condition
  </el-button>
</template>

<style scoped src="./sheet.css" />
