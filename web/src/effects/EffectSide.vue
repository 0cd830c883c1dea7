<script setup lang="ts">
import { computed, nextTick } from 'vue'
import type { EffectReport, FindingReport } from '../api/client'
import type { Emitter } from '../api/bundle'
import { showNumber } from '../common/numberText'
import { useEdit } from '../effect/useEdit'
import { useProject } from '../project/useProject'
import EmitterList from './EmitterList.vue'
import { TYPES, typeOf } from './turn/parameters'

/** Beside the effect: its emitters, what answers to what, what to look at, and who plays it. */
const props = defineProps<{ part: number; report?: EffectReport }>()
const at = defineModel<number>('at', { required: true })
const alone = defineModel<string>('alone')
const emit = defineEmits<{ parameter: [name: string | undefined] }>()
const edit = useEdit()
const project = useProject()
const effect = computed(() => edit.effect.value)
const users = computed(() =>
  project.ropes.filter((r) =>
    [r.body.play, r.body.run?.start, r.body.run?.end, ...(r.body.then ?? []).map((f) => f.play)].includes(
      effect.value.name,
    ),
  ),
)
const parents = computed(() =>
  project.effects.filter((e) =>
    e.body.emitters.some((m) => m.end?.children?.some((c) => c.effect === effect.value.name)),
  ),
)

