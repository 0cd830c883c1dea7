<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Birth, Effect, Emitter, Key, Shape } from '../api/bundle'
import NumberField from '../common/NumberField.vue'
import PairField from '../common/PairField.vue'
import { useProject } from '../project/useProject'
import ColourField from './ColourField.vue'
import CurveLane from './CurveLane.vue'

/** An effect laid out along the life of its particles: Birth and Life of one emitter at a time. */
const props = defineProps<{ effect: Effect; part: number; users: number }>()
const project = useProject()
const at = ref(0)
watch(
  () => props.part,
  () => (at.value = 0),
)

const emitter = computed<Emitter>(() => props.effect.emitters[at.value] ?? props.effect.emitters[0])
const birth = computed(() => emitter.value.birth)
const life = computed(() => emitter.value.life)

function change(edit: (emitter: Emitter) => void, save: boolean) {
  const next = JSON.parse(JSON.stringify(props.effect)) as Effect
  edit(next.emitters[Math.min(at.value, next.emitters.length - 1)])
  if (save) project.commit(props.part, next)
  else project.draft(props.part, next)
}
/** Handlers of a field that sets something of the emitter. */
function sets<T>(edit: (emitter: Emitter, value: T) => void) {
  return {
    onDraft: (value: T) => change((e) => edit(e, value), false),
    onCommit: (value: T) => change((e) => edit(e, value), true),
  }
}
const setBirth = <K extends keyof Birth>(key: K) => sets<Birth[K]>((e, v) => (e.birth[key] = v))

function setLoop(looping: boolean) {
  const next = JSON.parse(JSON.stringify(props.effect)) as Effect
  if (looping) next.period = 1
  else {
    delete next.period
    // A one-shot ends by itself, so its streams must.
    next.emitters.forEach((e) => e.birth.stream && (e.birth.stream.lasting ??= 1))
  }
  project.commit(props.part, next)
}
function setPeriod(value: number, save: boolean) {
  const next = { ...props.effect, period: value }
  if (save) project.commit(props.part, next)
  else project.draft(props.part, next)
}

function setShape(kind: string) {
  const shapes: Record<string, Shape> = {
    point: { kind: 'point' },
    disc: { kind: 'disc', radius: 0.5 },
    cone: { kind: 'cone', radius: 0.25, angle: 45 },
  }
  change((e) => (e.birth.shape = shapes[kind]), true)
}
const unused = computed(() => {
  const quiet: string[] = []
  if (birth.value.bursts.length === 0) quiet.push('burst')
  if (!birth.value.stream) quiet.push('stream')
  return quiet
})
function use(what: string) {
  change((e) => {
    if (what === 'burst') e.birth.bursts = [{ at: 0, least: 10, most: 10 }]
    else e.birth.stream = { perSecond: 40, from: 0, lasting: 0.5 }
  }, true)
}
function dropBurst(i: number) {
  change((e) => e.birth.bursts.splice(i, 1), true)
}
function addBurst() {
  change((e) => e.birth.bursts.push({ at: 0.1, least: 5, most: 5 }), true)
}
function dropStream() {
  change((e) => delete e.birth.stream, true)
}
const constant = (keys: Key[]) => keys.length === 1 && keys[0].value === 1
</script>

