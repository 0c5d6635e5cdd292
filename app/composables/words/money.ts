/** Coins as money; the coin is the workshop’s own. */
export const money = (coins: number | null): string => (coins === null ? 'no price' : (coins / 100).toFixed(2))

/** One of several prices: where none of them is known, nobody keeps prices here, and none is missing. */
export const moneyAmong = (coins: number | null, all: readonly (number | null)[]): string =>
  coins === null && all.every(price => price === null) ? '–' : money(coins)

/** What is said of text that is none. */
export const BAD_PRICE = 'A price such as 12 or 12.50.'

/** Reads `12`, `12.50`, `12,5` as coins; blank is no price. undefined: not a price. */
export function parseMoney(text: string): number | null | undefined {
  const match = /^(\d{1,6})(?:[.,](\d{1,2}))?$/.exec(text.trim())
  if (text.trim() === '') return null
  return match ? Number(match[1]) * 100 + Number((match[2] ?? '').padEnd(2, '0')) : undefined
}
