<script setup lang="ts">
import { computed, inject, nextTick, provide, ref, watch } from 'vue'
import type { Words } from '../api/client'
import type { FacingName, Rope } from '../api/bundle'
import { IN_SHEET } from '../common/sheet'
import { useProject } from '../project/useProject'
import { additions, type Addition } from './sheets/additions'
import ConditionSheet from './sheets/ConditionSheet.vue'
import FeedSheet from './sheets/FeedSheet.vue'
import EffectChoice from './sheets/EffectChoice.vue'
import FormRows from './sheets/FormRows.vue'
import { NEW_EVENT } from './newEvent'
import * as rows from './sheets/rows'
import HitSheet from './sheets/HitSheet.vue'
import { become, useFit, type Move } from './fit'

/** One bold part of a sentence and the small sheet that opens under it to change it. */
const props = defineProps<{
  word: Words
  rope: Rope
  ropeId: number
  lit?: boolean
  opens?: boolean
  mark?: string
}>()
const emit = defineEmits<{ added: [slot: string]; opened: [] }>()
const project = useProject()
const fit = useFit()
provide(IN_SHEET, true)
const newEvent = inject(NEW_EVENT, undefined)
const open = ref(false)
/** What is being added whose sheet comes first. */
const added = ref<string>()
const slot = computed(() => added.value ?? props.word.slot)
const sheet = ref<HTMLElement>()
const opener = ref<HTMLElement>()

// By keyboard the way leads into the sheet, and out of it back to the word.
watch(open, async (opened) => {
  added.value = undefined
  if (!opened || document.activeElement !== opener.value) return
  // The choice of an effect is searched: its field takes the focus itself.
  if (props.word.slot === 'effect' || (props.word.slot === 'gap' && props.word.index === 0)) return
  await nextTick()
  const find = (css: string) => sheet.value?.querySelector<HTMLElement>(css)
  const first = find('[aria-pressed="true"]') ?? find('button:not(.away), select, input')
  // The sheet is shown a moment after it is there.
  setTimeout(() => first?.focus(), 60)
})
// A part that was just added opens as soon as the sentence says it.
watch(
  () => props.opens,
  async (opens) => {
    if (!opens) return
    emit('opened')
    await nextTick()
    opener.value?.focus()
    open.value = true
  },
  { immediate: true },
)
function elsewhere() {
  open.value = false
  newEvent!()
}
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
const addable = computed(() =>
  additions(
    props.rope,
    event.value,
    project.events.map((e) => e.body.name),
  ),
)