<template>
  <div class="bench" data-testid="bench" @click.stop>
    <header>
      <span role="tablist" aria-label="Emitters, drawn first to last" class="tabs">
        <button
          v-for="(e, i) in effect.emitters"
          :key="e.seed"
          role="tab"
          :aria-selected="emitter === e"
          @click="at = i"
        >
          {{ e.name }}
        </button>
      </span>
      <span class="quiet shared" :title="effect.description">
        <b>{{ effect.name }}</b>{{ users > 1 ? `, shared by ${users} ropes` : '' }} ·
        <select
          :value="effect.period === undefined ? 'one-shot' : 'looping'"
          aria-label="How it plays"
          @change="setLoop(($event.target as HTMLSelectElement).value === 'looping')"
          @keydown.stop
        >
          <option>one-shot</option>
          <option>looping</option>
        </select>
        <template v-if="effect.period !== undefined">
          every
          <NumberField
            :value="effect.period"
            label="Period"
            unit="s"
            kind="time"
            :least="0.05"
            :most="60"
            :steps-per-second="project.stepsPerSecond"
            @draft="setPeriod($event, false)"
            @commit="setPeriod($event, true)"
          />
        </template>
      </span>
    </header>
    <div class="acts" :key="emitter.seed">
      <section aria-label="Birth">
        <h3>Birth</h3>
        <div v-for="(b, i) in birth.bursts" :key="'b' + i" class="field">
          <span class="quiet">burst</span>
          <span>
            <PairField
              :value="[b.least, b.most]"
              :label="i ? `Burst ${i + 1}` : 'Burst'"
              kind="whole"
              unit=" "
              :step="1"
              :least="0"
              :most="10000"
              v-bind="
                sets<[number, number]>((e, v) => {
                  e.birth.bursts[i].least = v[0]
                  e.birth.bursts[i].most = v[1]
                })
              "
            />
            <span class="quiet">at</span>&nbsp;<NumberField
              :value="b.at"
              :label="i ? `Burst ${i + 1} at` : 'Burst at'"
              unit="s"
              kind="time"
              :step="0.05"
              :least="0"
              :most="60"
              :steps-per-second="project.stepsPerSecond"
              v-bind="sets<number>((e, v) => (e.birth.bursts[i].at = v))"
            />
            <button class="drop" :aria-label="`Take burst ${i + 1} away`" @click="dropBurst(i)">×</button>
          </span>
        </div>
        <div v-if="birth.stream" class="field">
          <span class="quiet">stream</span>
          <span>
            <NumberField
              :value="birth.stream.perSecond"
              label="Rate"
              unit="/s"
              :step="5"
              :least="0.01"
              :most="5000"
              v-bind="sets<number>((e, v) => (e.birth.stream!.perSecond = v))"
            />
            <template v-if="birth.stream.lasting !== undefined">
              <span class="quiet">for</span>&nbsp;<NumberField
                :value="birth.stream.lasting"
                label="Duration"
                unit="s"
                kind="time"
                :step="0.05"
                :least="0.001"
                :most="60"
                :steps-per-second="project.stepsPerSecond"
                v-bind="sets<number>((e, v) => (e.birth.stream!.lasting = v))"
              />
            </template>
            <span v-else class="quiet">without end</span>
            <button class="drop" aria-label="Take the stream away" @click="dropStream">×</button>
          </span>
        </div>
        <div class="field">
          <span class="quiet">from</span>
          <span>
            <select
              :value="birth.shape.kind"
              aria-label="Shape"
              @change="setShape(($event.target as HTMLSelectElement).value)"
              @keydown.stop
            >
              <option>point</option>
              <option>disc</option>
              <option>cone</option>
            </select>
            <NumberField
              v-if="birth.shape.kind !== 'point'"
              :value="birth.shape.radius"
              label="Radius"
              unit="u"
              :step="0.05"
              :least="birth.shape.kind === 'disc' ? 0.001 : 0"
              :most="1000"
              v-bind="sets<number>((e, v) => ((e.birth.shape as { radius: number }).radius = v))"
            />
            <NumberField
              v-if="birth.shape.kind === 'cone'"
              :value="birth.shape.angle"
              label="Angle"
              unit="°"
              :step="5"
              :least="0"
              :most="180"
              v-bind="sets<number>((e, v) => ((e.birth.shape as { angle: number }).angle = v))"
            />
          </span>
        </div>
        <div class="field">
          <span class="quiet">spread</span>
          <NumberField
            :value="birth.spread"
            label="Spread"
            unit="°"
            :step="5"
            :least="0"
            :most="180"
            v-bind="setBirth('spread')"
          />
        </div>
        <div class="field">
          <span class="quiet">speed</span>
          <PairField
            :value="birth.speed"
            label="Speed"
            unit="u/s"
            :least="0"
            :most="1000"
            v-bind="setBirth('speed')"
          />
        </div>
        <div class="field">
          <span class="quiet">lifetime</span>
          <PairField
            :value="birth.lifetime"
            label="Lifetime"
            unit="s"
            kind="time"
            :step="0.05"
            :least="0.001"
            :most="60"
            :steps-per-second="project.stepsPerSecond"
            v-bind="setBirth('lifetime')"
          />
        </div>
        <div class="field">
          <span class="quiet">size</span>
          <PairField
            :value="birth.size"
            label="Size"
            unit="u"
            :step="0.02"
            :least="0"
            :most="1000"
            v-bind="setBirth('size')"
          />
        </div>
        <div class="field">
          <span class="quiet">colour</span>
          <span class="swatches">
            <ColourField
              :value="birth.colour[0]"
              label="Colour, from"
              v-bind="sets<string>((e, v) => (e.birth.colour[0] = v))"
            />
            <span class="quiet">to</span>
            <ColourField
              :value="birth.colour[1]"
              label="Colour, to"
              v-bind="sets<string>((e, v) => (e.birth.colour[1] = v))"
            />
          </span>
        </div>
        <p class="unused quiet">
          <template v-if="birth.bursts.length">
            <button class="link" @click="addBurst">+ burst</button>
          </template>
          <template v-if="unused.length">
            not used:
            <template v-for="(u, i) in unused" :key="u"
              >{{ i ? ', ' : '' }}<button class="link" @click="use(u)">{{ u }}</button></template
            >
          </template>
        </p>
      </section>
      <section aria-label="Life">
        <h3>
          Life
          <span class="forces">
            <span class="quiet">gravity</span>
            <NumberField
              :value="life.gravity[1]"
              label="Gravity"
              unit="u/s²"
              :step="0.5"
              :least="-1000"
              :most="1000"
              v-bind="sets<number>((e, v) => (e.life.gravity[1] = v))"
            />
            <span class="quiet">drag</span>
            <NumberField
              :value="life.drag"
              label="Drag"
              unit="/s"
              :least="0"
              :most="100"
              v-bind="sets<number>((e, v) => (e.life.drag = v))"
            />
          </span>
        </h3>
        <CurveLane
          :keys="life.size"
          :label="constant(life.size) ? 'size, even' : 'size'"
          :most="1000"
          v-bind="sets<Key[]>((e, v) => (e.life.size = v))"
        />
        <CurveLane
          :keys="life.opacity"
          label="opacity"
          :most="1"
          v-bind="sets<Key[]>((e, v) => (e.life.opacity = v))"
        />
        <div class="axis quiet" aria-hidden="true">
          <span>born</span><span>25 %</span><span>50 %</span><span>75 %</span><span>gone</span>
        </div>
        <p class="unused quiet">
          {{ emitter.look.sprite }}, {{ emitter.look.blend }}, {{ emitter.look.order }}; a key is added by
          double-click.
        </p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.bench {
  border-top: 1px solid var(--line);
  background: var(--paper);
  cursor: default;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 8px;
  padding: 6px 14px;
  border-bottom: 1px solid var(--line);
}
.shared {
  white-space: nowrap;
}
.tabs {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
}
.tabs button {
  color: var(--muted);
  border-bottom: 2px solid transparent;
}
.tabs button[aria-selected='true'] {
  color: var(--ink);
  font-weight: 600;
  border-color: var(--bronze);
}
.acts {
  display: grid;
  grid-template-columns: 288px minmax(0, 1fr);
}
section {
  padding: 8px 14px 8px;
  min-width: 0;
}
section + section {
  border-left: 1px solid var(--line);
  padding-left: 12px;
}
h3 {
  margin: 0 0 4px;
  font-size: 13px;
  font-weight: 600;
  display: flex;
  justify-content: space-between;
}
.forces {
  display: flex;
  gap: 5px;
  font-weight: 400;
  align-items: baseline;
}
.field {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  min-height: 26px;
  gap: 8px;
}
.field > span:last-child {
  display: inline-flex;
  align-items: baseline;
  gap: 4px;
}
.field > .swatches {
  align-items: center;
}
select {
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--card);
}
.drop {
  width: 24px;
  height: 24px;
  color: var(--muted);
  font-size: 15px;
}
.drop:hover {
  color: var(--vermilion);
}
.axis {
  display: flex;
  justify-content: space-between;
  margin-left: 52px;
  font-size: 11px;
  margin-top: 2px;
}
.unused {
  margin: 6px 0 0;
  font-size: 12px;
}
.lane + .lane {
  margin-top: 4px;
}
</style>
