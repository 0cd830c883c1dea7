<script setup lang="ts">
import { computed, onBeforeUnmount, reactive, ref, watch } from 'vue'
import Choice from '../common/Choice.vue'
import type { Sheet } from '../api/bundle'
import NumberField from '../common/NumberField.vue'
import { bounds, setting } from '../common/settings'
import { useProject } from '../project/useProject'
import { useSheet } from '../common/useKeys'

/** Brings a picture or a sheet of frames: chosen, seen cut, named. The server judges it by what it is. */
const emit = defineEmits<{ close: []; brought: [name: string] }>()
const project = useProject()
const open = ref(true)
const name = ref('')
const picture = ref('')
const pixels = reactive({ width: 0, height: 0 })
const sheet = reactive<Sheet>({ columns: 1, rows: 1, frames: 1, order: 'by rows', perSecond: 12 })
const problems = ref<string[]>([])
const busy = ref(false)
const chosen = ref('')
const frame = ref(0)

async function choose(file: File) {
  problems.value = []
  picture.value = ''
  pixels.width = pixels.height = 0
  chosen.value = file.name
  if (!name.value) name.value = file.name.replace(/\.[^.]*$/, '').replace(/[-_]+/g, ' ')
  const url = await new Promise<string>((done, fail) => {
    const reader = new FileReader()
    reader.onload = () => done(reader.result as string)
    reader.onerror = () => fail(reader.error)
    reader.readAsDataURL(file)
  })
  picture.value = url.slice(url.indexOf(',') + 1)
  const image = new Image()
  image.onload = () => Object.assign(pixels, { width: image.width, height: image.height })
  image.src = url
}
const source = computed(() => (picture.value ? `data:image/png;base64,${picture.value}` : ''))
function setGrid(key: 'columns' | 'rows', value: number) {
  sheet[key] = value
  sheet.frames = Math.min(setting('Sheet', 'frames').most, sheet.columns * sheet.rows)
}
const shown = computed(() => {
  const i = Math.floor(frame.value) % sheet.frames
  const column = sheet.order === 'by rows' ? i % sheet.columns : Math.floor(i / sheet.rows)
  const row = sheet.order === 'by rows' ? Math.floor(i / sheet.columns) : i % sheet.rows
  return {
    backgroundImage: `url(${source.value})`,
    backgroundSize: `${sheet.columns * 100}% ${sheet.rows * 100}%`,
    backgroundPosition: `${sheet.columns > 1 ? (100 * column) / (sheet.columns - 1) : 0}% ${sheet.rows > 1 ? (100 * row) / (sheet.rows - 1) : 0}%`,
  }
})
let timer: ReturnType<typeof setInterval> | undefined
watch(
  () => sheet.perSecond,
  (perSecond) => {
    clearInterval(timer)
    timer = setInterval(() => frame.value++, 1000 / perSecond)
  },
  { immediate: true },
)
onBeforeUnmount(() => clearInterval(timer))

async function bring() {
  busy.value = true
  problems.value = []
  const single = sheet.columns * sheet.rows === 1
  const id = await project.add('sprite', {
    name: name.value.trim(),
    picture: picture.value,
    ...(single ? {} : { sheet: { ...sheet } }),
  })
  busy.value = false
  if (id) {
    emit('brought', name.value.trim())
    open.value = false
  } else {
    const refusal = project.refusal
    problems.value = refusal?.problems?.length
      ? refusal.problems.map((p) => `${p.place.replace(/^\//, '')}: ${p.given}: ${p.allowed}`)
      : [refusal?.detail ?? refusal?.title ?? 'Not taken.']
    project.refusal = undefined
  }
}
useSheet()
</script>

