<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import OneOf from '../common/OneOf.vue'
import { showNumber } from '../common/numberText'
import { inWords } from '../effects/turn/parameters'
import type { Datum, Score, Settings, Vector } from '../api/bundle'
import { useKeys } from '../common/useKeys'
import { useProject } from '../project/useProject'
import TraceSheet from '../rehearsal/TraceSheet.vue'
import { useRehearsal } from '../rehearsal/useRehearsal'
import { useScores } from '../rehearsal/useScores'
import { newRope } from '../ropes/newRope'
import type { Figure } from '../stage/figures'
import type { View } from '../stage/framing'
import type { Backdrop } from '../stage/renderer'
import { spriteSources } from '../stage/sprites'
import StageFigures from '../stage/StageFigures.vue'
import StageRoom from '../stage/StageRoom.vue'
import StageView from '../stage/StageView.vue'
import BuiltAgainst from './BuiltAgainst.vue'
import { byNeed, type Happening, type Outcome } from './link'
import { useGame, type Line } from './useGame'
import { sharing, unshared } from './useSharing'

/** A running game as it is: its stage, played again here from what it says, and what became of each thing that happened. */
const props = defineProps<{ find: string }>()
const project = useProject()
const route = useRoute()
const router = useRouter()
const stage = ref<InstanceType<typeof StageView>>()
const link = useGame((frame) => stage.value?.showLive(frame), String(route.query.game ?? ''))
const { games, chosen, game, reply, lines, said } = link
const view = ref<View>('side')
const backdrop = ref<Backdrop>('night')
const whole = ref(false)
const sprites = computed(() => spriteSources(project.id, project.sprites))
const address = computed(() => `${location.protocol === 'https:' ? 'wss' : 'ws'}://${location.host}/link`)
/** What one types to see it work. */
const played = computed(() => {
  const file = `${project.name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}.bellrope.json`
  const what = project.scores[0] ? `--score "${project.scores[0].body.name}"` : 'PULLS.jsonl'
  return `./bellrope play ${file} ${what} --link ${address.value}?project=${project.id}`
})

const ONLY = ['all', 'not answered'] as const
const only = ref<(typeof ONLY)[number]>('all')
const open = shallowRef<Happening>()
const held = shallowRef<Line[]>()
const shown = computed(() => {
  const words = props.find.trim().toLowerCase()
  return (held.value ?? lines.value).filter(
    (l) =>
      (only.value === 'all' || l.outcome !== 'answered') &&
      `${l.type} ${l.subject} ${l.words}`.toLowerCase().includes(words),
  )
})
const kinds = computed(() => byNeed(link.kinds.values()))
/** What is told below the stage: what was pressed, or the last that happened. */
const account = computed(() => open.value ?? lines.value[0])
const WORDS: Record<Outcome, string> = {
  answered: 'answered',
  silent: 'silent',
  unwired: 'no rope listens',
  unknown: 'unknown',
  wrong: 'wrong',
}
function hold() {
  held.value = held.value ? undefined : lines.value
}

/** As bundles have it that say nothing of the screen. */
const UNITS_HIGH = 12
const settings = computed(
  () => [...project.parts.values()].find((p) => p.kind === 'settings')?.body as Settings | undefined,
)
const figures = computed(() => (reply.value?.figures ?? []) as unknown as Figure[])
/** As high as the screen is said to be, about what the game's camera looks at; else at its subject that moved last. */
const shows = computed(() => {
  const centre = (reply.value?.camera ?? figures.value[figures.value.length - 1]?.place) as Vector | undefined
  const height = settings.value?.screen?.unitsHigh ?? UNITS_HIGH
  return centre && { centre, height }
})
/** What could not bend to the last change, by rope. */
const ended = computed(() =>
  Object.entries(reply.value?.bent?.ended ?? {}).map(([rope, n]) => (n === 1 ? rope : `${rope} (${n})`)),
)
const can = computed(() => (game.value?.linked ? (link.shows.value?.can ?? []) : []))
const standIn = computed(() => `standin.html?project=${project.id}`)

const rehearsal = useRehearsal()
const { named, add } = useScores()
/** What came, while it is looked at whether it makes a rehearsal. */
const keeping = shallowRef<File>()
async function keep(score: Score) {
  await add(score)
  await router.push({ path: '/rehearsal', query: { project: project.id } })
}

async function declare(line: Happening) {
  if (await project.add('event', line.declared)) open.value = undefined
}
async function wire(line: Happening) {
  const event = project.events.find((e) => e.body.name === line.account!.event)
  if (!event) return
  const id = await project.add(
    'rope',
    newRope(
      event.body,
      project.ropes.map((r) => r.body),
    ),
  )
  if (id) await router.push({ path: '/', query: { project: project.id, rope: id } })
}
const ropeNamed = (name: string) => ({
  path: '/',
  query: { project: project.id, rope: project.ropes.find((r) => r.body.name === name)?.id },
})

