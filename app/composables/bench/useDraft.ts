import { useSessionStorage } from '@vueuse/core'
import { computed, watch, type Ref } from 'vue'
import { isLengthUnit, parseFigure, type Exact, type FigureEntry, type Unit } from '#core/quantity/figure'
import { parseLength, parseRange } from '#core/quantity/parse-length'
import type { EntryOptions } from '#core/quantity/question'
import { parseSum } from '#core/quantity/parse-sum'
import { counterReading } from '#core/method/dial/dial'
import { ZERO, type Nm } from '#core/quantity/length'
import type { PointReading } from '#core/check/document'
import { zeroAnswer } from '#core/method/zero-words'
import { parseTemperature } from '#core/quantity/temperature'
import type { Entry, Stone } from '#core/reading/reading'

/** What is being typed at one point: kept in this tab, over a reload, until it is logged. */
export interface Draft {
  start: string
  far: string
  back: string
  springBack: boolean
  leaves: string
  celsius: string
  stone: Stone | ''
  /** What an entry was said to mean that can be read in two ways, by its text: for as long as that stands in a field. */
  asked: Record<string, number>
}
export const EMPTY_DRAFT: Draft = { start: '', far: '', back: '', springBack: false, leaves: '', celsius: '', stone: '', asked: {} }

/** How the fields are to be read. */
export interface DraftForm {
  readonly point: string
  readonly entry: Entry
  /** what a bare figure means */
  readonly unit: Unit
  /** which figures are asked about */
  readonly asks: EntryOptions
  /** travel of one turn of the dial, for `2:37` (turns on the counter, then the pointer); null without a counter */
  readonly perTurn: Exact | null
  /** what is said of a range typed the wrong way round */
  readonly backwards: string
  /** the part may be read warm: its temperature can be noted */
  readonly warm: boolean
  /** “binds” and “none felt” are answers here */
  readonly canBeNone: boolean
  /** what a bare torque is in at which it binds */
  readonly torqueUnit: 'N·m' | 'ft·lb'
}
export type DraftReading = PointReading extends infer R ? (R extends PointReading ? Omit<R, 'id' | 'at'> : never) : never