<template>
  <el-dialog
    v-model="open"
    title="Bring a picture"
    width="640"
    top="10vh"
    append-to-body
    @closed="emit('close')"
  >
    <div class="bring" @keydown.stop>
      <p>
        <el-upload
          class="upload"
          accept="image/png,.png"
          aria-label="Picture, a PNG"
          :auto-upload="false"
          :show-file-list="false"
          @change="choose($event.raw!)"
        >
          <span class="button">{{ chosen || 'Choose a PNG…' }}</span>
        </el-upload>
        <span class="quiet">
          &ensp;a PNG of at most 1 MB and 2048 × 2048 px, one picture or frames side by side</span
        >
      </p>
      <p>
        <label
          >name
          <el-input
            v-model="name"
            size="small"
            class="name"
            maxlength="80"
            aria-label="Name of the sprite"
            autocomplete="off"
        /></label>
      </p>
      <p class="grid">
        <NumberField
          v-bind="bounds('Sprite', 'sheet.columns')"
          :value="sheet.columns"
          label="Columns"
          unit="columns"
          :step="1"
          @draft="setGrid('columns', $event)"
          @commit="setGrid('columns', $event)"
        />
        <NumberField
          v-bind="bounds('Sprite', 'sheet.rows')"
          :value="sheet.rows"
          label="Rows"
          unit="rows"
          :step="1"
          @draft="setGrid('rows', $event)"
          @commit="setGrid('rows', $event)"
        />
        <NumberField
          :value="sheet.frames"
          label="Frames used"
          kind="whole"
          unit="frames"
          :step="1"
          :least="1"
          :most="Math.min(setting('Sheet', 'frames').most, sheet.columns * sheet.rows)"
          @draft="sheet.frames = $event"
          @commit="sheet.frames = $event"
        />
        <Choice
          :value="sheet.order"
          @choose="sheet.order = $event as typeof sheet.order"
          v-explains="'Sheet.order'"
          label="Order of the frames"
        >
          <option>by rows</option>
          <option>by columns</option>
        </Choice>
        <NumberField
          v-bind="bounds('Sprite', 'sheet.perSecond')"
          :value="sheet.perSecond"
          label="Frames a second"
          :step="1"
          @draft="sheet.perSecond = $event"
          @commit="sheet.perSecond = $event"
        />
      </p>
      <div v-if="pixels.width" class="look">
        <div class="cut" :style="{ aspectRatio: `${pixels.width} / ${pixels.height}` }">
          <img :src="source" alt="The picture with its cuts" />
          <span
            v-for="c in sheet.columns - 1"
            :key="'c' + c"
            class="v"
            :style="{ left: (100 * c) / sheet.columns + '%' }"
          />
          <span
            v-for="r in sheet.rows - 1"
            :key="'r' + r"
            class="h"
            :style="{ top: (100 * r) / sheet.rows + '%' }"
          />
        </div>
        <div class="played" :style="shown" role="img" aria-label="The frames, played" />
        <span class="quiet">{{ pixels.width }} × {{ pixels.height }} px</span>
      </div>
      <p v-for="p in problems" :key="p" class="bad" role="alert">{{ p }}</p>
      <p>
        <el-button type="primary" :disabled="!picture || !name.trim() || busy" @click="bring">
          {{ busy ? 'bringing…' : 'Bring it and use it here' }}
        </el-button>
      </p>
    </div>
  </el-dialog>
</template>

<style scoped>
.grid {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: baseline;
}
.name {
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--card);
  padding: 3px 8px;
}
.look {
  display: flex;
  gap: 16px;
  align-items: end;
}
.cut {
  position: relative;
  width: 320px;
  max-height: 300px;
  background: var(--stage);
  border-radius: 3px;
  overflow: hidden;
}
.cut img {
  width: 100%;
  height: 100%;
  display: block;
}
.cut span {
  position: absolute;
  background: var(--bronze-soft);
}
.v {
  width: 1px;
  top: 0;
  bottom: 0;
}
.h {
  height: 1px;
  left: 0;
  right: 0;
}
.played {
  width: 96px;
  height: 96px;
  background-color: var(--stage);
  border-radius: 3px;
}
</style>
