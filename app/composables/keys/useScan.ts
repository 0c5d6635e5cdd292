import { useEventListener } from '@vueuse/core'
import { readCode } from '#core/label/code'
import type { Scanned } from '#shared/record'
import { api, faultsOf } from '../server/useApi'

const CODE_AT_END = /QF[A-Z]\d+[0-9A-Z]\s*$/i
/**
 * Signs of one scan come milliseconds apart, from a slow scanner or at a busy bench later: what begins like a code is one until there is a
 * pause, in ms, that no scanner makes. A sign taken for a key of the bench would be worse than a key that has to be pressed again.
 */
const PAUSE = 1_500

/** The last scan: what it was of, or what was wrong with it. */
export const useLastScan = () => useState<Scanned | { readonly fault: string } | null>('scan', () => null)

/** Takes what was scanned, or leaves it to others. */
type Taker = (thing: Scanned, at: EventTarget | null) => boolean
const takers: Taker[] = []
/** While this is on the screen, what is scanned goes to it first: a piece into the pack that is put together, what came to its order. */
export function useScanTaker(take: Taker): void {
  onMounted(() => takers.unshift(take))
  onBeforeUnmount(() => takers.splice(takers.indexOf(take), 1))
}

const isText = (target: EventTarget | null): target is HTMLInputElement | HTMLTextAreaElement =>
  target instanceof HTMLTextAreaElement ||
  (target instanceof HTMLInputElement && !['checkbox', 'radio', 'button', 'file'].includes(target.type))

/**
 * A scanner types a code and Enter. What it types outside a field is never taken for keys of the bench; in a field it is text, until the
 * Enter that ends it: then it goes to whatever on the screen takes such things; picks, in a list that has the thing; opens it, where
 * something is looked for; and is offered to be opened anywhere else.
 */
export function useScan(): void {
  const last = useLastScan()
  let typed: string | null = null
  /** When its last sign was sent, not when the page came to it. */
  let sent = 0
  const swallow = (event: KeyboardEvent) => {
    event.preventDefault()
    event.stopImmediatePropagation()
  }
  async function take(code: string, at: EventTarget | null): Promise<void> {
    try {
      const thing = await api<Scanned>(`/api/codes?${new URLSearchParams({ code })}`)
      if (takers.some(other => other(thing, at))) {
        last.value = null
        return
      }
      if (at instanceof HTMLSelectElement && [...at.options].some(({ value }) => value === thing.id)) {
        at.value = thing.id
        at.dispatchEvent(new Event('change', { bubbles: true }))
        last.value = null
        return
      }
      last.value = thing
      // Where something is being typed, nothing is left by itself.
      if (!isText(at) || at.type === 'search') await navigateTo(thing.path)
    } catch (error) {
      last.value = { fault: faultsOf(error)[0]?.reason ?? '' }
    }
  }
  useEventListener(
    'keydown',
    (event: KeyboardEvent) => {
      if (event.ctrlKey || event.altKey || event.metaKey) return
      const { target } = event
      if (isText(target)) {
        if (event.key !== 'Enter') return
        // What stood in the field before stays in it.
        const [code] = CODE_AT_END.exec(target.value) ?? []
        if (code === undefined || !readCode(code)) return
        swallow(event)
        target.value = target.value.slice(0, -code.length)
        target.dispatchEvent(new Event('input', { bubbles: true }))
        void take(code, target)
        return
      }
      if (event.timeStamp - sent > PAUSE || (typed?.length === 1 && !['F', 'SHIFT'].includes(event.key.toUpperCase()))) typed = null
      if (typed === null && event.key.toUpperCase() !== 'Q') return
      sent = event.timeStamp
      // A list is looked through by the same letters: they stay its own, but for the Enter that ends a code.
      const list = target instanceof HTMLSelectElement
      if (event.key === 'Enter' && (!list || readCode(typed ?? ''))) {
        swallow(event)
        const code = typed ?? ''
        typed = null
        void take(code, target)
        return
      }
      // Tab, Escape, an arrow: no scanner sends them.
      if (event.key.length > 1 && event.key !== 'Shift') {
        typed = null
        return
      }
      if (!list) swallow(event)
      if (event.key.length === 1) typed = (typed ?? '') + event.key
    },
    { capture: true },
  )
}
