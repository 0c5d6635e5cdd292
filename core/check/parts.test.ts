import { describe, expect, it } from 'vitest'
import { bindParts, staleWords } from './parts'

const roles = [
  { id: 'crankshaft', label: 'Crankshaft' },
  { id: 'shells-1', label: 'Shells, main 1' },
]
const newId = (role: { id: string }) => `new-${role.id}`

describe('binding the roles of a check to the parts of its job', () => {
  it('rests two checks on one part of the same name, whatever its case', () => {
    const { bound, added } = bindParts(roles, [{ id: 'p1', name: 'crankshaft' }], newId)
    expect(bound).toEqual({ 'crankshaft': 'p1', 'shells-1': 'new-shells-1' })
    expect(added).toEqual([{ id: 'new-shells-1', name: 'Shells, main 1' }])
  })
  it('adds a part once, though two roles name it', () => {
    const { bound, added } = bindParts([...roles, { id: 'crank-again', label: 'CRANKSHAFT' }], [], newId)
    expect(added).toHaveLength(2)
    expect(bound['crank-again']).toBe(bound.crankshaft)
  })
  it('has nothing to bind where nothing is asked', () =>
    expect(bindParts([], [{ id: 'p1', name: 'Crankshaft' }], newId)).toEqual({ bound: {}, added: [] }))
})

describe('why a reading is stale', () => {
  it('names the part and what was done to it', () => {
    expect(staleWords(roles, { role: 'shells-1', reason: 'new ones' })).toBe('shells, main 1 – new ones')
  })
  it('a change to everything speaks for itself', () => {
    expect(staleWords(roles, { role: '*', reason: 'dropped' })).toBe('dropped')
  })
})
