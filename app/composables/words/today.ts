/** The day on the wall here, `2026-05-04`: what a gauge is zeroed on. */
export function today(): string {
  const now = new Date()
  return new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 10)
}
