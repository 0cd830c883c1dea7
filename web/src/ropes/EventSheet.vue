<script setup lang="ts">
import { subjectOf } from '../project/names'
import { computed, ref } from 'vue'
import type { InputInstance } from 'element-plus'
import { freeName } from '../common/freeName'
import TextField from '../common/TextField.vue'
import Choice from '../common/Choice.vue'
import type { EventType, Field } from '../api/bundle'
import NumberField from '../common/NumberField.vue'
import PairField from '../common/PairField.vue'
import { useProject } from '../project/useProject'
import { COMMON } from './commonEvents'
import { useSheet } from '../common/useKeys'

/** One kind of event: what it is called, how much it matters, what it carries. Renaming is followed everywhere. */
const props = defineProps<{ id: number }>()
const emit = defineEmits<{ close: []; made: [id: number] }>()
const project = useProject()
const open = ref(true)
/** Where a new event is named. */
const naming = ref<InputInstance>()
const part = computed(() => project.events.find((e) => e.id === props.id))
const event = computed(() => part.value?.body)
const ropes = computed(() => project.ropes.filter((r) => r.body.event === event.value?.name).length)

const TYPES: [Field['type'], string][] = [
  ['number', 'a number'],
  ['choice', 'one of some words'],
  ['flag', 'yes or no'],
  ['colour', 'a colour'],
  ['text', 'a text'],
  ['position', 'a vector: position'],
  ['normal', 'a vector: normal'],
  ['direction', 'a vector: direction'],
  ['heading', 'a vector: heading'],
  ['up', 'a vector: up'],
  ['velocity', 'a vector: velocity'],
  ['extent', 'a vector: full size'],
  ['half extent', 'a vector: half the size'],
  ['vector', 'a vector: other'],
]

function set(change: (e: EventType) => void) {
  const next = JSON.parse(JSON.stringify(event.value)) as EventType
  change(next)
  project.commit(props.id, next)
}

function addField() {
  set((e) =>
    e.fields.push({
      name: freeName(
        'amount',
        e.fields.map((f) => f.name),
      ),
      type: 'number',
      range: [0, 1],
      usual: 0.5,
      unit: '',
    }),
  )
}
function setType(index: number, type: Field['type']) {
  set((e) => {
    const name = e.fields[index].name
    e.fields[index] =
      type === 'number'
        ? { name, type, range: [0, 1], usual: 0.5, unit: '' }
        : type === 'choice'
          ? { name, type, options: ['one', 'other'], reads: `with ${name}` }
          : { name, type }
  })
}
function number(index: number, change: (f: Field & { type: 'number' }) => void) {
  set((e) => {
    const f = e.fields[index] as Field & { type: 'number' }
    change(f)
    f.usual = Math.min(f.range[1], Math.max(f.range[0], f.usual ?? f.range[0]))
  })
}
function addOption(index: number) {
  set((e) => {
    const f = e.fields[index] as Field & { type: 'choice' }
    f.options.push(freeName('another', f.options))
  })
}

// A new event: one that most games have, or any name.
const fresh = ref('')
const subject = ref('')
const subjects = computed(() => [...new Set(project.events.map((e) => subjectOf(e.body.name)))])
async function make(name: string, of: Omit<EventType, 'name'>) {
  const id = await project.add('event', { name, ...of })
  if (!id) return
  emit('made', id)
}
const word = (s: string) =>
  s
    .toLowerCase()
    .replace(/[^a-z0-9-]+/g, '-')
    .replace(/^[-0-9]+|-+$/g, '')
type Common = (typeof COMMON)[number]
const named = (c: Common) =>
  c.make.shape === 'state' ? c.verb : `${word(subject.value) || subjects.value[0] || 'player'}.${c.verb}`
const there = (c: Common) => project.events.some((e) => e.body.name === named(c))
const makeCommon = (c: Common) => make(named(c), c.make)
/** The verbs that are marked, to be made together. */
const marked = ref<string[]>([])
const wanted = computed(() => COMMON.filter((c) => marked.value.includes(c.verb) && !there(c)))
async function makeMarked() {
  const made = await project.change(
    wanted.value.map((c) => ({ kind: 'event' as const, body: { name: named(c), ...c.make } })),
  )
  if (made) emit('made', made[0].id)
}
function makeNamed() {
  const [a, b] = fresh.value.split('.').map(word)
  if (a)
    make(b ? `${a}.${b}` : `${a}.happened`, {
      shape: 'moment',
      description: '',
      weight: 2,
      fields: [{ name: 'position', type: 'position' }],
    })
}
async function away() {
  const id = props.id
  open.value = false
  await project.remove(id)
}
useSheet()
</script>

