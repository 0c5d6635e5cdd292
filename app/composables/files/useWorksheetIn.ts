import { WORKSHEET_LARGEST } from '#core/worksheet/worksheet'
import { useFileIn } from '~/composables/files/useFileIn'
import type { ImportResult } from '#shared/types'

/** A worksheet on its way in. @param done  when it is there, or may be */
export function useWorksheetIn(done: () => void) {
  const { send, helps, ...way } = useFileIn<ImportResult>('application/json')
  const result = ref<ImportResult | null>(null)
  const clash = ref<string | null>(null)

  async function bring(text: string, copy = false): Promise<void> {
    result.value = null
    clash.value = null
    result.value = await send(`/api/worksheets${copy ? '?copy=yes' : ''}`, text)
    clash.value = helps.value === 'copy' ? text : null
    // Broken off too late, it is there all the same.
    if (result.value || way.cancelled.value) done()
  }
  async function picked(file: File): Promise<void> {
    if (file.size <= WORKSHEET_LARGEST) return bring(await file.text())
    result.value = null
    clash.value = null
    way.faults.value = [{ path: file.name, reason: `The file is larger than ${WORKSHEET_LARGEST / 1e6} MB.` }]
  }
  return reactive({ ...way, result, clash, picked, asCopy: () => bring(clash.value!, true) })
}
export type WorksheetIn = ReturnType<typeof useWorksheetIn>
