<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Words } from '../api/client'
import type { Condition, Feed, Rope } from '../api/bundle'
import NumberField from '../common/NumberField.vue'
import PairField from '../common/PairField.vue'
import { useProject } from '../project/useProject'

/** One bold part of a sentence and the small sheet that opens under it to change it. */
const props = defineProps<{ word: Words; rope: Rope; ropeId: number; lit?: boolean }>()
const project = useProject()
const open = ref(false)

const event = computed(() => project.events.find((e) => e.body.name === props.rope.event)?.body)
const effect = computed(() => project.effects.find((e) => e.body.name === props.rope.play)?.body)
const numbers = computed(() => event.value?.fields.filter((f) => f.type === 'number') ?? [])
const testable = computed(
  () => event.value?.fields.filter((f) => f.type === 'number' || f.type === 'choice') ?? [],
)
const condition = computed(() => props.rope.conditions[props.word.index])
const feed = computed(() => props.rope.feeds[props.word.index])
const feedable = computed(
  () =>
    effect.value?.parameters.filter(
      (p) => p.name === feed.value?.parameter || !props.rope.feeds.some((f) => f.parameter === p.name),
    ) ?? [],
)

const FACINGS = [
  { value: 'normal', words: 'the normal', needs: 'normal' },
  { value: 'direction', words: 'the direction', needs: 'direction' },
  { value: 'opposite', words: 'back against the direction', needs: 'direction' },
  { value: 'up', words: 'up', needs: '' },
] as const
const facings = computed(() =>
  FACINGS.filter((f) => !f.needs || event.value?.fields.some((field) => field.type === f.needs)),
)

const clone = () => JSON.parse(JSON.stringify(props.rope)) as Rope
function change(edit: (rope: Rope) => void, save = true) {
  const next = clone()
  edit(next)
  if (save) project.commit(props.ropeId, next)
  else project.draft(props.ropeId, next)
}
function shut(edit: (rope: Rope) => void) {
  open.value = false
  change(edit)
}

function setEvent(name: string) {
  const next = project.events.find((e) => e.body.name === name)!.body
  shut((rope) => {
    rope.event = name
    // What the new event does not carry cannot be asked of it.
    rope.conditions = rope.conditions.filter((c) => next.fields.some((f) => f.name === c.field))
    rope.feeds = rope.feeds.filter((c) => next.fields.some((f) => f.name === c.field))
    const needs = FACINGS.find((f) => f.value === rope.facing)!.needs
    if (needs && !next.fields.some((f) => f.type === needs)) rope.facing = 'up'
  })
}

function setEffect(name: string) {
  const next = project.effects.find((e) => e.body.name === name)!.body
  shut((rope) => {
    rope.play = name
    rope.feeds = rope.feeds.filter((f) => next.parameters.some((p) => p.name === f.parameter))
  })
}

function newCondition(name: string) {
  const field = event.value!.fields.find((f) => f.name === name)!
  const made: Condition =
    field.type === 'choice'
      ? { field: name, is: [field.options[0]] }
      : {
          field: name,
          relation: 'over',
          bound: field.type === 'number' ? (field.usual ?? field.range[0]) : 0,
        }
  shut((rope) => rope.conditions.push(made))
}

function toggleOption(option: string) {
  change((rope) => {
    const c = rope.conditions[props.word.index]
    if ('is' in c) {
      const left = c.is.includes(option) ? c.is.filter((o) => o !== option) : [...c.is, option]
      if (left.length > 0) c.is = left
    }
  })
}

function newFeed(parameter: string) {
  const p = effect.value!.parameters.find((q) => q.name === parameter)!
  const field = numbers.value[0]
  if (!field || field.type !== 'number') return
  const made: Feed = {
    parameter,
    field: field.name,
    in: [...field.range],
    out: [Math.max(p.least, Math.min(p.default, p.least + (p.most - p.least) * 0.2)), p.most],
  }
  shut((rope) => rope.feeds.push(made))
}

function options(fieldName: string): string[] {
  const field = event.value?.fields.find((f) => f.name === fieldName)
  return field?.type === 'choice' ? field.options : []
}
function unit(fieldName: string): string {
  const field = event.value?.fields.find((f) => f.name === fieldName)
  return (field?.type === 'number' && field.unit) || ' '
}
</script>

