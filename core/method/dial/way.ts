import { estimatePlay } from '../../reading/estimate'
import { gateSeries } from '../../reading/gates'
import { readableStep } from '../../reading/gauge'
import { isRepeat } from '../../reading/reading'
import { NO_ANSWER, type Way } from '../way'
import { cosineCorrection } from './dial'

/** A movement read there and back by a dial indicator. */
export const dial: Way = {
  id: 'dial',
  title: 'Dial indicator',
  entry: 'travel',
  gauge: 'dial-indicator',
  scale: 'play',
  again: 'repeat',
  hint: 'Push home one way, zero, push fully over and type what it shows. Home and zero again before each repeat.',
  answer(readings, { gauge, band, tipAngle, pooled, guarded = false }) {
    const repeats = readings.filter(isRepeat)
    if (!gauge || repeats.length === 0) return NO_ANSWER
    return {
      estimate: estimatePlay(repeats, gauge, { scale: cosineCorrection(tipAngle), pooled }),
      findings: gateSeries(repeats, { graduation: gauge.graduation, step: readableStep(gauge), band, unit: gauge.unit, guarded }),
      word: null,
    }
  },
}
