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
  hint: 'Seat fully one way, zero the dial, push fully over and type what it shows. Three readings or more.',
  answer(readings, { gauge, band, tipAngle, pooled }) {
    const repeats = readings.filter(isRepeat)
    if (!gauge || repeats.length === 0) return NO_ANSWER
    return {
      estimate: estimatePlay(repeats, gauge, { scale: cosineCorrection(tipAngle), pooled }),
      findings: gateSeries(repeats, { graduation: gauge.graduation, step: readableStep(gauge), band, unit: gauge.unit }),
      word: null,
    }
  },
}
