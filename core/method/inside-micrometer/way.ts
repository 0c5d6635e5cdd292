import { micrometer } from '../micrometer/way'
import type { Way } from '../way'

/** A hole by inside micrometer, or by small-hole gauge and outside micrometer: read and gated like an outside size. */
export const insideMicrometer: Way = {
  ...micrometer,
  id: 'inside-micrometer',
  title: 'Inside micrometer, or small-hole gauge',
  hint: 'Set the small-hole gauge in the hole, measure over it with the micrometer, type the size.',
}
