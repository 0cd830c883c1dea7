<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import type { Words } from '../api/client'
import type { FacingName, Rope } from '../api/bundle'
import { useProject } from '../project/useProject'
import { additions, type Addition } from './sheets/additions'
import ConditionSheet from './sheets/ConditionSheet.vue'
import FeedSheet from './sheets/FeedSheet.vue'
import FormRows from './sheets/FormRows.vue'
import * as rows from './sheets/rows'
import HitSheet from './sheets/HitSheet.vue'
import { become, useFit, type Move } from './fit'

/** One bold part of a sentence and the small sheet that opens under it to change it. */
const props = defineProps<{ word: Words; rope: Rope; ropeId: number; lit?: boolean }>()
const project = useProject()
const fit = useFit()
const open = ref(false)
const sheet = ref<HTMLElement>()
const opener = ref<HTMLElement>()

// By keyboard the way leads into the sheet, and out of it back to the word.
watch(open, async (opened) => {
  if (!opened || document.activeElement !== opener.value) return
  await nextTick()
  const find = (css: string) => sheet.value?.querySelector<HTMLElement>(css)
  const first = find('[aria-pressed="true"]') ?? find('button:not(.away), select, input')
  // The sheet is shown a moment after it is there.
  setTimeout(() => first?.focus(), 60)
})
function leave() {
  open.value = false
  opener.value?.focus()
}

const event = computed(() => project.events.find((e) => e.body.name === props.rope.event)?.body)
const shape = computed(() => event.value?.shape ?? 'moment')
const effect = computed(() => project.effects.find((e) => e.body.name === props.rope.play)?.body)
const testable = computed(
  () => event.value?.fields.filter((f) => ['number', 'choice', 'flag'].includes(f.type)) ?? [],
)
const feedable = computed(
  () => effect.value?.parameters.filter((p) => !props.rope.feeds.some((f) => f.parameter === p.name)) ?? [],
)
const followUp = computed(
  () => props.rope.then?.[props.word.slot === 'gap' ? props.word.index - 2 : props.word.index],
)
const companion = computed(() => props.rope.with?.[props.word.index])
const addable = computed(() => additions(props.rope, event.value))

const FACINGS: { value: FacingName; words: string; needs: string[] }[] = [
  { value: 'normal', words: 'the normal', needs: ['normal'] },
  { value: 'direction', words: 'the direction', needs: ['direction'] },
  { value: 'opposite', words: 'back against the direction', needs: ['direction'] },
  { value: 'reflected', words: 'as the direction is reflected', needs: ['direction', 'normal'] },
  { value: 'heading', words: 'the heading of the subject', needs: [] },
  { value: 'up', words: 'up', needs: [] },
  { value: 'fixed', words: 'a fixed way', needs: [] },
]
const facings = computed(() =>
  FACINGS.filter((f) => f.needs.every((need) => event.value?.fields.some((field) => field.type === need))),
)
/** What the sheet of a slot sets. */
const form = computed<rows.Row[] | undefined>(() => {
  const index = props.word.slot === 'gap' ? props.word.index - 2 : props.word.index
  switch (props.word.slot) {
    case 'overrides':
      return rows.overrides
    case 'timing':
      return rows.timing
    case 'limits':
      return rows.limits
    case 'owner':
      return props.rope.owner?.end === 'fade' ? [...rows.owner, rows.ownerFades] : rows.owner
    case 'start':
    case 'end':
    case 'fades':
    case 'longest':
      return rows.run(shape.value)
    case 'placement':
      return rows.placement(props.rope)
    case 'companion':
      return companion.value && rows.companion(index, companion.value)
    case 'follow up':
      return (
        followUp.value &&
        rows.followUp(index, !!followUp.value.announce, shape.value, !!followUp.value.notice)
      )
    case 'gap':
      return index >= 0 && followUp.value
        ? rows.followUp(index, !!followUp.value.announce, shape.value, !!followUp.value.notice)
        : undefined
    default:
      return undefined
  }
})
const titles: Record<string, string> = {
  overrides: 'For this rope alone',
  timing: 'Later',
  limits: 'It answers',
  owner: 'The end of its subject',
  start: 'While it lasts',
  end: 'While it lasts',
  fades: 'While it lasts',
  longest: 'While it lasts',
  placement: 'Where',
  companion: 'With it',
  'follow up': 'Then',
  gap: 'Then',
}
const dropped: Record<string, string> = {
  overrides: 'Remove the overrides',
  timing: 'Remove the delay',
  limits: 'Remove the limits',
  owner: 'Let it finish',
  companion: 'Remove it',
  'follow up': 'Remove what follows',
  gap: 'Remove what follows',
}

