import { nm, type Nm } from '../quantity/length'
import type { Torque } from '../quantity/measure'
import type { Scale } from '../quantity/format-length'
import { parseTemperature } from '../quantity/temperature'
import { REFERENCE } from '../reading/temperature'
import { marksFault } from '../quantity/marks'

/** Choices made when a check is set up, by field: a choice's value, a count in digits, a length in whole nm, a temperature in °C, a torque in whole nN·m, a ratio in decimal digits, a price in the smallest coin, marks in whole thousandths of a degree. */
export type Setup = Readonly<Record<string, string>>

interface FieldHead {
  readonly id: string
  readonly label: string
  readonly hint?: string
  /** Asked only when this says so. */
  readonly when?: (setup: Setup) => boolean
  /** May still change after the pack was changed: it does not say what was measured. */
  readonly free?: boolean
  /** Asked where it is used, beside what it takes to make a piece, and not in Set up. */
  readonly askedWith?: 'making'
  /** Asked since later than the first files: one that lacks it means what it is at first. */
  readonly added?: true
  /** Says which way the pieces move it: may be mended, with a reason, when the fittings show that it is wrong. */
  readonly sign?: boolean
  /** Says which figure the limit is for: it goes with the limit wherever that is kept. */
  readonly ofLimit?: boolean
}
export interface ChoiceField<Value extends string = string> extends FieldHead {
  readonly kind: 'choice'
  readonly options: readonly { readonly value: Value; readonly label: string; readonly hint?: string }[]
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
  /** how much something is off, or takes away: typed in thou, where a size is in inches */
  readonly scale?: Scale
  readonly optional?: boolean
}
/** A temperature, °C in decimal digits; blank is 20. */
export interface TemperatureField extends FieldHead {
  readonly kind: 'celsius'
}
/** A torque, nN·m; blank where it is not known. */
export interface TorqueField extends FieldHead {
  readonly kind: 'torque'
  /** of a bearing, not of a bolt: in·lb beside N·m */
  readonly small?: true
  /** a small bolt: a figure without its unit may be in·lb as well as ft·lb, and is asked */
  readonly asksUnit?: true
}
/** How many turns of one thing to a turn of another: decimal digits, above zero. */
export interface RatioField extends FieldHead {
  readonly kind: 'ratio'
}
/** Money, in the smallest coin; blank where it is not known. */
export interface PriceField extends FieldHead {
  readonly kind: 'price'
}
/** Marks round a turn: thousandths of a degree clockwise from 12, in the order they are read, between blanks. */
export interface MarksField extends FieldHead {
  readonly kind: 'marks'
}
/** A name, as it is called in the workshop. */
export interface TextSetupField extends FieldHead {
  readonly kind: 'text'
}
export type SetupField =
  | TextSetupField
  | MarksField
  | ChoiceField
  | CountField
  | LengthSetupField
  | TemperatureField
  | TorqueField
  | RatioField
  | PriceField

const LONGEST_NAME = 40

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
    case 'text':
      return value.trim() === '' || value.length > LONGEST_NAME ? `A name of 1 to ${LONGEST_NAME} letters.` : null
    case 'marks':
      return /^\d{1,6}( \d{1,6})*$/.test(value) ? marksFault(value.split(' ').map(Number)) : 'Marks are whole thousandths of a degree.'
    case 'torque':
      return value === '' || (/^\d{1,15}$/.test(value) && Number(value) > 0) ? null : 'A torque above zero, in whole nN·m.'
    case 'ratio':
      return /^\d{1,3}(\.\d{1,4})?$/.test(value) && Number(value) > 0 ? null : 'A ratio above zero, such as 3.73.'
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

/** A length of the set-up, nm; null while it is blank. */
export const lengthIn = (setup: Setup, id: string): Nm | null => (setup[id] ? nm(Number(setup[id])) : null)

