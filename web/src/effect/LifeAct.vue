<script setup lang="ts">
import { setting } from '../common/settings'
import { computed } from 'vue'
import Choice from '../common/Choice.vue'
import type { Force, Key, LaneName, Stop } from '../api/bundle'
import { showNumber } from '../common/numberText'
import CurveLane from './CurveLane.vue'
import GradientLane from './GradientLane.vue'
import LaneClock from './LaneClock.vue'
import AnswersName from './AnswersName.vue'
import KindGlyph from '../common/KindGlyph.vue'
import PathNumber from './PathNumber.vue'
import { explanation } from '../common/explained'
import { put } from '../common/paths'
import { useEdit } from './useEdit'

/** The second act: what acts on a particle, and its lanes on one axis from born to gone. */
const edit = useEdit()
const life = computed(() => edit.emitter.value.life)
const before = computed(() => edit.before.value?.life)
const ONE: Key[] = [{ at: 0, value: 1, ease: 'linear' }]

const LANES = (['size', 'opacity', 'speed', 'spin'] as const).map((name) => {
  const { least, most } = setting('Life', name)
  // Instead of what was born, a lane is measured as that is.
  return { name, least, most, unit: setting('Birth', name).unit }
})
const lanes = computed(() =>
  LANES.filter((l) => l.name === 'size' || l.name === 'opacity' || life.value[l.name] || replaces(l.name)),
)
const replaces = (lane: LaneName) => life.value.replaces?.includes(lane) ?? false
function setReplaces(lane: LaneName, on: boolean) {
  edit.change((e) => {
    const rest = (e.life.replaces ?? []).filter((r) => r !== lane)
    const all = on ? [...rest, lane] : rest
    if (all.length) e.life.replaces = all
    else delete e.life.replaces
    if ((lane === 'speed' || lane === 'spin') && !e.life[lane]) e.life[lane] = [...ONE]
  }, true)
}
function setLane(lane: string, keys: Key[] | Stop[], save: boolean) {
  edit.change((e) => put(e, `life.${lane}`, keys), save)
}
function dropLane(lane: 'speed' | 'spin') {
  edit.change((e) => {
    delete e.life[lane]
    if (e.life.timed) {
      delete e.life.timed[lane]
      if (!Object.keys(e.life.timed).length) delete e.life.timed
    }
    if (e.life.replaces) e.life.replaces = e.life.replaces.filter((r) => r !== lane)
  }, true)
}

const FORCES: Record<Force['kind'], { words: string; begin: Force }> = {
  attractor: {
    words: 'attractor',
    begin: { kind: 'attractor', place: [0, 1, 0], strength: 6, radius: 3, falloff: 'linear' },
  },
  swirl: {
    words: 'swirl',
    begin: { kind: 'swirl', place: [0, 0, 0], axis: [0, 1, 0], strength: 6, radius: 3, falloff: 'linear' },
  },
  push: { words: 'outward push', begin: { kind: 'push', strength: 4 } },
  turbulence: { words: 'turbulence', begin: { kind: 'turbulence', strength: 3, size: 1, speed: 0.5 } },
}
function addForce(kind: Force['kind']) {
  edit.change((e) => (e.life.forces = [...(e.life.forces ?? []), { ...FORCES[kind].begin }]), true)
}
function dropForce(i: number) {
  edit.change((e) => {
    e.life.forces!.splice(i, 1)
    if (!e.life.forces!.length) delete e.life.forces
  }, true)
}
const name = (force: Force) =>
  force.kind === 'attractor' && force.strength < 0 ? 'repeller' : FORCES[force.kind].words
