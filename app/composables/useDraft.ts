import { useSessionStorage } from '@vueuse/core'
import { computed, type Ref } from 'vue'
import { parseLength, type LengthEntry } from '#core/quantity/parse-length'
import { counterReading } from '#core/method/dial/dial'
import { ZERO, type LengthUnit, type Nm } from '#core/quantity/length'
import type { PointReading } from '#core/check/document'

/** What is being typed: kept in this tab, over a reload, until it is logged. `asked` holds answers to ambiguous entries. */
export interface Draft { start: string, far: string, back: string, springBack: boolean, asked: Record<string, number> }
export const EMPTY_DRAFT: Draft = { start: '', far: '', back: '', springBack: false, asked: {} }

/**
 * The reading being typed for one check, and what it would be if it were logged now.
 * @param unit  what a bare figure means
 * @param perTurn  travel of one turn of the dial, for `2:37` (turns on the counter, then the pointer); null without a counter
 */
export function useDraft(checkId: string, unit: Ref<LengthUnit>, plausible: Ref<Nm>, point: Ref<string>, perTurn: Ref<Nm | null>) {
  const draft = useSessionStorage<Draft>(`finitum.draft.${checkId}`, { ...EMPTY_DRAFT }, { mergeDefaults: true })

  function read(text: string): LengthEntry {
    const answer = draft.value.asked[`${unit.value}:${text}`]
    if (answer !== undefined) return { ok: true, value: answer as Nm, unit: unit.value, rounded: false }
    const turns = /^\s*([+-−]?\d{1,3})\s*:\s*(.+)$/.exec(text)
    if (turns) return withTurns(Number(turns[1]!.replace('−', '-')), turns[2]!)
    return parseLength(text, unit.value, { plausible: plausible.value, name: 'play' })
  }
  function withTurns(turns: number, pointer: string): LengthEntry {
    if (perTurn.value === null) return { ok: false, reason: 'This dial has no revolution counter.' }
    const read = parseLength(pointer, unit.value)
    if (!read.ok) return read
    if (read.value < 0 || read.value >= perTurn.value) return { ok: false, reason: 'After the turns comes the pointer: less than one turn.' }
    return { ...read, value: counterReading(turns, perTurn.value, read.value) }
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
