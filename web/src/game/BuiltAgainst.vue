<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api, Refused } from '../api/client'
import { latest } from '../common/latest'
import { useProject } from '../project/useProject'

/** The version of the contract that a game says it was built against, and what has come since that breaks it. */
const props = defineProps<{ version: string }>()
const project = useProject()
/** How many things differ, and how many break game code; nothing while nobody knows. */
const since = ref<{ differ: number; breaks: number } | 'never' | undefined>()

const ask = latest<void>(async () => {
  try {
    const view = await api.contract(project.id, props.version)
    since.value = { differ: view.differences.length, breaks: view.breaks }
  } catch (e) {
    if (!(e instanceof Refused)) throw e
    // A server that is away is told of elsewhere.
    since.value = e.status === 0 ? undefined : 'never'
  }
})
watch([() => project.version, () => props.version], () => ask(undefined), { immediate: true })

const words = computed(() => {
  if (!since.value) return ''
  if (since.value === 'never') return 'no version of that name was handed over'
  const { differ, breaks } = since.value
  if (!differ) return 'as it is now'
  const many = differ === 1 ? '1 thing differs' : `${differ} things differ`
  return breaks ? `${many} now, ${breaks} ${breaks === 1 ? 'breaks' : 'break'} game code` : `${many} now`
})
const bad = computed(() => typeof since.value === 'object' && since.value.breaks > 0)
</script>

<template>
  <span data-testid="built-against"
    >{{ version
    }}<template v-if="words"
      >:
      <RouterLink
        v-if="typeof since === 'object' && since.differ"
        class="link"
        :class="{ bad }"
        :to="{ path: '/handoff', query: { project: project.id, against: version } }"
        >{{ words }}</RouterLink><span v-else :class="since === 'never' ? 'doubt' : ''">{{
        words
      }}</span></template
    ></span
  >
</template>

<style scoped>
.doubt {
  color: var(--amber);
}
.bad {
  color: var(--vermilion);
}
</style>
