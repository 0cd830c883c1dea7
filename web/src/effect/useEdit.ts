import { computed, inject, provide, type ComputedRef, type InjectionKey, type Ref } from 'vue'
import type { Effect, Emitter } from '../api/bundle'
import type { EffectReport, EmitterReport } from '../api/client'
import { put } from '../common/paths'
import { useProject } from '../project/useProject'

/** One emitter of an effect while it is shaped: as it is now, as it was before, and as it played. */
export interface Edit {
  effect: ComputedRef<Effect>
  emitter: ComputedRef<Emitter>
  /** The same emitter in the version that this one is compared with. */
  before: ComputedRef<Emitter | undefined>
  report: ComputedRef<EmitterReport | undefined>
  /** Changes a copy of the emitter and shows it; saves it too if asked. */
  change: (edit: (emitter: Emitter) => void, save: boolean) => void
  changeEffect: (edit: (effect: Effect) => void, save: boolean) => void
}

const KEY: InjectionKey<Edit> = Symbol('edit')

export function provideEdit(of: {
  part: ComputedRef<number>
  effect: ComputedRef<Effect>
  base: ComputedRef<Effect | undefined>
  report: ComputedRef<EffectReport | undefined>
  at: Ref<number>
}): Edit {
  const project = useProject()
  const index = computed(() => Math.min(of.at.value, of.effect.value.emitters.length - 1))
  const emitter = computed(() => of.effect.value.emitters[index.value])
  function changeEffect(edit: (effect: Effect) => void, save: boolean) {
    const next = JSON.parse(JSON.stringify(of.effect.value)) as Effect
    edit(next)
    if (save) project.commit(of.part.value, next)
    else project.draft(of.part.value, next)
  }
  const edit: Edit = {
    effect: of.effect,
    emitter,
    before: computed(() => of.base.value?.emitters.find((e) => e.seed === emitter.value.seed)),
    report: computed(() => of.report.value?.emitters.find((e) => e.name === emitter.value.name)),
    change: (change, save) => changeEffect((effect) => change(effect.emitters[index.value]), save),
    changeEffect,
  }
  provide(KEY, edit)
  return edit
}

export function useEdit(): Edit {
  return inject(KEY)!
}

/** Handlers of a field that sets what lies at a path of the emitter. */
export function sets(edit: Edit, path: string) {
  return {
    onDraft: (value: unknown) => edit.change((e) => put(e, path, value), false),
    onCommit: (value: unknown) => edit.change((e) => put(e, path, value), true),
  }
}
