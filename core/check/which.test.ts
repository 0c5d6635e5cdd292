import { describe, expect, it } from 'vitest'
import { checkKinds } from './registry'
import { KIND_GROUPS, kindsFound } from './which'

const found = (text: string) => kindsFound(text).map(({ id }) => id)

describe('which check', () => {
  it('every kind stands under one part of a machine, and every part has some', () => {
    for (const { id } of KIND_GROUPS) expect(checkKinds.some(({ under }) => under === id)).toBe(true)
    for (const kind of checkKinds) expect(KIND_GROUPS.map(({ id }) => id)).toContain(kind.under)
  })
  it.each([
    ['loose wheel', ['taper-hub', 'comparator-hub']],
    ['bell housing', ['runout']],
    ['thrust', ['thrust-alignment', 'crankshaft-end-play', 'release-bearing', 'eccentric-shaft-end-play']],
    ['oil pressure', ['bearing-clearance', 'oil-pump-clearance']],
    ['KING', ['swivel-preload']],
    ['pinion', ['torque-preload']],
    ['circlip', ['universal-joint']],
  ])('%s', (text, ids) => {
    for (const id of ids) expect(found(text)).toContain(id)
  })
  it('what is in the title comes first', () => {
    expect(found('crank')[0]).toBe('crankshaft-end-play')
    expect(found('runout')[0]).toBe('runout')
    expect(found('thrust')[0]).toBe('thrust-alignment')
  })
  it('each is found first by its own title, and by each of its words', () => {
    for (const kind of checkKinds) {
      expect(found(kind.title)[0]).toBe(kind.id)
      for (const word of kind.by) expect(found(word)).toContain(kind.id)
    }
  })
  it('all without a word, none for one that is nobody’s', () => {
    expect(kindsFound('  ')).toEqual(checkKinds)
    expect(found('gramophone')).toEqual([])
  })
})
