import { useEventListener } from '@vueuse/core'
import { readCode } from '#core/label/code'
import type { Scanned } from '#shared/record'
import { usePreferences } from '~/stores/preferences'
import { RefusedError, api, faultsOf } from '../server/useApi'
import { Burst, FEWEST } from './bursts'
import { isCommandIn, readsAs } from './readsAs'
import { useFigureArticles } from './useFigureArticles'

const CODE_AT_END = /QF[A-Z]\d+[0-9A-Z]\s*$/i

/** What a scan came to, where it was not taken at once. */
export type LastScan =
  | Scanned
  /** nothing here goes by that */
  | { readonly unknown: string }
  | { readonly fault: string }
  /** it stands in the field as an entry of it, and is the article of a size besides */
  | { readonly both: string; readonly size: Scanned }
/** The last scan: what it was of, or what was wrong with it. */
export const useLastScan = () => useState<LastScan | null>('scan', () => null)

/** Takes what was scanned, or leaves it to others. */
type Taker = (thing: Scanned, at: EventTarget | null) => boolean
const takers: Taker[] = []
/** While this is on the screen, what is scanned goes to it first: a piece into the pack that is put together, what came to its order. */
export function useScanTaker(take: Taker): void {
  onMounted(() => takers.unshift(take))
  onBeforeUnmount(() => takers.splice(takers.indexOf(take), 1))
}

type Field = HTMLInputElement | HTMLTextAreaElement
const isText = (target: EventTarget | null): target is Field =>
  target instanceof HTMLTextAreaElement ||
  (target instanceof HTMLInputElement && !['checkbox', 'radio', 'button', 'file'].includes(target.type))
const swallow = (event: KeyboardEvent) => {
  event.preventDefault()
  event.stopImmediatePropagation()
}
function write(field: Field | HTMLSelectElement, text: string): void {
  field.value = text
  field.dispatchEvent(new Event(field instanceof HTMLSelectElement ? 'change' : 'input', { bubbles: true }))
}

/** Chromium says whether keys wait that the page has not come to. */
const keysWait = (): boolean =>
  (navigator as Navigator & { scheduling?: { isInputPending?: () => boolean } }).scheduling?.isInputPending?.() ?? false

/**
 * A scanner types a code and Enter, faster than a hand. What it types is never taken for keys: a sign that may be a command waits until
 * it is clear that it came alone. In a field, a scan that reads as an entry of it is that entry; anything else is looked up, and the field
 * left as it was. What it is of goes to whatever on the screen takes such things; is picked, in a list that has it; is opened; or, where
 * something is being typed, is offered to be opened. Codes of our own are known by how they begin, however slow the scanner is.
 */
