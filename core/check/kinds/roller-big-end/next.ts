import { resultId, type Answers, type NextStep } from '../../contract'
import type { Target } from '../../work'
import { lowerFirst } from '../../../quantity/first-letter'
import { leastClearance } from './evaluate'
import { honePlan } from './hone-plan'
import { borePoints, honePoint, rodsOf } from './layout'
import { lacksSets, sortedRollers, takenSet } from './sets'
import type { RollerSetup } from './setup'

/** What is to be done now, rod by rod: rollers, then sets, then honing, then the finished bore; null when all is done. */
export function nextAtTheRods(setup: RollerSetup, answers: Answers, targets: readonly Target[]): NextStep | null {
  const rods = rodsOf(setup)
  const sorted = sortedRollers(setup, answers)
  if (sorted.possible < rods.length) return { phase: 'measure', words: sorted.words, point: null, standing: null }
  const bare = rods.find(({ id }) => !takenSet(setup, answers, id))
  if (lacksSets(setup, answers) && bare)
    return { phase: 'choose', words: `Take a set of rollers for ${bare.label.toLowerCase()}.`, point: null, standing: null }
  const open = rods.flatMap(rod => {
    const target = targets.find(({ id, position }) => id === 'bore' && position === rod.id)
    const plan = target ? honePlan(setup, answers, rod.id, target) : null
    const finished = borePoints(rod.id).every(({ point }) => answers.of(point).estimate !== null && answers.stale(point) === null)
    return plan && !finished ? [{ rod, plan }] : []
  })
  // The rod that is being honed comes before the one not begun, and that before the one at size.
  const urgency = ({ plan }: (typeof open)[number]) => (plan.stone !== null || plan.over ? 2 : plan.left === null ? 1 : 0)
  const first = open.sort((a, b) => urgency(b) - urgency(a))[0]
  if (!first) return null
  const { rod, plan } = first
  const words = plan.words[0]!
  const honing = urgency(first) > 0
  // Both ends are read after a pass: the one that lags comes first.
  const lagging = plan.ends.reduce((a, b) => (b.passes.length < a.passes.length ? b : a)).end
  const estimate = plan.bore && leastClearance(setup, answers, rod.id, plan.bore)
  return {
    phase: honing ? 'choose' : 'measure',
    words: `${rod.label}: ${lowerFirst(words)}`,
    point: honing ? honePoint(rod.id, lagging) : null,
    standing: estimate && { result: resultId('clearance', rod.id), estimate },
  }
}
