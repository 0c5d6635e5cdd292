import { isLengthUnit, type Unit } from '#core/quantity/figure'
import type { Entry } from '#core/reading/reading'

/** What stands in a cell: a figure, or two that belong together. */
export interface EntryField {
  /** beside the text, where two would be mistaken for each other */
  readonly name: string
  readonly aria: string
  readonly placeholder: string
}
export interface EntryFields {
  readonly first: EntryField
  /** typed after the first */
  readonly second: EntryField | null
  /** said when nothing is typed */
  readonly missing: string
}

const capital = (word: string) => word.charAt(0).toUpperCase() + word.slice(1)

/**
 * @param ends  what the two figures of a range are called
 * @param leaves  read with feelers: what goes, and what does not
 */
export function entryFields(form: Entry, unit: Unit, ends: readonly [string, string], leaves: boolean): EntryFields {
  if (form === 'travel')
    return {
      first: { name: '', aria: 'Far reading', placeholder: 'far' },
      second: { name: 'back', aria: 'Back reading; blank means it returned to zero', placeholder: '0' },
      missing: 'Type the far reading first: the figure the dial shows when pushed fully over.',
    }
  if (form === 'range' && leaves)
    return {
      first: { name: 'goes', aria: 'Thickest stack that goes', placeholder: '' },
      second: { name: 'does not', aria: 'Thinnest stack that does not go; blank means the first went snugly', placeholder: 'snug' },
      missing: 'Type the thickest stack that goes.',
    }
  if (form === 'range' && !isLengthUnit(unit))
    return {
      first: { name: ends[0], aria: capital(ends[0]), placeholder: '' },
      second: { name: ends[1], aria: `${capital(ends[1])}; blank: not noted`, placeholder: '–' },
      missing: 'Type the figure while it turns.',
    }
  if (form === 'range')
    return {
      first: { name: ends[0], aria: `${capital(ends[0])}; a range such as 15..20 may be typed here`, placeholder: '' },
      second: { name: ends[1], aria: capital(ends[1]), placeholder: '' },
      missing: 'Type the first figure, or a range such as 5..6.',
    }
  return { first: { name: '', aria: 'Figure read', placeholder: 'figure' }, second: null, missing: 'Type the figure first.' }
}
