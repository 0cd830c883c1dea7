<script setup lang="ts">
import { computed } from 'vue'
import TextField from '../../common/TextField.vue'
import Choice from '../../common/Choice.vue'
import type { NoticeValue, Rope, Vector } from '../../api/bundle'
import { at, putOrPrune } from '../../common/paths'
import ColourField from '../../effect/ColourField.vue'
import { explanation } from '../../common/explained'
import NumberField from '../../common/NumberField.vue'
import { useProject } from '../../project/useProject'
import CarriedRows from './CarriedRows.vue'
import type { Row } from './rows'

/** Lines of a sheet, each setting one thing of the rope; what is as usual is left unsaid. */
const props = defineProps<{ rows: Row[]; rope: Rope }>()
const emit = defineEmits<{ change: [edit: (rope: Rope) => void, save: boolean] }>()
const project = useProject()

const value = (row: Row) => at(props.rope, row.path)
const names = computed(() => ({
  effect: project.effects.map((e) => e.body.name),
  event: project.events.map((e) => e.body.name),
  place: project.places.map((p) => p.body.name),
}))

function set(row: Row, next: unknown, save = true) {
  const usual = 'usual' in row ? row.usual : undefined
  // The members of a companion are never left out.
  const left = next === usual && !row.path.startsWith('with.') ? undefined : next
  const put = left === false || left === '' ? undefined : left
  emit(
    'change',
    (rope) => {
      putOrPrune(rope, row.path, put)
      // Without a notice there is nothing that could carry values.
      if (put === undefined && row.path.endsWith('.notice'))
        putOrPrune(rope, row.path.replace(/notice$/, 'values'), undefined)
    },
    save,
  )
}
function setAxis(row: Row & { kind: 'vector' }, axis: number, next: number, save: boolean) {
  const vector = [...((value(row) as Vector | undefined) ?? row.usual)] as Vector
  vector[axis] = next
  set(row, vector, save)
}
const said = (row: Row) => value(row) as string | undefined
</script>

<template>
  <div
    v-for="row in rows"
    :key="row.path"
    class="line"
    :class="{ tall: row.kind === 'vector' }"
    :data-explains="explanation('Rope', row.explains ?? row.path)"
  >
    <el-checkbox
      v-if="row.kind === 'flag'"
      class="flag"
      :model-value="!!value(row)"
      @change="set(row, $event)"
      >{{ row.label }}</el-checkbox
    >
    <template v-else-if="row.kind === 'number'">
      <el-checkbox
        v-if="row.usual === undefined"
        class="flag"
        :model-value="value(row) !== undefined"
        @change="set(row, $event ? (row.first ?? row.least) : undefined)"
        >{{ row.label }}</el-checkbox
      >
      <span v-else>{{ row.label }}</span>
      <NumberField
        v-if="row.usual !== undefined || value(row) !== undefined"
        :value="(value(row) as number | undefined) ?? row.usual ?? 0"
        :label="row.label"
        :unit="row.unit"
        :kind="row.unit === 's' ? 'time' : 'plain'"
        :least="row.least"
        :most="row.most"
        :step="row.step ?? 0.1"
        :steps-per-second="project.stepsPerSecond"
        @draft="set(row, $event, false)"
        @commit="set(row, $event)"
      />
    </template>
    <template v-else-if="row.kind === 'choice'">
      <span>{{ row.label }}</span>
      <Choice :value="value(row) ?? row.usual" :label="row.label" @choose="set(row, $event)">
        <option v-for="[v, words] in row.options" :key="v" :value="v">{{ words }}</option>
      </Choice>
    </template>
    <template v-else-if="row.kind === 'name'">
      <span>{{ row.label }}</span>
      <Choice :value="value(row) ?? ''" :label="row.label" @choose="set(row, $event)">
        <option v-if="row.optional || value(row) === undefined" value="">
          {{ row.optional ? 'nothing' : 'choose…' }}
        </option>
        <option v-for="n in names[row.of]" :key="n">{{ n }}</option>
      </Choice>
    </template>
    <template v-else-if="row.kind === 'text'">
      <span>{{ row.label }}</span>
      <TextField
        class="text"
        :value="said(row)"
        :label="row.label"
        maxlength="80"
        :demanded="!row.optional"
        :take="(text) => set(row, text || undefined)"
      />
    </template>
    <template v-else-if="row.kind === 'colour'">
      <el-checkbox
        v-if="row.optional"
        class="flag"
        :model-value="value(row) !== undefined"
        @change="set(row, $event ? '#FFD9A0FF' : undefined)"
        >{{ row.label }}</el-checkbox
      >
      <span v-else>{{ row.label }}</span>
      <ColourField
        v-if="!row.optional || value(row) !== undefined"
        :value="(value(row) as string | undefined) ?? row.usual ?? '#FFFFFFFF'"
        :label="row.label"
        @draft="set(row, $event, false)"
        @commit="set(row, $event)"
      />
    </template>
    <CarriedRows
      v-else-if="row.kind === 'carried'"
      class="wide"
      :values="(value(row) as NoticeValue[] | undefined) ?? []"
      :rope="rope"
      :label="row.label"
      @set="(values, save) => set(row, values.length ? values : undefined, save)"
    />
    <template v-else-if="row.kind === 'vector'">
      <div v-for="(axis, i) in row.axes" :key="axis" class="axis">
        <span>{{ axis }}</span>
        <NumberField
          :value="((value(row) as Vector | undefined) ?? row.usual)[i]"
          :label="`${row.label === 'offset' ? 'Offset' : row.label} ${axis}`"
          :unit="row.unit"
          :least="-row.most"
          :most="row.most"
          @draft="setAxis(row, i, $event, false)"
          @commit="setAxis(row, i, $event, true)"
        />
      </div>
    </template>
  </div>
</template>

<style scoped>
.line {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
  padding: 3px 8px;
  min-height: 26px;
}
.wide {
  flex: 1;
  padding: 0;
}
.tall {
  flex-direction: column;
  align-items: stretch;
  gap: 4px;
}
.axis {
  display: flex;
  justify-content: space-between;
  gap: 12px;
}
.flag {
  display: inline-flex;
  align-items: center;
  gap: 7px;
}
.text {
  max-width: 190px;
}
</style>
