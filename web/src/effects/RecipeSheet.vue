<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import type { InputInstance } from 'element-plus'
import { api, type RecipeView } from '../api/client'
import type { Effect } from '../api/bundle'
import { useSheet } from '../common/useKeys'

/** Starting points by what they are needed for, each with a still and a sentence. */
const emit = defineEmits<{ close: []; choose: [body: Effect] }>()
const recipes = ref<RecipeView[]>([])
const failure = ref('')
const wanted = ref('')
const open = ref(true)
onMounted(async () => {
  try {
    recipes.value = await api.recipes()
  } catch (e) {
    failure.value = (e as Error).message
  }
})
const shown = computed(() =>
  recipes.value.filter((r) =>
    `${r.name} ${r.description}`.toLowerCase().includes(wanted.value.trim().toLowerCase()),
  ),
)
/** The field that is wanted is looked for at once. */
const finder = ref<InputInstance>()
const body = (r: RecipeView) => r.body as unknown as Effect
useSheet()
</script>

<template>
  <el-dialog
    v-model="open"
    title="What do you need?"
    width="940"
    top="6vh"
    @opened="finder?.focus()"
    @closed="emit('close')"
  >
    <el-input
      ref="finder"
      v-model="wanted"
      class="find"
      clearable
      placeholder="impact, smoke, rain…"
      aria-label="Find a recipe"
      @keydown.enter="shown[0] && emit('choose', body(shown[0]))"
      @keydown.stop
    />
    <p v-if="failure" class="bad" role="alert">{{ failure }}</p>
    <el-skeleton v-else-if="!recipes.length" :rows="4" animated aria-label="Fetching the recipes" />
    <p v-else-if="!shown.length" class="quiet">No recipe speaks of “{{ wanted }}”.</p>
    <ul>
      <li v-for="r in shown" :key="r.name">
        <el-button link class="parts" data-testid="recipe" @click="emit('choose', body(r))">
          <img :src="api.recipeStillPath(r.name)" alt="" width="96" height="64" loading="lazy" />
          <span
            ><b>{{ r.name }}</b
            >&ensp;<small class="quiet">{{
              body(r).course.kind === 'looping' ? 'looping' : 'one-shot'
            }}</small
            ><br />{{ r.description }}</span
          >
        </el-button>
      </li>
    </ul>
  </el-dialog>
</template>

<style scoped>
.find {
  width: 260px;
}
ul {
  list-style: none;
  margin: 10px 0 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 4px;
  max-height: 66vh;
  overflow-y: auto;
}
li button {
  display: flex;
  gap: 10px;
  text-align: left;
  padding: 6px;
  border-radius: 4px;
  width: 100%;
  height: 100%;
  align-items: flex-start;
}
li button:hover {
  background: var(--bronze-pale);
}
img {
  border-radius: 3px;
  background: var(--stage);
  flex: none;
}
</style>
