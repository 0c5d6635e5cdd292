import { evaluateCheck } from '#core/check/evaluate/evaluate-check'
import { answerRequest } from '#core/choice/answer/answer-request'
import type { CheckDocument, PointReading, Trial } from '#core/check/document'
import { mm, nm, thou } from '#core/quantity/length'
import { twoSided } from '#core/verdict/limits'
import { checkOf, gauge, GAUGES, plays, ranges, said, trial } from '../documents'
import { lotOf } from '../pieces'
import { stream } from './drawers'

// A shaft on tapers with a hidden slope, set by shims until the torque is right, as the program says.

export interface Setting {
  /** side play is read by dial; else only felt */
  readonly byDial: boolean
  /** an earlier service learned the slope, as far as services differ */
  readonly taught: boolean
}

const NM = 1e9
const MOST = 9
const LOTS = Array.from({ length: 40 }, (_, i) => 1.5 + 0.03 * i).map((size, i) =>
  lotOf(`s${i}`, mm(Number(size.toFixed(3))), { family: 'shims', onHand: 1, scatter: nm(500), measured: mm(Number(size.toFixed(3))) }),
)
const SIZES = new Map(LOTS.map(({ id, nominal }) => [id, nominal / 1e6]))
const CONDITIONS = { oil: 'as-book', joint: 'bare', seal: 'out' }

/** Fittings until it was in limits, the first as found not counted. */
export function setPreload(seed: number, { byDial, taught }: Setting): number {
  const random = stream(seed)
  const slope = 4 + 5 * random()
  const begins = 1.9 + 0.2 * random()
  const found = begins - 0.03 - 0.25 * random()
  const first = LOTS.reduce((a, b) => (Math.abs(b.nominal / 1e6 - found) < Math.abs(a.nominal / 1e6 - found) ? b : a))
  const differs = 1 + 0.3 * (2 * random() - 1)
  const slopes = { 'turning@1': { slope: (slope * differs * NM) / 1e6, u: 0, from: 'The service before' } }
  let trials: Trial[] = []
  let pack = [{ lotId: first.id, count: 1 }]
  for (let fittings = 0; fittings < MOST; fittings++) {
    const preload = pack.reduce((sum, { lotId, count }) => sum + count * SIZES.get(lotId)!, 0) - begins + 0.006 * (random() - 0.5)
    trials = [
      ...trials,
      trial(`t${fittings + 1}`, readAt(preload), {
        packs: { 'shim-1': pack, 'joint-1': [] },
        refitted: fittings === 0 ? [] : ['shim-1'],
        conditions: CONDITIONS,
      }),
    ]
    const evaluation = evaluateCheck(documentOf(trials, taught ? slopes : undefined), LOTS)
    if (evaluation.state === 'in') return fittings
    const { request, note } = evaluation.places[0]!
    if (!request) throw new Error(`${note}`)
    const next = answerRequest(request).proposals.find(({ change }) => change.in.length + change.out.length > 0)
    if (!next) return MOST
    pack = [...next.pack]
  }
  return MOST

  function readAt(preload: number): PointReading[] {
    if (preload > 0) {
      const torque = Math.round(preload * slope * 100) / 100
      // Less than the gauge begins with.
      if (torque < 0.06) return [said('drag-1', 'none'), said('side-play-1', 'none')]
      return ranges('turning-1', ...[0, 0.01, -0.01].map((off): [number, number] => [(torque + off) * NM, (torque + off) * NM]))
    }
    if (!byDial) return [said('drag-1', 'none'), said('side-play-1', 'some')]
    const play = mm(Math.round(-preload * 1000) / 1000) / thou(1)
    return plays('side-play-dial-1', play, play, play)
  }
}

const documentOf = (trials: readonly Trial[], slopes: CheckDocument['slopes']): CheckDocument =>
  checkOf('torque-preload', {
    entryUnit: 'mm',
    family: 'shims',
    limits: { working: 'book', sets: { turning: { book: twoSided(0.9 * NM, 1.3 * NM, 'N·m', { kind: 'book' }), shop: null } } },
    rule: 'careful',
    uRefit: nm(2_000),
    setup: { way: 'gauge' },
    gauges: {
      ...GAUGES,
      'dial-indicator': gauge('dial-indicator', mm(0.01), { unit: 'mm', permissibleError: mm(0.002), repeatability: mm(0.001) }),
    },
    trials,
    ...(slopes ? { slopes } : {}),
  })
