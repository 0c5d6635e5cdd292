import { ref } from 'vue'
import { describe, expect, it, vi } from 'vitest'
import { checkOf, figures, trial } from '../../../tests/documents'
import type { CheckDocument, PointReading } from '#core/check/document'
import { evaluateCheck } from '#core/check/evaluate/evaluate-check'
import { checkKind } from '#core/check/registry'
import { inches, thou } from '#core/quantity/length'
import type { Phase } from '#core/method/step'
import { twoSided } from '#core/verdict/limits'
import { usePointCells } from './usePointCells'
import { useShown } from './useShown'
import type { useTaking } from './useTaking'

vi.mock('~/stores/preferences', () => ({ usePreferences: () => ({ system: 'inch' }) }))

const MASTER = inches(2)
const setup = { positions: '2', stations: '1', master: String(MASTER), masterError: '0' }
const limits = { working: 'book', sets: { clearance: { book: twoSided(thou(1), thou(3), 'thou', { kind: 'book' }), shop: null } } } as const
/** Clearance of a main, thou: a journal of 2 in less nothing, a bore that much over the master on a dial that climbs. */
const main = (position: number, clearance: number): PointReading[] => [
  ...['A', 'B'].flatMap(d => figures(`journal-${position}-${d}`, inches(2))),
  ...['A', 'B'].flatMap(d => figures(`bore-${position}-${d}`, -thou(clearance))),
]

function bench(
  readings: readonly PointReading[],
  at: Phase,
  change: { point?: string; next?: string | null; trials?: CheckDocument['trials']; setup?: Record<string, string> } = {},
) {
  const document = checkOf('bearing-clearance', { setup: change.setup ?? setup, limits, trials: change.trials ?? [trial('t1', readings)] })
  const points = checkKind('bearing-clearance').points(document.setup)
  const find = (id: string) => points.find(point => point.id === id)!
  const readingsOf = (point: { id: string }) =>
    document.trials.flatMap(({ readings: all }) => all).filter(reading => reading.point === point.id)
  const taking = {
    points: ref(points),
    point: ref(find(change.point ?? 'journal-1-A')),
    seen: ref(change.point ?? 'journal-1-A'),
    next: ref(change.next ? find(change.next) : null),
    pointed: ref(false),
    readingsOf,
  } as unknown as ReturnType<typeof useTaking>
  const evaluation = ref(evaluateCheck(document, []))
  const shown = useShown({ document: ref(document), evaluation, phase: ref(at), taking, typed: ref(null) })
  return {
    ...shown,
    ...usePointCells(
      ref(points),
      readingsOf,
      ref(evaluation.value.current.results),
      ({ way }) => (way === 'micrometer' ? 'in' : 'thou'),
      () => null,
      () => '',
    ),
  }
}

describe('the result the bench looks at', () => {
  const both = [...main(1, 2), ...main(2, 5)]
  it('is the one that decides, once all is read', () => {
    const { shown, place } = bench(both, 'choose')
    expect(shown.value).toMatchObject({ id: 'clearance@2', state: 'above' })
    expect(place.value!.place.id).toBe('shells-2')
  })
  it('is that of the point being read, while something is still to be read', () => {
    expect(bench(main(1, 2), 'measure', { point: 'bore-2-A', next: 'bore-2-A' }).shown.value).toMatchObject({
      id: 'clearance@2',
      state: 'to-do',
    })
    expect(bench(both, 'measure', { point: 'bore-1-A' }).shown.value.id).toBe('clearance@2')
  })
  it('is the one pointed at, whatever else', () => {
    const { shown, picked, place } = bench(both, 'choose')
    picked.value = 'clearance@1'
    expect(shown.value).toMatchObject({ id: 'clearance@1', state: 'in' })
    expect(place.value!.place.id).toBe('shells-1')
    // A side result is moved by the pieces at its position.
    picked.value = 'bore-round@1'
    expect(place.value!.place.id).toBe('shells-1')
  })
  it('in Prove is the one the fitting was to move', () => {
    const fitted = { ...trial('t2', []), refitted: ['shells-1'], predicted: { 'clearance@1': { play: thou(2), u: 100, uOwn: 100 } } }
    expect(bench([], 'prove', { trials: [trial('t1', both), fitted] }).shown.value.id).toBe('clearance@1')
  })
  it('stands in a row with the same figure of the other positions, and only those', () => {
    expect(bench(both, 'choose').row.value.map(({ id }) => id)).toEqual(['clearance@1', 'clearance@2'])
  })
})

describe('the points of a check with many', () => {
  it('show the figure that is used, in the words of their gauge: the mean of its repeats; a voided one is not there', () => {
    const readings = [
      ...figures('journal-1-A', inches(2), inches(1.9998)),
      ...figures('bore-1-A', -thou(2)).map(r => ({ ...r, voided: { reason: 'slipped' } })),
    ]
    const turns: PointReading = { id: 'w', point: 'turns-1', word: 'turns' }
    const { cells } = bench([...readings, turns], 'measure')
    const figure = (id: string) => cells.value.find(({ point }) => point.id === id)!.figure
    expect([figure('journal-1-A'), figure('bore-1-A'), figure('turns-1'), figure('journal-2-A')]).toEqual([
      '1.9999',
      null,
      'turns freely',
      null,
    ])
    expect(cells.value.find(({ point }) => point.id === 'journal-1-A')!.times).toBe(2)
  })
  it('mark a reading that is refused, and only that one', () => {
    const off = [...figures('strip-1-front', thou(9)), ...figures('strip-2-front', thou(2))]
    const { cells } = bench(off, 'measure', { setup: { ...setup, way: 'strip' }, point: 'strip-1-front' })
    expect(cells.value.filter(cell => cell.bad).map(({ point }) => point.id)).toEqual(['strip-1-front'])
  })
})
