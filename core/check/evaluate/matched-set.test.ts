import { expect, it } from 'vitest'
import { checkOf, figures, trial } from '../../../tests/documents'
import { thou } from '../../quantity/length'
import type { CheckDocument, PartChange } from '../document'
import { evaluateCheck } from './evaluate-check'
import { matchedSet } from './matched-set'

const AT = '2026-05-05T08:00:00.000Z'
const change = (role: string, order: number): PartChange => ({ role, at: AT, reason: 'new', order })
const read = (order: number) => ({ ...figures('spacer', thou(370))[0]!, id: `r${order}`, order })
const reopened = { at: AT, by: 'T. Marl', reason: 'heard a knock', order: 50 }
const set = (more: Partial<CheckDocument>, orders = [10, 20]) => {
  const document = checkOf('comparator-hub', { trials: [trial('t1', orders.map(read))], ...more })
  return matchedSet(document, evaluateCheck(document, []))!
}

it('a kind that names no members makes no set', () => {
  const hub = checkOf('taper-hub')
  expect(matchedSet(hub, evaluateCheck(hub, []))).toBeNull()
})
it('holds while nothing was changed since it was signed', () => {
  expect(set({}).void).toBeNull()
  expect(set({ signOff: { at: AT, by: 'T. Marl', reason: null, core: '2' } })).toMatchObject({ void: null, made: { by: 'T. Marl' } })
  // Replaced first, then measured, signed, and opened again for another reason.
  expect(set({ partChanges: [change('hub', 15)], reopened }).void).toBeNull()
})
it('is void once a member was changed after it was measured, before it was opened again or after', () => {
  expect(set({ partChanges: [change('outer-bearing', 30)], reopened }).void).toMatchObject({ label: 'Outer bearing, cup and cone' })
  expect(set({ partChanges: [change('spacer', 60)], reopened }).void).toMatchObject({ label: 'Hub spacer' })
  // Measured anew, it is a set again only with a new signature.
  expect(set({ partChanges: [change('spacer', 60)], reopened }, [10, 20, 70]).void).not.toBeNull()
})
it('never signed, it has no label to void', () => expect(set({ partChanges: [change('hub', 30)] }).void).toBeNull())
it('is void where everything was gone over, and not for what is no member', () => {
  expect(set({ partChanges: [change('*', 60)], reopened }).void).toMatchObject({ label: 'Everything' })
  expect(set({ partChanges: [change('axle', 60)], reopened }).void).toBeNull()
  // Of several the last one is told.
  expect(set({ partChanges: [change('hub', 60), change('spacer', 61), change('axle', 62)], reopened }).void).toMatchObject({
    label: 'Hub spacer',
  })
})
