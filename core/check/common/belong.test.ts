import { describe, expect, it } from 'vitest'
import { checkOf, figures, gauge, GAUGES, trial } from '../../../tests/documents'
import { mm, nm } from '../../quantity/length'
import type { CheckDocument, PointReading } from '../document'
import { evaluateCheck } from '../evaluate/evaluate-check'
import { plausibleAt } from '../evaluate/plausible'
import { checkKind } from '../registry'
import { answerOf } from '../sentence/answer'
import { lookAt } from '../sentence/look-at'
import { apartLimit } from './belong'

const FINE = { ...GAUGES, calipers: gauge('calipers', nm(10_000), { unit: 'mm', repeatability: nm(2_000), readableFraction: 0.2 }) }
const fingers = (...values: number[]) => values.flatMap((value, i) => figures(`f-${i + 1}`, mm(value)))
const fork = (readings: readonly PointReading[]): CheckDocument =>
  checkOf('clutch-fork', {
    entryUnit: 'mm',
    gauges: FINE,
    limits: {
      working: 'book',
      sets: { gap: { book: { kind: 'lower', lower: mm(1), unit: 'mm', source: { kind: 'own' } }, shop: null } },
    },
    trials: [trial('t1', readings)],
    setup: { old: 'gone' },
  })
const evaluated = (...values: number[]) => evaluateCheck(fork([...fingers(...values), ...figures('r', mm(45.1))]), [])
const apart = (e: ReturnType<typeof evaluated>) => e.headline.findings.filter(({ gate }) => gate === 'apart').map(({ words }) => words)

describe('readings of one length that do not belong together', () => {
  it('0.4 mm for a diameter, 0.5 for a depth, three graduations where that is more', () => {
    expect(apartLimit({ way: 'micrometer' }, 1_000)).toBe(mm(0.4))
    expect(apartLimit({ way: 'calipers', jaws: 'outside' }, 20_000)).toBe(mm(0.4))
    expect(apartLimit({ way: 'depth' }, 20_000)).toBe(mm(0.5))
    expect(apartLimit({ way: 'depth' }, 254_000)).toBe(mm(0.762))
  })
  it('84.25 among 48.25: named, said first, in no limits without a reason', () => {
    const e = evaluated(48.25, 84.25, 48.3)
    expect(apart(e)).toEqual(['F, to the fingers, place 2: 35.950 mm from the others. Read it again, and void what was misread.'])
    expect(e.word).toBe('In, but a reading lies far from the others of its length')
    const document = fork([...fingers(48.25, 84.25, 48.3), ...figures('r', mm(45.1))])
    expect(answerOf(lookAt(document, e, []), { system: 'metric', time: at => at }).sentence).toBe(apart(e)[0])
    expect(e.signOff.needsReason).toContain('far from the others')
  })
  it('fingers are never level: below half a millimetre it is spread', () => {
    expect(apart(evaluated(48.25, 48.65, 48.3))).toEqual([])
    expect(evaluated(48.25, 48.65, 48.3).state).toBe('in')
    expect(apart(evaluated(48.25, 48.8, 48.26))).toHaveLength(1)
  })
  it('of two nobody knows which', () => {
    const e = evaluateCheck(fork([...fingers(48.25, 49.25), ...figures('r', mm(45.1))]), [])
    expect(e.current.results[0]!.findings.find(({ gate }) => gate === 'apart')!.words).toBe(
      'F, to the fingers, place 1 and F, to the fingers, place 2 lie 1.000 mm apart: one of them is misread. Read both again.',
    )
  })
  it('what is typed is held against the others before it is stored', () => {
    const document = fork(fingers(48.25, 48.35))
    const kind = checkKind('clutch-fork')
    const point = kind.points(document.setup).find(({ id }) => id === 'f-3')!
    expect(plausibleAt(document, kind, point)).toMatchObject({ near: mm(48.3), within: mm(0.5) })
  })
})
