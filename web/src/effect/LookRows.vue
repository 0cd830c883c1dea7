<script setup lang="ts">
import { computed, ref } from 'vue'
import Choice from '../common/Choice.vue'
import type { Blend, FrameChoice, Posture } from '../api/bundle'
import { showNumber } from '../common/numberText'
import { useProject } from '../project/useProject'
import PathNumber from './PathNumber.vue'
import SettingRow from './SettingRow.vue'
import SpriteSheet from './SpriteSheet.vue'
import { put } from '../common/paths'
import { useEdit } from './useEdit'

/** The look of a particle: its picture and frame, how it covers, which way it is turned, how bright it is. */
const edit = useEdit()
const project = useProject()
const look = computed(() => edit.emitter.value.look)
const sheet = computed(() => project.sprites.find((s) => s.body.name === look.value.sprite)?.body.sheet)
const BLENDS: Blend[] = ['alpha', 'additive', 'screen', 'multiply']
const POSTURES: Record<Posture['kind'], { words: string; begin: Posture | undefined }> = {
  camera: { words: 'faces the camera', begin: undefined },
  flight: { words: 'along its flight', begin: { kind: 'flight', stretch: 0.04 } },
  surface: { words: 'flat on the surface', begin: { kind: 'surface' } },
  fixed: { words: 'fixed', begin: { kind: 'fixed', normal: [0, 0, 1] } },
}
const FRAMES: Record<FrameChoice['kind'], { words: string; begin: FrameChoice | undefined }> = {
  first: { words: 'the first', begin: undefined },
  random: { words: 'a random one', begin: { kind: 'random' } },
  'over life': { words: 'all, over life', begin: { kind: 'over life' } },
  looping: { words: 'all, again and again', begin: { kind: 'looping' } },
}
function set(path: string, value: unknown) {
  edit.change((e) => put(e, path, value), true)
}
const BRING = '/bring'
const bringing = ref(false)
function chooseSprite(name: string) {
  if (name === BRING) bringing.value = true
  else set('look.sprite', name)
}
function brought(name: string) {
  set('look.sprite', name)
  bringing.value = false
}
const saturation = computed(() => edit.report.value?.saturation)
</script>

<template>
  <SettingRow path="look.sprite" name="sprite" label="Sprite" kind="none">
    <Choice :value="look.sprite" label="Sprite" @choose="chooseSprite">
      <option v-for="s in project.sprites" :key="s.id">{{ s.body.name }}</option>
      <option :value="BRING">bring a picture…</option>
    </Choice>
    <Choice :value="look.blend" label="Blend mode" @choose="set('look.blend', $event)">
      <option v-for="b in BLENDS" :key="b">{{ b }}</option>
    </Choice>
  </SettingRow>
  <SpriteSheet v-if="bringing" @close="bringing = false" @brought="brought" />
  <div v-if="sheet && sheet.frames > 1" class="field">
    <span class="quiet">frame</span>
    <span>
      <Choice
        :value="look.frame?.kind ?? 'first'"
        label="Frame"
        @choose="set('look.frame', FRAMES[$event as FrameChoice['kind']].begin)"
      >
        <option v-for="(f, kind) in FRAMES" :key="kind" :value="kind">{{ f.words }}</option>
      </Choice>
      <PathNumber
        path="look.frame.perSecond"
        :usual="sheet.perSecond"
        v-if="look.frame?.kind === 'looping'"
        label="Frames a second"
        :step="1"
      />
    </span>
  </div>
  <SettingRow
    v-if="look.posture"
    path="look.posture"
    name="turned"
    label="Which way it is turned"
    kind="none"
  >
    <Choice
      :value="look.posture?.kind ?? 'camera'"
      label="Which way it is turned"
      @choose="set('look.posture', POSTURES[$event as Posture['kind']].begin)"
    >
      <option v-for="(p, kind) in POSTURES" :key="kind" :value="kind">{{ p.words }}</option>
    </Choice>
    <PathNumber
      path="look.posture.stretch"
      v-if="look.posture?.kind === 'flight'"
      label="Stretch"
      unit="s long"
      :step="0.01"
    />
    <template v-if="look.posture?.kind === 'fixed'">
      <PathNumber
        :path="`look.posture.normal.${i}`"
        v-for="(_, i) in look.posture.normal"
        :key="i"
        :label="`Normal, ${'xyz'[i]}`"
      />
    </template>
  </SettingRow>
  <SettingRow
    v-if="(look.brightness ?? 1) !== 1"
    path="look.brightness"
    name="brightness"
    label="Brightness"
    :usual="1"
    :step="0.1"
  >
    <span v-if="saturation !== undefined" class="quiet" title="From there on it only bleaches">
      full from {{ showNumber(Number(saturation.toFixed(2))) }} ×
    </span>
  </SettingRow>
  <SettingRow
    v-if="look.order === 'oldest on top'"
    path="look.order"
    name="on top"
    label="On top"
    kind="none"
  >
    <Choice :value="look.order" label="Draw order" @choose="set('look.order', $event)">
      <option value="newest on top">the newest</option>
      <option value="oldest on top">the oldest</option>
    </Choice>
  </SettingRow>
</template>
