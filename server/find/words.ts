/** What German, Danish and Norwegian write where they have no such letter at hand. */
const SPELT: Readonly<Record<string, string>> = { ä: 'ae', ö: 'oe', ü: 'ue', å: 'aa', ø: 'oe', æ: 'ae' }
/** Letters that come apart into none with a mark. */
const PLAIN: Readonly<Record<string, string>> = { ß: 'ss', ø: 'o', æ: 'ae', œ: 'oe', ł: 'l', đ: 'd', þ: 'th' }

const withoutMarks = (text: string) =>
  text
    .replace(/[ßøæœłđþ]/g, letter => PLAIN[letter]!)
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')

const split = (text: string) => text.split(/[^\p{L}\p{N}]+/u).filter(word => word !== '' && word.length <= 60)

/**
 * The words of a text as they are looked for: small, without marks; one with an umlaut also as it is spelt without.
 * `Zürich 4-12` → `zurich`, `zuerich`, `4`, `12`
 */
export function wordsIn(text: string): string[] {
  const small = text.toLowerCase().normalize('NFC')
  const spelt = small.replace(/[äöüåøæ]/g, letter => SPELT[letter]!)
  return [...new Set([...split(withoutMarks(small)), ...(spelt === small ? [] : split(withoutMarks(spelt)))])]
}

/** What is asked for, as PostgreSQL takes it: every word, each by its beginning. Null: nothing is. */
export function questionOf(text: string): string | null {
  const words = split(withoutMarks(text.toLowerCase().normalize('NFC'))).slice(0, 12)
  return words.length === 0 ? null : words.map(word => `'${word}':*`).join(' & ')
}