function setRest(on: boolean) {
  edit.change((e) => {
    if (on) e.life.restWithin = Number((edit.report.value?.restWithin ?? 1).toFixed(2))
    else {
      delete e.life.restWithin
      delete e.life.restEvenly
    }
  }, true)
}
function setEvenly(on: boolean) {
  edit.change((e) => {
    if (on) e.life.restEvenly = true
    else delete e.life.restEvenly
  }, true)
}
function setOther(on: boolean) {
  edit.change((e) => {
    if (on) e.life.otherColour = e.life.colour.map((s) => ({ ...s }))
    else delete e.life.otherColour
  }, true)
}
function setLive(on: boolean) {
  edit.change((e) => {
    if (on) e.life.live = true
    else delete e.life.live
  }, true)
}
const unused = computed(() => {
  const quiet: { words: string; kind?: string; use: () => void }[] = []
  if (!life.value.speed)
    quiet.push({ words: 'speed', use: () => setLane('speed', [...ONE, { at: 1, value: 0.5 }], true) })
  if (!life.value.spin)
    quiet.push({ words: 'spin', use: () => setLane('spin', [...ONE, { at: 1, value: 0 }], true) })
  if (life.value.restWithin === undefined)
    quiet.push({ words: 'comes to rest within', use: () => setRest(true) })
  if (!life.value.otherColour) quiet.push({ words: 'between two colours', use: () => setOther(true) })
  if (!life.value.live) quiet.push({ words: 'forces that follow', use: () => setLive(true) })
  for (const kind of Object.keys(FORCES) as Force['kind'][])
    quiet.push({ words: FORCES[kind].words, kind, use: () => addForce(kind) })
  return quiet
})
const sideways = computed(() => life.value.gravity[0] !== 0 || life.value.gravity[2] !== 0)
</script>

