import { mm } from '../../quantity/length'
import type { WorkRates } from '../../choice/answer/ways-compared'
import type { CheckKind } from '../contract'
import { length, lengthIn, price, type Setup } from '../setup'

/** What work costs, asked where a piece may take hours to make. */
const asked = { free: true, askedWith: 'making' } as const
export const MAKING_FIELDS = {
  hour: price({ label: 'An hour of work costs', ...asked }),
  rubbed: length({ label: 'Rubbing by hand takes off in an hour', scale: 'play', least: mm(0.001), optional: true, ...asked }),
  ground: price({ label: 'Having one piece ground costs', ...asked }),
}

/** The same as far as it was said; null of a kind that does not ask. */
export const ratesOf = ({ setupFields }: Pick<CheckKind, 'setupFields'>, setup: Setup): WorkRates | null =>
  setupFields.some(({ id }) => id === 'rubbed')
    ? { hour: coins(setup.hour), rubbed: lengthIn(setup, 'rubbed'), ground: coins(setup.ground) }
    : null
const coins = (text: string | undefined) => (text ? Number(text) : null)
