/** Names that reach into what every object has. */
const UNSAFE = new Set(['__proto__', 'constructor', 'prototype'])

/** How much of it there may be, before anything is made of it. */
export interface Bounds {
  /** lists and objects within each other */
  readonly deepest: number
  /** values in all */
  readonly most: number
}
interface Unfit {
  readonly path: string
  readonly reason: string
}

export const tooMany = (most: number): string => `There is too much in it: ${most} values at most.`

/** The most values that stand in a JSON text, empty lists and objects counted too; before it is parsed, since that takes longest. */
export function valuesIn(text: string): number {
  let [count, quoted] = [1, false]
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i)
    if (quoted && code === BACKSLASH) i++
    else if (code === QUOTE) quoted = !quoted
    else if (!quoted && (code === BRACE || code === BRACKET || code === COMMA)) count++
  }
  return count
}
const [QUOTE, BACKSLASH, BRACE, BRACKET, COMMA] = [0x22, 0x5c, 0x7b, 0x5b, 0x2c] as const

/**
 * What makes parsed JSON unfit to be worked with, whatever it is meant to say: too much of it, too deep, names and texts that break
 * what reads them.
 * @returns place (its names joined by `joint`) and sentence; null: nothing is wrong
 */
export function unfit(value: unknown, { deepest, most }: Bounds, joint = '.'): Unfit | null {
  let count = 0
  const text = (of: string): string | null => {
    if (/\p{Cs}/u.test(of)) return 'This text is broken: half a character stands in it.'
    return of.includes('\0') ? 'The text holds a zero character, which cannot be stored.' : null
  }
  const within = (inner: unknown, path: string, depth: number): Unfit | null => {
    if (++count > most) return { path: '', reason: tooMany(most) }
    if (typeof inner === 'string') {
      const reason = text(inner)
      return reason === null ? null : { path, reason }
    }
    if (typeof inner !== 'object' || inner === null) return null
    if (depth >= deepest) return { path: '', reason: 'This is nested too deeply.' }
    for (const key in inner) {
      if (UNSAFE.has(key) || text(key) !== null) return { path, reason: 'This field is not known.' }
      const fault = within((inner as Record<string, unknown>)[key], path ? path + joint + key : key, depth + 1)
      if (fault) return fault
    }
    return null
  }
  return within(value, '', 0)
}
