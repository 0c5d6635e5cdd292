import { describe, it } from 'vitest'
import type { CheckKind } from '#core/check/contract'
import { checkKinds } from '#core/check/registry'
import type { Setup } from '#core/check/setup'
import { NM_PER, thou } from '#core/quantity/length'
import { twoSided } from '#core/verdict/limits'
import { checkOf, trial } from '../documents'
import { lotsFor } from './lots'
import { compare, lifeOf, share } from './record'

/** Every choice of every field, one after the other, the rest as a check begins. */
function setupsOf({ setupFields, defaultSetup }: CheckKind): Setup[] {
  const size = (id: string) => String(id === 'radius' ? 150 * NM_PER.mm : id === 'master' ? 38 * NM_PER.mm : 10 * NM_PER.um)
  const sizes = Object.fromEntries(setupFields.flatMap(({ id, kind }) => (kind === 'length' ? [[id, size(id)]] : [])))
  const base = { ...defaultSetup, ...sizes }
  return [
    base,
    ...setupFields.flatMap(field => (field.kind === 'choice' ? field.options.map(({ value }) => ({ ...base, [field.id]: value })) : [])),
  ]
}

describe.each(checkKinds.map(kind => [kind.id, kind] as const))('the record of a %s', (id, kind) => {
  it('set up in every way, worked on at random', () => {
    const text = setupsOf(kind).flatMap((setup, at) => {
      const limits = Object.fromEntries(
        kind
          .results(setup)
          .filter(({ scale }) => scale === 'play')
          .map(({ id: result, unit }) => [
            result,
            { book: unit ? twoSided(1e9, 3e9, unit, { kind: 'book' }) : twoSided(thou(1), thou(3), 'thou', { kind: 'book' }), shop: null },
          ]),
      )
      const document = checkOf(id, {
        setup,
        limits: { working: 'tighter', sets: limits },
        rule: 'careful',
        trials: [trial('t1', [])],
        ticks: [],
      })
      return Array.from({ length: share(1, 4) }, (_, life) => [
        '',
        JSON.stringify(setup).replaceAll('"', ''),
        ...lifeOf({ document, lots: lotsFor(kind, setup), reserves: {} }, { seed: 1000 + at + life * 100, steps: 30, look: 30 }),
      ]).flat()
    })
    compare(text, `${id}.lives`)
  })
})
