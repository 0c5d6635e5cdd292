import { beforeAll, expect, it } from 'vitest'
import { evaluateCheck } from '#core/check/evaluate/evaluate-check'
import { prepareDrawer } from '#core/choice/answer/chooser/prepare'
import { searchPacks } from '#core/choice/answer/chooser/search'
import { readWorksheet } from '#core/worksheet/read'
import { DEMO_WORKSHEETS, demo } from '../demo-files'
import { lexicographic, solver, type Solver } from './milp'

let highs: Solver
beforeAll(async () => {
  highs = await solver()
})

// Reference library: HiGHS, an integer programme over the pieces a kind asks for, with the rules, the direction and the aim it asks with.
const asked = DEMO_WORKSHEETS.filter(file => !file.includes('-services.')).flatMap(file => {
  const reading = readWorksheet(demo(file))
  if (!reading.ok) throw new Error(reading.faults[0]!.reason)
  const { jobs, lots } = reading.worksheet
  return jobs
    .flatMap(job => job.checks)
    .flatMap(check =>
      evaluateCheck({ ...check, signOff: null }, lots).places.flatMap(({ place, request }) =>
        request && place.chosen.by !== 'catalogue' && request.question.from
          ? [{ kind: check.kind, title: check.title, place: place.id, request }]
          : [],
      ),
    )
})
/** Bins of a tenth of a thou. */
const WIDTH = 2540
it.each(asked.map((one, i) => [one.kind, one.title, one.place, i] as const))('%s: %s, %s', (_kind, _title, _place, i) => {
  const { drawer: lots, fitted, response, rules, question } = asked[i]!.request
  const { order: _, ...plain } = rules
  const drawer = prepareDrawer(lots, fitted, response, plain)
  const { from, uRefit, aim } = question
  const [best] = searchPacks(drawer, { from, uRefit, aim, width: WIDTH, limits: null, wanted: 1 }).found
  const basePlay = Math.round(from.play) - response.perPiece * drawer.fittedTotal
  const reference = lexicographic(
    highs,
    { drawer, basePlay, aim: Math.round(aim), width: WIDTH, allowed: { low: -Infinity, high: Infinity } },
    200_000,
    3,
  )
  if (!best) return expect(reference).toBeNull()
  const [, bin, , trouble, distance] = best.key
  expect({ bin, trouble, distance: Math.round(distance) }).toEqual({
    bin: reference!.bin,
    trouble: reference!.trouble,
    distance: Math.round(reference!.distance),
  })
})
it('is asked of by a dozen kinds', () => expect(new Set(asked.map(({ kind }) => kind)).size).toBeGreaterThanOrEqual(12))
