<script setup lang="ts">
import { computed, ref, toRef } from 'vue'
import type { Datum, Parameter, Property } from '../../api/bundle'
import { useEdit } from '../../effect/useEdit'
import { useProject } from '../../project/useProject'
import type { Play } from '../play'
import BindingRows from './BindingRows.vue'
import CoupledChart from './CoupledChart.vue'
import ParameterForm from './ParameterForm.vue'
import ParameterTable from './ParameterTable.vue'
import ScaleProof from './ScaleProof.vue'
import TryField from './TryField.vue'
import { binding, fresh, numeric } from './parameters'
import { useParameters } from './useParameters'

/** The parameters for game code, what each acts on, and proof that it does. */
const props = defineProps<{ part: number; play: Play }>()
/** The parameter that is open; the first while it names none. */
const name = defineModel<string>('chosen', { required: true })
const edit = useEdit()
const project = useProject()
const effect = computed(() => edit.effect.value)
const { report, failure } = useParameters(toRef(props, 'part'), ref(true))

const parameter = computed(
  () => effect.value.parameters.find((p) => p.name === name.value) ?? effect.value.parameters[0],
)
const row = computed(() => report.value?.rows.find((r) => r.parameter === parameter.value?.name))
const proof = computed(() => report.value?.scales.find((s) => s.parameter === parameter.value?.name))
const values = computed(() => props.play.set ?? {})
// The owner hands out its own reactive object, as it does to the row of how it is played.
const play = computed(() => props.play)

function turn(which: string, value: Datum) {
  play.value.set = { ...play.value.set, [which]: value }
}
function setAll(next: Record<string, Datum> | undefined) {
  play.value.set = next && Object.keys(next).length ? { ...next } : undefined
}
function change(change: (p: Parameter) => void, save: boolean) {
  const at = parameter.value.name
  edit.changeEffect((e) => change(e.parameters.find((p) => p.name === at)!), save)
}
function replace(next: Parameter) {
  const at = effect.value.parameters.findIndex((p) => p.name === next.name)
  forget(next.name)
  edit.changeEffect((e) => {
    e.parameters[at] = next
    for (const t of e.tries ?? []) delete t.values[next.name]
  }, true)
}
function forget(which: string) {
  const { [which]: gone, ...left } = values.value
  if (gone !== undefined) setAll(left)
}
function add() {
  const next = fresh(effect.value, 'amount')
  name.value = next.name
  edit.changeEffect((e) => e.parameters.push(next), true)
}
async function remove() {
  const gone = parameter.value.name
  forget(gone)
  // Ropes that feed it drop it in the same change, so that one undo brings all of it back.
  const body = JSON.parse(JSON.stringify(effect.value)) as typeof effect.value
  body.parameters = body.parameters.filter((p) => p.name !== gone)
  for (const t of body.tries ?? []) delete t.values[gone]
  await project.change([
    { part: props.part, body },
    ...project.ropes
      .filter(
        (r) =>
          r.body.play === effect.value.name &&
          r.body.feeds.some((f) => f.parameter === gone || f.from === gone),
      )
      .map((r) => ({
        part: r.id,
        body: { ...r.body, feeds: r.body.feeds.filter((f) => f.parameter !== gone && f.from !== gone) },
      })),
  ])
}
async function rename(to: string) {
  const from = parameter.value.name
  if (!to || to === from) return
  forget(from)
  if (await project.rename({ what: 'parameter', within: effect.value.name, from, to })) name.value = to
}
function bind(p: Parameter, property: Property, emitter: string) {
  edit.changeEffect((e) => {
    const mine = e.parameters.find((x) => x.name === p.name)!
    const like = mine.bindings.find((b) => b.property === property)
    const next = like ? JSON.parse(JSON.stringify(like)) : binding(p, property)
    if (p.scale) next.mode = property === 'per unit' ? 'divide' : 'multiply'
    next.emitter = emitter
    mine.bindings.push(next)
  }, true)
}
function mend() {
  if (proof.value?.mended) project.commit(props.part, proof.value.mended)
}

const tries = computed(() => effect.value.tries ?? [])
const trying = computed(() => tries.value.find((t) => same(t.values, values.value))?.name ?? '')
function same(a: Record<string, Datum>, b: Record<string, Datum>) {
  const names = [...new Set([...Object.keys(a), ...Object.keys(b)])]
  const usual = (n: string) => effect.value.parameters.find((p) => p.name === n)?.default
  return names.every((n) => JSON.stringify(a[n] ?? usual(n)) === JSON.stringify(b[n] ?? usual(n)))
}
const keeping = ref('')
function keep() {
  const called = keeping.value.trim()
  if (!called) return
  edit.changeEffect((e) => {
    e.tries = [...(e.tries ?? []).filter((t) => t.name !== called), { name: called, values: { ...held() } }]
  }, true)
  keeping.value = ''
}
function drop(called: string) {
  edit.changeEffect((e) => {
    e.tries = e.tries!.filter((t) => t.name !== called)
    if (!e.tries.length) delete e.tries
  }, true)
}
const held = () =>
  Object.fromEntries(
    Object.entries(values.value).filter(([n]) => effect.value.parameters.some((p) => p.name === n)),
  )
