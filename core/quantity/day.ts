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

/**
 * The day so many days later.
 * @example addDays('2026-02-27', 3) // '2026-03-02'
 */
export function addDays(day: string, days: number): string {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number]
  return new Date(Date.UTC(year, month - 1, date + days)).toISOString().slice(0, 10)
}
