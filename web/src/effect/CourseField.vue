<script setup lang="ts">
import { computed } from 'vue'
import Choice from '../common/Choice.vue'
import NumberField from '../common/NumberField.vue'
import { bounds } from '../common/settings'
import { useProject } from '../project/useProject'
import { useEdit } from './useEdit'

/** How an effect runs through time: once, or again and again with its wind-up and fade-out. */
const edit = useEdit()
const project = useProject()
const course = computed(() => edit.effect.value.course)

function setLoop(looping: boolean) {
  edit.changeEffect((e) => {
    const { duration, playback } = e.course
    e.course = {
      kind: looping ? 'looping' : 'one shot',
      duration,
      ...(playback === undefined ? {} : { playback }),
    }
  }, true)
}
function play(times: number, save: boolean) {
  edit.changeEffect((e) => {
    if (times === 1) delete e.course.playback
    else e.course.playback = times
  }, save)
}
function time(key: 'duration' | 'windUp' | 'fadeOut') {
  return {
    onDraft: (v: number) => edit.changeEffect((e) => (e.course[key] = v), false),
    onCommit: (v: number) => edit.changeEffect((e) => (e.course[key] = v), true),
    kind: 'time' as const,
    ...bounds('Course', key),
    step: 0.1,
    stepsPerSecond: project.stepsPerSecond,
  }
}
</script>

<template>
  <span class="course">
    <Choice
      :value="course.kind"
      v-explains="'Course.kind'"
      label="How it plays"
      @choose="setLoop($event === 'looping')"
    >
      <option value="one shot">one-shot</option>
      <option>looping</option>
    </Choice>
    <span class="quiet">{{ course.kind === 'looping' ? 'every' : 'of' }}</span>
    <NumberField :value="course.duration" label="Effect duration" v-bind="time('duration')" />
    <template v-if="course.kind === 'looping'">
      <span class="quiet">winds up</span>
      <NumberField :value="course.windUp ?? 0" label="Wind-up" v-bind="time('windUp')" />
      <span class="quiet">fades out</span>
      <NumberField :value="course.fadeOut ?? 0" label="Fade-out" v-bind="time('fadeOut')" />
    </template>
    <span class="quiet">played at</span>
    <NumberField
      :value="course.playback ?? 1"
      label="Playback speed"
      v-bind="bounds('Course', 'playback')"
      :step="0.1"
      @draft="play($event, false)"
      @commit="play($event, true)"
    />
  </span>
</template>

<style scoped>
.course {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 0 5px;
  align-items: baseline;
}
</style>
