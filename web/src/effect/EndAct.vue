<script setup lang="ts">
import { mostOf } from '../common/settings'
import { computed } from 'vue'
import Choice from '../common/Choice.vue'
import type { Barrier, Child, Collision, End, Moment } from '../api/bundle'
import { freeName } from '../common/freeName'
import { showNumber } from '../common/numberText'
import { useProject } from '../project/useProject'
import PathNumber from './PathNumber.vue'
import TrailRows from './TrailRows.vue'
import { put } from '../common/paths'
import { useEdit } from './useEdit'

/** The third act: what a particle strikes and what it leaves behind, as sentences. */
const edit = useEdit()
const project = useProject()
const end = computed<End>(() => edit.emitter.value.end ?? {})

const BARRIERS: Record<Barrier['kind'], { words: string; begin: Barrier }> = {
  ground: { words: 'the ground', begin: { kind: 'ground' } },
  plane: { words: 'a plane', begin: { kind: 'plane', place: [0, 0, 0], normal: [0, 1, 0] } },
  box: { words: 'a box', begin: { kind: 'box', place: [0, 1, 0], size: [4, 4, 4], keepsIn: true } },
}
const OUTCOMES: Collision['then'][] = ['bounces', 'sticks', 'dies']
const MOST_CHILDREN = mostOf('End', 'children')
const MOMENTS: Moment[] = ['at birth', 'per second', 'per unit', 'on collision', 'at end']

function change(act: (end: End) => void) {
  edit.change((e) => {
    e.end ??= {}
    act(e.end)
    if (!e.end.children?.length) delete e.end.children
    if (!Object.keys(e.end).length) delete e.end
  }, true)
}
function strike() {
  change((e) => (e.collision = { with: { kind: 'ground' }, bounce: 0.4, friction: 0.3, then: 'bounces' }))
}
function noStrike() {
  change((e) => {
    delete e.collision
    e.children = e.children?.filter((c) => c.when !== 'on collision')
  })
}
const others = computed(() => edit.effect.value.emitters.map((e) => e.name))
const effects = computed(() =>
  project.effects.map((e) => e.body.name).filter((n) => n !== edit.effect.value.name),
)
function addChildren() {
  const other = others.value.find((n) => n !== edit.emitter.value.name) ?? edit.emitter.value.name
  change((e) => {
    e.children = [
      ...(e.children ?? []),
      { when: e.collision ? 'on collision' : 'at end', emitter: other, least: 1, most: 2 },
    ]
  })
}
function setWhat(child: Child, i: number, what: string) {
  change((e) => {
    const c = e.children![i]
    delete c.emitter
    delete c.effect
    if (what.startsWith('effect ')) {
      c.effect = what.slice(7)
      c.least = Math.min(1, child.least)
      c.most = 1
    } else c.emitter = what.slice(8)
  })
}
function setWhen(i: number, when: Moment) {
  change((e) => {
    const c = e.children![i]
    c.when = when
    if (when === 'per second') c.rate ??= 10
    else if (when === 'per unit') c.rate ??= 4
    else delete c.rate
    if (when === 'on collision' && !e.collision)
      e.collision = { with: { kind: 'ground' }, bounce: 0.4, friction: 0.3, then: 'bounces' }
  })
}
/** Adds an emitter that lies flat and stays, and lets each collision leave one of it. */
function mark() {
  edit.changeEffect((effect) => {
    const self = effect.emitters.find((e) => e.seed === edit.emitter.value.seed)!
    const seeds = new Set(effect.emitters.map((e) => e.seed))
    const name = freeName(
      'mark',
      effect.emitters.map((e) => e.name),
    )
    let seed = 1
    while (seeds.has(seed)) seed++
    self.end ??= {}
    self.end.collision ??= { with: { kind: 'ground' }, bounce: 0, friction: 1, then: 'dies' }
    self.end.children = [
      ...(self.end.children ?? []),
      { when: 'on collision', emitter: name, least: 1, most: 1 },
    ]
    effect.emitters.unshift({
      name,
      seed,
      birth: {
        bursts: [],
        shape: { kind: 'point' },
        spread: 0,
        speed: [0, 0],
        lifetime: [3, 4],
        size: [0.25, 0.4],
        rotation: [0, 360],
        colour: ['#2A2420FF', '#463B32FF'],
      },
      look: {
        sprite: 'clod',
        blend: 'alpha',
        order: 'newest on top',
        posture: { kind: 'surface' },
      },
      life: {
        gravity: [0, 0, 0],
        drag: 0,
        size: [{ at: 0, value: 1, ease: 'linear' }],
        opacity: [
          { at: 0, value: 0.8, ease: 'linear' },
          { at: 0.7, value: 0.8, ease: 'linear' },
          { at: 1, value: 0, ease: 'linear' },
        ],
        colour: [{ at: 0, colour: '#FFFFFFFF' }],
      },
    })
  }, true)
}
function trail() {
  change(
    (e) =>
      (e.trail = {
        length: 0.3,
        by: 'seconds',
        width: [
          { at: 0, value: 1, ease: 'linear' },
          { at: 1, value: 0, ease: 'linear' },
        ],
        colour: [
          { at: 0, colour: '#FFFFFFFF' },
          { at: 1, colour: '#FFFFFF00' },
        ],
      }),
  )
}
const report = computed(() => edit.report.value)
const flat = computed(() =>
  end.value.children?.some(
    (c) => edit.effect.value.emitters.find((e) => e.name === c.emitter)?.look.posture?.kind === 'surface',
  ),
)
const unused = computed(() => [
  ...(end.value.collision ? [] : [{ words: 'collision', use: strike }]),
  ...(end.value.children?.length ? [] : [{ words: 'children', use: addChildren }]),
  ...(end.value.trail ? [] : [{ words: 'trail', use: trail }]),
  ...(flat.value ? [] : [{ words: 'mark on the surface', use: mark }]),
])
const short = (n: number) => showNumber(Number(n.toFixed(2)))
const fades = computed(() => {
  const keys = edit.emitter.value.life.opacity
  return keys[keys.length - 1].value <= 0.05 ? 'fades' : 'vanishes'
})
</script>

