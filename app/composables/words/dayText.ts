const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' })

/** `4 May 2026` for a day, `2026-05-04`, or for the day of a time. */
export const dayText = (of: string): string => day.format(new Date(`${of.slice(0, 10)}T00:00:00Z`))
