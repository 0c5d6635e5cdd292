import type { BudgetLine } from '../../reading/budget'
import { rectangular } from '../../reading/budget'
import { isRange, unvoided } from '../../reading/reading'
import { mean } from '../../reading/statistics'
import { answerTurning } from '../turning-torque/turning'
import { NO_ANSWER, type Way } from '../way'

/** The place the scale is hooked in is known to a millimetre either way. */
const RADIUS_ERROR = 1_000_000

/** nN·m in a µN at a radius: M = F·r. @param radius nm */
export const torquePerForce = (radius: number): number => radius * 1e-6

/**
 * The torque that keeps a housing turning, by a spring scale pulled square to the radius: M = F·r. The scale’s zero and its reading
 * both count; the radius is known to a millimetre.
 */
export const springScale: Way = {
  id: 'spring-scale',
  title: 'Spring scale on a radius',
  entry: 'range',
  ends: ['turning', 'to start'],
  gauge: 'spring-scale',
  scale: 'play',
  again: 'repeat',
  hint: 'Hand off the housing, pull square to the radius, turn steadily: type what the scale shows; what it took to start may follow.',
  answer(readings, context) {
    const live = unvoided(readings.filter(isRange))
    const { radius } = context
    if (!context.gauge || live.length === 0) return NO_ANSWER
    if (radius === null)
      return { ...NO_ANSWER, findings: [{ gate: 'hand', level: 'fail', words: 'At which radius does the scale pull? Give it in Set up.' }] }
    const arm: BudgetLine = {
      source: 'standard',
      words: 'Radius of the pull to 1 mm, F·a/√3',
      u: mean(live.map(({ low }) => low)) * torquePerForce(rectangular(RADIUS_ERROR)),
      nu: Infinity,
      shared: true,
      carrier: 'radius',
      assumed: true,
    }
    return answerTurning(readings, context, torquePerForce(radius), { extra: [arm] })
  },
}