const FACINGS: { value: FacingName; words: string; needs: string[] }[] = [
  { value: 'normal', words: 'the normal', needs: ['normal'] },
  { value: 'direction', words: 'the direction', needs: ['direction'] },
  { value: 'opposite', words: 'back against the direction', needs: ['direction'] },
  { value: 'reflected', words: 'as the direction is reflected', needs: ['direction', 'normal'] },
  { value: 'heading', words: 'the heading of the subject', needs: [] },
  { value: 'up', words: 'up', needs: [] },
  { value: 'fixed', words: 'a fixed way', needs: [] },
  { value: 'subject', words: 'as the subject stands', needs: [] },
]
const facings = computed(() =>
  FACINGS.filter((f) => f.needs.every((need) => event.value?.fields.some((field) => field.type === need))),
)
/** What the sheet of a slot sets. */
const form = computed<rows.Row[] | undefined>(() => {
  const index = props.word.slot === 'gap' ? props.word.index - 2 : props.word.index
  switch (slot.value) {
    case 'overrides':
      return rows.overrides
    case 'timing':
      return rows.timing
    case 'limits':
      return rows.limits
    case 'owner':
      return props.rope.owner?.end === 'fade' ? [...rows.owner, rows.ownerFades] : rows.owner
    case 'fades':
      return rows.fading(shape.value)
    case 'longest':
      return rows.lasting
    case 'stay':
      return rows.stay(!!props.rope.stay?.notice)
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
  start: 'Begins with',
  end: 'Ends with',
  fades: 'How it comes and goes',
  longest: 'How long it lasts',
  stay: 'How long it stays',
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
  stay: 'Let it end by itself',
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
  if (next.stay?.inForce === undefined) delete next.stay?.fadeOut
  if (next.stay && next.stay.inForce === undefined && !next.stay.notice) delete next.stay
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
function addition(a: Addition) {
  if (a.add) {
    shut(a.add)
    emit('added', a.slot)
  } else added.value = a.slot
}
/** Lets what lasts begin or end with an effect, or with none. */
function setEdge(edge: 'start' | 'end', name?: string) {
  shut((rope) => {
    rope.run ??= {}
    if (name) rope.run[edge] = name
    else delete rope.run[edge]
    if (!Object.keys(rope.run).length) delete rope.run
  })
}
/** Makes of what begins or ends it something that follows, with a delay of its own. */
function later(edge: 'start' | 'end') {
  shut((rope) => {
    const play = rope.run![edge]
    delete rope.run![edge]
    if (!Object.keys(rope.run!).length) delete rope.run
    rope.then = [...(rope.then ?? []), { cue: edge === 'start' ? 'begun' : 'ended', after: 0.5, play }]
  })
}
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
        :data-mark="mark"
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
          <el-button
            link
            v-for="e in project.events"
            :key="e.id"
            class="choice"
            :aria-pressed="e.body.name === rope.event"
            @click="setEvent(e.body.name)"
          >
            {{ e.body.name }}
          </el-button>
          <el-button v-if="newEvent" link class="choice" @click="elsewhere"
            >+ a new event… <span class="quiet">of your game, by name or by verb</span></el-button
          >
        </div>
      </template>
      <template v-else-if="word.slot === 'value' || (word.slot === 'gap' && word.index === 1)">
        <h3>While {{ rope.event }} is</h3>
        <el-button
          link
          v-for="v in event?.values"
          :key="v"
          class="choice"
          :aria-pressed="v === rope.value"
          @click="shut((r) => (r.value = v))"
        >
          {{ v }}
        </el-button>
      </template>
      <template v-else-if="word.slot === 'effect' || (word.slot === 'gap' && word.index === 0)">
        <EffectChoice
          v-if="open"
          :rope="rope"
          :title="shape === 'moment' ? 'Play' : 'Run'"
          @choose="setEffect"
          @nothing="
            shut((r) => {
              delete r.play
              r.feeds = []
            })
          "
        />
      </template>
      <template v-else-if="open && (slot === 'start' || slot === 'end')">
        <EffectChoice
          :rope="rope"
          :title="titles[slot]"
          :chosen="rope.run?.[slot] ?? ''"
          @choose="setEdge(slot, $event)"
          @nothing="setEdge(slot)"
        />
        <el-button v-if="rope.run?.[slot]" link class="link" @click="later(slot)"
          >a while later, not at once</el-button
        >
      </template>
      <template v-else-if="word.slot === 'facing'">
        <h3>Facing</h3>
        <el-button
          link
          v-for="f in facings"
          :key="f.value"
          class="choice"
          :aria-pressed="f.value === rope.facing"
          @click="change((r) => (r.facing = f.value))"
        >
          {{ f.words }}
        </el-button>
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
        <h3>{{ titles[slot] }}</h3>
        <FormRows :rows="form" :rope="rope" @change="change" />
        <el-button link v-if="dropped[word.slot]" class="link away" @click="drop">{{
          dropped[word.slot]
        }}</el-button>
      </template>
      <template v-else-if="word.slot === 'new condition'">
        <h3>Only if</h3>
        <div class="scroll">
          <el-button link v-for="f in testable" :key="f.name" class="choice" @click="newCondition(f.name)">
            {{ f.name }}
          </el-button>
          <el-button
            link
            v-for="c in project.channels"
            :key="c.id"
            class="choice"
            @click="newChannel(c.body.name)"
          >
            {{ c.body.name }} <span class="quiet">channel</span>
          </el-button>
          <el-button link class="choice" @click="newSince">
            time since an event <span class="quiet">not again too soon, or only in a row</span>
          </el-button>
          <el-button link class="choice" @click="newTag">
            a tag of the subject <span class="quiet">such as soaked</span>
          </el-button>
        </div>
      </template>
      <template v-else-if="word.slot === 'new feed'">
        <h3>Feed a parameter</h3>
        <el-button link v-for="p in feedable" :key="p.name" class="choice" @click="newFeed(p.name)">
          {{ p.name }} <span class="quiet">{{ p.description }}</span>
        </el-button>
        <p v-if="!effect?.parameters.length" class="quiet">{{ rope.play }} has no parameters.</p>
        <p v-else-if="feedable.length === 0" class="quiet">
          Every parameter of {{ rope.play }} is fed already.
        </p>
      </template>
      <template v-else-if="word.slot === 'new'">
        <h3>Add to this sentence</h3>
        <div class="scroll">
          <el-button link v-for="a in addable" :key="a.words" class="choice" @click="addition(a)">
            {{ a.words }} <span class="quiet">{{ a.hint }}</span>
          </el-button>
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
/* One that may take several lines is underlined line by line, and the mark behind it stays with its last word. */
.part[data-mark]:not(.lit) {
  border-bottom: 0;
  text-decoration: underline dotted var(--bronze-soft) 1px;
  text-underline-offset: 4px;
}
.part[data-mark]::after {
  content: attr(data-mark);
  display: inline-block;
  font-weight: 400;
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
