import { describe, expect, it } from 'vitest'
import { nm, thou } from '#core/quantity/length'
import type { CheckDocument } from '#core/check/document'
import { applied, requestOf, type PendingWrite } from './outbox'

const document = {
  trials: [{ id: 't1', at: '', packs: {}, refitted: [], predicted: {}, readings: [] }],
  ticks: [{ step: 'clean', trial: null }],
} as unknown as CheckDocument
const reading: PendingWrite = {
  op: 'o1',
  kind: 'reading',
  trialId: 't1',
  reading: { id: 'r1', point: 'travel', start: nm(0), far: thou(19), back: nm(0) },
  words: '19',
}

describe('a write that waits', () => {
  it('shows at once, and only once', () => {
    const once = applied(document, reading)
    expect(once.trials[0]!.readings).toHaveLength(1)
    expect(applied(once, reading).trials[0]!.readings).toHaveLength(1)
    expect(document.trials[0]!.readings).toHaveLength(0)
  })
  it('voids what is still waiting itself', () => {
    const voided = applied(applied(document, reading), { op: 'o2', kind: 'void', readingId: 'r1', reason: 'base moved', words: '' })
    expect(voided.trials[0]!.readings[0]!.voided).toEqual({ reason: 'base moved' })
  })
  it('ticks and unticks a step of its own fitting', () => {
    const tick = (ticked: boolean, trial: string | null): PendingWrite => ({
      op: 'o',
      kind: 'tick',
      step: 'clean',
      trial,
      ticked,
      words: '',
    })
    expect(applied(document, tick(true, null)).ticks).toHaveLength(1)
    expect(applied(document, tick(true, 't1')).ticks).toHaveLength(2)
    expect(applied(document, tick(false, null)).ticks).toHaveLength(0)
  })
  it('goes onto the version that is known when it is sent', () => {
    expect(requestOf(reading, 7)).toMatchObject({ path: 'readings', body: { op: 'o1', version: 7, trialId: 't1', far: thou(19) } })
  })
})
