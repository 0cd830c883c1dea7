<script setup lang="ts">
import { computed } from 'vue'
import type { EventType, Payload } from '../api/bundle'
import { showNumber } from '../common/numberText'
import { differing } from './differing'

/** Says that the take plays another payload than the strip on the board, and which. */
const props = defineProps<{ event: EventType; payload: Payload; board?: Payload }>()
const emit = defineEmits<{ same: [payload: Payload] }>()

const others = computed(() => (props.board ? differing(props.event, props.board, props.payload) : []))
const said = (value: unknown) =>
  Array.isArray(value)
    ? `(${value.map(showNumber).join(', ')})`
    : typeof value === 'number'
      ? showNumber(value)
      : String(value)
</script>

<template>
  <p v-if="others.length" class="other" data-testid="other-pull">
    The board shows it with
    <template v-for="(o, i) in others" :key="o.name">
      {{ i ? ', ' : '' }}{{ o.name }} <b>{{ said(o.value) }}</b>{{ o.unit ? ' ' + o.unit : '' }}
    </template>
    instead.
    <el-button link class="link" @click="emit('same', { ...board! })">Pull that</el-button>
  </p>
</template>

<style scoped>
.other {
  margin: 6px 0 0;
  font-size: 12px;
  color: var(--muted);
}
b {
  font-weight: 600;
}
</style>
