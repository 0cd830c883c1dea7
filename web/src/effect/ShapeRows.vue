<script setup lang="ts">
import { computed } from 'vue'
import Choice from '../common/Choice.vue'
import type { Aim, Shape } from '../api/bundle'
import PathNumber from './PathNumber.vue'
import SettingRow from './SettingRow.vue'
import { put } from '../common/paths'
import { useEdit } from './useEdit'

/** Where particles are born and which way they are thrown. */
const edit = useEdit()
const birth = computed(() => edit.emitter.value.birth)

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
    else if (kind === 'axes') {
      // As fast as it was, each axis by itself; its speed only multiplies that.
      const [least, most] = e.birth.speed
      e.birth.aim = { kind, x: [-most, most], y: [least, most], z: [0, 0] }
      e.birth.speed = [1, 1]
    } else e.birth.aim = { kind }
  }, true)
}
</script>

<template>
  <SettingRow path="birth.shape" name="from" label="Shape" kind="none">
    <Choice pictured :value="birth.shape.kind" label="Shape" @choose="setShape($event as Shape['kind'])">
      <option v-for="(_, kind) in SHAPES" :key="kind">{{ kind }}</option>
    </Choice>
    <PathNumber
      path="birth.shape.radius"
      v-if="'radius' in birth.shape"
      label="Radius"
      :step="0.05"
      :least="birth.shape.kind === 'cone' ? 0 : 0.001"
    />
    <PathNumber path="birth.shape.angle" v-if="birth.shape.kind === 'cone'" label="Angle" :step="5" />
    <PathNumber path="birth.shape.length" v-if="birth.shape.kind === 'line'" label="Length" :step="0.1" />
    <template v-if="birth.shape.kind === 'box'">
      <PathNumber
        :path="`birth.shape.size.${i}`"
        v-for="(_, i) in birth.shape.size"
        :key="i"
        :label="`Full size, ${'xyz'[i]}`"
        :unit="i === 2 ? 'u full size' : '×'"
        :step="0.1"
      />
    </template>
  </SettingRow>
  <div v-if="'fill' in birth.shape" class="field sub">
    <Choice
      :value="birth.shape.fill"
      label="Where on it"
      @choose="edit.change((e) => put(e, 'birth.shape.fill', $event), true)"
    >
      <option value="edge">{{ birth.shape.kind === 'circle' ? 'on its rim' : 'on its shell' }}</option>
      <option value="inside">
        {{ birth.shape.kind === 'circle' ? 'over its area' : 'through its volume' }}
      </option>
    </Choice>
    <PathNumber
      path="birth.shape.arc"
      :usual="360"
      v-if="birth.shape.kind === 'circle'"
      label="Arc"
      unit="° arc"
      :step="15"
    />
  </div>
  <div v-if="birth.placing === 'evenly'" class="field">
    <span class="quiet">placed</span>
    <span
      >evenly
      <el-button
        link
        class="drop"
        aria-label="Place at random again"
        @click="edit.change((e) => delete e.birth.placing, true)"
      >
        ×
      </el-button></span
    >
  </div>
  <SettingRow path="birth.aim" name="throw" label="Aim" kind="none">
    <Choice pictured :value="aims" label="Aim" @choose="setAim($event as Aim['kind'])">
      <option value="outward">outward</option>
      <option value="along">along</option>
      <option value="tangent">around</option>
      <option value="axes">by axis</option>
    </Choice>
    <template v-if="birth.aim?.kind === 'along' && birth.aim.axis">
      <PathNumber
        :path="`birth.aim.axis.${i}`"
        v-for="(_, i) in birth.aim.axis"
        :key="i"
        :label="`Axis, ${'xyz'[i]}`"
      />
    </template>
    <el-button
      link
      v-else-if="aims === 'along'"
      title="Another direction than the facing"
      @click="setAim('along')"
      >the facing</el-button
    >
    <template v-if="aims !== 'axes'">
      <span class="quiet">±</span>
      <PathNumber path="birth.spread" label="Spread" :step="5" />
    </template>
  </SettingRow>
  <template v-if="aims === 'axes'">
    <SettingRow
      v-for="axis in ['x', 'y', 'z']"
      :key="axis"
      :path="`birth.aim.${axis}`"
      :name="axis"
      :label="`Velocity along ${axis}`"
      kind="pair"
      unit="u/s"
      :step="0.1"
    />
  </template>
</template>
