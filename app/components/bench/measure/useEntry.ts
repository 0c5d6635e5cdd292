import { computed, nextTick, ref, type Ref, type ShallowRef } from 'vue'
import { formatFigure, unitName, type FigureEntry, type Unit } from '#core/quantity/figure'
import type { Choice } from '#core/quantity/parse-length'
import type { Draft } from '~/composables/bench/useDraft'

/** What every entry field of the bench is given. */
export interface EntryProps {
  readonly unit: Unit
  /** the unit shown beside it: the check’s, or where that is the same, the other system’s */
  readonly other: Unit
  readonly start: FigureEntry
  readonly far: FigureEntry
  readonly back: FigureEntry
  readonly hint: string
  /** wrong beside the figure: the temperature */
  readonly heatFault: string | null
  /** what is typed is an answer in a word: it binds */
  readonly word: boolean
}

/** Where the cursor goes; what is not drawn is not there. */
interface EntryFields {
  readonly first: Readonly<ShallowRef<HTMLInputElement | null>>
  readonly second: Readonly<ShallowRef<HTMLInputElement | null>>
  readonly choiceList: Readonly<ShallowRef<HTMLElement | null>>
}

interface Entry {
  readonly fields: EntryFields
  readonly props: EntryProps
  readonly draft: Ref<Draft>
  /** What to say when nothing is typed. */
  readonly missing: () => string
  readonly log: () => void
  readonly answer: (text: string, value: number) => void
}

/** The common behaviour of the entry fields: what is wrong, what has to be asked, what Enter does. */
export function useEntry({ fields: { first, second, choiceList }, props, draft, missing, log, answer }: Entry) {
  const tried = ref(false)
  const blank = computed(() => draft.value.far.trim() === '')
  const asking = computed<{ text: string; choices: readonly Choice[] } | null>(() => {
    for (const [text, entry] of [
      [draft.value.far, props.far],
      [draft.value.back, props.back],
      [draft.value.start, props.start],
    ] as const) {
      if (text.trim() !== '' && !entry.ok && entry.choices) return { text, choices: entry.choices }
    }
    return null
  })
  const reason = computed(() => {
    if (blank.value) return tried.value ? missing() : null
    if (props.word) return null
    if (props.heatFault) return props.heatFault
    const bad = [props.far, props.back, props.start].find(entry => !entry.ok)
    return bad && !bad.ok ? bad.reason : null
  })
  const beside = computed(() =>
    !blank.value && props.far.ok
      ? `${/\d.*\+/.test(draft.value.far) ? `= ${formatFigure(props.far.value, props.unit, { trim: true })} ` : ''}${unitName(props.unit)} · ${formatFigure(props.far.value, props.other, { unit: true })}`
      : unitName(props.unit),
  )

  const focus = () => void nextTick(() => first.value?.focus())
  let asked: HTMLInputElement | null = null
  function ask(): void {
    const at = globalThis.document?.activeElement
    asked = at && 'select' in at ? (at as HTMLInputElement) : null
    choiceList.value?.querySelector('button')?.focus()
  }
  /** Typed instead of an answer: it is the figure typed anew, where it stood; no digit is lost and none confirms what was asked. */
  function typeAnew({ key, ctrlKey, metaKey, altKey }: KeyboardEvent): void {
    if (!asked || ctrlKey || metaKey || altKey || !/^([-+.,\d½¼¾⅛−]|Backspace)$/.test(key)) return
    asked.focus()
    asked.select()
  }
  function firstEntered(): void {
    tried.value = true
    if (props.word) submit()
    else if (asking.value) ask()
    else if (!blank.value && props.far.ok) second.value?.focus()
  }
  function submit(): void {
    tried.value = true
    if (asking.value) return ask()
    // To the field that is wrong, so that only it has to be typed again.
    if (reason.value && !blank.value && props.far.ok) return void second.value?.focus()
    if (reason.value || blank.value) return focus()
    log()
    tried.value = false
    focus()
  }
  function answered(choice: Choice): void {
    answer(asking.value!.text, choice.value)
    void nextTick(() => (second.value ?? first.value)?.focus())
  }
  return { asking, reason, beside, focus, firstEntered, submit, answered, typeAnew }
}
