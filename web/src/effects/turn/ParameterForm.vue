<script setup lang="ts">
import { computed } from 'vue'
import TextField from '../../common/TextField.vue'
import Choice from '../../common/Choice.vue'
import type { Datum, Effect, Parameter, ParameterType, Vector } from '../../api/bundle'
import NumberField from '../../common/NumberField.vue'
import ColourField from '../../effect/ColourField.vue'
import { useProject } from '../../project/useProject'
import { choosesSprites, FAR, numeric, retyped, TYPES, typeOf, inWords } from './parameters'

/** What game code is told of a parameter: name, type, default, bounds, step, unit and a sentence. */
const props = defineProps<{ effect: Effect; parameter: Parameter; value: Datum }>()
const emit = defineEmits<{
  change: [edit: (p: Parameter) => void, save: boolean]
  replace: [parameter: Parameter]
  rename: [name: string]
  remove: []
}>()
const p = computed(() => props.parameter)
const type = computed(() => typeOf(p.value))
const project = useProject()
const sprites = computed(() => project.sprites.map((s) => s.body.name))
const set = <K extends keyof Parameter>(key: K, value: Parameter[K] | undefined, save = true) =>
  emit(
    'change',
    (x) => {
      if (value === undefined) delete x[key]
      else x[key] = value
    },
    save,
  )
function words(text: string) {
  options(
    text
      .split(',')
      .map((w) => w.trim())
      .filter(Boolean),
  )
}
function options(list: string[]) {
  emit(
    'change',
    (x) => {
      x.options = list
      if (!list.includes(x.default as string)) x.default = list[0] ?? ''
      for (const b of x.bindings) if (b.property !== 'sprite') b.each = list.map((_, i) => b.each?.[i] ?? 1)
    },
    true,
  )
}
function axis(i: number, v: number, save: boolean) {
  const next = [...(p.value.default as Vector)] as Vector
  next[i] = v
  set('default', next, save)
}
const turned = computed(() => JSON.stringify(props.value) !== JSON.stringify(p.value.default))
</script>

