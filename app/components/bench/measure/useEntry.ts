import { computed, nextTick, ref, type Ref } from 'vue'
import { formatFigure, unitName, type FigureEntry, type Unit } from '#core/quantity/figure'
import type { Choice } from '#core/quantity/question'
import type { Draft } from '~/composables/bench/useDraft'

/** What stands in the cell in hand, as it is read. */
export interface EntryState {
  readonly unit: Unit
  /** the unit shown beside it: the check’s, or where that is the same, the other system’s */
  readonly other: Unit
  readonly start: FigureEntry
  readonly far: FigureEntry
  readonly back: FigureEntry
  /** wrong beside the figure: the temperature */
  readonly heatFault: string | null
  /** what is typed is an answer in a word: it binds */
  readonly word: boolean
}

/** Where the cursor goes; what is not drawn is not there. */
interface EntryFields {
  readonly first: Readonly<Ref<HTMLInputElement | null>>
  readonly second: Readonly<Ref<HTMLInputElement | null>>
  readonly choiceList: Readonly<Ref<HTMLElement | null>>
}

interface Entry {
  readonly fields: EntryFields
  readonly state: Readonly<Ref<EntryState>>
  readonly draft: Ref<Draft>
  /** What to say when nothing is typed. */
  readonly missing: () => string
  readonly log: () => void
  readonly answer: (text: string, value: number) => void
}

/** A figure that is asked about, and what it can mean. */
interface Question {
  /** the field it stands in; null: the one where it started */
  readonly field: HTMLInputElement | null
  readonly text: string
  readonly choices: readonly Choice[]
  /** Enter may take the first */
  readonly asTyped: boolean
}

/** How a cell behaves: what is wrong, what has to be asked, what Enter does. */
export function useEntry({ fields: { first, second, choiceList }, state, draft, missing, log, answer }: Entry) {
  const tried = ref(false)
  const blank = computed(() => draft.value.far.trim() === '')
  const asking = computed<Question | null>(() => {
    for (const [text, entry, field] of [
      [draft.value.far, state.value.far, first.value],
      [draft.value.back, state.value.back, second.value],
      [draft.value.start, state.value.start, null],
    ] as const) {
      if (text.trim() !== '' && !entry.ok && entry.choices) return { field, text, choices: entry.choices, asTyped: entry.asTyped ?? false }
    }
    return null
  })
  const reason = computed(() => {
    if (blank.value) return tried.value ? missing() : null
    if (state.value.word) return null
    if (state.value.heatFault) return state.value.heatFault
    const bad = [state.value.far, state.value.back, state.value.start].find(entry => !entry.ok)
    return bad && !bad.ok ? bad.reason : null
  })
  const beside = computed(() =>
    !blank.value && state.value.far.ok
      ? `${/\d.*\+/.test(draft.value.far) ? `= ${formatFigure(state.value.far.value, state.value.unit, { trim: true })} ` : ''}${unitName(state.value.unit)} · ${formatFigure(state.value.far.value, state.value.other, { unit: true })}`
      : unitName(state.value.unit),
  )

  const focus = () => void nextTick(() => first.value?.focus())
  /** What is refused is selected, so that the next figure takes its place. */
  const refuse = ({ value: field }: Readonly<Ref<HTMLInputElement | null>>) => {
    field?.focus()
    field?.select()
  }
  let asked: HTMLInputElement | null = null
  /** Enter takes what was typed as it was typed, and nothing else. */
  function ask(): void {
    const { field, asTyped } = asking.value!
    const at = globalThis.document?.activeElement
    // Typed anew it goes where the doubtful figure stands, wherever Enter was pressed.
    asked = field ?? (at && 'select' in at ? (at as HTMLInputElement) : null)
    const taken = asTyped ? choiceList.value?.querySelector('button') : null
    ;(taken ?? choiceList.value)?.focus()
  }
  /** The digit an answer was picked by: with another behind it, both were the figure typed anew. */
  const byDigit = ref('')
  /** At the question a digit answers. Anything else of a figure is the figure typed anew, where it stood: no digit is lost. */
  function answerByKey(event: KeyboardEvent): void {
    const { key, ctrlKey, metaKey, altKey } = event
    if (ctrlKey || metaKey || altKey || !asking.value) return
    const choice = /^[1-9]$/.test(key) ? asking.value.choices[Number(key) - 1] : undefined
    if (choice) {
      event.preventDefault()
      event.stopPropagation()
      answer(asking.value.text, choice.value)
      byDigit.value = key
      void nextTick(() => (asked ?? first.value)?.focus())
    } else if (asked && /^([-+.,\d½¼¾⅛−]|Backspace|Escape)$/.test(key)) {
      if (key === 'Escape') event.preventDefault()
      asked.focus()
      asked.select()
    }
  }
  /** The key after an answer by a digit. */
  function afterDigit({ key, target, ctrlKey, metaKey, altKey }: KeyboardEvent): void {
    const digit = byDigit.value
    byDigit.value = ''
    if (digit === '' || ctrlKey || metaKey || altKey || !/^[.,\d/]$/.test(key) || target !== (asked ?? first.value)) return
    const field = target as HTMLInputElement
    field.value = digit
    field.dispatchEvent(new Event('input', { bubbles: true }))
  }
  function firstEntered(): void {
    tried.value = true
    if (state.value.word) submit()
    else if (asking.value) ask()
    else if (!blank.value && state.value.far.ok) second.value?.focus()
    else if (!blank.value) refuse(first)
  }
  function submit(): void {
    tried.value = true
    if (asking.value) return ask()
    // To the field that is wrong, so that only it has to be typed again.
    if (reason.value && !blank.value) return refuse(state.value.far.ok && second.value ? second : first)
    if (blank.value) return focus()
    log()
    tried.value = false
    focus()
  }
  function answered(choice: Choice): void {
    answer(asking.value!.text, choice.value)
    void nextTick(() => (second.value ?? first.value)?.focus())
  }
  return { asking, reason, beside, focus, firstEntered, submit, answered, answerByKey, afterDigit }
}
