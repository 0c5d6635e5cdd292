import { describe, expect, it } from 'vitest'
import type { CheckDocument, PointReading } from '#core/check/document'
import { evaluateCheck } from '#core/check/evaluate/evaluate-check'
import { answerRequest } from '#core/choice/answer/answer-request'
import type { Proposal } from '#core/choice/answer/chooser/proposal'
import type { Lot } from '#core/pack/lot'
import { nm, thou } from '#core/quantity/length'
import { isRepeat } from '#core/reading/reading'
import { twoSided } from '#core/verdict/limits'
import { checkOf, plays, trial } from '../documents'
import { lotOf } from '../pieces'
import { caseByCase, runs } from '../runs'
import { stream } from './drawers'

// What must not change when a check is told otherwise, and which way it must change when less is known.

const random = stream(9_127)
const between = (low: number, high: number) => low + (high - low) * random()
const shuffled = <T>(items: readonly T[]): T[] =>
  items
    .map(item => ({ item, at: random() }))
    .sort((a, b) => a.at - b.at)
    .map(({ item }) => item)

interface Made {
  readonly document: CheckDocument
  readonly lots: readonly Lot[]
}
function made(): Made {
  const lots = Array.from({ length: 6 }, (_, i) => {
    const size = thou(Number(between(1, 12).toFixed(1)))
    return lotOf(`s${i}`, size, { family: 'shims', onHand: 1 + Math.floor(random() * 3), measured: random() < 0.5 ? size : null })
  })
  const play = between(4, 20)
  const limits = twoSided(thou(3), thou(3 + Math.round(between(1, 4))), 'thou', { kind: 'book' })
  const readings = plays('travel', ...Array.from({ length: 3 }, () => Number((play + between(-0.1, 0.1)).toFixed(1))))
  const document = checkOf('shaft-end-play', {
    setup: { pack: random() < 0.5 ? 'under-cover' : 'in-gap' },
    rule: 'careful',
    family: 'shims',
    uRefit: nm(5_000),
    limits: { working: 'book', sets: { play: { book: limits, shop: null } } },
    trials: [trial('t1', readings, { packs: { pack: [{ lotId: 's0', count: 1 }] } })],
  })
  return { document, lots }
}

/** What is told of the play, and of every proposal in its order. */
function told({ document, lots }: Made) {
  const evaluation = evaluateCheck(document, lots)
  const { request, window } = evaluation.places[0]!
  const choice = request && answerRequest(request)
  const brief = ({ order, predicted, chance }: Proposal) => ({
    order,
    play: predicted.play,
    U: predicted.U,
    inside: chance?.inside ?? null,
  })
  const { value, U } = evaluation.headline.estimate!
  return { state: evaluation.state, value, U, window, fallback: choice?.fallback, proposals: choice?.proposals.map(brief) }
}
function withReadings({ document, lots }: Made, change: (readings: readonly PointReading[]) => readonly PointReading[]): Made {
  return { lots, document: { ...document, trials: document.trials.map(one => ({ ...one, readings: change(one.readings) })) } }
}

describe('the same check', () => {
  const COUNT = runs(300)
  it('told in millimetres says the same', () =>
    caseByCase(COUNT, () => {
      const one = made()
      const { proposals: inch, ...rest } = told(one)
      const { proposals: metric, ...others } = told({ ...one, document: { ...one.document, entryUnit: 'mm' } })
      expect(others).toEqual(rest)
      // What cannot be told apart is folded by steps of the unit: what stands in both stands alike.
      expect(metric?.[0]).toEqual(inch?.[0])
    }))
  it('with its readings and its drawer in another order says the same', () =>
    caseByCase(COUNT, () => {
      const one = made()
      const { lots } = one
      const other = withReadings({ ...one, lots: shuffled(lots) }, readings =>
        shuffled(readings).map((reading, i) => ({ ...reading, order: i + 1 })),
      )
      const [a, b] = [told(one), told(other)]
      expect(b.value).toBeCloseTo(a.value, 3)
      expect({ ...b, value: 0, window: null, proposals: b.proposals?.map(({ order }) => order) }).toEqual({
        ...a,
        value: 0,
        window: null,
        proposals: a.proposals?.map(({ order }) => order),
      })
    }))
  it('on a dial that runs the other way says the same', () =>
    caseByCase(COUNT, () => {
      const one = made()
      const mirrored = withReadings(one, readings =>
        readings.map(reading =>
          isRepeat(reading) ? { ...reading, start: nm(-reading.start), far: nm(-reading.far), back: nm(-reading.back) } : reading,
        ),
      )
      expect(told(mirrored)).toEqual(told(one))
    }))
  it('with a refit that does more is never surer of a changed pack that lies inside, nor of another play', () =>
    caseByCase(COUNT, () => {
      const one = made()
      const looser = told({ ...one, document: { ...one.document, uRefit: nm(10_000) } })
      const tighter = told(one)
      expect(looser.value).toBe(tighter.value)
      for (const { order, play, inside } of tighter.proposals ?? []) {
        const same = looser.proposals?.find(other => other.order.join() === order.join() && other.play === play)
        // Degrees of freedom grow with what is known: a hair, far out in the tail.
        if (same && inside !== null && inside > 0.5) expect(same.inside!).toBeLessThanOrEqual(inside + 0.02)
      }
    }))
})
