<script setup lang="ts">
import { computed, ref } from 'vue'
import type { EventType, Field } from '../api/bundle'
import NumberField from '../common/NumberField.vue'
import PairField from '../common/PairField.vue'
import { useProject } from '../project/useProject'
import { COMMON } from './commonEvents'

/** One kind of event: what it is called, how much it matters, what it carries. Renaming is followed everywhere. */
const props = defineProps<{ id: number }>()
const emit = defineEmits<{ close: []; made: [id: number] }>()
const project = useProject()
const open = ref(true)
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
const text = (e: Event) => (e.target as HTMLInputElement | HTMLSelectElement).value.trim()

async function rename(what: string, from: string, e: Event, within?: string, field?: string) {
  const to = text(e)
  if (!to || to === from) (e.target as HTMLInputElement).value = from
  else if (!(await project.rename({ what, within, field, from, to })))
    (e.target as HTMLInputElement).value = from
}

function free(wanted: string, taken: string[]) {
  let name = wanted
  for (let n = 2; taken.includes(name); n++) name = `${wanted} ${n}`
  return name
}
function addField() {
  set((e) =>
    e.fields.push({
      name: free(
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
    f.options.push(free('another', f.options))
  })
}

// A new event: one that most games have, or any name.
const fresh = ref('')
const subject = ref('')
const subjects = computed(() => [...new Set(project.events.map((e) => e.body.name.split('.')[0]))])
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
function makeCommon(common: (typeof COMMON)[number]) {
  const own = word(subject.value) || subjects.value[0] || 'player'
  make(common.make.shape === 'state' ? common.verb : `${own}.${common.verb}`, common.make)
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
</script>

<template>
  <el-dialog
    v-model="open"
    :title="event ? event.name : 'A new event'"
    width="640"
    append-to-body
    @closed="emit('close')"
  >
    <div v-if="event" class="sheet" @keydown.stop>
      <div class="line">
        <label>
          name
          <input :value="event.name" maxlength="80" @change="rename('event', event.name, $event)" />
        </label>
        <label>
          happens as
          <select
            :value="event.shape"
            @change="
              set((e) => {
                e.shape = text($event) as EventType['shape']
                if (e.shape === 'state') e.values ??= ['none', 'some']
                else delete e.values
              })
            "
          >
            <option value="moment">a moment</option>
            <option value="span">a span</option>
            <option value="state">a state</option>
          </select>
        </label>
        <label>
          weight
          <NumberField
            :value="event.weight"
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
        <input :value="event.description ?? ''" @change="set((e) => (e.description = text($event)))" />
      </label>
      <section v-if="event.shape === 'state'" aria-label="Values">
        <h3>Its values, the first of which holds at the beginning</h3>
        <div class="options">
          <span v-for="(v, i) in event.values" :key="v" class="option">
            <input :value="v" :aria-label="`Value ${v}`" @change="rename('value', v, $event, event.name)" />
            <button
              v-if="event.values!.length > 2"
              class="link"
              :aria-label="`Remove ${v}`"
              @click="set((e) => e.values!.splice(i, 1))"
            >
              ×
            </button>
          </span>
          <button class="link" @click="set((e) => e.values!.push(free('another', e.values!)))">
            + value
          </button>
        </div>
      </section>
      <section aria-label="Fields">
        <h3>What it carries</h3>
        <p v-if="!event.fields.length" class="quiet">Nothing.</p>
        <div v-for="(f, i) in event.fields" :key="i" class="field">
          <input
            :value="f.name"
            :aria-label="`Name of ${f.name}`"
            maxlength="80"
            @change="rename('field', f.name, $event, event.name)"
          />
          <select
            :value="f.type"
            :aria-label="`Type of ${f.name}`"
            @change="setType(i, text($event) as Field['type'])"
          >
            <option v-for="[type, words] in TYPES" :key="type" :value="type">{{ words }}</option>
          </select>
          <span v-if="f.type === 'number'" class="details">
            from
            <PairField
              :value="f.range"
              :label="`Range of ${f.name}`"
              plain
              @commit="(v) => number(i, (n) => (n.range = v))"
            />
            usually
            <NumberField
              :value="f.usual ?? f.range[0]"
              :label="`Usual ${f.name}`"
              :least="f.range[0]"
              :most="f.range[1]"
              @commit="(v) => number(i, (n) => (n.usual = v))"
            />
            <input
              class="unit"
              :value="f.unit ?? ''"
              placeholder="unit"
              :aria-label="`Unit of ${f.name}`"
              @change="number(i, (n) => (n.unit = text($event)))"
            />
          </span>
          <span v-else-if="f.type === 'choice'" class="details options">
            <span v-for="(o, k) in f.options" :key="o" class="option">
              <input
                :value="o"
                :aria-label="`Option ${o}`"
                @change="rename('option', o, $event, event.name, f.name)"
              />
              <button
                v-if="f.options.length > 1"
                class="link"
                :aria-label="`Remove ${o}`"
                @click="set((e) => (e.fields[i] as { options: string[] }).options.splice(k, 1))"
              >
                ×
              </button>
            </span>
            <button class="link" @click="addOption(i)">+ option</button>
          </span>
          <button
            class="link right"
            :aria-label="`Remove ${f.name}`"
            @click="set((e) => e.fields.splice(i, 1))"
          >
            ×
          </button>
        </div>
        <button class="link" @click="addField">+ field</button>
      </section>
      <div class="foot">
        <label v-if="!ropes" class="wide">
          no answer is wanted, because
          <input
            :value="event.unanswered ?? ''"
            maxlength="400"
            placeholder="heard, not seen"
            @change="
              set((e) => {
                if (text($event)) e.unanswered = text($event)
                else delete e.unanswered
              })
            "
          />
        </label>
        <span v-else class="quiet">{{ ropes }} {{ ropes === 1 ? 'rope answers' : 'ropes answer' }} it.</span>
        <button class="link" @click="away">Delete this event</button>
      </div>
    </div>
    <div v-else class="sheet" @keydown.stop>
      <form class="line" @submit.prevent="makeNamed">
        <label class="wide">
          by name
          <input
            v-model="fresh"
            placeholder="subject.verb, such as lantern.lit"
            aria-label="Name of the event"
          />
        </label>
        <button class="button primary" :disabled="!fresh.trim()">Make it</button>
      </form>
      <label class="wide">
        or one that most games have, of
        <input
          v-model="subject"
          :placeholder="subjects[0] ?? 'player'"
          list="subjects"
          aria-label="Subject"
        />
        <datalist id="subjects"><option v-for="s in subjects" :key="s" :value="s" /></datalist>
      </label>
      <div class="commons">
        <button v-for="c in COMMON" :key="c.verb" @click="makeCommon(c)">
          <b>{{ c.verb }}</b> <span class="quiet">{{ c.make.shape }} · {{ c.about }}</span>
        </button>
      </div>
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
  flex: 1;
}
.field .link,
.option .link {
  min-width: 24px;
  min-height: 24px;
}
input,
select {
  color: var(--ink);
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--card);
  padding: 3px 6px;
}
.wide input {
  flex: 1;
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
.field > input {
  width: 112px;
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
.option input {
  width: 78px;
}
.unit {
  width: 52px;
}
.field > select {
  width: 150px;
}
.field > .options {
  flex: 1 1 100%;
  order: 1;
}
.right {
  margin-left: auto;
}
.commons {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px;
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