<template>
  <section aria-label="Life">
    <h3>
      Life
      <span class="forces">
        <AnswersName property="gravity" name="gravity" />
        <template v-if="sideways">
          <PathNumber path="life.gravity.0" label="Sideways gravity, x" unit=" " />
        </template>
        <PathNumber path="life.gravity.1" label="Gravity" :unit="sideways ? ' ' : 'u/s²'" :step="0.5" />
        <PathNumber path="life.gravity.2" v-if="sideways" label="Sideways gravity, z" />
        <el-button
          link
          v-else
          class="link"
          title="Gravity to a side"
          @click="edit.change((e) => (e.life.gravity[0] = 1), true)"
        >
          + x
        </el-button>
        <template v-if="life.restWithin === undefined">
          <AnswersName property="drag" name="drag" />
          <PathNumber path="life.drag" label="Drag" />
          <span
            v-if="edit.report.value?.restWithin"
            class="quiet rest"
            title="99 % of the speed is gone by then"
          >
            rests in {{ showNumber(Number(edit.report.value.restWithin.toFixed(1))) }} s
          </span>
        </template>
        <template v-else>
          <span class="quiet">rests within</span>
          <PathNumber path="life.restWithin" label="Comes to rest within" kind="time" :step="0.1" />
          <el-button
            link
            size="small"
            :aria-label="`Slows ${life.restEvenly ? 'evenly' : 'by drag'}; press to change`"
            :title="
              life.restEvenly
                ? 'Slows evenly to nothing, after half the way. Press to slow by drag.'
                : 'Drag takes 99 % of the speed in that time. Press to slow evenly to nothing.'
            "
            @click="setEvenly(!life.restEvenly)"
            >{{ life.restEvenly ? 'evenly' : 'by drag' }}</el-button
          >
          <el-button link class="link" aria-label="Give a drag instead" @click="setRest(false)">×</el-button>
        </template>
      </span>
    </h3>
    <div v-for="(force, i) in life.forces ?? []" :key="i" class="field">
      <span class="force"
        ><KindGlyph :kind="force.kind" /> <AnswersName property="force" :name="name(force)"
      /></span>
      <span>
        <PathNumber
          :path="`life.forces.${i}.strength`"
          :label="`${name(force)}, strength`"
          :step="0.5"
          :least="force.kind === 'turbulence' ? 0 : -10000"
        />
        <template v-if="'radius' in force">
          <span class="quiet">within</span>
          <PathNumber :path="`life.forces.${i}.radius`" :label="`${name(force)}, radius`" />
          <Choice
            :value="force.falloff"
            :label="`${name(force)}, fall-off`"
            @choose="edit.change((e) => put(e, `life.forces.${i}.falloff`, $event), true)"
          >
            <option value="none">even</option>
            <option value="linear">falls off evenly</option>
            <option value="square">by the square</option>
          </Choice>
          <span class="quiet">at</span>
          <PathNumber
            :path="`life.forces.${i}.place.${axis}`"
            v-for="(_, axis) in force.place"
            :key="axis"
            :label="`${name(force)}, place ${'xyz'[axis]}`"
            :unit="axis === 2 ? 'u' : ' '"
          />
        </template>
        <template v-if="force.kind === 'swirl'">
          <span class="quiet">about</span>
          <PathNumber
            :path="`life.forces.${i}.axis.${axis}`"
            v-for="(_, axis) in force.axis"
            :key="'a' + axis"
            :label="`swirl, axis ${'xyz'[axis]}`"
          />
        </template>
        <template v-if="force.kind === 'turbulence'">
          <span class="quiet">of</span>
          <PathNumber :path="`life.forces.${i}.size`" label="turbulence, size" />
          <PathNumber :path="`life.forces.${i}.speed`" label="turbulence, speed" />
        </template>
        <el-button link class="drop" :aria-label="`Remove the ${name(force)}`" @click="dropForce(i)"
          >×</el-button
        >
      </span>
    </div>
    <div v-if="life.live" class="field" v-explains="'Life.live'">
      <span class="quiet">forces</span>
      <span>
        follow while particles live
        <el-button link class="drop" aria-label="Keep those of the beginning" @click="setLive(false)"
          >×</el-button
        >
      </span>
    </div>
    <template v-for="lane in lanes" :key="lane.name">
      <CurveLane
        :data-setting="`life.${lane.name}`"
        :data-explains="explanation('Emitter', `life.${lane.name}`)"
        :keys="life[lane.name] ?? ONE"
        :base="before?.[lane.name] ?? (before ? ONE : undefined)"
        :label="lane.name"
        :most="lane.most"
        :least="lane.least"
        :unit="replaces(lane.name) ? lane.unit : '×'"
        :replaces="replaces(lane.name)"
        @draft="(k) => setLane(lane.name, k, false)"
        @commit="(k) => setLane(lane.name, k, true)"
        @replace="(on) => setReplaces(lane.name, on)"
      >
        <template #clock><LaneClock :lane="lane.name" part="name" /></template>
        <template #row><LaneClock :lane="lane.name" part="row" /></template>
      </CurveLane>
      <el-button
        link
        v-if="lane.name === 'speed' || lane.name === 'spin'"
        class="link leave"
        @click="dropLane(lane.name)"
      >
        leave out {{ lane.name }}
      </el-button>
    </template>
    <GradientLane
      data-setting="life.colour"
      :stops="life.colour"
      :base="
        before && JSON.stringify(before.colour) !== JSON.stringify(life.colour) ? before.colour : undefined
      "
      label="colour"
      @draft="(s) => setLane('colour', s, false)"
      @commit="(s) => setLane('colour', s, true)"
    >
      <template #clock><LaneClock lane="colour" part="name" /></template>
      <template #row><LaneClock lane="colour" part="row" /></template>
    </GradientLane>
    <template v-if="life.otherColour">
      <GradientLane
        data-setting="life.otherColour"
        :data-explains="explanation('Emitter', 'life.otherColour')"
        :stops="life.otherColour"
        :base="
          before?.otherColour && JSON.stringify(before.otherColour) !== JSON.stringify(life.otherColour)
            ? before.otherColour
            : undefined
        "
        label="other colour"
        @draft="(s) => setLane('otherColour', s, false)"
        @commit="(s) => setLane('otherColour', s, true)"
      />
      <el-button link class="link leave" @click="setOther(false)">leave out the other colour</el-button>
    </template>
    <div class="axis quiet" aria-hidden="true">
      <span>born</span><span>25 %</span><span>50 %</span><span>75 %</span><span>gone</span>
    </div>
    <p class="unused quiet">
      not used:
      <template v-for="(u, i) in unused" :key="u.words"
        ><span class="one"
          ><KindGlyph v-if="u.kind" :kind="u.kind" /><el-button link class="link" @click="u.use">{{
            u.words
          }}</el-button
          >{{ i < unused.length - 1 ? ',' : '' }}</span
        >{{ ' ' }}</template
      >
    </p>
  </section>
</template>

<style scoped>
.forces {
  display: flex;
  flex-wrap: wrap;
  justify-content: flex-end;
  gap: 0 5px;
  font-weight: 400;
  align-items: baseline;
}
.rest {
  font-size: 12px;
}
.axis {
  display: flex;
  justify-content: space-between;
  margin-left: 72px;
  font-size: 11px;
  margin-top: 2px;
}
.lane + .lane {
  margin-top: 4px;
}
.leave {
  margin-left: 72px;
  font-size: 12px;
}
</style>
