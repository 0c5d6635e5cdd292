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
