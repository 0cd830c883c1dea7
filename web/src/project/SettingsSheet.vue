<script setup lang="ts">
import { computed, ref } from 'vue'
import NumberField from '../common/NumberField.vue'
import { bounds } from '../common/settings'
import { allTimes, showAllTimes, type TimeUnit } from '../common/times'
import { useProject } from './useProject'
import { useSheet } from '../common/useKeys'

/** What holds for the whole project: its step, its random seed, its limit of particles, and the screen overdraw is measured on. */
interface Settings {
  stepsPerSecond: number
  metresPerUnit: number
  seed: number
  particleLimit: number
  screen: { width: number; height: number; unitsHigh: number }
  comfort?: { shake: number; flash: number }
}
const emit = defineEmits<{ close: [] }>()
const project = useProject()
const open = ref(true)
const part = computed(() => [...project.parts.values()].find((p) => p.kind === 'settings'))
const settings = computed(() => part.value?.body as unknown as Settings)

function set(change: (s: Settings) => void) {
  const next = JSON.parse(JSON.stringify(settings.value)) as Settings
  next.screen ??= { width: 1920, height: 1080, unitsHigh: 12 }
  change(next)
  project.commit(part.value!.id, next)
}
const setTimes = (unit: unknown) => showAllTimes(unit as TimeUnit)
const COMFORT = { shake: 0.5, flash: 0.6 }
const comfort = computed(() => settings.value.comfort ?? COMFORT)
const setComfort = (key: 'shake' | 'flash', value: number) =>
  set((s) => (s.comfort = { ...comfort.value, [key]: value }))
const screen = computed(() => settings.value.screen ?? { width: 1920, height: 1080, unitsHigh: 12 })
useSheet()
</script>

<template>
  <el-dialog
    v-model="open"
    :title="`Settings of ${project.name}`"
    width="520"
    append-to-body
    @closed="emit('close')"
  >
    <div v-if="settings" @keydown.stop>
      <div class="field">
        <span class="quiet">live particles, at most</span>
        <NumberField
          v-bind="bounds('Settings', 'particleLimit')"
          :value="settings.particleLimit"
          label="Particle limit"
          unit="at once; births beyond are counted"
          :step="1000"
          @commit="(v) => set((s) => (s.particleLimit = v))"
        />
      </div>
      <div class="field">
        <span class="quiet">fixed step</span>
        <NumberField
          v-bind="bounds('Settings', 'stepsPerSecond')"
          :value="settings.stepsPerSecond"
          label="Steps a second"
          :step="10"
          @commit="(v) => set((s) => (s.stepsPerSecond = v))"
        />
      </div>
      <div class="field">
        <span class="quiet">times are shown in</span>
        <el-radio-group
          :model-value="allTimes()"
          size="small"
          aria-label="Times are shown in"
          @update:model-value="setTimes"
        >
          <el-radio-button value="s">seconds</el-radio-button>
          <el-radio-button value="ms">milliseconds</el-radio-button>
          <el-radio-button value="f">frames</el-radio-button>
        </el-radio-group>
      </div>
      <div class="field">
        <span class="quiet">one unit is</span>
        <NumberField
          v-bind="bounds('Settings', 'metresPerUnit')"
          :value="settings.metresPerUnit"
          label="Metres a unit"
          @commit="(v) => set((s) => (s.metresPerUnit = v))"
        />
      </div>
      <div class="field">
        <span class="quiet">random seed</span>
        <NumberField
          v-bind="bounds('Settings', 'seed')"
          :value="settings.seed"
          label="Seed of the project"
          :step="1"
          @commit="(v) => set((s) => (s.seed = v))"
        />
      </div>
      <div class="field">
        <span class="quiet">screen for overdraw</span>
        <span>
          <NumberField
            v-bind="bounds('Settings', 'screen.width')"
            :value="screen.width"
            label="Screen width"
            unit="×"
            :step="10"
            @commit="(v) => set((s) => (s.screen.width = v))"
          />
          <NumberField
            v-bind="bounds('Settings', 'screen.height')"
            :value="screen.height"
            label="Screen height"
            unit="px, showing"
            :step="10"
            @commit="(v) => set((s) => (s.screen.height = v))"
          />
          <NumberField
            v-bind="bounds('Settings', 'screen.unitsHigh')"
            :value="screen.unitsHigh"
            label="Units from bottom to top"
            unit="u from bottom to top"
            :step="1"
            @commit="(v) => set((s) => (s.screen.unitsHigh = v))"
          />
        </span>
      </div>
      <div class="field">
        <span class="quiet">all shakes together move the camera at most</span>
        <NumberField
          v-bind="bounds('Settings', 'comfort.shake')"
          :value="comfort.shake"
          label="Cap of shakes"
          :step="0.05"
          @commit="(v) => setComfort('shake', v)"
        />
      </div>
      <div class="field">
        <span class="quiet">maximum opacity of all flashes together</span>
        <NumberField
          v-bind="bounds('Settings', 'comfort.flash')"
          :value="comfort.flash"
          label="Cap of flashes"
          unit="of 1"
          :step="0.05"
          @commit="(v) => setComfort('flash', v)"
        />
      </div>
    </div>
  </el-dialog>
</template>
