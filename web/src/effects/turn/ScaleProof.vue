<script setup lang="ts">
import { computed } from 'vue'
import type { ParameterReport } from '../../api/client'
import { short } from './parameters'

/** The proof that a parameter is a uniform scale, or what is to blame. */
const props = defineProps<{ proof?: ParameterReport['scales'][number] }>()
const emit = defineEmits<{ mend: [] }>()

const percent = (v: number) => (v < 0.00005 ? '0' : short(v * 100)) + ' %'
const FAULTS: Record<string, string> = {
  missing: 'is not bound',
  bent: 'is bound by another way than multiplying',
  excess: 'is bound, and must stay',
  beyond: 'is begun by its particles, which this does not reach',
  replaced: 'further down stands in for it; put it before',
}
const of = computed(() => props.proof)
</script>

<template>
  <div v-if="of" class="proof" data-testid="proof">
    <p v-if="of.holds" class="holds">
      A uniform scale: at {{ short(of.scale) }} × every particle is where {{ short(of.scale) }} × the authored
      one is; greatest difference {{ percent(of.difference) }} of the largest length.
    </p>
    <template v-else>
      <p class="fails">
        Not a uniform scale: at {{ short(of.scale) }} × it differs by up to {{ percent(of.difference) }} of
        the largest length.
      </p>
      <ul>
        <li v-for="c in of.causes" :key="c.what + c.fault + c.by">
          <b>{{ c.what || c.by }}</b> of {{ c.emitters.join(', ') }}:
          <template v-if="c.what && c.by">{{ c.by }}</template>
          {{ FAULTS[c.fault] }}
          <span class="quiet">{{ percent(c.difference) }} alone</span>
        </li>
      </ul>
      <el-button type="primary" v-if="of.mended" @click="emit('mend')">Bind what is missing</el-button>
    </template>
  </div>
  <p v-else class="quiet">Computing the proof…</p>
</template>

<style scoped>
p {
  margin: 4px 0;
}
.holds {
  color: var(--verdigris);
}
.holds::before {
  content: '✓ ';
}
.fails {
  color: var(--vermilion);
  font-weight: 600;
}
.fails::before {
  content: '! ';
}
ul {
  margin: 2px 0 6px;
  padding-left: 16px;
}
</style>
