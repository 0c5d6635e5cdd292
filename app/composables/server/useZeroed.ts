import { v4 as uuid } from 'uuid'
import type { RegisteredGauge } from '#shared/types'
import { today } from '../words/today'
import { write } from './useApi'

/** Says that a gauge was zeroed today, or tried on its standard; pressed again before it is answered, it is the same word. */
export function useZeroed(): (id: string) => Promise<RegisteredGauge> {
  const ops = new Map<string, string>()
  return async id => {
    const op = ops.get(id) ?? uuid()
    ops.set(id, op)
    const gauge = await write('POST /api/gauges/:id/zeroed', { op, on: today() }, id)
    ops.delete(id)
    return gauge
  }
}
