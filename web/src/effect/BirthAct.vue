<script setup lang="ts">
import { computed } from 'vue'
import BurstRows from './BurstRows.vue'
import LookRows from './LookRows.vue'
import SettingRow from './SettingRow.vue'
import SizesRow from './SizesRow.vue'
import ShapeRows from './ShapeRows.vue'
import TintRow from './TintRow.vue'
import { MORE, type More } from './birthMore'
import { useEdit } from './useEdit'

/** The first act: how many, when, where, with what. What is used is a row; the rest is one quiet line. */
const edit = useEdit()
const birth = computed(() => edit.emitter.value.birth)
const report = computed(() => edit.report.value)
const byAxis = computed(() => birth.value.aim?.kind === 'axes')
const uses = (name: string) => MORE.find((m) => m.name === name)!.used(edit.emitter.value)
const unused = computed(() => MORE.filter((m) => !m.used(edit.emitter.value)))
function use(more: More) {
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
    <BurstRows />
    <SettingRow
      v-if="uses('per unit travelled')"
      path="birth.perUnit"
      name="per unit"
      label="Per unit travelled"
      :step="1"
      droppable
    />
    <SettingRow
      v-if="uses('delay')"
      path="birth.delay"
      name="delay"
      label="Delay"
      number="time"
      :step="0.05"
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
      droppable
    >
      <span v-if="report?.dropped" class="bad">{{ report.dropped }} dropped</span>
    </SettingRow>
    <ShapeRows />
    <SettingRow
      path="birth.speed"
      name="speed"
      label="Speed"
      kind="pair"
      :unit="byAxis ? '×' : undefined"
      :bins="report?.speed"
    />
    <SettingRow
      path="birth.lifetime"
      name="lifetime"
      label="Lifetime"
      kind="pair"
      number="time"
      :step="0.05"
      :bins="report?.lifetime"
    />
    <SizesRow v-if="uses('one of some sizes')" />
    <SettingRow
      v-else
      path="birth.size"
      :name="uses('own height') ? 'width' : 'size'"
      label="Size"
      kind="pair"
      :step="0.02"
      :bins="report?.size"
    />
    <SettingRow
      v-if="uses('own height')"
      path="birth.height"
      name="height"
      label="Height"
      kind="pair"
      :step="0.02"
      droppable
    />
    <SettingRow
      v-if="uses('rotation')"
      path="birth.rotation"
      name="rotation"
      label="Rotation"
      kind="pair"
      :step="15"
      droppable
    />
    <SettingRow
      v-if="uses('spin')"
      path="birth.spin"
      name="spin"
      label="Spin"
      kind="pair"
      :step="15"
      droppable
    />
    <SettingRow
      v-if="uses('opacity')"
      path="birth.opacity"
      name="opacity"
      label="Opacity"
      kind="pair"
      :step="0.05"
      :bins="report?.opacity"
      droppable
    />
    <SettingRow
      v-if="uses('share of gravity')"
      path="birth.gravity"
      name="gravity ×"
      label="Share of gravity"
      kind="pair"
      unit=" "
      :step="0.05"
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
      droppable
    />
    <SettingRow
      v-if="uses('turn')"
      path="birth.turn"
      name="turn"
      label="Turn"
      kind="vector"
      :step="15"
      droppable
    />
    <SettingRow
      v-if="uses('share of source velocity')"
      path="birth.inherit"
      name="of the source"
      label="Share of the source's velocity"
      unit="× its velocity"
      droppable
    />
    <div v-if="uses('moves with the source')" class="field">
      <span class="quiet">space</span>
      <span
        >moves with the source
        <el-button
          link
          class="drop"
          aria-label="Leave it in the world"
          @click="edit.change((e) => delete e.birth.space, true)"
        >
          ×
        </el-button></span
      >
    </div>
    <p class="unused quiet">
      <template v-if="unused.length">
        not used:
        <template v-for="(u, i) in unused" :key="u.name"
          ><span class="one"
            ><el-button link class="link" @click="use(u)">{{ u.name }}</el-button
            >{{ i < unused.length - 1 ? ',' : '' }}</span
          >{{ ' ' }}</template
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
