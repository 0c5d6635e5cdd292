import { describe, expect, it } from 'vitest'
import { thou, nm } from '#core/quantity/length'
import { checkOf } from '../../tests/documents'
import { foreseen, requestOf, type PendingWrite } from './outbox'

const bench = {
  document: checkOf('shaft-end-play', { setup: { pack: 'none' }, ticks: [{ step: 'clean', trial: 't1' }] }),
  lots: [],
  reserves: {},
}
const head = { at: '2026-05-04T13:05:00.000Z', words: '' }
const reading: PendingWrite = {
  ...head,
  op: 'o1',
  kind: 'read',
  trialId: 't1',
  seen: 4,
  reading: { id: 'r1', point: 'travel', at: head.at, start: nm(0), far: thou(19), back: nm(0) },
}
const readings = (of: typeof bench) => of.document.trials[0]!.readings

describe('a write that waits', () => {
  it('shows at once, and only once', () => {
    const once = foreseen(bench, reading) as typeof bench
    expect(readings(once)).toMatchObject([{ id: 'r1', far: thou(19), gauge: 'dial-indicator' }])
    expect(readings(foreseen(once, reading) as typeof bench)).toHaveLength(1)
    expect(readings(bench)).toHaveLength(0)
  })
  it('voids what is still waiting itself', () => {
    const voided = foreseen(foreseen(bench, reading), {
      ...head,
      op: 'o2',
      kind: 'void',
      readingId: 'r1',
      reason: 'base moved',
    }) as typeof bench
    expect(readings(voided)[0]!.voided).toEqual({ reason: 'base moved' })
  })
  it('ticks and unticks a step of its own fitting; one of another fitting changes nothing', () => {
    const tick = (step: string, trial: string, ticked: boolean) =>
      foreseen(bench, { ...head, op: 'o', kind: 'tick', step, trial, ticked }).document.ticks
    expect(tick('clean', 't1', false)).toHaveLength(0)
    expect(tick('dial-zero', 't1', true)).toHaveLength(2)
    expect(tick('dial-zero', 't0', true)).toHaveLength(1)
  })
  it('a reading of an earlier fitting is not shown at another', () =>
    expect(readings(foreseen(bench, { ...reading, trialId: 't0' }) as typeof bench)).toHaveLength(0))
  it('goes onto the version that is known when it is sent, and says what was known when it was taken', () => {
    expect(requestOf(reading)).toMatchObject({ path: 'readings', body: { trialId: 't1', seen: 4, far: thou(19) } })
  })
})
