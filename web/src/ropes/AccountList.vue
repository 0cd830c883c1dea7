<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { Refused, type AccountReport } from '../api/client'
import { download } from '../common/download'
import { latest } from '../common/latest'
import { showNumber } from '../common/numberText'
import { inWords } from '../effects/turn/parameters'
import { useProject } from '../project/useProject'
import type { Told } from '../stage/useStage'

/** What happened at the last pull, in words, and at any of the pulls before. Each line leads to the part that decided. */
const props = defineProps<{
  account?: AccountReport
  /** All accounts of the same instant, that one included. */
  together?: AccountReport[]
  told: Told[]
  find: (words: string) => Promise<AccountReport[]>
  all: () => Promise<AccountReport[]>
}>()
const emit = defineEmits<{ lead: [rope: string, condition: number] }>()
const project = useProject()

const finding = ref(false)
const words = ref('')
const found = shallowRef<AccountReport[]>([])
const chosen = shallowRef<AccountReport>()
const trouble = ref('')
const look = latest<string>(async (asked) => {
  try {
    found.value = await props.find(asked)
    trouble.value = ''
  } catch (e) {
    trouble.value = e instanceof Refused ? e.message : String(e)
  }
})
watch([finding, words], () => finding.value && look(words.value))
watch(
  () => props.account,
  () => {
    chosen.value = undefined
    if (finding.value) look(words.value)
  },
)
async function save() {
  const lines = (await props.all()).map((a) => JSON.stringify(a) + '\n')
  download(new Blob(lines, { type: 'application/jsonl' }), `${project.name} accounts.jsonl`)
}
const poolOf = (name: string) => ({
  path: '/pools',
  query: { project: project.id, pool: project.pools.find((p) => p.body.name === name)?.id },
})
const several = computed(() => props.together ?? [])
const WHAT = {
  notice: 'is told',
  begins: 'is told of the beginning of',
  ends: 'is told of the end of',
  gone: 'is told that nothing is left of',
}
const titled = (a: AccountReport) =>
  `${a.event}${a.phase === 'moment' ? '' : a.value ? ` is ${a.value}` : ` ${a.phase}s`}${a.subject ? `, ${a.subject}` : ''}`
</script>

<template>
  <section class="account" aria-label="Account">
    <div class="top">
      <el-button link class="link small" :aria-expanded="finding" @click="finding = !finding">
        {{ finding ? 'The last pull' : 'All accounts' }}
      </el-button>
      <el-button link v-if="finding" class="link small" @click="save">Save as lines of JSON</el-button>
    </div>
    <div v-if="finding" class="find">
      <el-input
        v-model="words"
        size="small"
        clearable
        placeholder="Words of an account: thatch, cooldown, crow-3"
        aria-label="Find in the accounts"
        @keydown.stop
      />
      <p v-if="trouble" class="refused">{{ trouble }}</p>
      <p v-else-if="!found.length" class="quiet">No account says so.</p>
      <ol>
        <li v-for="a in found" :key="a.number">
          <el-button link class="parts" :aria-current="chosen === a" @click="chosen = a">
            <span class="quiet">{{ showNumber(Number(a.at.toFixed(2))) }} s</span>
            <span
              ><b>{{ titled(a) }}</b> · {{ a.summary }}</span
            >
          </el-button>
        </li>
      </ol>
    </div>
    <div v-if="!finding || chosen" aria-live="polite" data-testid="account">
      <p v-if="!(chosen ?? account)" class="quiet">
        Pull, and read here which ropes answered and why the others did not.
      </p>
      <ol v-if="several.length > 1 && !finding" class="together" aria-label="In the same instant">
        <li v-for="(a, i) in several" :key="a.number">
          <el-button link class="parts" :aria-current="(chosen ?? account) === a" @click="chosen = a">
            <span class="quiet">{{ i + 1 }} of {{ several.length }}</span>
            <span
              ><b>{{ titled(a) }}</b> · {{ a.summary }}</span
            >
          </el-button>
        </li>
      </ol>
      <template v-for="a in [chosen ?? account]" :key="a?.number">
        <template v-if="a">
          <h2>What happened · {{ a.summary }}</h2>
          <p v-for="note in a.notes" :key="note" class="note">{{ note }}</p>
          <p v-for="p in a.refused" :key="p.place" class="refused">
            {{ p.place }}: {{ p.given }} – {{ p.allowed }}
          </p>
          <ul>
            <li v-for="(line, i) in a.answers" :key="i" :class="{ answered: line.answered }">
              <el-button link class="parts" @click="emit('lead', line.rope, line.condition)">
                <svg viewBox="0 0 10 10" width="10" height="10" aria-hidden="true">
                  <circle cx="5" cy="5" r="3.4" />
                </svg>
                <span>
                  <b>{{ line.name }}</b>{{ line.said }}
                </span>
              </el-button>
              <RouterLink v-if="line.pool" class="link" :to="poolOf(line.pool)">the pool</RouterLink>
            </li>
          </ul>
        </template>
      </template>
    </div>
    <ul v-if="told.length && !finding" class="told" aria-label="What the game is told">
      <li v-for="(t, i) in told" :key="i">
        <span class="quiet">{{ showNumber(Number(t.at.toFixed(2))) }} s</span> the game {{ WHAT[t.what] }}
        <b>{{ t.name }}</b>
        <span v-for="(v, name) in t.values" :key="name" class="quiet"> · {{ name }} {{ inWords(v) }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.account {
  padding: 6px 14px 12px;
}
.top {
  display: flex;
  justify-content: space-between;
}
.small {
  font-size: 12px;
  min-height: 24px;
}
ol,
ul {
  list-style: none;
  margin: 2px 0 0;
  padding: 0;
}
ol {
  max-height: 180px;
  overflow-y: auto;
}
li button {
  display: flex;
  gap: 8px;
  text-align: left;
  padding: 3px 0;
  min-height: 24px;
  width: 100%;
}
li button:hover,
li button[aria-current='true'] {
  background: var(--bronze-pale);
}
.told {
  margin-top: 6px;
  padding-top: 6px;
  border-top: 1px solid var(--line);
  font-size: 12px;
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