<template>
  <section aria-label="End">
    <h3>End</h3>
    <div v-if="end.collision" class="saying">
      on
      <Choice
        :value="end.collision.with.kind"
        label="Struck"
        @choose="change((e) => (e.collision!.with = { ...BARRIERS[$event as Barrier['kind']].begin }))"
      >
        <option v-for="(b, kind) in BARRIERS" :key="kind" :value="kind">{{ b.words }}</option>
      </Choice>
      <template v-if="end.collision.with.kind === 'ground'">
        at
        <PathNumber path="end.collision.with.level" label="Level of the ground" />
      </template>
      <template v-else>
        at
        <PathNumber
          :path="`end.collision.with.place.${i}`"
          v-for="(_, i) in end.collision.with.place"
          :key="i"
          :label="`Barrier, place ${'xyz'[i]}`"
          :unit="i === 2 ? 'u' : ' '"
        />
      </template>
      <template v-if="end.collision.with.kind === 'plane'">
        facing
        <PathNumber
          :path="`end.collision.with.normal.${i}`"
          v-for="(_, i) in end.collision.with.normal"
          :key="i"
          :label="`Barrier, normal ${'xyz'[i]}`"
        />
      </template>
      <template v-if="end.collision.with.kind === 'box'">
        <PathNumber
          :path="`end.collision.with.size.${i}`"
          v-for="(_, i) in end.collision.with.size"
          :key="i"
          :label="`Barrier, full size ${'xyz'[i]}`"
          :unit="i === 2 ? 'u full size' : '×'"
        />
        <Choice
          :value="end.collision.with.keepsIn ? 'in' : 'out'"
          label="Keeps particles"
          @choose="change((e) => put(e, 'collision.with.keepsIn', $event === 'in'))"
        >
          <option value="in">that keeps them in</option>
          <option value="out">that keeps them out</option>
        </Choice>
      </template>
      it
      <Choice
        :value="end.collision.then"
        label="What becomes of it"
        @choose="change((e) => (e.collision!.then = $event as Collision['then']))"
      >
        <option v-for="o in OUTCOMES" :key="o">{{ o }}</option>
      </Choice>
      <template v-if="end.collision.then === 'bounces'">
        <PathNumber path="end.collision.bounce" label="Bounce" :step="0.05" />
        friction
        <PathNumber path="end.collision.friction" label="Friction" :step="0.05" />
        loses
        <PathNumber path="end.collision.lifeLost" label="Life lost" unit="× its life" :step="0.05" />
      </template>
      <el-button link class="link" aria-label="Strike nothing" @click="noStrike">×</el-button>
    </div>
    <div v-for="(child, i) in end.children ?? []" :key="i" class="saying">
      <Choice :value="child.when" :label="`Child ${i + 1}, when`" @choose="setWhen(i, $event as Moment)">
        <option v-for="m in MOMENTS" :key="m">{{ m }}</option>
      </Choice>
      <PathNumber
        :path="`end.children.${i}.rate`"
        :usual="1"
        v-if="child.when === 'per second' || child.when === 'per unit'"
        :label="`Child ${i + 1}, rate`"
        :unit="child.when === 'per second' ? '/s' : '/u'"
        :step="1"
      />
      leaves
      <PathNumber
        :path="`end.children.${i}.least`"
        :label="`Child ${i + 1}, least`"
        kind="whole"
        :step="1"
        :most="child.most"
      />–<PathNumber
        :path="`end.children.${i}.most`"
        :label="`Child ${i + 1}, most`"
        kind="whole"
        :step="1"
        :least="child.least"
        :most="child.effect ? 1 : 1000"
      />
      <Choice
        :value="child.effect ? `effect ${child.effect}` : `emitter ${child.emitter}`"
        :label="`Child ${i + 1}, what`"
        @choose="setWhat(child, i, $event)"
      >
        <optgroup label="of this effect">
          <option v-for="n in others" :key="n" :value="`emitter ${n}`">{{ n }}</option>
        </optgroup>
        <optgroup v-if="effects.length" label="a whole effect">
          <option v-for="n in effects" :key="n" :value="`effect ${n}`">{{ n }}</option>
        </optgroup>
      </Choice>
      chance
      <PathNumber
        :path="`end.children.${i}.chance`"
        :usual="1"
        :label="`Child ${i + 1}, chance`"
        unit="×"
        :step="0.05"
      />
      with
      <PathNumber
        :path="`end.children.${i}.velocity`"
        :label="`Child ${i + 1}, share of velocity`"
        unit="× velocity"
        :step="0.1"
      />
      <el-checkbox
        :model-value="child.colour"
        @change="change((e) => (e.children![i].colour = !child.colour || undefined))"
        >colour</el-checkbox
      >
      <el-checkbox
        :model-value="child.size"
        @change="change((e) => (e.children![i].size = !child.size || undefined))"
        >size</el-checkbox
      >
      <el-button
        link
        class="link"
        :aria-label="`Remove child ${i + 1}`"
        @click="change((e) => e.children!.splice(i, 1))"
      >
        ×
      </el-button>
    </div>
    <TrailRows v-if="end.trail" @remove="change((e) => delete e.trail)" />
    <p class="saying">otherwise it {{ fades }}.</p>
    <p v-if="report && end.children?.length" class="expected">
      <b>{{ short(report.children) }}</b> children a particle on average;
      <template v-if="report.line !== undefined"
        ><b>{{ short(report.line) }}</b> born in all for each, itself included.</template
      >
      <b v-else class="bad">they never die out.</b>
    </p>
    <p class="unused quiet">
      <template v-if="unused.length">not used: </template>
      <template v-for="(u, i) in unused" :key="u.words"
        ><span class="one"
          ><el-button link class="link" @click="u.use">{{ u.words }}</el-button
          >{{ i < unused.length - 1 ? ',' : '' }}</span
        >{{ ' ' }}</template
      >
      <template v-if="end.children?.length && end.children.length < MOST_CHILDREN">
        {{ unused.length ? ' · ' : ''
        }}<el-button link class="link" @click="addChildren">+ children</el-button>
      </template>
    </p>
  </section>
</template>

<style scoped>
.saying {
  line-height: 1.9;
  margin: 0 0 6px;
}
.saying label {
  white-space: nowrap;
  accent-color: var(--bronze);
}
.expected {
  margin: 4px 0;
  font-size: 12px;
}
</style>
