import { describe, expect, it } from 'vitest'
import { GAUGES, checkOf, plays, said, trial } from '../../../tests/documents'
import { evaluateCheck } from '../evaluate/evaluate-check'
import type { CheckDocument } from '../document'
import { thou } from '../../quantity/length'
import { twoSided } from '../../verdict/limits'
import { closingCard } from './closing-card'

const INSPECTED = ['tracks', 'rust', 'water'].map(point => said(point, 'good'))
const hub = (more: Partial<CheckDocument> = {}, readings = [...INSPECTED, ...plays('travel', 4, 4, 4)]) =>
  checkOf('taper-hub', {
    gauges: GAUGES,
    limits: { working: 'book', sets: { play: { book: twoSided(thou(2), thou(6), 'thou', { kind: 'book' }), shop: null } } },
    trials: [
      trial(
        't1',
        readings.map(reading => ('far' in reading ? { ...reading, gauge: 'dial-indicator' } : reading)),
        { conditions: { bearings: 'dry', seals: 'out', torque: 'full' } },
      ),
    ],
    ...more,
  })
const card = (document: CheckDocument) => closingCard(document, evaluateCheck(document, []), { system: 'inch', time: at => at })

describe('before there is no way back', () => {
  it('says the figure with its limits, what it rests on, and what is still to be done', () => {
    const { answer, rests, open } = card(hub())
    expect(answer).toBe('In 4.0 thou, limits 2 – 6 thou')
    expect(rests).toMatch(
      /^3 readings · Test dial-indicator · .* · bearings clean and dry · seals out · axle nut at its torque, wheel spun$/,
    )
    expect(open).toMatch(/^Still to do: grease packed, .*; seals filled and fitted; axle torque on the machine; on the machine/)
  })
  it('says not to close while it is out, or not all of it was read and said', () => {
    const loose = card(hub({}, [...INSPECTED, ...plays('travel', 22, 22, 22)]))
    expect([loose.answer, loose.stop]).toEqual(['Loose 22.0 thou, limits 2 – 6 thou', 'Do not close: loose.'])
    expect(card(hub({ ticks: [] })).stop).toBe('Do not close: not all of it is read and said.')
    expect(card(hub()).stop).toBeNull()
  })
  it('every figure that weighs stands on it, the gravest first', () => {
    const side = (id: string, drag: string) => [said(`drag-${id}`, drag), said(`side-play-${id}`, 'none')]
    const swivel = checkOf('swivel-preload', {
      setup: { sides: 'both', way: 'feel' },
      trials: [
        trial('t1', [...side('left', 'slight'), ...side('right', 'much')], {
          conditions: { bearings: 'greased', seals: 'out', bolts: 'full' },
        }),
      ],
    })
    const { answer, others, stop } = card(swivel)
    expect(answer).toMatch(/^Right .*: Too much/)
    expect(others).toEqual([expect.stringMatching(/^Left preload provisional/)])
    expect(stop).toMatch(/^Do not close: Right .* too much\.$/)
  })
  it('Provisional names what it waits for, and then nothing is pending is not said', () => {
    const feel = { setup: { sides: 'left', way: 'feel' } }
    const readings = [said('drag-left', 'slight'), said('side-play-left', 'none')]
    const conditions = { bearings: 'greased', seals: 'in', bolts: 'full' }
    const open = card(checkOf('swivel-preload', { ...feel, trials: [trial('t1', readings, { conditions })] })).open
    expect(open).toMatch(/^In limits, provisional: measured with .* in\./)
    const torque = { bearings: 'dry', seals: 'out', torque: 'less' }
    const document = hub()
    const less = { ...document, trials: [{ ...document.trials[0]!, conditions: torque }] }
    expect(card(less).open).toMatch(/^In limits, provisional: measured with axle nut less, or not spun\. Still to do:/)
  })
  it('what blocks a signature stands before what is only to be remembered', () => {
    expect(card(hub({ ticks: [] })).open).toMatch(/^Still to tick: Bench axle, bottom up.* And \d more\.$/)
  })
  it('nothing measured rests on nothing; nothing left is nothing pending', () => {
    expect(card(hub({}, []))).toMatchObject({
      answer: 'To do, limits 2 – 6 thou',
      rests: 'Rests on nothing: it was not measured as it is.',
    })
    const clearings = ['bearings', 'seals', 'machine-torque', 'turns'].map((item, i) => ({
      item,
      trial: 't1',
      how: 'done' as const,
      by: 'T',
      at: '2026-05-05T08:00:00.000Z',
      order: 1e6 + i,
    }))
    expect(card(hub({ clearings })).open).toBe('Nothing is pending.')
  })
})