const clone = () => JSON.parse(JSON.stringify(props.rope)) as Rope
function change(edit: (rope: Rope) => void, save = true) {
  const next = clone()
  edit(next)
  // Other words for the same: a fade takes time, the others take none; what is named needs a name.
  if (next.owner) {
    if (next.owner.end === 'fade') next.owner.over ||= 0.3
    else delete next.owner.over
    if (next.owner.end === 'finish' || !next.owner.end) delete next.owner
  }
  if (next.place) {
    if (!next.place.at) next.place.at = 'point'
    if (next.place.at !== 'place') delete next.place.name
    else next.place.name ||= project.places[0]?.body.name
    if (!['subject', 'camera'].includes(next.place.at)) delete next.place.follow
    if (next.place.at === 'point' && Object.keys(next.place).length === 1) delete next.place
  }
  next.then?.forEach((f) => f.inForce === undefined && delete f.fadeOut)
  if (save) project.commit(props.ropeId, next)
  else project.draft(props.ropeId, next)
}
function shut(edit: (rope: Rope) => void) {
  open.value = false
  change(edit)
}
function drop() {
  const index = props.word.slot === 'gap' ? props.word.index - 2 : props.word.index
  shut((rope) => {
    if (props.word.slot === 'companion') rope.with!.splice(index, 1)
    else if (props.word.slot === 'follow up' || props.word.slot === 'gap') rope.then!.splice(index, 1)
    else delete (rope as unknown as Record<string, unknown>)[props.word.slot]
    if (!rope.with?.length) delete rope.with
    if (!rope.then?.length) delete rope.then
  })
}

/** Lets the rope become what fits; asked again if it has changed meanwhile. */
async function refit(move: Move) {
  const asked = JSON.stringify(props.rope)
  const [next] = await fit([props.rope], move)
  if (!next) return
  if (JSON.stringify(props.rope) === asked) shut((rope) => become(rope, next))
  else await refit(move)
}
const setEvent = (event: string) => refit({ event })
const setEffect = (name: string) => refit({ effect: name })
const newFeed = (parameter: string) => refit({ feed: { parameter } })
const newCondition = (field: string) => refit({ field })
const newChannel = (channel: string) => refit({ channel })
const newTag = () => shut((rope) => rope.conditions.push({ tag: 'soaked' }))
const newSince = () => shut((rope) => rope.conditions.push({ since: rope.event, relation: 'over', bound: 1 }))
const addition = (a: Addition) => shut((rope) => a.add(rope))
</script>