<template>
  <el-dialog
    v-model="open"
    :title="event ? event.name : 'A new event'"
    width="640"
    append-to-body
    @opened="naming?.focus()"
    @closed="emit('close')"
  >
    <div v-if="event" class="sheet" @keydown.stop>
      <div class="line">
        <label>
          name
          <TextField
            :value="event.name"
            v-explains="'EventType.name'"
            label="Name of this event"
            maxlength="80"
            demanded
            :take="(to) => project.rename({ what: 'event', from: event!.name, to })"
          />
        </label>
        <label>
          happens as
          <Choice
            v-explains="'EventType.shape'"
            label="What it is"
            :value="event.shape"
            @choose="
              set((e) => {
                e.shape = $event as EventType['shape']
                if (e.shape === 'state') e.values ??= ['none', 'some']
                else delete e.values
              })
            "
          >
            <option value="moment">a moment</option>
            <option value="span">a span</option>
            <option value="state">a state</option>
          </Choice>
        </label>
        <label>
          weight
          <NumberField
            :value="event.weight"
            v-explains="'EventType.weight'"
            label="Weight"
            kind="whole"
            unit="of 5"
            :step="1"
            :least="1"
            :most="5"
            @commit="(v) => set((e) => (e.weight = v))"
          />
        </label>
      </div>
      <label class="wide">
        what happens
        <TextField
          :value="event.description"
          v-explains="'EventType.description'"
          label="What happens"
          :take="(text) => set((e) => (e.description = text))"
        />
      </label>
      <section v-if="event.shape === 'state'" aria-label="Values">
        <h3>Its values, the first of which holds at the beginning</h3>
        <div class="options">
          <span v-for="(v, i) in event.values" :key="v" class="option">
            <TextField
              :value="v"
              :label="`Value ${v}`"
              demanded
              :take="(to) => project.rename({ what: 'value', within: event!.name, from: v, to })"
            />
            <el-button
              link
              v-if="event.values!.length > 2"
              class="link"
              :aria-label="`Remove ${v}`"
              @click="set((e) => e.values!.splice(i, 1))"
            >
              ×
            </el-button>
          </span>
          <el-button link class="link" @click="set((e) => e.values!.push(freeName('another', e.values!)))">
            + value
          </el-button>
        </div>
      </section>
      <section aria-label="Fields">
        <h3>What it carries</h3>
        <p v-if="!event.fields.length" class="quiet">Nothing.</p>
        <div v-for="(f, i) in event.fields" :key="i" class="field">
          <TextField
            :value="f.name"
            v-explains="'Field.name'"
            :label="`Name of ${f.name}`"
            maxlength="80"
            demanded
            :take="(to) => project.rename({ what: 'field', within: event!.name, from: f.name, to })"
          />
          <Choice
            :value="f.type"
            v-explains="'Field.type'"
            :label="`Type of ${f.name}`"
            @choose="setType(i, $event as Field['type'])"
          >
            <option v-for="[type, words] in TYPES" :key="type" :value="type">{{ words }}</option>
          </Choice>
          <span v-if="f.type === 'number'" class="details">
            from
            <PairField
              :value="f.range"
              v-explains="'Field.range'"
              :label="`Range of ${f.name}`"
              plain
              @commit="(v) => number(i, (n) => (n.range = v))"
            />
            usually
            <NumberField
              :value="f.usual ?? f.range[0]"
              v-explains="'Field.usual'"
              :label="`Usual ${f.name}`"
              :least="f.range[0]"
              :most="f.range[1]"
              @commit="(v) => number(i, (n) => (n.usual = v))"
            />
            <TextField
              class="unit"
              :value="f.unit"
              placeholder="unit"
              v-explains="'Field.unit'"
              :label="`Unit of ${f.name}`"
              :take="(unit) => number(i, (n) => (n.unit = unit))"
            />
          </span>
          <span v-else-if="f.type === 'choice'" class="details options">
            <span v-for="(o, k) in f.options" :key="o" class="option">
              <TextField
                :value="o"
                :label="`Option ${o}`"
                demanded
                :take="
                  (to) => project.rename({ what: 'option', within: event!.name, field: f.name, from: o, to })
                "
              />
              <el-button
                link
                v-if="f.options.length > 1"
                class="link"
                :aria-label="`Remove ${o}`"
                @click="set((e) => (e.fields[i] as { options: string[] }).options.splice(k, 1))"
              >
                ×
              </el-button>
            </span>
            <el-button link class="link" @click="addOption(i)">+ option</el-button>
          </span>
          <el-button
            link
            class="link right"
            :aria-label="`Remove ${f.name}`"
            @click="set((e) => e.fields.splice(i, 1))"
          >
            ×
          </el-button>
        </div>
        <el-button link class="link" @click="addField">+ field</el-button>
      </section>
      <div class="foot">
        <label v-if="!ropes" class="wide">
          no answer is wanted, because
          <TextField
            :value="event.unanswered"
            v-explains="'EventType.unanswered'"
            label="No answer is wanted, because"
            maxlength="400"
            placeholder="heard, not seen"
            :take="
              (text) =>
                set((e) => {
                  if (text) e.unanswered = text
                  else delete e.unanswered
                })
            "
          />
        </label>
        <span v-else class="quiet">{{ ropes }} {{ ropes === 1 ? 'rope answers' : 'ropes answer' }} it.</span>
        <el-button link class="link" @click="away">Delete this event</el-button>
      </div>
    </div>
    <div v-else class="sheet" @keydown.stop>
      <form class="line" @submit.prevent="makeNamed">
        <label class="wide">
          by name
          <el-input
            ref="naming"
            v-model="fresh"
            size="small"
            placeholder="subject.verb, such as lantern.lit"
            aria-label="Name of the event"
          />
        </label>
        <el-button type="primary" native-type="submit" :disabled="!fresh.trim()">Make it</el-button>
      </form>
      <label class="wide">
        or one that most games have, of
        <TextField
          :value="subject"
          :placeholder="subjects[0] ?? 'player'"
          :offers="subjects"
          label="Subject"
          :take="(text) => (subject = text)"
        />
      </label>
      <el-checkbox-group v-model="marked" class="commons">
        <span v-for="c in COMMON" :key="c.verb" class="common">
          <el-checkbox :value="c.verb" :disabled="there(c)" :aria-label="`${c.verb}, with others`" />
          <el-button link :disabled="there(c)" @click="makeCommon(c)">
            <b>{{ c.verb }}</b>
            <span class="quiet">&ensp;{{ there(c) ? 'there already' : `${c.make.shape} · ${c.about}` }}</span>
          </el-button>
        </span>
      </el-checkbox-group>
      <p class="marked">
        <el-button type="primary" :disabled="!wanted.length" @click="makeMarked">
          {{ wanted.length > 1 ? `Make these ${wanted.length} events` : 'Make what is marked' }}
        </el-button>
        <span class="quiet">A press on a word makes that one alone.</span>
      </p>
    </div>
  </el-dialog>