</script>

<template>
  <section class="bench" aria-label="Parameters for game code">
    <header>
      <span class="tries" role="group" aria-label="Named tries">
        <el-button link :aria-pressed="!Object.keys(values).length" @click="setAll(undefined)"
          >usual</el-button
        >
        <span v-for="t in tries" :key="t.name" class="try">
          <el-button link :aria-pressed="trying === t.name" @click="setAll(t.values)">{{ t.name }}</el-button>
          <el-button
            link
            v-if="trying === t.name"
            class="away"
            :aria-label="`Forget ${t.name}`"
            @click="drop(t.name)"
          >
            ×
          </el-button>
        </span>
        <span v-if="Object.keys(values).length && !trying" class="keep">
          <el-input
            v-model="keeping"
            size="small"
            aria-label="Keep these values as"
            placeholder="keep as…"
            @keydown.enter="keep"
            @keydown.stop
          />
          <el-button link v-if="keeping.trim()" class="link" @click="keep">keep</el-button>
        </span>
      </span>
      <span
        v-if="report"
        class="neutral"
        :class="{ fails: !report.neutral.identical }"
        data-testid="neutral"
        >{{
          report.neutral.identical
            ? 'At the defaults it is the authored effect, to the bit'
            : `At the defaults it differs from the authored effect: ${report.neutral.differences.join('; ')}`
        }}</span
      >
      <el-button link class="link" @click="add">+ parameter</el-button>
    </header>
    <p v-if="failure" class="failure" role="alert">{{ failure }}</p>
    <template v-if="effect.parameters.length">
      <ParameterTable
        :effect="effect"
        :report="report"
        :chosen="parameter.name"
        :values="values"
        @choose="name = $event"
        @turn="turn"
        @bind="bind"
      />
      <div class="details" :aria-label="`Parameter ${parameter.name}`" role="group">
        <ParameterForm
          :key="parameter.name"
          :effect="effect"
          :parameter="parameter"
          :value="values[parameter.name] ?? parameter.default"
          @change="change"
          @replace="replace"
          @rename="rename"
          @remove="remove"
        />
        <div>
          <h2>{{ parameter.name }} acts on</h2>
          <BindingRows
            :key="parameter.name"
            :effect="effect"
            :parameter="parameter"
            :report="report"
            @change="change"
          />
        </div>
        <div>
          <h2>
            {{ parameter.name }}
            <TryField
              :parameter="parameter"
              :value="values[parameter.name] ?? parameter.default"
              :label="`Turn ${parameter.name}`"
              exact
              @turn="turn(parameter.name, $event)"
            />
          </h2>
          <CoupledChart
            v-if="row && numeric(parameter)"
            :curves="row.curves"
            :unit="parameter.unit ?? ''"
            :value="
              typeof (values[parameter.name] ?? parameter.default) === 'number'
                ? Number(values[parameter.name] ?? parameter.default)
                : undefined
            "
          />
          <ScaleProof v-if="parameter.scale" :proof="proof" @mend="mend" />
        </div>
      </div>
    </template>
    <div v-else class="none">
      <p>
        A parameter is what ropes and game code may set: a few, well named, each with a default that gives
        back the authored look. This effect has none.
      </p>
      <el-button type="primary" @click="add">Make the first</el-button>
    </div>
  </section>
</template>

<style scoped>
header {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 16px;
  padding: 4px 14px;
  border-bottom: 1px solid var(--line);
}
.tries {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: center;
}
.tries button {
  color: var(--muted);
  border-bottom: 2px solid transparent;
  min-height: 24px;
}
.tries button[aria-pressed='true'] {
  color: var(--ink);
  font-weight: 600;
  border-color: var(--bronze);
}
.tries .away {
  min-width: 24px;
}
.neutral {
  flex: 1;
  color: var(--verdigris);
  font-size: 12px;
}
.neutral::before {
  content: '✓ ';
}
.neutral.fails {
  color: var(--vermilion);
  font-weight: 600;
}
.neutral.fails::before {
  content: '! ';
}
.failure {
  margin: 0;
  padding: 4px 14px;
  color: var(--vermilion);
}
.details {
  display: grid;
  grid-template-columns: 206px minmax(0, 1fr) 244px;
  gap: 0 16px;
  padding: 8px 14px 14px;
}
.details h2 {
  min-height: 26px;
  display: flex;
  gap: 10px;
  align-items: center;
}
.none {
  padding: 20px 14px;
  max-width: 520px;
}
@media (min-width: 1600px) {
  .details {
    grid-template-columns: 260px minmax(0, 1fr) 340px;
  }
}
</style>
