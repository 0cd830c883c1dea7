<script setup lang="ts">
import { computed } from 'vue'
import type { Aim, Emitter, Shape } from '../api/bundle'
import NumberField from '../common/NumberField.vue'
import CurveLane from './CurveLane.vue'
import PairField from '../common/PairField.vue'
import { useProject } from '../project/useProject'
import LookRows from './LookRows.vue'
import SettingRow from './SettingRow.vue'
import TintRow from './TintRow.vue'
import { put, sets, useEdit } from './useEdit'

/** The first act: how many, when, where, with what. What is used is a row; the rest is one quiet line. */
const edit = useEdit()
const project = useProject()
const birth = computed(() => edit.emitter.value.birth)
const report = computed(() => edit.report.value)
const set = (path: string) => sets(edit, path)

const SHAPES: Record<Shape['kind'], Shape> = {
  point: { kind: 'point' },
  circle: { kind: 'circle', radius: 0.5, fill: 'inside' },
  sphere: { kind: 'sphere', radius: 0.5, fill: 'inside' },
  cone: { kind: 'cone', radius: 0.25, angle: 45 },
  box: { kind: 'box', size: [2, 1, 1] },
  line: { kind: 'line', length: 2 },
}
function setShape(kind: Shape['kind']) {
  edit.change((e) => {
    const old = e.birth.shape
    e.birth.shape = { ...SHAPES[kind] }
    if ('radius' in old && 'radius' in e.birth.shape) e.birth.shape.radius = old.radius || 0.25
    if (kind === 'cone') e.birth.aim = { kind: 'outward' }
    else if (old.kind === 'cone') delete e.birth.aim
  }, true)
}
const aims = computed(() => birth.value.aim?.kind ?? 'along')
function setAim(kind: Aim['kind']) {
  edit.change((e) => {
    if (kind === 'along') e.birth.aim = { kind, axis: [0, 1, 0] }
    else e.birth.aim = { kind }
  }, true)
}

/** What is not always in sight: how to tell that it is used, and what it begins with. */
const MORE: { name: string; used: (e: Emitter) => boolean; begin: (e: Emitter) => unknown }[] = [
  {
    name: 'burst',
    used: (e) => e.birth.bursts.length > 0,
    begin: (e) => (e.birth.bursts = [{ at: 0, least: 10, most: 10 }]),
  },
  {
    name: 'another burst',
    used: (e) => e.birth.bursts.length === 0 || e.birth.bursts.length > 15,
    begin: (e) => e.birth.bursts.push({ at: 0.1, least: 5, most: 5 }),
  },
  {
    name: 'burst again',
    used: (e) => !e.birth.bursts.length || e.birth.bursts.some((b) => (b.times ?? 1) > 1),
    begin: (e) => Object.assign(e.birth.bursts[0], { times: 3, pause: 0.2 }),
  },
  {
    name: 'chance',
    used: (e) => !e.birth.bursts.length || e.birth.bursts.some((b) => (b.chance ?? 1) < 1),
    begin: (e) => (e.birth.bursts[0].chance = 0.5),
  },
  {
    name: 'stream',
    used: (e) => !!e.birth.stream,
    begin: (e) => (e.birth.stream = { perSecond: 40, from: 0, lasting: 0.5 }),
  },
  {
    name: 'rate over its time',
    used: (e) => !e.birth.stream || !!e.birth.stream.over,
    begin: (e) =>
      (e.birth.stream!.over = [
        { at: 0, value: 1, ease: 'linear' },
        { at: 1, value: 0.2, ease: 'linear' },
      ]),
  },
  {
    name: 'per unit travelled',
    used: (e) => e.birth.perUnit !== undefined,
    begin: (e) => (e.birth.perUnit = 5),
  },
  { name: 'delay', used: (e) => !!e.birth.delay, begin: (e) => (e.birth.delay = 0.1) },
  { name: 'cap', used: (e) => e.birth.cap !== undefined, begin: (e) => (e.birth.cap = 100) },
  {
    name: 'placed evenly',
    used: (e) => e.birth.placing === 'evenly',
    begin: (e) => (e.birth.placing = 'evenly'),
  },
  { name: 'offset', used: (e) => !!e.birth.offset, begin: (e) => (e.birth.offset = [0, 0.5, 0]) },
  { name: 'turn', used: (e) => !!e.birth.turn, begin: (e) => (e.birth.turn = [90, 0, 0]) },
  {
    name: 'own height',
    used: (e) => !!e.birth.height,
    begin: (e) => (e.birth.height = [...e.birth.size]),
  },
  { name: 'rotation', used: (e) => ranged(e.birth.rotation), begin: (e) => (e.birth.rotation = [0, 360]) },
  { name: 'spin', used: (e) => ranged(e.birth.spin), begin: (e) => (e.birth.spin = [-90, 90]) },
  {
    name: 'opacity',
    used: (e) => (e.birth.opacity ?? [1, 1]).some((v) => v !== 1),
    begin: (e) => (e.birth.opacity = [0.6, 1]),
  },
  {
    name: 'share of source velocity',
    used: (e) => !!e.birth.inherit,
    begin: (e) => (e.birth.inherit = 0.5),
  },
  {
    name: 'turned another way',
    used: (e) => !!e.look.posture,
    begin: (e) => (e.look.posture = { kind: 'flight', stretch: 0.04 }),
  },
  {
    name: 'brightness',
    used: (e) => (e.look.brightness ?? 1) !== 1,
    begin: (e) => (e.look.brightness = 1.5),
  },
  {
    name: 'oldest on top',
    used: (e) => e.look.order === 'oldest on top',
    begin: (e) => (e.look.order = 'oldest on top'),
  },
  {
    name: 'moves with the source',
    used: (e) => e.birth.space === 'local',
    begin: (e) => (e.birth.space = 'local'),
  },
]
function ranged(pair?: [number, number]) {
  return !!pair && (pair[0] !== 0 || pair[1] !== 0)
}
const uses = (name: string) => MORE.find((m) => m.name === name)!.used(edit.emitter.value)
const unused = computed(() => MORE.filter((m) => !m.used(edit.emitter.value)))
function use(more: (typeof MORE)[number]) {
  edit.change((e) => void more.begin(e), true)
}
const own = computed(() => birth.value.bursts.length || birth.value.stream || birth.value.perUnit)
</script>