</template>

<style scoped>
.sheet {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.line,
.foot {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: center;
}
.foot {
  border-top: 1px solid var(--line);
  padding-top: 8px;
  justify-content: space-between;
}
label {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  color: var(--muted);
}
.wide {
  white-space: nowrap;
  flex: 1;
}
.field .link,
.option .link {
  min-width: 24px;
  min-height: 24px;
}
h3 {
  margin: 0 0 4px;
  font-size: 13px;
  font-weight: 600;
  color: var(--muted);
}
.field {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: center;
  padding: 3px 0;
  border-bottom: 1px solid var(--line);
}
.details {
  display: inline-flex;
  gap: 6px;
  align-items: baseline;
  color: var(--muted);
}
.options {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.option {
  display: inline-flex;
  align-items: center;
}
.unit {
  width: 52px;
}
.field > .options {
  flex: 1 1 100%;
  order: 1;
}
.right {
  margin-left: auto;
}
.commons {
  font-size: inherit;
  line-height: inherit;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px;
}
.common {
  display: flex;
  align-items: center;
  gap: 2px;
}
.common .el-checkbox {
  height: 24px;
  margin: 0 2px 0 0;
}
.marked {
  margin: 0;
  display: flex;
  gap: 12px;
  align-items: center;
}
.commons button {
  text-align: left;
  padding: 5px 8px;
  border-radius: 4px;
}
.commons button:hover {
  background: var(--bronze-pale);
}
</style>
