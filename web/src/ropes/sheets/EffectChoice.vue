<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import type { InputInstance } from 'element-plus'
import { api, type RecipeView } from '../../api/client'
import type { Effect, Rope } from '../../api/bundle'
import { freeName } from '../../common/freeName'
import { useProject } from '../../project/useProject'
import { blankEffect } from './blankEffect'

/** What a rope plays: an effect that is there, one from a recipe, or a blank one, made on the spot. */
const props = defineProps<{
  rope: Rope
  title: string
  /** What is chosen; what the rope plays if absent. */
  chosen?: string
}>()
const emit = defineEmits<{ choose: [name: string]; nothing: [] }>()
const project = useProject()
const wanted = ref('')
const recipes = ref<RecipeView[]>([])
const failure = ref('')
const making = ref(false)
const finder = ref<InputInstance>()

onMounted(async () => {
  // The sheet is shown a moment after it is there.
  // A list that has been scrolled meanwhile stays where it is.
  setTimeout(() => finder.value?.input?.focus({ preventScroll: true }), 60)
  try {
    recipes.value = await api.recipes()
  } catch (e) {
    failure.value = (e as Error).message
  }
})

const asked = computed(() => wanted.value.trim().toLowerCase())
const says = (...words: (string | undefined)[]) => words.join(' ').toLowerCase().includes(asked.value)
const current = computed(() => props.chosen ?? props.rope.play)
/** Whether there may be none: a rope that plays nothing has to bring something else. */
const optional = computed(
  () =>
    !!current.value && (props.chosen !== undefined || !!(props.rope.with?.length || props.rope.then?.length)),
)
const kind = (e: Effect) => (e.course.kind === 'looping' ? 'looping' : 'one-shot')
const effects = computed(() => project.effects.filter((e) => says(e.body.name, e.body.description)))
const offered = computed(() => recipes.value.filter((r) => says(r.name, r.description)))
function users(name: string) {
  const others = project.ropes.filter((r) => r.body.play === name && r.body.name !== props.rope.name).length
  return others ? `${others} other ${others === 1 ? 'rope' : 'ropes'}` : 'no other rope'
}

async function make(of: Effect) {
  if (making.value) return
  making.value = true
  const name = freeName(
    of.name,
    project.effects.map((e) => e.body.name),
  )
  try {
    const id = await project.add('effect', { ...JSON.parse(JSON.stringify(of)), name })
    if (id) emit('choose', name)
  } finally {
    making.value = false
  }
}
function first() {
  if (effects.value[0] && asked.value) emit('choose', effects.value[0].body.name)
  else if (offered.value[0]) make(offered.value[0].body as unknown as Effect)
}
</script>

<template>
  <h3>{{ title }}</h3>
  <el-input
    ref="finder"
    v-model="wanted"
    size="small"
    clearable
    placeholder="impact, smoke, rain…"
    aria-label="Find an effect or a recipe"
    @keydown.enter="first"
  />
  <div class="scroll">
    <template v-if="effects.length">
      <h4>effects of this project</h4>
      <el-button
        v-for="e in effects"
        :key="e.id"
        link
        class="choice parts"
        :aria-pressed="e.body.name === current"
        :title="e.body.description"
        @click="emit('choose', e.body.name)"
      >
        <img
          :src="api.stillPath(project.id, e.id, e.revision)"
          alt=""
          width="48"
          height="32"
          loading="lazy"
        />
        <span
          >{{ e.body.name }} <small class="quiet">{{ kind(e.body) }} · {{ users(e.body.name) }}</small></span
        >
      </el-button>
    </template>
    <h4>new from a recipe</h4>
    <p v-if="failure" class="bad">{{ failure }}</p>
    <el-skeleton v-else-if="!recipes.length" :rows="4" animated aria-label="Fetching the recipes" />
    <p v-else-if="!offered.length" class="quiet">No recipe speaks of “{{ wanted }}”.</p>
    <el-button
      v-for="r in offered"
      :key="r.name"
      link
      class="choice parts"
      :disabled="making"
      data-testid="offered"
      @click="make(r.body as unknown as Effect)"
    >
      <img :src="api.recipeStillPath(r.name)" alt="" width="48" height="32" loading="lazy" />
      <span
        >{{ r.name }} <small class="quiet">{{ r.description }}</small></span
      >
    </el-button>
    <el-button
      v-if="project.sprites.length"
      link
      class="choice"
      :disabled="making"
      @click="make(blankEffect(project.sprites[0].body.name))"
      >a blank effect <small class="quiet">ten specks that fly up and fade</small></el-button
    >
    <el-button v-if="optional" link class="choice" @click="emit('nothing')">nothing</el-button>
  </div>
</template>

<style scoped src="./sheet.css" />
<style scoped>
.scroll {
  max-height: none;
}
h4 {
  margin: 8px 8px 2px;
  font-size: 12px;
  font-weight: 500;
  color: var(--muted);
}
.parts {
  display: flex;
  gap: 8px;
  align-items: center;
}
img {
  border-radius: 3px;
  background: var(--stage);
  flex: none;
  object-fit: cover;
}
small {
  display: block;
  font-size: 12px;
}
</style>