/** Which is followed stands in the address, so that it is the same after a reload. */
function choose(instance: string) {
  link.choose(instance)
  void router.replace({ query: { ...route.query, game: instance } })
}

function takeFirst() {
  open.value = shown.value[0]
}
defineExpose({ takeFirst })
function step(by: number) {
  held.value ??= lines.value
  const at = shown.value.findIndex((l) => l.number === open.value?.number && l.at === open.value.at)
  open.value = shown.value[Math.min(shown.value.length - 1, Math.max(0, at + by))]
}
useKeys({
  f: () => (whole.value = !whole.value),
  h: hold,
  ArrowDown: () => step(1),
  ArrowUp: () => step(-1),
  Escape: () => {
    if (whole.value) whole.value = false
    else open.value = undefined
  },
})
</script>

<template>
  <main class="columns game" :class="{ alone: whole }">
    <nav aria-label="Running games">
      <h2>Running games</h2>
      <ul>
        <li v-for="g in games.values()" :key="g.instance" :class="{ chosen: g.instance === chosen }">
          <el-button link :aria-pressed="g.instance === chosen" @click="choose(g.instance)">
            {{ g.game }}
            <span class="quiet" data-testid="game-state"
              >{{ g.instance.slice(0, 4) }}, {{ g.linked ? 'linked' : 'lost' }}</span
            >
          </el-button>
        </li>
      </ul>
      <p v-if="link.away.value" class="bad" role="alert">
        The server is away; it is tried again each second.
      </p>
      <dl v-if="game" class="facts" data-testid="game-facts">
        <template v-if="!game.linked">
          <dt>state</dt>
          <dd class="bad">lost; it plays on by itself</dd>
        </template>
        <template v-if="game.contract">
          <dt>contract</dt>
          <dd><BuiltAgainst :version="game.contract" /></dd>
        </template>
        <dt>said</dt>
        <dd>{{ showNumber(said) }} things</dd>
        <template v-if="game.dropped">
          <dt>lost</dt>
          <dd class="bad">{{ showNumber(game.dropped) }} of them</dd>
        </template>
        <template v-if="reply?.agreed">
          <dt>same here</dt>
          <dd>to the bit, {{ showNumber(reply.agreed) }} times</dd>
        </template>
        <template v-if="reply?.bent">
          <dt>last change</dt>
          <dd data-testid="bent">
            {{ reply.bent.playing }} play on as changed<span v-if="ended.length" class="doubt"
              >; could not, and ended: {{ ended.join(', ') }}</span
            >
          </dd>
        </template>
        <template v-if="game.change < 0">
          <dt>plays</dt>
          <dd data-testid="plays-drafts">what is not saved yet</dd>
        </template>
        <template v-if="link.delay.value">
          <dt>shown after</dt>
          <dd>
            {{ link.delay.value.middle.toFixed(0) }} ms, {{ link.delay.value.worst.toFixed(0) }} at worst
          </dd>
        </template>
      </dl>
      <template v-if="game">
        <el-checkbox v-model="sharing" class="sharing" data-testid="sharing"
          >Changes go to games before they are saved</el-checkbox
        >
        <p v-if="unshared" class="doubt" data-testid="unshared">
          What is shown here is in no game: {{ unshared }}
        </p>
      </template>

      <el-button v-if="said" class="keep" data-testid="keep-game" @click="keeping = link.file()"
        >Keep as a rehearsal</el-button
      >
      <TraceSheet
        v-if="keeping"
        :file="keeping"
        :name="named(`${game?.game}, as it ran`)"
        :ask="rehearsal.traced"
        @take="keep"
        @close="keeping = undefined"
      />
      <template v-if="can.length">
        <h2>Make it happen</h2>
        <ul class="can" data-testid="can">
          <li v-for="what in can" :key="what">
            <el-button link class="link" @click="link.ask(what)">{{ what }}</el-button>
          </li>
        </ul>
        <p v-if="link.notAsked.value" class="bad" role="alert">
          The game was not asked: {{ link.notAsked.value }}.
        </p>
      </template>
      <p v-if="game?.refused" class="bad" role="alert">The game keeps what it has: {{ game.refused }}</p>
      <p v-if="link.doubt.value" class="doubt">{{ link.doubt.value }}</p>
      <p v-if="link.middle.value" class="doubt" data-testid="middle">
        It is followed from the middle on: what began earlier is not shown here.
      </p>
      <p v-if="link.failed.value" class="bad" role="alert">
        {{ link.failed.value }}
        <el-button link class="link" @click="link.again()">Follow it again</el-button>
      </p>
    </nav>

    <section v-if="!game" class="empty">
      <div>
        <h1>No game is linked</h1>
        <p>
          A game that is linked takes every saved change while it runs, and where you want it what is not
          saved yet. It tells what happens in it: you see here what it shows, and which events nobody answers.
        </p>
        <p>It links with this address:</p>
        <p class="address">
          <code>{{ address }}?project={{ project.id }}</code>
        </p>
        <p>Without a game at hand, one plays itself in a tab of its own, or a rehearsal plays one:</p>
        <p>
          <a class="el-button el-button--primary play" :href="standIn" target="_blank">Play Windrow Post</a>
        </p>
        <p class="address">
          <code>{{ played }}</code>
        </p>
        <p class="quiet">
          Games in Java link with <code>bellrope-link</code> (<code>docs/java.md</code>); what others have to
          say stands in <code>docs/format/link.md</code>.
        </p>
      </div>
    </section>
    <StageRoom v-else name="game" :least="0.5" :whole="whole">
      <template #stage>
        <StageView
          ref="stage"
          v-model:view="view"
          v-model:backdrop="backdrop"
          :busy="false"
          :sprites="sprites"
          :point="[0, 0, 0]"
          :normal="[0, 1, 0]"
          :home="chosen"
          :whole="whole"
          elsewhere
          :shows="shows"
          :title="`${game.game}, ${(reply?.at ?? 0).toFixed(1)} s`"
          @whole="whole = !whole"
        >
          <template #over="{ picture, pale }">
            <StageFigures
              v-if="figures.length"
              :figures="figures"
              :looks="link.shows.value?.looks ?? []"
              :picture="picture"
              :pale="pale"
            />
          </template>
          <template #left>
            <span class="state" data-testid="game-now">
              <b>{{ reply?.instances ?? 0 }}</b> instances ·
              <b data-testid="game-particles">{{ reply?.particles ?? 0 }}</b> particles
            </span>
          </template>
        </StageView>
      </template>
      <div class="below">
        <section aria-label="Account" data-testid="game-account">
          <template v-if="account">
            <h2>
              {{ account.type }}<span v-if="account.subject" class="quiet">, {{ account.subject }}</span>
              <span class="quiet">
                at {{ account.at.toFixed(2) }} s{{ open ? '' : ', the last that happened' }}</span
              >
            </h2>
            <p v-if="account.outcome === 'unknown' || account.outcome === 'wrong'" class="bad">
              {{ account.words }}
            </p>
            <p v-if="account.outcome === 'unknown'">
              Nothing plays for it: the project has no such event.
              <el-button v-if="account.declared" link class="link" @click="declare(account)"
                >Declare it from what came</el-button
              >
              <template v-else
                >Nor can it have one: an event is called subject.verb, in small letters.</template
              >
            </p>
            <p v-if="account.outcome === 'unwired'">
              No rope listens to it.
              <el-button link class="link" @click="wire(account)">Wire it</el-button>
            </p>
            <p v-for="n in account.account?.notes" :key="n" class="doubt">{{ n }}</p>
            <ul class="answers">
              <li v-for="a in account.account?.answers" :key="a.rope" :class="{ quiet: !a.answered }">
                {{ a.answered ? '●' : '○' }}
                <RouterLink class="link" :to="ropeNamed(a.rope)">{{ a.rope }}</RouterLink>
                {{ a.words }}
              </li>
            </ul>
            <p v-if="account.account" class="quiet">
              <span v-for="(v, name) in account.account.payload" :key="name" class="value"
                >{{ name }} <b>{{ inWords(v as Datum) }}</b></span
              >
            </p>
          </template>
          <p v-else class="quiet">
            What happens is told here: what came, who answered, and why others did not.
          </p>
        </section>
        <section aria-label="Kinds of events" data-testid="game-kinds">
          <table v-if="kinds.length">
            <thead>
              <tr>
                <th scope="col">event</th>
                <th scope="col" class="number">came</th>
                <th scope="col" class="number">answered</th>
                <th scope="col">the last</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="k in kinds" :key="k.type">
                <th scope="row">
                  <el-button link class="link" @click="open = k.last">{{ k.type }}</el-button>
                </th>
                <td class="number">{{ showNumber(k.came) }}</td>
                <td class="number">{{ showNumber(k.outcomes.answered) }}</td>
                <td>
                  <span :class="k.last.outcome">{{ WORDS[k.last.outcome as Outcome] }}</span>
                </td>
              </tr>
            </tbody>
          </table>
        </section>
      </div>
    </StageRoom>

    <aside v-if="game" aria-label="What happened in the game">
      <div class="top">
        <h2>What happened</h2>
        <OneOf label="Which" :value="only" :options="ONLY" @choose="only = $event" />
        <el-button link class="link" :aria-pressed="!!held" title="Holds the list still (H)" @click="hold">{{
          held ? 'go on' : 'hold'
        }}</el-button>
      </div>
      <p class="quiet counts" data-testid="game-counts">
        <span v-for="(n, what) in reply?.outcomes" :key="what" :class="n ? what : 'none'"
          >{{ n }} {{ WORDS[what] }}</span
        >
      </p>
      <ol data-testid="ticker">
        <li v-for="l in shown" :key="l.key">
          <el-button
            link
            class="line parts"
            :class="l.outcome"
            :aria-pressed="open?.number === l.number && open.at === l.at"
            @click="open = l"
          >
            <span class="quiet at">{{ l.at.toFixed(2) }} s</span>
            <span class="what"
              ><b>{{ l.type }}</b> <span v-if="l.subject" class="quiet">{{ l.subject }}</span>
              <span class="words">{{ l.words }}</span></span
            >
          </el-button>
        </li>
      </ol>
      <p v-if="!lines.length" class="quiet pad">Nothing has happened yet.</p>
      <p v-else-if="!shown.length" class="quiet pad">Nothing of the kind.</p>
    </aside>
  </main>
