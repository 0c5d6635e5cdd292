import { nextTick } from 'vue'

declare global {
  /** What was typed before the program was there, made by `early/gather.js`: the next so many signs of it; no more is kept. */
  var typedEarly: { take(count: number): string; stop(): void } | undefined
}

const isField = (element: Element | null): element is HTMLInputElement | HTMLTextAreaElement =>
  element instanceof HTMLTextAreaElement || (element instanceof HTMLInputElement && ['text', 'search'].includes(element.type))

export default defineNuxtPlugin(nuxt => {
  const early = globalThis.typedEarly
  if (!early) return
  const once = nuxt.hook('page:finish', async () => {
    once()
    // A view that takes the keyboard does so when it stands.
    await nextTick()
    for (;;) {
      const at = document.activeElement
      if (isField(at)) {
        const text = early.take(Infinity)
        if (text === '') break
        at.setRangeText(text, at.selectionStart ?? 0, at.selectionEnd ?? 0, 'end')
        at.dispatchEvent(new Event('input', { bubbles: true }))
        continue
      }
      const key = early.take(1)
      if (key === '') break
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }))
      // A key may open a field that takes the rest.
      await nextTick()
      await nextTick()
    }
    early.stop()
  })
  // A page that is not there takes no keys, and they are not meant for the next one.
  nuxt.hook('app:error', () => {
    early.stop()
    early.take(Infinity)
  })
})
