import { shallowRef, watch, type Ref } from 'vue'
import { Refused, type ParameterReport } from '../../api/client'
import { latest } from '../../common/latest'
import { parameters } from '../../core/computed'
import { useProject } from '../../project/useProject'

/** What was computed of an effect's parameters; asked for anew when anything changed, while it is shown. */
export function useParameters(part: Ref<number>, shown: Ref<boolean>) {
  const project = useProject()
  const report = shallowRef<ParameterReport>()
  const failure = shallowRef('')
  const fetch = latest<void>(async () => {
    const id = part.value
    if (!shown.value || !project.parts.get(id)) return
    try {
      const next = await parameters(project, id, project.draftList)
      if (id === part.value) report.value = next
      failure.value = ''
    } catch (e) {
      if (!(e instanceof Refused)) throw e
      failure.value =
        e.status === 0 ? 'The server does not answer; the table is as it was.' : (e.refusal.detail ?? '')
    }
  })
  watch(part, () => (report.value = undefined))
  watch([part, shown, () => project.content], () => fetch(undefined), { immediate: true })
  return { report, failure }
}
