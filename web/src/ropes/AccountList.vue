<script setup lang="ts">
import type { AccountReport } from '../api/client'

/** What happened at the last pull, in words. Each line leads to the rope, and to the part that decided it. */
defineProps<{ account?: AccountReport; lost: boolean }>()
const emit = defineEmits<{ lead: [rope: string, condition: number] }>()
</script>

<template>
  <section class="account" aria-label="Account" aria-live="polite" data-testid="account">
    <p v-if="!account" class="quiet">
      {{
        lost
          ? 'The stage is not connected; it will be back by itself.'
          : 'Pull, and read here which ropes answered and why the others did not.'
      }}
    </p>
    <template v-else>
      <h2>What happened · {{ account.summary }}</h2>
      <p v-for="note in account.notes" :key="note" class="note">{{ note }}</p>
      <p v-for="p in account.refused" :key="p.place" class="refused">
        {{ p.place }}: {{ p.given }} – {{ p.allowed }}
      </p>
      <ul>
        <li v-for="line in account.answers" :key="line.rope" :class="{ answered: line.answered }">
          <button @click="emit('lead', line.rope, line.condition)">
            <svg viewBox="0 0 10 10" width="10" height="10" aria-hidden="true">
              <circle cx="5" cy="5" r="3.4" />
            </svg>
            <span>
              <b>{{ line.effect }}</b>{{
                line.words.startsWith(line.effect) ? line.words.slice(line.effect.length) : ' ' + line.words
              }}
            </span>
          </button>
        </li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
.account {
  padding: 8px 14px 12px;
}
ul {
  list-style: none;
  margin: 2px 0 0;
  padding: 0;
}
li button {
  display: flex;
  gap: 8px;
  text-align: left;
  padding: 3px 0;
  min-height: 24px;
  width: 100%;
}
li button:hover {
  background: var(--bronze-pale);
}
svg {
  flex: none;
  margin-top: 4px;
}
circle {
  fill: none;
  stroke: var(--muted);
  stroke-width: 1.4;
}
.answered circle {
  fill: var(--verdigris);
  stroke: var(--verdigris);
}
b {
  font-weight: 600;
}
p {
  margin: 4px 0;
}
.note {
  color: var(--amber);
}
.refused {
  color: var(--vermilion);
}
</style>