<template>
  <el-popover
    v-model:visible="open"
    trigger="click"
    placement="bottom-start"
    :width="300"
    :show-arrow="false"
    :offset="4"
  >
    <template #reference>
      <button
        class="part"
        :class="{ gap: word.slot === 'gap', fresh: word.slot.startsWith('new'), lit }"
        :aria-expanded="open"
        @keydown.space.stop
        @keydown.enter.stop
      >
        {{ word.text }}
      </button>
    </template>
    <div class="sheet" @keydown.stop="$event.key === 'Escape' && (open = false)">
      <template v-if="word.slot === 'event'">
        <h3>When</h3>
        <button
          v-for="e in project.events"
          :key="e.id"
          class="choice"
          :aria-pressed="e.body.name === rope.event"
          @click="setEvent(e.body.name)"
        >
          {{ e.body.name }}
        </button>
      </template>
      <template v-else-if="word.slot === 'effect' || word.slot === 'gap'">
        <h3>Play</h3>
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
        </div>
      </template>
      <template v-else-if="word.slot === 'facing'">
        <h3>Facing</h3>
        <button
          v-for="f in facings"
          :key="f.value"
          class="choice"
          :aria-pressed="f.value === rope.facing"
          @click="shut((r) => (r.facing = f.value))"
        >
          {{ f.words }}
        </button>
      </template>
      <template v-else-if="word.slot === 'placement'">
        <h3>At the point, plus</h3>
        <div
          v-for="(axis, i) in ['along its direction', 'along its normal', 'aside']"
          :key="axis"
          class="line"
        >
          <span>{{ axis }}</span>
          <NumberField
            :value="rope.offset?.[i] ?? 0"
            :label="`Offset ${axis}`"
            unit="u"
            :least="-1000"
            :most="1000"
            @draft="
              change(
                (r) =>
                  (r.offset = Object.assign([...(r.offset ?? [0, 0, 0])], {
                    [i]: $event,
                  }) as typeof r.offset),
                false,
              )
            "
            @commit="
              change(
                (r) =>
                  (r.offset = Object.assign([...(r.offset ?? [0, 0, 0])], {
                    [i]: $event,
                  }) as typeof r.offset),
              )
            "
          />
        </div>
      </template>
      <template v-else-if="word.slot === 'condition' && condition">
        <h3>Only if {{ condition.field }} is</h3>
        <template v-if="'is' in condition">
          <button
            v-for="o in options(condition.field)"
            :key="o"
            class="choice"
            :aria-pressed="condition.is.includes(o)"
            @click="toggleOption(o)"
          >
            {{ o }}
          </button>
        </template>
        <div v-else class="line">
          <select
            :value="condition.relation"
            aria-label="Relation"
            @change="
              change(
                (r) =>
                  ((r.conditions[word.index] as { relation: string }).relation = (
                    $event.target as HTMLSelectElement
                  ).value),
              )
            "
          >
            <option v-for="r in ['over', 'at least', 'under', 'at most']" :key="r">{{ r }}</option>
          </select>
          <NumberField
            :value="condition.bound"
            label="Bound"
            :unit="unit(condition.field)"
            @draft="change((r) => ((r.conditions[word.index] as { bound: number }).bound = $event), false)"
            @commit="change((r) => ((r.conditions[word.index] as { bound: number }).bound = $event))"
          />
        </div>
        <button class="link away" @click="shut((r) => r.conditions.splice(word.index, 1))">
          Take this condition away
        </button>
      </template>
      <template v-else-if="word.slot === 'feed' && feed">
        <h3>{{ feed.parameter }} from {{ feed.field }}</h3>
        <div class="line">
          <span>turns</span>
          <select
            :value="feed.parameter"
            aria-label="Parameter"
            @change="
              change((r) => (r.feeds[word.index].parameter = ($event.target as HTMLSelectElement).value))
            "
          >
            <option v-for="p in feedable" :key="p.name">{{ p.name }}</option>
          </select>
        </div>
        <div class="line">
          <span>by</span>
          <select
            :value="feed.field"
            aria-label="Field"
            @change="change((r) => (r.feeds[word.index].field = ($event.target as HTMLSelectElement).value))"
          >
            <option v-for="f in numbers" :key="f.name">{{ f.name }}</option>
          </select>
        </div>
        <div class="line">
          <span>{{ feed.field }}</span>
          <PairField
            :value="feed.in"
            label="Values of the field"
            :unit="unit(feed.field)"
            free
            @draft="change((r) => (r.feeds[word.index].in = $event), false)"
            @commit="change((r) => (r.feeds[word.index].in = $event))"
          />
        </div>
        <div class="line">
          <span>{{ feed.parameter }}</span>
          <PairField
            :value="feed.out"
            label="Values of the parameter"
            :unit="effect?.parameters.find((p) => p.name === feed.parameter)?.unit || ' '"
            free
            @draft="change((r) => (r.feeds[word.index].out = $event), false)"
            @commit="change((r) => (r.feeds[word.index].out = $event))"
          />
        </div>
        <button class="link away" @click="shut((r) => r.feeds.splice(word.index, 1))">
          Take this feed away
        </button>
      </template>
      <template v-else-if="word.slot === 'new condition'">
        <h3>Only if</h3>
        <button v-for="f in testable" :key="f.name" class="choice" @click="newCondition(f.name)">
          {{ f.name }}
        </button>
        <p v-if="testable.length === 0" class="quiet">{{ rope.event }} carries nothing to ask about.</p>
      </template>
      <template v-else-if="word.slot === 'new feed'">
        <h3>Turn a parameter by a value of the event</h3>
        <p v-if="numbers.length === 0" class="quiet">{{ rope.event }} carries no numbers.</p>
        <template v-else>
          <button v-for="p in feedable" :key="p.name" class="choice" @click="newFeed(p.name)">
            {{ p.name }} <span class="quiet">{{ p.description }}</span>
          </button>
          <p v-if="feedable.length === 0" class="quiet">Every parameter of {{ rope.play }} is fed already.</p>
        </template>
      </template>
    </div>
  </el-popover>
</template>

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
.gap {
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
h3 {
  margin: 0 0 6px;
  font-size: 13px;
  color: var(--muted);
  font-weight: 600;
}
.sheet {
  display: flex;
  flex-direction: column;
  align-items: stretch;
  gap: 2px;
}
.scroll {
  max-height: 280px;
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 2px;
}
.choice {
  text-align: left;
  padding: 4px 8px;
  border-radius: 4px;
}
.choice:hover {
  background: var(--bronze-pale);
}
.choice[aria-pressed='true'] {
  background: var(--bronze-pale);
  font-weight: 600;
}
.line {
  display: flex;
  align-items: baseline;
  justify-content: space-between;
  gap: 12px;
  padding: 3px 8px;
}
select {
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--card);
  padding: 2px 4px;
}
.away {
  text-align: left;
  padding: 6px 8px 2px;
}
p {
  margin: 4px 8px;
}
</style>