</template>

<style scoped src="../common/columns.css" />
<style scoped>
nav ul,
.answers,
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
.facts {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 2px 10px;
  margin: 10px 0;
  font-size: 12px;
}
dt {
  color: var(--muted);
}
dd {
  margin: 0;
}
.empty div {
  width: 560px;
}
.address code {
  display: block;
  padding: 6px 10px;
  background: var(--card);
  border: 1px solid var(--line);
  border-radius: 4px;
  overflow-wrap: anywhere;
  user-select: all;
}
.below {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
}
.below section {
  padding: 8px 14px 12px;
  min-width: 0;
}
.below section + section {
  border-left: 1px solid var(--line);
}
.below p {
  margin: 4px 0;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th {
  font-weight: 400;
  text-align: left;
}
thead th {
  color: var(--muted);
  font-size: 12px;
}
td,
th[scope='row'] {
  height: 24px;
}
th :deep(.el-button) {
  min-height: 24px;
}
.number {
  text-align: right;
  padding-right: 14px;
  font-variant-numeric: tabular-nums;
}
.value {
  margin-right: 14px;
}
aside {
  display: flex;
  flex-direction: column;
}
.top {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 8px 14px 0;
}
.sharing {
  height: auto;
  margin-bottom: 10px;
}
.sharing :deep(.el-checkbox__label) {
  white-space: normal;
}
.keep {
  width: 100%;
  height: auto;
  padding: 6px;
  white-space: normal;
}
.can {
  margin-bottom: 6px;
}
.keep + h2 {
  margin-top: 14px;
}
.play {
  text-decoration: none;
}
nav ul :deep(.el-button) {
  min-height: 24px;
}
.can :deep(.el-button) {
  white-space: normal;
  text-align: left;
}
.top h2 {
  white-space: nowrap;
  flex: 1;
  margin: 0;
}
.counts {
  margin: 2px 14px 6px;
  font-size: 12px;
}
.counts span {
  margin-right: 10px;
}
.counts .none {
  display: none;
}
ol {
  flex: 1;
  overflow-y: auto;
  padding: 0 6px;
}
.line {
  display: grid;
  grid-template-columns: 58px minmax(0, 1fr);
  gap: 6px;
  width: 100%;
  text-align: left;
  padding: 3px 8px;
  border-radius: 4px;
  min-height: 24px;
}
.line:hover,
.line[aria-pressed='true'] {
  background: var(--bronze-pale);
}
.at {
  text-align: right;
  font-variant-numeric: tabular-nums;
}
.words {
  display: block;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  color: var(--muted);
  font-size: 12px;
}
.what {
  min-width: 0;
}
.answered .words,
span.answered {
  color: var(--verdigris);
}
.unwired .words,
span.unwired,
.doubt {
  color: var(--amber);
}
.unknown .words,
.wrong .words {
  white-space: normal;
}
.unknown .words,
.wrong .words,
span.unknown,
span.wrong {
  color: var(--vermilion);
}
.pad {
  padding: 0 14px;
}
@media (max-width: 1100px) {
  .top {
    flex-wrap: wrap;
    gap: 2px 8px;
  }
  .top h2 {
    flex-basis: 100%;
  }
}
</style>
