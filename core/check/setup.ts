import { nm, type Nm } from '../quantity/length'
import { parseTemperature } from '../quantity/temperature'
import { REFERENCE } from '../reading/temperature'

/** Choices made when a check is set up, by field: a choice's value, a count in digits, a length in whole nm, a temperature in °C, a price in the smallest coin. */
export type Setup = Readonly<Record<string, string>>

interface FieldHead {
  readonly id: string
  readonly label: string
  readonly hint?: string
  /** Asked only when this says so. */
  readonly when?: (setup: Setup) => boolean
  /** May still change after the pack was changed: it does not say what was measured. */
  readonly free?: boolean
  /** Says which way the pieces move it: may be mended, with a reason, when the fittings show that it is wrong. */
  readonly sign?: boolean
}
export interface ChoiceField extends FieldHead {
  readonly kind: 'choice'
  readonly options: readonly { readonly value: string; readonly label: string; readonly hint?: string }[]
}
export interface CountField extends FieldHead {
  readonly kind: 'count'
  readonly least: number
  readonly most: number
}
/** A length; blank where it may be left out. */
export interface LengthSetupField extends FieldHead {
  readonly kind: 'length'
  readonly least: Nm
  readonly optional?: boolean
}
/** A temperature, °C in decimal digits; blank is 20. */
export interface TemperatureField extends FieldHead {
  readonly kind: 'celsius'
}
/** Money, in the smallest coin; blank where it is not known. */
export interface PriceField extends FieldHead {
  readonly kind: 'price'
}
export type SetupField = ChoiceField | CountField | LengthSetupField | TemperatureField | PriceField

/** A sentence when a value does not fit its field, else null. */
export function fieldFault(fields: readonly SetupField[], id: string, value: string): string | null {
  const field = fields.find(candidate => candidate.id === id)
  if (!field) return 'This kind of check has no such field.'
  switch (field.kind) {
    case 'choice':
      return field.options.some(option => option.value === value) ? null : `“${value}” is not a choice here.`
    case 'count':
      return /^\d{1,4}$/.test(value) && Number(value) >= field.least && Number(value) <= field.most
        ? null
        : `A whole number from ${field.least} to ${field.most}.`
    case 'length':
      if (value === '') return field.optional ? null : 'A figure is needed here.'
      if (!/^-?\d{1,13}$/.test(value)) return 'A length is a whole number of nanometres.'
      return Number(value) < field.least ? (field.least > 0 ? 'Must be above zero.' : 'That is too small.') : null
    case 'price':
      return value === '' || /^\d{1,8}$/.test(value) ? null : 'A price of zero or more.'
    case 'celsius': {
      if (value === '') return null
      const read = parseTemperature(value)
      return read.ok ? null : read.reason
    }
  }
}

/** The fields that are asked with this set-up. */
export const fieldsFor = (fields: readonly SetupField[], setup: Setup): SetupField[] => fields.filter(field => field.when?.(setup) ?? true)

export const countIn = (setup: Setup, id: string): number => Number(setup[id] ?? 0)
/** A length of the set-up, nm; null while it is blank. */
export const lengthIn = (setup: Setup, id: string): Nm | null => (setup[id] ? nm(Number(setup[id])) : null)
/** A price of the set-up, smallest coin; null while it is blank. */
export const priceIn = (setup: Setup, id: string): number | null => (setup[id] ? Number(setup[id]) : null)
/** A temperature of the set-up, °C; 20 while it is blank. */
export function celsiusIn(setup: Setup, id: string): number {
  const read = parseTemperature(setup[id] ?? '')
  return read.ok ? read.celsius : REFERENCE
}