<template>
  <div class="form">
    <div class="field">
      <span class="quiet">name</span>
      <TextField
        :value="p.name"
        v-explains="'Parameter.name'"
        label="Name of the parameter"
        demanded
        :take="(text) => emit('rename', text)"
      />
    </div>
    <div class="field">
      <span class="quiet">takes</span>
      <Choice
        :value="type"
        v-explains="'Parameter.type'"
        label="Type of the parameter"
        @choose="emit('replace', retyped(p, $event as ParameterType))"
      >
        <option v-for="(words, t) in TYPES" :key="t" :value="t">{{ words }}</option>
      </Choice>
    </div>
    <div v-if="type === 'choice'" class="field">
      <span class="quiet">words</span>
      <el-checkbox-group
        v-if="choosesSprites(p)"
        class="sprites"
        :model-value="p.options"
        :min="2"
        aria-label="Sprites to choose from"
        v-explains="'Parameter.options'"
        @change="options($event as string[])"
      >
        <el-checkbox v-for="s in sprites" :key="s" :value="s" :label="s" />
      </el-checkbox-group>
      <TextField
        v-else
        :value="p.options?.join(', ')"
        v-explains="'Parameter.options'"
        label="Words, with commas between them"
        demanded
        :take="words"
      />
    </div>
    <div class="field">
      <span class="quiet">default</span>
      <span>
        <NumberField
          v-if="numeric(p)"
          :value="p.default as number"
          v-explains="'Parameter.default'"
          label="Default"
          :kind="type === 'whole' ? 'whole' : 'plain'"
          :unit="p.unit || ' '"
          :least="p.free ? -FAR : p.least"
          :most="p.free ? FAR : p.most"
          @draft="set('default', $event, false)"
          @commit="set('default', $event)"
        />
        <el-checkbox
          v-else-if="type === 'flag'"
          :model-value="p.default as boolean"
          aria-v-explains="'Parameter.default'"
          label="Default"
          @change="set('default', !!($event || undefined))"
          >yes</el-checkbox
        >
        <Choice
          v-else-if="type === 'choice'"
          :value="p.default"
          v-explains="'Parameter.default'"
          label="Default"
          @choose="set('default', $event)"
        >
          <option v-for="o in p.options" :key="o">{{ o }}</option>
        </Choice>
        <template v-else-if="type === 'vector'">
          <NumberField
            v-for="(v, i) in p.default as Vector"
            :key="i"
            :value="v"
            :label="`Default, ${['x', 'y', 'z'][i]}`"
            :unit="i === 2 ? p.unit || ' ' : ' '"
            @draft="axis(i, $event, false)"
            @commit="axis(i, $event, true)"
          />
        </template>
        <ColourField
          v-else
          :value="(p.default as string).padEnd(9, 'F')"
          v-explains="'Parameter.default'"
          label="Default"
          @draft="set('default', p.opacity ? $event : $event.slice(0, 7), false)"
          @commit="set('default', p.opacity ? $event : $event.slice(0, 7))"
        />
      </span>
    </div>
    <el-button link v-if="turned" class="link" @click="set('default', value)">
      Make {{ inWords(value) }} the default
    </el-button>
    <div v-if="numeric(p)" class="field">
      <span class="quiet">from, to</span>
      <span>
        <NumberField
          :value="p.least ?? 0"
          v-explains="'Parameter.least'"
          label="Least"
          unit=" "
          :most="p.free ? p.most : Math.min(p.most ?? 1, p.default as number)"
          @draft="set('least', $event, false)"
          @commit="set('least', $event)"
        />
        –
        <NumberField
          :value="p.most ?? 1"
          v-explains="'Parameter.most'"
          label="Most"
          :least="p.free ? p.least : Math.max(p.least ?? 0, p.default as number)"
          :unit="p.unit || ' '"
          @draft="set('most', $event, false)"
          @commit="set('most', $event)"
        />
      </span>
    </div>
    <el-checkbox
      v-if="numeric(p)"
      class="tick"
      v-explains="'Parameter.free'"
      :model-value="p.free"
      @change="set('free', ($event || undefined) as true | undefined)"
      >values beyond are taken too</el-checkbox
    >
    <div v-if="type === 'vector'" class="field">
      <span class="quiet">each axis up to</span>
      <NumberField
        :value="p.most ?? 1"
        v-explains="'Parameter.most'"
        label="Most of each axis"
        :unit="p.unit || ' '"
        @commit="set('most', $event)"
      />
    </div>
    <div v-if="numeric(p)" class="field">
      <span class="quiet">in steps of</span>
      <NumberField
        :value="p.step ?? 0"
        v-explains="'Parameter.step'"
        label="Step"
        :unit="p.step ? p.unit || ' ' : 'any'"
        :least="0"
        :step="0.05"
        @commit="set('step', $event || undefined)"
      />
    </div>
    <div v-if="type !== 'flag' && type !== 'choice' && type !== 'colour'" class="field">
      <span class="quiet">unit</span>
      <TextField
        class="short"
        :value="p.unit"
        v-explains="'Parameter.unit'"
        label="Unit of the parameter"
        :take="(text) => set('unit', text)"
      />
    </div>
    <el-checkbox
      v-if="type === 'colour'"
      class="tick"
      v-explains="'Parameter.opacity'"
      :model-value="p.opacity"
      @change="set('opacity', ($event || undefined) as true | undefined)"
      >has opacity</el-checkbox
    >
    <el-checkbox
      v-if="type === 'number'"
      class="tick"
      v-explains="'Parameter.scale'"
      :model-value="p.scale"
      @change="set('scale', ($event || undefined) as true | undefined)"
      >uniform scale of it all</el-checkbox
    >
    <el-checkbox
      class="tick"
      v-explains="'Parameter.byGame'"
      :model-value="p.byGame"
      @change="set('byGame', ($event || undefined) as true | undefined)"
      >game code sets it</el-checkbox
    >
    <TextField
      :value="p.description"
      :lines="2"
      maxlength="1000"
      v-explains="'Parameter.description'"
      label="What it is for, in a sentence"
      placeholder="What it is for, in a sentence"
      :take="(text) => set('description', text)"
    />
    <el-button link class="link" @click="emit('remove')">Remove {{ p.name }}</el-button>
  </div>
</template>

<style scoped>
.sprites {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 12px;
}
input.short {
  width: 60px;
}
.tick {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 24px;
}
</style>
