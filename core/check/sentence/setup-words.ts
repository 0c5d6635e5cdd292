import { formatFigure } from '../../quantity/figure'
import { unitFor } from '../../quantity/format-length'
import type { UnitSystem } from '../../quantity/length'
import { lowerFirst } from '../../quantity/first-letter'
import { marksText } from '../../quantity/marks'
import { fieldsFor, fieldFault, type Setup, type SetupField } from '../setup'
import type { CheckKind } from '../contract'

/** What a field is set to, as it is read out; null: nothing is. */
function said(field: SetupField, value: string, system: UnitSystem): string | null {
  if (value === '') return null
  switch (field.kind) {
    case 'choice':
      return field.options.find(option => option.value === value)?.label ?? value
    case 'length':
      return formatFigure(Number(value), unitFor(system, field.scale ?? 'size'), { unit: true, trim: true })
    case 'torque':
      return formatFigure(Number(value), system === 'metric' ? 'N·m' : field.small ? 'in·lb' : 'ft·lb', { unit: true, trim: true })
    case 'celsius':
      return `${value} °C`
    case 'marks':
      return marksText(value.split(' ').map(Number))
    // Its coins are the shop’s business, not that of the check.
    case 'price':
      return null
    default:
      return value
  }
}

/** How a check is set up, choice by choice, as it is read out: `Pack: under the cover`. */
export const setupWords = (kind: Pick<CheckKind, 'setupFields' | 'defaultSetup'>, setup: Setup, system: UnitSystem): readonly string[] =>
  fieldsFor(kind.setupFields, setup).flatMap(field => {
    const value = said(field, setup[field.id] ?? kind.defaultSetup[field.id] ?? '', system)
    return value === null ? [] : [`${field.label}: ${field.kind === 'choice' ? lowerFirst(value) : value}`]
  })

/** ids of the fields without which nothing can be begun: no kind can guess them. */
export const mustBeSaid = (kind: Pick<CheckKind, 'setupFields' | 'defaultSetup'>, setup: Setup): readonly string[] =>
  fieldsFor(kind.setupFields, setup)
    .filter(({ id }) => fieldFault(kind.setupFields, id, setup[id] ?? kind.defaultSetup[id] ?? '') !== null)
    .map(({ id }) => id)