export function useScan(): void {
  const last = useLastScan()
  const preferences = usePreferences()
  const figureArticles = useFigureArticles()
  const burst = new Burst(() => preferences.scanGap)
  /** Signs that may be commands, as long as a second one may follow. */
  let held: KeyboardEvent[] = []
  let release: ReturnType<typeof setTimeout> | undefined
  /** What stood in the field when the first of them came. */
  let before = ''
  /** No second Enter of a scanner is taken for an answer. */
  let enteredAt = -Infinity
  const replayed = new WeakSet<Event>()

  function hold(event: KeyboardEvent): void {
    swallow(event)
    held.push(event)
    clearTimeout(release)
    const from = performance.now()
    // On a page that is busy the next sign may have come long ago.
    const look = () => {
      if (keysWait() || performance.now() - from > burst.wait + 40) release = setTimeout(letGo, burst.wait)
      else letGo()
    }
    release = setTimeout(look, burst.wait)
  }
  /** They were commands after all, one after the other. So many that fast were none. */
  function letGo(): void {
    clearTimeout(release)
    const keys = held
    held = []
    if (keys.length >= FEWEST) return
    for (const { key, code, shiftKey, target } of keys) {
      const again = new KeyboardEvent('keydown', { key, code, shiftKey, bubbles: true, cancelable: true })
      replayed.add(again)
      // What the first one opened may have taken the focus.
      const at =
        target instanceof Element && target.isConnected && !isText(document.activeElement)
          ? target
          : (document.activeElement ?? document.body)
      if (at.dispatchEvent(again) && isText(at)) type(at, key)
    }
  }
  function type(field: Field, text: string): void {
    field.setRangeText(text, field.selectionStart ?? field.value.length, field.selectionEnd ?? field.value.length, 'end')
    field.dispatchEvent(new Event('input', { bubbles: true }))
  }

  async function take(code: string, at: EventTarget | null): Promise<void> {
    try {
      const thing = await api<Scanned>(`/api/codes?${new URLSearchParams({ code })}`)
      if (takers.some(other => other(thing, at))) {
        last.value = null
        return
      }
      if (at instanceof HTMLSelectElement && [...at.options].some(({ value }) => value === thing.id)) {
        write(at, thing.id)
        last.value = null
        return
      }
      last.value = thing
      // Where something is being typed, nothing is left by itself.
      if (!isText(at) || at.type === 'search') await navigateTo(thing.path)
    } catch (error) {
      const foreign = error instanceof RefusedError && error.status === 404 && !readCode(code) && !/^QF/i.test(code)
      last.value = foreign ? { unknown: code } : { fault: faultsOf(error)[0]?.reason ?? '' }
    }
  }

  /** The Enter that ends a scan. @returns whether it is over with that */
  function ended(code: string, target: EventTarget | null): boolean {
    if (target instanceof HTMLSelectElement) write(target, before)
    if (!isText(target)) {
      void take(code, target)
      return true
    }
    const as = before === '' || target.selectionStart === null ? readsAs(target) : target.value === code ? readsAs(target) : 'nothing'
    if (as === 'nothing') {
      write(target, before)
      void take(code, target)
      return true
    }
    const size = figureArticles.of(code)
    if (size) last.value = { both: code, size }
    return size !== null
  }

  useEventListener(
    'keydown',
    (event: KeyboardEvent) => {
      if (event.ctrlKey || event.altKey || event.metaKey || replayed.has(event) || !event.isTrusted) return
      const { target, key } = event
      const field = isText(target) ? target : null
      // In a field, a code of ours is known by its end, however slowly it came.
      if (field && key === 'Enter') {
        const [code] = CODE_AT_END.exec(field.value) ?? []
        if (code !== undefined && readCode(code)) {
          swallow(event)
          burst.clear()
          // What stood in the field before stays in it.
          write(field, field.value.slice(0, -code.length))
          return void take(code, field)
        }
      }
      const { text } = burst
      const what = burst.press({ key, at: event.timeStamp, repeat: event.repeat })
      if (what === 'modifier') return
      if (what === 'scan') {
        burst.clear()
        clearTimeout(release)
        held = []
        enteredAt = event.timeStamp
        if (ended(text, target)) swallow(event)
        return
      }
      const since = event.timeStamp - enteredAt
      if (key === 'Enter' && since >= 0 && since <= preferences.scanGap) {
        enteredAt = event.timeStamp
        return swallow(event)
      }
      if (what === 'first') before = field?.value ?? (target instanceof HTMLSelectElement ? target.value : '')
      if (what === 'next' && field) {
        // They are typed, the first of them too, and none of them is a command.
        event.stopImmediatePropagation()
        const waiting = held.map(({ key: sign }) => sign).join('')
        held = []
        clearTimeout(release)
        if (waiting !== '') type(field, waiting)
        return
      }
      if (what === 'first' || what === 'else') letGo()
      if (what === 'else' || target instanceof HTMLSelectElement) return
      // Without a scanner keys act at once, but for those of a code of ours.
      if (preferences.scanGap === 0 && !burst.own) return
      // In a field only what can be a command there waits: a letter, while nothing is typed.
      if (!field || isCommandIn(field, key)) hold(event)
    },
    { capture: true },
  )
}