function answering(parameter: string, i: number): string[] {
  return props.report?.answers.find((a) => a.parameter === parameter)?.emitters[i] ?? []
}
function gives(name: string) {
  const p = effect.value.parameters.find((x) => x.name === name)!
  return p.least !== undefined && p.most !== undefined
    ? `${showNumber(p.least)}–${showNumber(p.most)} ${p.unit ?? ''}`
    : p.options
      ? `${p.options.length} words`
      : typeOf(p) === 'vector'
        ? 'x, y, z'
        : TYPES[typeOf(p)]
}
function mend(finding: FindingReport) {
  project.commit(props.part, finding.mended)
}
function lead(finding: FindingReport) {
  const i = effect.value.emitters.findIndex((e: Emitter) => e.name === finding.emitter)
  if (i >= 0) at.value = i
  const parameter = /^parameters\/(\d+)/.exec(finding.place)
  if (parameter) emit('parameter', effect.value.parameters[Number(parameter[1])]?.name)
  // The setting's own row, or the lane, of that emitter, once it is there.
  const path = finding.place.replace(/^emitters\/\d+\//, '').split('/')
  nextTick(() => {
    for (let n = path.length; n > 0; n--) {
      const row = document.querySelector<HTMLElement>(`[data-setting="${path.slice(0, n).join('.')}"]`)
      const field = row?.querySelector<HTMLElement>('input, select, .key, button')
      if (row) {
        row.scrollIntoView({ block: 'nearest' })
        field?.focus()
        return
      }
    }
  })
}
const findings = computed(() => props.report?.findings ?? [])
/** Names of more emitters than this do not fit beside each other. */
const FEW = 3
</script>

<template>
  <aside aria-label="About the effect">
    <slot />
    <EmitterList v-model:at="at" v-model:alone="alone" :report="report" />
    <section aria-label="What answers to what">
      <h2>What answers to what</h2>
      <table v-if="effect.parameters.length" :class="{ upright: effect.emitters.length > FEW }">
        <thead>
          <tr>
            <td></td>
            <th v-for="e in effect.emitters" :key="e.seed" scope="col">
              <span>{{ e.name }}</span>
            </th>
            <th scope="col">gives</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="p in effect.parameters" :key="p.name">
            <th scope="row">
              <el-button link class="opens" :title="p.description" @click="emit('parameter', p.name)">
                {{ p.name }}
              </el-button>
            </th>
            <td v-for="(e, i) in effect.emitters" :key="e.seed">
              <span
                v-if="answering(p.name, i).length"
                class="mark"
                :title="answering(p.name, i).join(', ')"
                :style="{ width: 6 + 6 * answering(p.name, i).length + 'px' }"
              >
                <span class="visually-hidden">{{ answering(p.name, i).join(', ') }}</span>
              </span>
              <span v-else class="quiet" :title="`${e.name} does not answer to ${p.name}`">no</span>
            </td>
            <td class="gives">{{ gives(p.name) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-else class="quiet">No parameters: game code cannot turn anything here.</p>
      <el-button link class="link" @click="emit('parameter', undefined)"
        >how strongly, and all parameters</el-button
      >
    </section>
    <section aria-label="Findings" data-testid="findings">
      <h2>
        {{
          findings.length === 0
            ? 'No findings'
            : findings.length === 1
              ? '1 finding'
              : `${findings.length} findings`
        }}
      </h2>
      <p v-for="f in findings" :key="f.check + f.emitter" class="finding" :data-check="f.check">
        <el-button
          link
          class="about"
          :class="f.severity"
          :title="`${f.severity}; about ${f.place}`"
          @click="lead(f)"
        >
          {{ f.emitter || effect.name }}
        </el-button>
        {{ f.words }}.
        <el-button link v-if="f.remedy" class="link" @click="mend(f)">{{ f.remedy }}</el-button>
      </p>
    </section>
    <section aria-label="Used by">
      <h2>
        {{
          users.length + parents.length === 0
            ? 'No rope uses it'
            : users.length === 1
              ? 'Used by 1 rope'
              : `Used by ${users.length} ropes`
        }}
      </h2>
      <p v-for="r in users" :key="r.id" class="rope">
        <template v-for="(w, i) in project.sentences.get(r.id) ?? []" :key="i"
          ><b v-if="w.slot !== 'words'" :class="{ overridden: w.slot === 'overrides' }">{{ w.text }}</b
          ><template v-else>{{ w.text }}</template></template
        >
      </p>
      <p v-for="e in parents" :key="e.id" class="rope">
        Begun by particles of <b>{{ e.body.name }}</b>
      </p>
      <RouterLink v-if="users.length" class="link" to="/">to the ropes</RouterLink>
    </section>
  </aside>
</template>

<style scoped>
.overridden {
  color: var(--amber);
}
aside {
  border-left: 1px solid var(--line);
  overflow-y: auto;
  min-height: 0;
}
section {
  padding: 10px 14px;
  border-bottom: 1px solid var(--line);
}
table {
  width: 100%;
  table-layout: fixed;
  border-collapse: collapse;
  margin-top: 4px;
  font-size: 12px;
}
th {
  font-weight: 400;
  text-align: center;
  color: var(--muted);
}
thead tr > :first-child {
  width: 60px;
}
thead tr > :last-child {
  width: 62px;
}
thead th span {
  display: block;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
/* Of many emitters the names stand upright, so that none is cut. */
.upright thead th:not(:last-child) span {
  display: inline-block;
  writing-mode: vertical-rl;
  transform: rotate(180deg);
  max-height: 90px;
}
tbody th {
  text-align: left;
  color: var(--ink);
}
td {
  text-align: center;
  padding: 4px 2px;
  border-top: 1px solid var(--line);
}
tbody th {
  border-top: 1px solid var(--line);
}
.mark {
  display: inline-block;
  max-width: 100%;
  height: 8px;
  border-radius: 2px;
  background: #c79a4f;
}
.opens {
  border-bottom: 1px dotted var(--bronze);
  min-height: 24px;
  overflow: hidden;
  text-overflow: ellipsis;
  max-width: 64px;
}
.gives {
  color: var(--muted);
  white-space: nowrap;
}
.finding {
  margin: 6px 0 0;
}
.about {
  font-weight: 600;
  color: var(--amber);
}
.about.wrong {
  color: var(--vermilion);
}
.about.wrong::before {
  content: '! ';
}
.rope {
  margin: 4px 0;
}
.rope b {
  font-weight: 600;
}
</style>
