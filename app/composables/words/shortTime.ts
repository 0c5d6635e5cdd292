const time = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' })
const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })

/** `09:12` for today, `3 Nov 2026, 09:12` otherwise. */
export function shortTime(at: string, now = new Date()): string {
  const date = new Date(at)
  return date.toDateString() === now.toDateString() ? time.format(date) : `${day.format(date)}, ${time.format(date)}`
}
