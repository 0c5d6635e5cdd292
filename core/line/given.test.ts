import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { evaluateCheck } from '../check/evaluate/evaluate-check'
import type { Bench, Command } from '../command/command'
import { beginCheck } from '../command/settings'
import { thou } from '../quantity/length'
import { done } from '../../tests/bench'
import { GAUGES, gauge } from '../../tests/documents'
import { answerLine } from './answer-line'
import { LINE_EXAMPLES } from './examples'
import { keptBy, stepCommand } from './given'
import { readLine } from './read-line'
import { saidIn } from './said'

/** A workshop's own: not what stands in. */
const REGISTER = [...Object.values(GAUGES), gauge('calipers', thou(1))]

/** The line kept: a check that is begun with its set-up and gauges of the register, and given its steps. */
function kept(text: string): Bench {
  const line = readLine(text, 'thou')
  const said = saidIn(line, text)
  const { settings, steps } = keptBy(line, said, 'cover shims')
  const at = '2026-05-04T08:00:00.000Z'
  const set: Command = { kind: 'change-settings', op: 'begin', at, change: settings, register: REGISTER, parts: [] }
  return done(
    { document: beginCheck(said.kind, { id: 'kept', trialId: 'found', at }), lots: [], reserves: {} },
    set,
    ...steps.map((step, i) => stepCommand(step, `kept-${i}`, at, 'found')),
    // What the line took as given is said by whoever looks.
    ...Object.entries(said.kind.spoken?.taken?.words ?? {}).map(([point, word]) =>
      stepCommand({ kind: 'read', reading: { point, word } }, `said-${point}`, at, 'found'),
    ),
  )
}

const figure = fc.integer({ min: 1, max: 400 }).map(tenths => tenths / 10)
const pieces = fc.array(fc.integer({ min: 2, max: 60 }), { minLength: 1, maxLength: 4 })
const whole = fc.tuple(
  fc.constantFrom('quill', 'in the gap', 'thrust washer', 'under cover end play', 'rear hub', 'crank'),
  fc.array(figure, { minLength: 1, maxLength: 3 }),
  fc.tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 9 })),
  fc.option(pieces),
)

describe('a line that is kept', () => {
  it('says the same figure and the same verdict with gauges of the workshop as the line with what stands in', () => {
    fc.assert(
      fc.property(whole, ([words, figures, [low, over], pack]) => {
        const text = `${words} ${figures.join(' ')}, ${low}-${low + over}${pack && words !== 'crank' ? `, pack ${pack.join(' ')}` : ''}`
        const { evaluation, check } = answerLine(readLine(text, 'thou'), text, [])
        fc.pre(check.faults.length === 0 && check.asks.length === 0)
        const { document, lots } = kept(text)
        const again = evaluateCheck(document, lots)
        expect(again.headline.estimate!.value).toBe(evaluation.headline.estimate!.value)
        expect(again.headline.limits.working).toEqual(evaluation.headline.limits.working)
        expect(again.headline.verdict.working?.plain).toBe(evaluation.headline.verdict.working?.plain)
        if (words === 'quill') {
          const sum = figures.reduce((all, one) => all + one, 0)
          expect(Math.abs(again.headline.estimate!.value - thou(sum) / figures.length)).toBeLessThanOrEqual(1)
        }
      }),
      { numRuns: 120 },
    )
  })
  it.each(LINE_EXAMPLES)('keeps the example: %s', text => {
    const { evaluation } = answerLine(readLine(text, 'thou'), text, [])
    const { document, lots } = kept(text)
    expect(evaluateCheck(document, lots).headline.estimate!.value).toBe(evaluation.headline.estimate!.value)
  })
  it('records no figure that was not said: one of three places, four marks of five, a mean once', () => {
    const read = (text: string) => kept(text).document.trials[0]!.readings.flatMap(reading => ('word' in reading ? [] : [reading.point]))
    expect(read('release bearing A 0.3 H 3.051 D 2.6 B 3.58 in, at least 0.5 in')).toEqual(['a', 'h-1', 'd-1', 'b-1'])
    expect(read('disc 0 4 7 3, up to 10, raw')).toHaveLength(4)
    expect(read('quill 31, 2-4, three readings')).toHaveLength(1)
    expect(read('quill 31 32, 2-4')).toHaveLength(2)
  })
  it('lists its pack in the family it is kept in, and leaves what could go in to the drawer', () => {
    const { document, lots } = kept('in the gap 12, 2-4, pack 30, from 32 35 38')
    expect(lots.map(({ family, nominal, onHand }) => [family, nominal, onHand])).toEqual([['cover shims', thou(30), 0]])
    expect(document.trials[0]!.packs['pack']).toEqual([{ lotId: lots[0]!.id, count: 1 }])
    expect(document.limits.sets).not.toEqual({})
  })
})
