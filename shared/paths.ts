import type { Coded } from '#core/label/code'

/** What has an address of its own: what a code is of, an order, an entry of the library of limits. */
export type Addressed = Coded | 'order' | 'limits'

const picked = (page: string) => (id: string) => `${page}?pick=${encodeURIComponent(id)}`

/** Where a thing is found on the screen. */
export const PATH_OF: Readonly<Record<Addressed, (id: string) => string>> = {
  job: id => `/jobs/${id}`,
  set: id => `/checks/${id}`,
  bag: id => `/checks/${id}`,
  gauge: picked('/gauges'),
  size: picked('/stock'),
  order: picked('/orders'),
  limits: picked('/limits'),
}