/** The reading being typed at the point in hand, and what it would be if it were logged now. What was begun at another point waits there. */
export function useDraft(checkId: string, form: Ref<DraftForm>) {
  const drafts = useSessionStorage<Record<string, Draft>>(`finitum.drafts.${checkId}`, {})
  /** The stone stays in the machine from pass to pass. */
  const stone = useSessionStorage<Draft['stone']>(`finitum.stone.${checkId}`, '')
  const point = computed(() => form.value.point)
  const draft = computed<Draft>({
    get: () => drafts.value[point.value] ?? EMPTY_DRAFT,
    set: typed => {
      drafts.value[point.value] = typed
    },
  })
  const clear = () => {
    drafts.value[point.value] = { ...EMPTY_DRAFT, stone: stone.value }
  }
  watch(
    point,
    id => {
      drafts.value[id] ??= { ...EMPTY_DRAFT, stone: stone.value }
    },
    { immediate: true, flush: 'sync' },
  )
  watch(
    () => draft.value.stone,
    now => {
      stone.value = now
    },
    { flush: 'sync' },
  )
  const unit = computed(() => form.value.unit)
  const askedAs = (text: string) => `${unit.value}:${text}`
  // Typed again later it is another entry, and is asked about again.
  watch(
    () => [draft.value.start, draft.value.far, draft.value.back],
    texts => {
      const { asked } = draft.value
      const held = Object.fromEntries(Object.entries(asked).filter(([text]) => texts.map(askedAs).includes(text)))
      if (Object.keys(held).length < Object.keys(asked).length) draft.value = { ...draft.value, asked: held }
    },
    { flush: 'sync' },
  )

  function read(text: string): FigureEntry {
    const none = form.value.canBeNone ? zeroAnswer(text, form.value.torqueUnit) : null
    if (none && 'fault' in none) return { ok: false, reason: none.fault }
    const answer = draft.value.asked[askedAs(text)]
    if (answer !== undefined) return { ok: true, value: answer as Nm, unit: unit.value, rounded: false }
    const turns = /^\s*([+-−]?\d{1,3})\s*:\s*(.+)$/.exec(text)
    if (turns && form.value.entry === 'travel') return withTurns(Number(turns[1]!.replace('−', '-')), turns[2]!)
    // A stack of feelers is typed as it lies in the hand.
    const bare = unit.value
    return form.value.entry === 'range' && isLengthUnit(bare)
      ? parseSum(text, bare, form.value.asks)
      : parseFigure(text, bare, form.value.asks)
  }
  function withTurns(turns: number, pointer: string): FigureEntry {
    const { perTurn } = form.value
    if (perTurn === null || !isLengthUnit(unit.value)) return { ok: false, reason: 'This dial has no revolution counter.' }
    const figure = parseLength(pointer, unit.value)
    if (!figure.ok) return figure
    if (figure.value < 0 || figure.value >= perTurn) return { ok: false, reason: 'After the turns comes the pointer: less than one turn.' }
    return { ...figure, value: counterReading(turns, perTurn as Nm, figure.value) }
  }
  const entry = (text: string): FigureEntry =>
    text.trim() === '' ? { ok: true, value: ZERO, unit: unit.value, rounded: false } : read(text)
  const start = computed(() => entry(draft.value.start))
  /** Both ends typed into the first field: `5..6`. */
  const both = computed(() => {
    if (form.value.entry !== 'range' || draft.value.back.trim() !== '') return null
    if (!isLengthUnit(unit.value)) return null
    const range = parseRange(draft.value.far, unit.value, form.value.asks)
    return range.ok && range.low !== range.high ? range : null
  })
  const far = computed<FigureEntry>(() =>
    both.value ? { ok: true, value: both.value.low, unit: unit.value, rounded: false } : read(draft.value.far),
  )
  /** Blank: returned to where it started; or the same stack, snug. */
  const back = computed<FigureEntry>(() => {
    if (both.value) return { ok: true, value: both.value.high, unit: unit.value, rounded: false }
    if (draft.value.back.trim() === '') return form.value.entry === 'range' ? far.value : start.value
    const typed = entry(draft.value.back)
    if (form.value.entry === 'range' && typed.ok && far.value.ok && typed.value < far.value.value)
      return { ok: false, reason: form.value.backwards }
    return typed
  })

  /** Of the part, °C; null: as the gauge. Hot: nobody knows how warm. */
  const hot = computed(() => form.value.warm && /^hot$/i.test(draft.value.celsius.trim()))
  const celsius = computed(() =>
    form.value.warm && draft.value.celsius.trim() !== '' && !hot.value ? parseTemperature(draft.value.celsius) : null,
  )
  /** As said, or as many as the stack that goes was typed with; null: not known. */
  const leaves = computed(() => {
    const said = draft.value.leaves.trim()
    if (/^[1-9]\d?$/.test(said)) return Math.min(30, Number(said))
    if (!isLengthUnit(unit.value)) return null
    const { parts } = parseSum(draft.value.far, unit.value)
    return said === '' && parts > 1 ? parts : null
  })
  const reading = computed<DraftReading | null>(() => {
    const { point, entry: how } = form.value
    const [s, f, b] = [start.value, far.value, back.value]
    const none = form.value.canBeNone ? zeroAnswer(draft.value.far, form.value.torqueUnit) : null
    if (none) return 'fault' in none ? null : { point, ...none }
    if (how === 'word' || how === 'pieces' || !f.ok) return null
    if (how === 'figure' || how === 'pass') {
      if (celsius.value?.ok === false) return null
      return {
        point,
        figure: f.value,
        ...(celsius.value ? { celsius: celsius.value.celsius } : {}),
        ...(hot.value ? { hot: true } : {}),
        ...(how === 'pass' && draft.value.stone ? { stone: draft.value.stone } : {}),
      }
    }
    if (!b.ok) return null
    if (how === 'range')
      return {
        point,
        low: f.value,
        high: b.value,
        ...(leaves.value === null ? {} : { leaves: leaves.value }),
      }
    return s.ok
      ? { point, start: s.value as Nm, far: f.value as Nm, back: b.value as Nm, ...(draft.value.springBack ? { springBack: true } : {}) }
      : null
  })
  const answer = (text: string, value: number) => {
    draft.value = { ...draft.value, asked: { ...draft.value.asked, [askedAs(text)]: value } }
  }
  const heatFault = computed(() => (celsius.value?.ok === false ? celsius.value.reason : null))
  /** What was begun at another point and not stored, as it was typed. */
  const waiting = (id: string) => drafts.value[id]?.far.trim() ?? ''
  return { draft, start, far, back, heatFault, reading, answer, clear, waiting }
}
