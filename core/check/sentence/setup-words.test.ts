import { describe, expect, it } from 'vitest'
import { checkKinds, checkKind } from '../registry'
import { mustBeSaid, setupWords } from './setup-words'

describe('a set-up in words', () => {
  it('says every choice of a kind as it stands, in the unit of the shop', () => {
    const words = setupWords(checkKind('clutch-fork'), { ...checkKind('clutch-fork').defaultSetup, pitch: '1500000' }, 'metric')
    expect(words.join(' · ')).toContain('1.5 mm')
    expect(setupWords(checkKind('shaft-end-play'), {}, 'inch')[0]).toBe('Where the pack sits: under a cover, quill or retainer')
  })
  it('of what is not asked in this set-up, and of what is left blank, nothing', () => {
    for (const kind of checkKinds) for (const words of setupWords(kind, kind.defaultSetup, 'inch')) expect(words).toMatch(/^[^:]+: \S/)
  })
  it('what no kind can guess must be said', () => {
    for (const kind of checkKinds)
      for (const id of mustBeSaid(kind, kind.defaultSetup)) {
        const field = kind.setupFields.find(one => one.id === id)!
        expect([kind.id, id, field.kind]).toEqual([kind.id, id, 'length'])
        expect(mustBeSaid(kind, { ...kind.defaultSetup, [id]: '25400000' })).not.toContain(id)
      }
  })
})
