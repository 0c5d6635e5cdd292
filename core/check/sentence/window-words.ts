import type { Window as PackWindow } from '../../choice/window/window'
import { formatLength } from '../../quantity/format-length'
import { UNIT_NAME, type LengthUnit } from '../../quantity/length'

/** The pack totals that would do, or the changes where what is fitted is not known. @param pair  equal pieces, one each side: told of one */
export function windowInWords(window: PackWindow, known: boolean, unit: LengthUnit, pair = false): string {
  const { lowExcluded, highExcluded } = window
  const [low, high] = pair && known ? [window.low / 2, window.high / 2] : [window.low, window.high]
  const figure = (value: number) => formatLength(value, unit, { trim: true })
  const name = UNIT_NAME[unit]
  const [over, under] = [lowExcluded ? 'over ' : '', highExcluded ? 'under ' : '']
  if (!known && high < 0)
    return `Take out ${highExcluded ? 'over ' : ''}${figure(-high)} to ${lowExcluded ? 'under ' : ''}${figure(-low)} ${name}.`
  if (!known && low < 0 && Number.isFinite(high)) return `Changes that would do: up to ${figure(-low)} out, up to ${figure(high)} in.`
  // What is not there cannot be taken thinner.
  if (known && high < 0) return 'No thickness here would do: it would have to be less than none.'
  if (known && low < 0 && Number.isFinite(high))
    return `${pair ? 'Each side would do' : 'Totals that would do'}: ${under || 'up to '}${figure(high)} ${name}.`
  const what = known ? (pair ? 'Each side would do' : 'Totals that would do') : 'Changes that would do'
  if (!Number.isFinite(high)) return `${what}: ${lowExcluded ? `more than ${figure(low)} ${name}` : `${figure(low)} ${name} or more`}.`
  if (!Number.isFinite(low)) return `${what}: ${highExcluded ? 'under' : 'up to'} ${figure(high)} ${name}.`
  return `${what}: ${over}${figure(low)} to ${under}${figure(high)} ${name}.`
}