<template>
  <el-popover
    v-model:visible="open"
    trigger="click"
    placement="bottom-start"
    :width="324"
    :show-arrow="false"
    :offset="4"
  >
    <template #reference>
      <button
        ref="opener"
        class="part"
        :class="{ missing: word.slot === 'gap', fresh: word.slot.startsWith('new'), lit }"
        :aria-expanded="open"
        @keydown.space.stop
        @keydown.enter.stop
      >
        {{ word.text }}
      </button>
    </template>
    <div ref="sheet" class="sheet" @keydown.stop="$event.key === 'Escape' && leave()">
      <template v-if="word.slot === 'event'">
        <h3>When</h3>
        <div class="scroll">
          <button
            v-for="e in project.events"
            :key="e.id"
            class="choice"
            :aria-pressed="e.body.name === rope.event"
            @click="setEvent(e.body.name)"
          >
            {{ e.body.name }}
          </button>
        </div>
      </template>
      <template v-else-if="word.slot === 'value' || (word.slot === 'gap' && word.index === 1)">
        <h3>While {{ rope.event }} is</h3>
        <button
          v-for="v in event?.values"
          :key="v"
          class="choice"
          :aria-pressed="v === rope.value"
          @click="shut((r) => (r.value = v))"
        >
          {{ v }}
        </button>
      </template>
      <template v-else-if="word.slot === 'effect' || (word.slot === 'gap' && word.index === 0)">
        <h3>{{ shape === 'moment' ? 'Play' : 'Run' }}</h3>
        <div class="scroll">
          <button
            v-for="e in project.effects"
            :key="e.id"
            class="choice"
            :aria-pressed="e.body.name === rope.play"
            @click="setEffect(e.body.name)"
          >
            {{ e.body.name }} <span class="quiet">{{ e.body.description }}</span>
          </button>
          <button
            v-if="rope.play && (rope.with?.length || rope.then?.length)"
            class="choice"
            @click="
              shut((r) => {
                delete r.play
                r.feeds = []
              })
            "
          >
            nothing <span class="quiet">only what comes with it</span>
          </button>
        </div>
      </template>
      <template v-else-if="word.slot === 'facing'">
        <h3>Facing</h3>
        <button
          v-for="f in facings"
          :key="f.value"
          class="choice"
          :aria-pressed="f.value === rope.facing"
          @click="change((r) => (r.facing = f.value))"
        >
          {{ f.words }}
        </button>
        <FormRows :rows="rows.pointing(rope)" :rope="rope" @change="change" />
      </template>
      <ConditionSheet
        v-else-if="word.slot === 'condition' && rope.conditions[word.index]"
        :rope="rope"
        :rope-id="ropeId"
        :index="word.index"
        @change="change"
        @shut="shut"
      />
      <FeedSheet
        v-else-if="word.slot === 'feed' && rope.feeds[word.index]"
        :rope="rope"
        :rope-id="ropeId"
        :index="word.index"
        @change="change"
        @shut="shut"
      />
      <HitSheet
        v-else-if="word.slot === 'hit'"
        :rope="rope"
        :rope-id="ropeId"
        @change="change"
        @shut="shut"
      />
      <template v-else-if="form">
        <h3>{{ titles[word.slot] }}</h3>
        <FormRows :rows="form" :rope="rope" @change="change" />
        <button v-if="dropped[word.slot]" class="link away" @click="drop">{{ dropped[word.slot] }}</button>
      </template>
      <template v-else-if="word.slot === 'new condition'">
        <h3>Only if</h3>
        <div class="scroll">
          <button v-for="f in testable" :key="f.name" class="choice" @click="newCondition(f.name)">
            {{ f.name }}
          </button>
          <button v-for="c in project.channels" :key="c.id" class="choice" @click="newChannel(c.body.name)">
            {{ c.body.name }} <span class="quiet">channel</span>
          </button>
          <button class="choice" @click="newSince">
            time since an event <span class="quiet">not again too soon, or only in a row</span>
          </button>
          <button class="choice" @click="newTag">
            a tag of the subject <span class="quiet">such as soaked</span>
          </button>
        </div>
      </template>
      <template v-else-if="word.slot === 'new feed'">
        <h3>Feed a parameter</h3>
        <button v-for="p in feedable" :key="p.name" class="choice" @click="newFeed(p.name)">
          {{ p.name }} <span class="quiet">{{ p.description }}</span>
        </button>
        <p v-if="!effect?.parameters.length" class="quiet">{{ rope.play }} has no parameters.</p>
        <p v-else-if="feedable.length === 0" class="quiet">
          Every parameter of {{ rope.play }} is fed already.
        </p>
      </template>
      <template v-else-if="word.slot === 'new'">
        <h3>Add to this sentence</h3>
        <div class="scroll">
          <button v-for="a in addable" :key="a.words" class="choice" @click="addition(a)">
            {{ a.words }} <span class="quiet">{{ a.hint }}</span>
          </button>
        </div>
      </template>
    </div>
  </el-popover>
</template>

<style scoped src="./sheets/sheet.css" />
<style scoped>
.part {
  font-weight: 600;
  border-bottom: 1px dotted var(--bronze-soft);
  text-align: left;
}
.part:hover,
.part[aria-expanded='true'] {
  background: var(--bronze-pale);
}
.missing {
  color: var(--vermilion);
  border-bottom: 1px dashed var(--vermilion);
}
.fresh {
  color: var(--bronze);
  font-weight: 500;
  border-bottom: 0;
  font-size: 12px;
}
.lit {
  background: #f6e3dd;
  border-bottom: 2px solid var(--vermilion);
}
.sheet {
  /* What is above it: the stage, and a sentence of a few lines. */
  max-height: max(280px, calc(100vh - 440px));
  overflow-y: auto;
  display: flex;
  flex-direction: column;
  align-items: stretch;
  gap: 2px;
}
</style>
