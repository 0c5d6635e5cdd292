import { describe, expect, it } from 'vitest'
import type { PackChoice } from '../../choice/answer/chooser/choose'
import type { Proposal } from '../../choice/answer/chooser/proposal'
import { thou } from '../../quantity/length'
import { proposalInWords } from './proposal-words'
import { windowInWords } from './window-words'

describe('the window in words', () => {
  it.each([
    [55, 58, true, 'Totals that would do: 55 to 58 thou.'],
    [55, Infinity, true, 'Totals that would do: 55 thou or more.'],
    [-Infinity, 58, true, 'Totals that would do: up to 58 thou.'],
    [1, 2.5, false, 'Changes that would do: 1 to 2.5 thou.'],
    [-3, -1, false, 'Take out 1 to 3 thou.'],
    [-1, 2, false, 'Changes that would do: up to 1 out, up to 2 in.'],
  ])('%d to %d, pack known: %s', (low, high, known, words) =>
    expect(windowInWords({ low: low * thou(1), high: high * thou(1), lowExcluded: false, highExcluded: false }, known, 'thou')).toBe(words),
  )
  it.each([
    [12, 16, true, 'Totals that would do: over 12 to under 16 thou.'],
    [12, Infinity, true, 'Totals that would do: more than 12 thou.'],
    [-Infinity, 16, true, 'Totals that would do: under 16 thou.'],
    [-3, -1, false, 'Take out over 1 to under 3 thou.'],
  ])('%d to %d, without the ends', (low, high, known, words) =>
    expect(windowInWords({ low: low * thou(1), high: high * thou(1), lowExcluded: true, highExcluded: true }, known, 'thou')).toBe(words),
  )
})

describe('the proposal in words', () => {
  const proposal = (more: object = {}) =>
    ({
      predicted: { play: thou(4), U: thou(0.5) },
      chance: { inside: 0.97 },
      change: { out: [], in: [{ lotId: 'a', count: 1 }] },
      ...more,
    }) as unknown as Proposal
  const said = (more: object = {}, choice: Partial<PackChoice> = {}, fine = false) =>
    proposalInWords({
      proposal: proposal(more),
      choice: { fallback: false, notes: ['Nothing in the drawer reaches the limits.'], ...choice } as PackChoice,
      change: 'Put in 5',
      leaves: { value: thou(4), U: thou(0.5) },
      fine,
      at: '',
      unit: 'thou',
    })
  it('says a chance only where it is less than sure, and none where there are no limits', () => {
    expect(said()).toBe('Put in 5: leaves 4.0 ± 0.5 thou, in limits.')
    expect(said({ chance: { inside: 0.949 } })).toBe('Put in 5: leaves 4.0 ± 0.5 thou, 95 % in limits.')
    expect(said({ chance: null })).toBe('Put in 5: leaves 4.0 ± 0.5 thou.')
  })
  it('what is fine already is only brought nearer', () =>
    expect(said({}, {}, true)).toBe('In limits already. Nearer the aim: put in 5: leaves 4.0 ± 0.5 thou, in limits.'))
  it('a trial is called one', () => {
    expect(said({}, { fallback: true })).toBe('Nothing in the drawer reaches the limits. Nearest for a trial: put in 5, leaves 4.0 thou.')
    expect(said({ change: { out: [], in: [] } }, { fallback: true })).toBe('Nothing in the drawer reaches the limits.')
    expect(said({ atMost: true })).toBe('no play that can be told from zero. For a trial: put in 5, leaves at most 4.0 thou.')
  })
})
