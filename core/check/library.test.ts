import { describe, expect, it } from 'vitest'
import { checkOf } from '../../tests/documents'
import { mm, thou } from '../quantity/length'
import { twoSided } from '../verdict/limits'
import {
  keptLimits,
  libraryChanges,
  libraryFault,
  limitedResults,
  limitsFrom,
  positionsOf,
  offeredLimits,
  ruleFields,
  type LibraryLimit,
} from './library'
import { checkKind, checkKinds } from './registry'

const BOOK = { kind: 'book', text: 'Reduction box manual', page: '4-15', revision: 'C' } as const
const entry = (more: Partial<LibraryLimit> = {}): LibraryLimit => ({
  id: 'e',
  version: 1,
  name: 'Input shaft end play',
  kind: 'shaft-end-play',
  result: 'play',
  type: '',
  role: 'book',
  set: twoSided(thou(2), thou(4), 'thou', BOOK),
  rule: {},
  ...more,
})

describe('an entry of the library', () => {
  it('says what is wrong with it, and where', () => {
    const fault = (more: Partial<LibraryLimit>) => libraryFault(entry(more))
    expect(fault({})).toBeNull()
    expect(fault({ kind: 'no-such' })).toMatchObject({ at: 'kind' })
    expect(fault({ name: '  ' })).toMatchObject({ at: 'name' })
    expect(fault({ result: 'no-such' })).toMatchObject({ at: 'result' })
    expect(fault({ set: twoSided(thou(4), thou(2), 'thou', BOOK) })).toEqual({
      at: 'set',
      words: 'The lower limit is above the upper one.',
    })
    expect(fault({ set: twoSided(thou(2), thou(4), 'N·m', BOOK) })?.words).toContain('These are limits of a length')
    expect(fault({ set: { kind: 'none', unit: 'thou', source: BOOK } })).toMatchObject({ at: 'set' })
    // A shaft’s end play is one figure: nothing has to say which.
    expect(fault({ rule: { judged: 'axis' } })).toMatchObject({ at: 'rule' })
  })
  it('of a runout says which figure the limit is for', () => {
    const runout = { kind: 'runout', result: 'runout', set: { kind: 'upper', upper: thou(5), unit: 'thou', source: BOOK } } as const
    expect(libraryFault(entry({ ...runout, rule: { judged: 'axis' } }))).toBeNull()
    expect(libraryFault(entry({ ...runout, rule: { judged: 'sideways' } }))).toMatchObject({ at: 'rule' })
    expect(ruleFields(checkKind('runout')).map(({ id }) => id)).toEqual(['judged'])
  })
  it('can be of one position alone, where the figure has several', () => {
    const mains = checkKind('bearing-clearance')
    const of = positionsOf(mains, 'journal').map(({ id }) => id)
    expect(of.length).toBeGreaterThan(3)
    expect(positionsOf(checkKind('shaft-end-play'), 'play')).toEqual([])
    const alone = entry({ kind: 'bearing-clearance', result: `journal@${of[2]}`, set: twoSided(mm(47.98), mm(47.99), 'mm', BOOK) })
    expect(libraryFault(alone)).toBeNull()
    const offered = (setup: typeof mains.defaultSetup) => offeredLimits([alone], mains.id, '', mains.results(setup))
    expect(offered(mains.defaultSetup)).toHaveLength(1)
  })
  it('every kind has a figure to keep limits of', () => {
    for (const kind of checkKinds)
      expect(
        limitedResults(kind).some(({ main }) => main),
        kind.id,
      ).toBe(true)
  })
})

describe('what a new check is offered', () => {
  const results = checkKind('shaft-end-play').results(checkKind('shaft-end-play').defaultSetup)
  it('is of its kind and figures; for its type of unit before any', () => {
    const all = [
      entry({ id: 'any' }),
      entry({ id: 'launch', type: 'Harbour launch' }),
      entry({ id: 'bus', type: 'Country bus' }),
      entry({ id: 'crank', kind: 'crankshaft-end-play' }),
      entry({ id: 'preload', result: 'torque' }),
    ]
    const offered = (type: string) => offeredLimits(all, 'shaft-end-play', type, results).map(({ id }) => id)
    expect(offered('harbour LAUNCH')).toEqual(['launch', 'any'])
    expect(offered('')).toEqual(['any'])
  })
})

describe('an entry that was changed', () => {
  const check = checkOf('shaft-end-play', { limits: { working: 'book', sets: { play: { book: limitsFrom(entry()), shop: null } } } })
  const changed = entry({ version: 2, set: twoSided(mm(0.03), mm(0.08), 'mm', { ...BOOK, revision: 'D' }) })
  it('is asked about at an open check, until it is taken or kept', () => {
    expect(libraryChanges(check, [entry()])).toEqual([])
    const [asked] = libraryChanges(check, [changed])
    expect(asked).toMatchObject({ result: 'play', role: 'book', here: { upper: thou(4) }, entry: { version: 2 } })
    const withBook = (book: LibraryLimit['set']) => ({ ...check, limits: { ...check.limits, sets: { play: { book, shop: null } } } })
    expect(libraryChanges(withBook(limitsFrom(changed)), [changed])).toEqual([])
    const kept = keptLimits(asked!)
    expect(kept).toMatchObject({ upper: thou(4), source: { revision: 'C' } })
    expect(libraryChanges(withBook(kept), [changed])).toEqual([])
    // Changed once more, it is asked again.
    expect(libraryChanges(withBook(kept), [{ ...changed, version: 3 }])).toHaveLength(1)
  })
  it('leaves a signed check as it was signed; limits typed by hand are nobody else’s', () => {
    const signed = { ...check, signOff: { at: '2026-05-04T08:00:00Z', by: 'T. Marl', reason: null, core: '2.1.0' } }
    expect(libraryChanges(signed, [changed])).toEqual([])
    const typed = { ...check, limits: { ...check.limits, sets: { play: { book: entry().set, shop: null } } } }
    expect(libraryChanges(typed, [changed])).toEqual([])
  })
})
