import { nextTick } from 'vue'
import { byHand, type Press } from '~/composables/keys/bursts'

declare global {
  /** What was typed before the program was there, made by `early/gather.js`; what is taken is not kept. */
  var typedEarly: { take(): Press[]; stop(): void } | undefined
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
    let text = ''
    for (;;) {
      const presses = early.take()
      const at = document.activeElement
      // In a field a scan is text as any; elsewhere it is no row of keys.
      text += isField(at) ? presses.map(({ key }) => key).join('') : byHand(presses)
      if (text === '') break
      if (isField(at)) {
        at.setRangeText(text, at.selectionStart ?? 0, at.selectionEnd ?? 0, 'end')
        at.dispatchEvent(new Event('input', { bubbles: true }))
        text = ''
        continue
      }
      const key = text[0]!
      text = text.slice(1)
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
    early.take()
  })
})