/** A field as a kind describes it: its key names it; `initial` is what it is set to at first. */
type Described<Field> = Omit<Field, 'id' | 'when'> & { readonly initial: string }
type Words<Field> = Omit<Described<Field>, 'kind' | 'initial'>

export const choice = <const Value extends string>({
  initial,
  ...field
}: Words<ChoiceField<Value>> & { readonly initial: NoInfer<Value> }) => ({ kind: 'choice' as const, initial, ...field })
export const count = ({ initial, ...field }: Words<CountField> & { readonly initial: number }) => ({
  kind: 'count' as const,
  initial: String(initial),
  ...field,
})
export const length = ({ initial, ...field }: Words<LengthSetupField> & { readonly initial?: Nm }) => ({
  kind: 'length' as const,
  initial: initial === undefined ? '' : String(initial),
  ...field,
})
export const celsius = ({ initial = REFERENCE, ...field }: Words<TemperatureField> & { readonly initial?: number }) => ({
  kind: 'celsius' as const,
  initial: String(initial),
  ...field,
})
export const torque = (field: Words<TorqueField>) => ({ kind: 'torque' as const, initial: '', ...field })
export const name = ({ initial, ...field }: Words<TextSetupField> & { readonly initial: string }) => ({
  kind: 'text' as const,
  initial,
  ...field,
})
export const marks = ({ initial, ...field }: Words<MarksField> & { readonly initial: readonly number[] }) => ({
  kind: 'marks' as const,
  initial: initial.join(' '),
  ...field,
})
export const ratio = ({ initial, ...field }: Words<RatioField> & { readonly initial: number }) => ({
  kind: 'ratio' as const,
  initial: String(initial),
  ...field,
})
export const price = (field: Words<PriceField>) => ({ kind: 'price' as const, initial: '', ...field })

/** The fields of a kind, in the order they are asked in. */
export type Fields = Readonly<
  Record<
    string,
    | Described<ChoiceField>
    | Described<CountField>
    | Described<LengthSetupField>
    | Described<TemperatureField>
    | Described<TorqueField>
    | Described<RatioField>
    | Described<PriceField>
    | Described<MarksField>
    | Described<TextSetupField>
  >
>
type ValueOf<Field> = Field extends { readonly kind: 'choice'; readonly options: readonly { readonly value: infer Value }[] }
  ? Value
  : Field extends { readonly kind: 'count' | 'celsius' | 'ratio' }
    ? number
    : Field extends { readonly kind: 'length' }
      ? Nm | null
      : Field extends { readonly kind: 'torque' }
        ? Torque | null
        : Field extends { readonly kind: 'marks' }
          ? readonly number[]
          : Field extends { readonly kind: 'text' }
            ? string
            : number | null
/** The set-up of a kind with these fields: a choice is one of its values, a length nm, a temperature °C, a torque nN·m, a ratio a number, a price in the smallest coin; null is blank. */
export type SetupOf<F extends Fields> = { readonly [Id in keyof F]: ValueOf<F[Id]> }

/** What was chosen, field by field; what was never asked is as it is at first. */
export const readSetup = <F extends Fields>(fields: F, setup: Setup): SetupOf<F> =>
  Object.fromEntries(Object.entries(fields).map(([id, field]) => [id, valueIn(field, setup[id] ?? field.initial)])) as SetupOf<F>

function valueIn({ kind }: Fields[string], text: string): string | number | readonly number[] | null {
  switch (kind) {
    case 'choice':
    case 'text':
      return text
    case 'count':
    case 'ratio':
      return Number(text)
    case 'length':
      return text === '' ? null : nm(Number(text))
    case 'marks':
      return text.split(' ').map(Number)
    case 'torque':
      return text === '' ? null : (Number(text) as Torque)
    case 'price':
      return text === '' ? null : Number(text)
    case 'celsius': {
      const read = parseTemperature(text)
      return read.ok ? read.celsius : REFERENCE
    }
  }
}
