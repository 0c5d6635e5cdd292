import type { Directive } from 'vue'

/** What a text is in a field: an entry of it, one that would be asked about, or none. */
export type ReadsAs = 'entry' | 'asked' | 'nothing'
type Reads = (text: string) => ReadsAs

const readers = new WeakMap<HTMLElement, Reads>()

/** `v-reads="text => …"`: what a text is in this field. A field of figures that says nothing of it takes figures; any other takes all text. */
export const reads: Directive<HTMLElement, Reads> = {
  mounted: (field, { value }) => void readers.set(field, value),
  updated: (field, { value }) => void readers.set(field, value),
}

const FIGURE = /^\s*[-+−]?\d[\d.,\s]*$/
/** What stands in a field now, as the field takes it. */
export function readsAs(field: HTMLInputElement | HTMLTextAreaElement): ReadsAs {
  const own = readers.get(field)
  if (own) return own(field.value)
  return !['decimal', 'numeric'].includes(field.inputMode) || FIGURE.test(field.value) ? 'entry' : 'nothing'
}

type Takes = (text: string, key: string) => boolean
const takers = new WeakMap<HTMLElement, Takes>()
/** `v-takes="(text, key) => …"`: whether a key writes in this field; what does not is a command. */
export const takes: Directive<HTMLElement, Takes> = {
  mounted: (field, { value }) => void takers.set(field, value),
  updated: (field, { value }) => void takers.set(field, value),
}
/** Is this sign a command in a field, and no text? Of a field that says nothing of it, while it is empty, if it is marked `data-keys`: no figure starts with a letter. */
export function isCommandIn(field: HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement, sign: string): boolean {
  const own = takers.get(field)
  if (own && field instanceof HTMLInputElement) return !own(field.value.slice(0, field.selectionStart ?? field.value.length), sign)
  return field.dataset.keys !== undefined && field.value === '' && !/[\d.,+\-−]/.test(sign)
}
