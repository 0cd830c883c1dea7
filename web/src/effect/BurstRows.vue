<script setup lang="ts">
import { computed } from 'vue'
import NumberField from '../common/NumberField.vue'
import { bounds } from '../common/settings'
import PairField from '../common/PairField.vue'
import CurveLane from './CurveLane.vue'
import PathNumber from './PathNumber.vue'
import SettingRow from './SettingRow.vue'
import { useEdit } from './useEdit'

/** How many and when: bursts, and a stream with its rate over time. */
const edit = useEdit()
const birth = computed(() => edit.emitter.value.birth)
</script>

<template>
  <template v-for="(b, i) in birth.bursts" :key="'b' + i">
    <SettingRow :path="`birth.bursts.${i}`" name="burst" :label="i ? `Burst ${i + 1}` : 'Burst'" kind="none">
      <PairField
        :value="[b.least, b.most]"
        :label="i ? `Burst ${i + 1}` : 'Burst'"
        v-bind="bounds('Burst', 'most')"
        :step="1"
        plain
        @draft="
          (v) => edit.change((e) => Object.assign(e.birth.bursts[i], { least: v[0], most: v[1] }), false)
        "
        @commit="
          (v) => edit.change((e) => Object.assign(e.birth.bursts[i], { least: v[0], most: v[1] }), true)
        "
      />
      <span class="quiet">at</span>
      <PathNumber
        :path="`birth.bursts.${i}.at`"
        :label="i ? `Burst ${i + 1} at` : 'Burst at'"
        kind="time"
        :step="0.05"
      />
      <el-button
        link
        class="drop"
        :aria-label="`Remove burst ${i + 1}`"
        @click="edit.change((e) => e.birth.bursts.splice(i, 1), true)"
      >
        ×
      </el-button>
    </SettingRow>
    <div v-if="(b.times ?? 1) > 1 || (b.chance ?? 1) < 1" class="field sub">
      <span>
        <NumberField
          v-bind="bounds('Burst', 'times')"
          :value="b.times ?? 1"
          label="Burst times"
          unit="times"
          :step="1"
          @draft="
            (v) =>
              edit.change((e) => Object.assign(e.birth.bursts[i], { times: v, pause: b.pause || 0.1 }), false)
          "
          @commit="
            (v) =>
              edit.change((e) => Object.assign(e.birth.bursts[i], { times: v, pause: b.pause || 0.1 }), true)
          "
        />
        <template v-if="(b.times ?? 1) > 1">
          <span class="quiet">every</span>
          <PathNumber :path="`birth.bursts.${i}.pause`" label="Burst pause" kind="time" :step="0.02" />
        </template>
        <span class="quiet">chance</span>
        <PathNumber :path="`birth.bursts.${i}.chance`" :usual="1" label="Burst chance" />
      </span>
    </div>
  </template>
  <SettingRow v-if="birth.stream" path="birth.stream" name="stream" label="Stream" kind="none">
    <PathNumber path="birth.stream.perSecond" label="Rate" kind="rate" :step="5" />
    <template v-if="birth.stream.lasting !== undefined">
      <span class="quiet">for</span>
      <PathNumber path="birth.stream.lasting" label="Duration" kind="time" :step="0.05" />
    </template>
    <span v-else class="quiet">{{
      edit.effect.value.course.kind === 'looping' ? 'while it runs' : 'to its end'
    }}</span>
    <el-button
      link
      class="drop"
      aria-label="Remove the stream"
      @click="edit.change((e) => delete e.birth.stream, true)"
    >
      ×
    </el-button>
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
      <el-button link class="link" @click="edit.change((e) => delete e.birth.stream!.over, true)">
        an even rate
      </el-button>
    </p>
  </template>
</template>
