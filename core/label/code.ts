/** What a code can be of: a job’s tag, a matched set or a bag of a check, a gauge, a size of the drawer. */
export const CODED = { job: 'J', set: 'S', bag: 'B', gauge: 'G', size: 'P' } as const
export type Coded = keyof typeof CODED

/** No other label in a workshop begins like that, and no key of the bench is this letter. */
const PREFIX = 'QF'
const SIGNS = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ'

/** What the last sign can be: 31 of them, a prime, so that no wrong sign and no swap of two weighs nothing; none that is taken for another. */
const CHECKS = '0123456789ABCDEFGHJKLMNPRSTUVWX'
/** One sign that tells a slip: every sign weighs by its place. */
function checkSign(text: string): string {
  const sum = [...text].reduce((total, sign, i) => total + (i + 1) * (SIGNS.indexOf(sign) + 1), 0)
  return CHECKS[sum % CHECKS.length]!
}

/** A short name that can be printed and scanned: capitals and digits only. `QFG00127` */
export function codeText(thing: Coded, number: number): string {
  const text = `${PREFIX}${CODED[thing]}${String(number).padStart(4, '0')}`
  return text + checkSign(text)
}

/** What a scanned or typed code is of; null: it is none of ours, or was read wrong. */
export function readCode(text: string): { readonly thing: Coded; readonly number: number } | null {
  const match = /^QF([A-Z])(\d{4,9})([0-9A-Z])$/.exec(text.trim().toUpperCase())
  if (!match) return null
  const [whole, letter, digits, sign] = match as unknown as [string, string, string, string]
  const thing = (Object.keys(CODED) as Coded[]).find(candidate => CODED[candidate] === letter)
  return thing === undefined || checkSign(whole.slice(0, -1)) !== sign ? null : { thing, number: Number(digits) }
}
