import { useSessionStorage } from '@vueuse/core'
import { computed, type Ref } from 'vue'
import { parseLength, type LengthEntry } from '#core/quantity/parse-length'
import { ZERO, type LengthUnit, type Nm } from '#core/quantity/length'
import type { PointReading } from '#core/check/document'

/** What is being typed: kept in this tab, over a reload, until it is logged. `asked` holds answers to ambiguous entries. */
export interface Draft { start: string, far: string, back: string, springBack: boolean, asked: Record<string, number> }
export const EMPTY_DRAFT: Draft = { start: '', far: '', back: '', springBack: false, asked: {} }

/**
 * The reading being typed for one check, and what it would be if it were logged now.
 * @param unit  what a bare figure means
 */
export function useDraft(checkId: string, unit: Ref<LengthUnit>, plausible: Ref<Nm>, point: Ref<string>) {
  const draft = useSessionStorage<Draft>(`finitum.draft.${checkId}`, { ...EMPTY_DRAFT }, { mergeDefaults: true })

  function read(text: string): LengthEntry {
    const answer = draft.value.asked[`${unit.value}:${text}`]
    if (answer !== undefined) return { ok: true, value: answer as Nm, unit: unit.value, rounded: false }
    return parseLength(text, unit.value, { plausible: plausible.value, name: 'play' })
  }
  const entry = (text: string): LengthEntry => (text.trim() === '' ? { ok: true, value: ZERO, unit: unit.value, rounded: false } : read(text))
  const start = computed(() => entry(draft.value.start))
  const far = computed(() => read(draft.value.far))
  /** Blank: returned to where it started. */
  const back = computed(() => (draft.value.back.trim() === '' ? start.value : entry(draft.value.back)))

  const reading = computed<Omit<PointReading, 'id' | 'at'> | null>(() => {
    const [s, f, b] = [start.value, far.value, back.value]
    if (!s.ok || !f.ok || !b.ok) return null
    return { point: point.value, start: s.value, far: f.value, back: b.value, ...(draft.value.springBack ? { springBack: true } : {}) }
  })
  const answer = (text: string, value: number) => { draft.value = { ...draft.value, asked: { ...draft.value.asked, [`${unit.value}:${text}`]: value } } }
  const clear = () => { draft.value = { ...EMPTY_DRAFT } }
  return { draft, start, far, back, reading, answer, clear }
}
