import { nextTick, shallowRef, watch, type Ref, type ShallowRef } from 'vue'

/** After what was changed is painted. A page nobody sees is not painted: there it comes at once. */
function afterPaint(run: () => void): void {
  if (globalThis.document?.hidden ?? true) setTimeout(run)
  else requestAnimationFrame(() => setTimeout(run))
}

/** What stands beside the verdict is drawn: its fields are there. */
export async function drawnBeside(): Promise<void> {
  await nextTick()
  await new Promise<void>(afterPaint)
  await nextTick()
}

/**
 * What stands beside the verdict, a moment later than it: a key that is pressed is answered by the verdict and the band in the next frame, and
 * by all the rest in the one after. All of it changes together, so that no part is drawn of another state.
 */
export function useCalm<Live extends Readonly<Record<string, Readonly<Ref<unknown>>>>>(
  live: Live,
): { readonly [Key in keyof Live]: Readonly<ShallowRef<Live[Key]['value']>> } {
  const calm = Object.fromEntries(Object.entries(live).map(([key, { value }]) => [key, shallowRef(value)]))
  let waiting = false
  watch(
    Object.values(live),
    () => {
      if (waiting) return
      waiting = true
      afterPaint(() => {
        waiting = false
        for (const [key, { value }] of Object.entries(live)) calm[key]!.value = value
      })
    },
    { flush: 'post' },
  )
  return calm as { [Key in keyof Live]: ShallowRef<Live[Key]['value']> }
}
