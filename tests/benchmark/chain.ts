import { median } from 'd3-array'
import { angleOf } from '#core/check/kinds/runout/circle'
import { bestForAxes, less } from '#core/check/kinds/runout/dowels'
import { evaluateCheck, openPlaces } from '#core/check/evaluate/evaluate-check'
import { answerRequest } from '#core/choice/answer/answer-request'
import { thou } from '#core/quantity/length'
import { twoSided } from '#core/verdict/limits'
import { checkOf, plays, trial } from '../documents'
import { madeDrawer, stream } from '../reference/drawers'

const GAPS = 6
const SIZES = 40

/** Dowels and where they point, in closed form, against every half degree; a chain of six gaps, evaluated and chosen for from one drawer, against one gap. */
export function chainFigures(say: (line: string) => void): void {
  const draw = stream(3)
  const wanted = Array.from({ length: 1000 }, () => ({ to12: (draw() - 0.5) * 1e6, to3: (draw() - 0.5) * 1e6 }))
  const sizes = [7, 14, 21].map(size => thou(size))
  const worst = ({ to12, to3 }: { to12: number; to3: number }) => Math.max(Math.abs(to12), Math.abs(to3))
  const closed = took(() =>
    wanted.forEach(offset => sizes.forEach(size => angleOf(bestForAxes(offset, size).to12, bestForAxes(offset, size).to3))),
  )
  const tried = took(() =>
    wanted.forEach(offset =>
      sizes.forEach(size => {
        let best = Infinity
        for (let i = 0; i < 720; i++) {
          const angle = (i / 360) * Math.PI
          best = Math.min(best, worst(less(offset, { to12: size * Math.cos(angle), to3: size * Math.sin(angle) })))
        }
        return best
      }),
    ),
  )
  say(`\n1,000 offsets, three sizes of dowel: closed form ${closed.toFixed(2)} ms, every half degree ${tried.toFixed(1)} ms`)
  say(`  every half degree / closed form: ${(tried / closed).toFixed(0)}`)

  const { lots } = madeDrawer(stream(23), SIZES, true)
  const drawer = lots.map(lot => ({ ...lot, family: 'pieces', onHand: Math.max(3, lot.onHand) }))
  const check = (gaps: number) => {
    const ids = Array.from({ length: gaps }, (_, i) => String(i + 1))
    return checkOf('gear-train', {
      setup: {
        gaps: String(gaps),
        ...Object.fromEntries(ids.map(id => [`by${id}`, 'dial'])),
        ...Object.fromEntries(ids.slice(0, -1).map(id => [`shares${id}`, `with-${Number(id) + 1}`])),
      },
      limits: { working: 'book', sets: { gap: { book: twoSided(thou(8), thou(14), 'thou', { kind: 'own' }), shop: null } } },
      trials: [
        trial(
          't1',
          ids.flatMap(id => plays(`gap-${id}`, 30, 30, 30)),
          {
            packs: Object.fromEntries(ids.map(id => [`pack-${id}`, [{ lotId: drawer[Number(id)]!.id, count: 1 }]])),
          },
        ),
      ],
    })
  }
  const answered = (gaps: number) => {
    const document = check(gaps)
    return took(() => {
      const evaluation = evaluateCheck(document, drawer)
      if (openPlaces(evaluation).length !== gaps) throw new Error('not every gap can be chosen for')
      evaluation.places.forEach(({ request }) => answerRequest(request!))
    })
  }
  const [six, two] = [answered(GAPS), answered(2)]
  say(
    `\nA chain of ${GAPS} gaps, ${SIZES} sizes, each place moving the next gap too: evaluated and chosen for in ${six.toFixed(1)} ms, two gaps in ${two.toFixed(1)} ms`,
  )
  say(`  six gaps / two: ${(six / two).toFixed(2)}`)
}

function took(work: () => void): number {
  const times = Array.from({ length: 9 }, () => {
    const t0 = performance.now()
    work()
    return performance.now() - t0
  })
  // The first only warm up.
  return median(times.slice(3))!
}
