<script setup lang="ts">
import { computed } from 'vue'
import NumberField from '../common/NumberField.vue'
import { bounds } from '../common/settings'
import TextField from '../common/TextField.vue'
import Choice from '../common/Choice.vue'
import { useEdit } from '../effect/useEdit'
import { useProject } from '../project/useProject'

/** The effect as a whole: name, what it is for, how it runs, whether it looks the same each time. */
defineProps<{ part: number }>()
const emit = defineEmits<{ duplicate: []; remove: []; revisions: [] }>()
const edit = useEdit()
const project = useProject()
const effect = computed(() => edit.effect.value)

/** Ropes, and effects whose particles begin it, follow. */
const rename = (to: string) => project.rename({ what: 'effect', from: effect.value.name, to })
function setSeed(fixed: boolean) {
  edit.changeEffect((e) => {
    if (fixed) e.seed = 1
    else delete e.seed
  }, true)
}
const saving = computed(() => project.saving > 0)
const setOrder = (order: number, save: boolean) =>
  edit.changeEffect((e) => {
    if (order) e.order = order
    else delete e.order
  }, save)
</script>

<template>
  <header class="head">
    <TextField
      class="name"
      :value="effect.name"
      label="Name of the effect"
      maxlength="80"
      demanded
      :take="rename"
    />
    <TextField
      class="about"
      :lines="2"
      :value="effect.description"
      placeholder="When to use it, in a sentence"
      label="When to use the effect"
      :take="(text) => edit.changeEffect((e) => (e.description = text), true)"
    />
    <slot />
    <Choice
      :value="effect.seed === undefined ? 'new' : 'same'"
      label="How it looks each time"
      @choose="setSeed($event === 'same')"
    >
      <option value="new">new look each pull</option>
      <option value="same">the same look each pull</option>
    </Choice>
    <span class="order">
      <span class="quiet">drawn in front by</span>
      <NumberField
        v-bind="bounds('Effect', 'order')"
        :value="effect.order ?? 0"
        label="Drawn in front by"
        unit=" "
        :step="1"
        @draft="setOrder($event, false)"
        @commit="setOrder($event, true)"
      />
    </span>
    <span class="acting">
      <el-button link class="link" @click="emit('duplicate')">duplicate</el-button>
      <el-button link class="link" @click="emit('revisions')">revisions</el-button>
      <el-button link class="link" :disabled="saving" @click="emit('remove')">delete</el-button>
    </span>
  </header>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  align-items: baseline;
  padding: 8px 14px 6px;
  border-bottom: 1px solid var(--line);
}
.name {
  font-weight: 600;
  font-size: 14px;
  width: 100%;
}
.about {
  width: 100%;
  resize: none;
  color: var(--muted);
}
.order {
  white-space: nowrap;
}
.acting {
  display: flex;
  gap: 10px;
}
</style>
