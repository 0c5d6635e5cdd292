import { describe, expect, it } from 'vitest'
import { thou } from '../quantity/length'
import { stated } from '../reading/estimate'
import type { Reading } from '../reading/reading'
import { feel } from './feel/way'
import { micrometer } from './micrometer/way'
import { ofPlaces } from './places'
import { NO_ANSWER } from './way'
import { GAUGES } from '../../tests/documents'

const place = (id: string, play: number) => ({
  id,
  estimate: stated(thou(play), [{ source: 'resolution', words: 'Leaves', u: thou(0.2), nu: Infinity, shared: false }]),
})
const of = (counting: 'smallest' | 'mean', ...plays: number[]) =>
  ofPlaces(
    plays.map((play, i) => place(`p${i}`, play)),
    counting,
    thou(1),
    'thou',
  )

describe('one gap read at several places', () => {
  it('one place is itself, whichever is asked for', () => {
    const alone = { ...place('p0', 4).estimate, n: 1 }
    expect(of('mean', 4)).toEqual({ estimate: alone, findings: [], counted: null })
    expect(of('smallest', 4)).toEqual({ estimate: alone, findings: [], counted: 'p0' })
  })
  it('none is nothing', () => expect(of('mean')).toEqual({ estimate: null, findings: [], counted: null }))
  it('several are their smallest, or their mean; what lies over a step apart is said', () => {
    expect(of('smallest', 5, 4, 4.5)).toMatchObject({ estimate: { value: thou(4), n: 3 }, findings: [], counted: 'p1' })
    expect(of('mean', 5, 4)).toMatchObject({ estimate: { value: thou(4.5) }, findings: [], counted: null })
    expect(of('smallest', 6, 4).findings[0]!.words).toBe(
      'The places differ by 2 thou: the smallest counts, 4 thou. Find out why, or void what was a slip.',
    )
    expect(of('mean', 6, 4).findings[0]!.words).toContain('their mean counts')
  })
})

describe('a way of measuring', () => {
  const context = { gauge: null, band: null, counting: 'smallest', unit: 'thou' } as unknown as Parameters<typeof feel.answer>[1]
  it('with nothing read, or no gauge known, has no answer', () => {
    const read: Reading[] = [{ id: 'a', figure: thou(100) }]
    expect(feel.answer([], context)).toBe(NO_ANSWER)
    expect(micrometer.answer([], { ...context, gauge: GAUGES.micrometer })).toBe(NO_ANSWER)
    expect(micrometer.answer(read, context)).toBe(NO_ANSWER)
    expect(micrometer.answer(read, { ...context, gauge: GAUGES.micrometer }).estimate!.value).toBe(thou(100))
  })
})
