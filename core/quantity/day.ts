/**
 * A day there is, in the years of this trade: `2026-05-04`. In no time zone.
 * @example isDay('2026-02-30') // false
 */
export function isDay(text: string): boolean {
  const match = /^(\d{4})-(\d\d)-(\d\d)$/.exec(text)
  if (!match) return false
  const [year, month, day] = match.slice(1).map(Number) as [number, number, number]
  const date = new Date(Date.UTC(year, month - 1, day))
  return year >= 1900 && date.getUTCFullYear() === year && date.getUTCMonth() === month - 1 && date.getUTCDate() === day
}

const worded = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' })
/**
 * A day as it is read, its month a word: nobody has to know which figure that is. Of a time, its day.
 * @example dayText('2026-05-04') // '4 May 2026'
 */
export const dayText = (of: string): string => worded.format(new Date(`${of.slice(0, 10)}T00:00:00Z`))

/**
 * The day so many days later.
 * @example addDays('2026-02-27', 3) // '2026-03-02'
 */
export function addDays(day: string, days: number): string {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number]
  return new Date(Date.UTC(year, month - 1, date + days)).toISOString().slice(0, 10)
}
