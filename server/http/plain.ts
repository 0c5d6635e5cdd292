/** What no command needs: deeper than this, JSON is there to break its reader. */
const DEEPEST = 12
/** Names that reach into what every object has. */
const UNSAFE = new Set(['__proto__', 'constructor', 'prototype'])

/**
 * What makes parsed JSON unfit to be worked with, whatever it is meant to say; null: nothing.
 * @returns place and sentence
 */
export function unfit(value: unknown, path = '', depth = 0): { path: string; reason: string } | null {
  if (typeof value === 'string') {
    if (!value.isWellFormed()) return { path, reason: 'This text is broken: half a character stands in it.' }
    return value.includes('\0') ? { path, reason: 'The text holds a zero character, which cannot be stored.' } : null
  }
  if (typeof value !== 'object' || value === null) return null
  if (depth >= DEEPEST) return { path: '', reason: 'This is nested too deeply.' }
  for (const [key, inner] of Object.entries(value)) {
    const at = path ? `${path}.${key}` : key
    if (UNSAFE.has(key)) return { path, reason: 'This field is not known.' }
    const fault = unfit(key) ? { path, reason: 'This field is not known.' } : unfit(inner, at, depth + 1)
    if (fault) return fault
  }
  return null
}