<template>
  <section aria-label="Birth">
    <h3>
      Birth <span class="quiet name">{{ edit.emitter.value.name }}</span>
    </h3>
    <p v-if="!own" class="quiet child">Born only as a child of others.</p>
    <template v-for="(b, i) in birth.bursts" :key="'b' + i">
      <SettingRow
        :path="`birth.bursts.${i}`"
        name="burst"
        :label="i ? `Burst ${i + 1}` : 'Burst'"
        kind="none"
      >
        <PairField
          :value="[b.least, b.most]"
          :label="i ? `Burst ${i + 1}` : 'Burst'"
          kind="whole"
          unit=" "
          :step="1"
          :least="0"
          :most="10000"
          plain
          @draft="
            (v) => edit.change((e) => Object.assign(e.birth.bursts[i], { least: v[0], most: v[1] }), false)
          "
          @commit="
            (v) => edit.change((e) => Object.assign(e.birth.bursts[i], { least: v[0], most: v[1] }), true)
          "
        />
        <span class="quiet">at</span>
        <NumberField
          :value="b.at"
          :label="i ? `Burst ${i + 1} at` : 'Burst at'"
          unit="s"
          kind="time"
          :step="0.05"
          :least="0"
          :most="60"
          :steps-per-second="project.stepsPerSecond"
          v-bind="set(`birth.bursts.${i}.at`)"
        />
        <button
          class="drop"
          :aria-label="`Take burst ${i + 1} away`"
          @click="edit.change((e) => e.birth.bursts.splice(i, 1), true)"
        >
          ×
        </button>
      </SettingRow>
      <div v-if="(b.times ?? 1) > 1 || (b.chance ?? 1) < 1" class="field sub">
        <span>
          <NumberField
            :value="b.times ?? 1"
            label="Burst times"
            kind="whole"
            unit="times"
            :step="1"
            :least="1"
            :most="1000"
            @draft="
              (v) =>
                edit.change(
                  (e) => Object.assign(e.birth.bursts[i], { times: v, pause: b.pause || 0.1 }),
                  false,
                )
            "
            @commit="
              (v) =>
                edit.change(
                  (e) => Object.assign(e.birth.bursts[i], { times: v, pause: b.pause || 0.1 }),
                  true,
                )
            "
          />
          <template v-if="(b.times ?? 1) > 1">
            <span class="quiet">every</span>
            <NumberField
              :value="b.pause ?? 0"
              label="Burst pause"
              unit="s"
              kind="time"
              :step="0.02"
              :least="0.001"
              :most="60"
              :steps-per-second="project.stepsPerSecond"
              v-bind="set(`birth.bursts.${i}.pause`)"
            />
          </template>
          <span class="quiet">chance</span>
          <NumberField
            :value="b.chance ?? 1"
            label="Burst chance"
            :least="0"
            :most="1"
            v-bind="set(`birth.bursts.${i}.chance`)"
          />
        </span>
      </div>
    </template>
    <SettingRow v-if="birth.stream" path="birth.stream" name="stream" label="Stream" kind="none">
      <NumberField
        :value="birth.stream.perSecond"
        label="Rate"
        unit="/s"
        :step="5"
        :least="0.01"
        :most="5000"
        v-bind="set('birth.stream.perSecond')"
      />
      <template v-if="birth.stream.lasting !== undefined">
        <span class="quiet">for</span>
        <NumberField
          :value="birth.stream.lasting"
          label="Duration"
          unit="s"
          kind="time"
          :step="0.05"
          :least="0.001"
          :most="60"
          :steps-per-second="project.stepsPerSecond"
          v-bind="set('birth.stream.lasting')"
        />
      </template>
      <span v-else class="quiet">{{
        edit.effect.value.course.kind === 'looping' ? 'while it runs' : 'to its end'
      }}</span>
      <button
        class="drop"
        aria-label="Take the stream away"
        @click="edit.change((e) => delete e.birth.stream, true)"
      >
        ×
      </button>
    </SettingRow>
    <template v-if="birth.stream?.over">
      <CurveLane
        :keys="birth.stream.over"
        :base="edit.before.value?.birth.stream?.over"
        label="rate"
        :most="1000"
        @draft="(k) => edit.change((e) => (e.birth.stream!.over = k), false)"
        @commit="(k) => edit.change((e) => (e.birth.stream!.over = k), true)"
      />
      <p class="field sub">
        <button class="link" @click="edit.change((e) => delete e.birth.stream!.over, true)">
          an even rate
        </button>
      </p>
    </template>
    <SettingRow
      v-if="uses('per unit travelled')"
      path="birth.perUnit"
      name="per unit"
      label="Per unit travelled"
      unit="/u"
      :step="1"
      :least="0.01"
      :most="1000"
      droppable
    />
    <SettingRow
      v-if="uses('delay')"
      path="birth.delay"
      name="delay"
      label="Delay"
      number="time"
      unit="s"
      :step="0.05"
      :least="0"
      :most="60"
      droppable
    />
    <SettingRow
      v-if="uses('cap')"
      path="birth.cap"
      name="cap"
      label="Cap"
      number="whole"
      unit="at once"
      :step="10"
      :least="1"
      :most="100000"
      droppable
    >
      <span v-if="report?.swallowed" class="bad">{{ report.swallowed }} swallowed</span>
    </SettingRow>
    <SettingRow path="birth.shape" name="from" label="Shape" kind="none">
      <select
        :value="birth.shape.kind"
        aria-label="Shape"
        @change="setShape(($event.target as HTMLSelectElement).value as Shape['kind'])"
        @keydown.stop
      >
        <option v-for="(_, kind) in SHAPES" :key="kind">{{ kind }}</option>
      </select>
      <NumberField
        v-if="'radius' in birth.shape"
        :value="birth.shape.radius"
        label="Radius"
        unit="u"
        :step="0.05"
        :least="birth.shape.kind === 'cone' ? 0 : 0.001"
        :most="1000"
        v-bind="set('birth.shape.radius')"
      />
      <NumberField
        v-if="birth.shape.kind === 'cone'"
        :value="birth.shape.angle"
        label="Angle"
        unit="°"
        :step="5"
        :least="0"
        :most="180"
        v-bind="set('birth.shape.angle')"
      />
      <NumberField
        v-if="birth.shape.kind === 'line'"
        :value="birth.shape.length"
        label="Length"
        unit="u"
        :step="0.1"
        :least="0.001"
        :most="2000"
        v-bind="set('birth.shape.length')"
      />
      <template v-if="birth.shape.kind === 'box'">
        <NumberField
          v-for="(v, i) in birth.shape.size"
          :key="i"
          :value="v"
          :label="`Full size, ${'xyz'[i]}`"
          :unit="i === 2 ? 'u full size' : '×'"
          :step="0.1"
          :least="0"
          :most="2000"
          v-bind="set(`birth.shape.size.${i}`)"
        />
      </template>
    </SettingRow>
    <div v-if="'fill' in birth.shape" class="field sub">
      <select
        :value="birth.shape.fill"
        aria-label="Where on it"
        @change="
          edit.change((e) => put(e, 'birth.shape.fill', ($event.target as HTMLSelectElement).value), true)
        "
        @keydown.stop
      >
        <option value="edge">{{ birth.shape.kind === 'circle' ? 'on its rim' : 'on its shell' }}</option>
        <option value="inside">
          {{ birth.shape.kind === 'circle' ? 'over its area' : 'through its volume' }}
        </option>
      </select>
      <NumberField
        v-if="birth.shape.kind === 'circle'"
        :value="birth.shape.arc ?? 360"
        label="Arc"
        unit="° arc"
        :step="15"
        :least="1"
        :most="360"
        v-bind="set('birth.shape.arc')"
      />
    </div>
    <div v-if="uses('placed evenly')" class="field">
      <span class="quiet">placed</span>
      <span
        >evenly
        <button
          class="drop"
          aria-label="Place at random again"
          @click="edit.change((e) => delete e.birth.placing, true)"
        >
          ×
        </button></span
      >
    </div>
    <SettingRow path="birth.aim" name="throw" label="Aim" kind="none">
      <select
        :value="aims"
        aria-label="Aim"
        @change="setAim(($event.target as HTMLSelectElement).value as Aim['kind'])"
        @keydown.stop
      >
        <option value="outward">outward</option>
        <option value="along">along</option>
        <option value="tangent">around</option>
      </select>
      <template v-if="birth.aim?.kind === 'along' && birth.aim.axis">
        <NumberField
          v-for="(v, i) in birth.aim.axis"
          :key="i"
          :value="v"
          :label="`Axis, ${'xyz'[i]}`"
          unit=" "
          v-bind="set(`birth.aim.axis.${i}`)"
        />
      </template>
      <span v-else-if="aims === 'along'" class="quiet">the facing</span>
      <span class="quiet">±</span>
      <NumberField
        :value="birth.spread"
        label="Spread"
        unit="°"
        :step="5"
        :least="0"
        :most="180"
        v-bind="set('birth.spread')"
      />
    </SettingRow>
    <SettingRow
      path="birth.speed"
      name="speed"
      label="Speed"
      kind="pair"
      unit="u/s"
      :least="0"
      :most="1000"
      :bins="report?.speed"
    />
    <SettingRow
      path="birth.lifetime"
      name="lifetime"
      label="Lifetime"
      kind="pair"
      number="time"
      unit="s"
      :step="0.05"
      :least="0.001"
      :most="60"
      :bins="report?.lifetime"
    />
    <SettingRow
      path="birth.size"
      :name="uses('own height') ? 'width' : 'size'"
      label="Size"
      kind="pair"
      unit="u"
      :step="0.02"
      :least="0"
      :most="1000"
      :bins="report?.size"
    />
    <SettingRow
      v-if="uses('own height')"
      path="birth.height"
      name="height"
      label="Height"
      kind="pair"
      unit="u"
      :step="0.02"
      :least="0"
      :most="1000"
      droppable
    />
    <SettingRow
      v-if="uses('rotation')"
      path="birth.rotation"
      name="rotation"
      label="Rotation"
      kind="pair"
      unit="°"
      :step="15"
      :least="-3600"
      :most="3600"
      droppable
    />
    <SettingRow
      v-if="uses('spin')"
      path="birth.spin"
      name="spin"
      label="Spin"
      kind="pair"
      unit="°/s"
      :step="15"
      :least="-36000"
      :most="36000"
      droppable
    />
    <SettingRow
      v-if="uses('opacity')"
      path="birth.opacity"
      name="opacity"
      label="Opacity"
      kind="pair"
      :least="0"
      :most="1"
      :step="0.05"
      :bins="report?.opacity"
      droppable
    />
    <TintRow />
    <LookRows />
    <SettingRow
      v-if="uses('offset')"
      path="birth.offset"
      name="offset"
      label="Offset"
      kind="vector"
      unit="u"
      droppable
    />
    <SettingRow
      v-if="uses('turn')"
      path="birth.turn"
      name="turn"
      label="Turn"
      kind="vector"
      unit="°"
      :step="15"
      :least="-360"
      :most="360"
      droppable
    />
    <SettingRow
      v-if="uses('share of source velocity')"
      path="birth.inherit"
      name="of the source"
      label="Share of the source's velocity"
      unit="× its velocity"
      :least="-2"
      :most="2"
      droppable
    />
    <div v-if="uses('moves with the source')" class="field">
      <span class="quiet">space</span>
      <span
        >moves with the source
        <button
          class="drop"
          aria-label="Leave it in the world"
          @click="edit.change((e) => delete e.birth.space, true)"
        >
          ×
        </button></span
      >
    </div>
    <p class="unused quiet">
      <template v-if="unused.length">
        not used:
        <template v-for="(u, i) in unused" :key="u.name"
          >{{ i ? ', ' : '' }}<button class="link" @click="use(u)">{{ u.name }}</button></template
        >
      </template>
    </p>
  </section>
</template>

<style scoped>
.name {
  font-weight: 400;
}
.child {
  margin: 2px 0;
}
</style>
