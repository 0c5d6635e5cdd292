import { describe, it } from 'vitest'
import type { CheckKind } from '#core/check/contract'
import { checkKinds } from '#core/check/registry'
import type { Setup } from '#core/check/setup'
import { newLot } from '#core/command/found-pack'
import type { Lot } from '#core/pack/lot'
import { NM_PER, nm, thou, type Nm } from '#core/quantity/length'
import { twoSided } from '#core/verdict/limits'
import { checkOf, trial } from '../documents'
import { compare, lifeOf } from './record'

const lot = (id: string, size: Nm, onHand: number, more: Partial<Lot> = {}): Lot => ({
  ...newLot({ id, family: 'pieces', nominal: size, tags: [] }, true),
  onHand,
  ...more,
})
/** Something of everything: measured or not, stepped, told apart, promised, a sheet, another family. */
const LOTS = [
  lot('a', thou(10), 3, { cost: 40 }),
  lot('b', thou(8), 2, { measured: null, tolerance: { plus: nm(0), minus: nm(5_000) } }),
  lot('c', thou(5), 4, { reserved: 2, mark: 'K' }),
  lot('d', thou(2), 6, { measured: null }),
  lot('e', thou(30), 1, { shape: 'stepped' }),
  lot('f', thou(6.1), 1, { apart: true, mark: 'tray 4', colour: 'green' }),
  lot('g', thou(4), 2, { shape: 'sheet' }),
  lot('h', thou(20), 0, { cost: 90, leadDays: 4 }),
  lot('z', thou(3), 5, { family: 'others' }),
]

/** A kind that has a piece of its own finds it. */
const lotsFor = (kind: CheckKind, setup: Setup): Lot[] =>
  kind.places(setup).some(({ one, holds }) => one === 'sprung' || holds !== undefined)
    ? [...LOTS, lot('s', thou(10), 2, { shape: 'sprung' }), lot('p', thou(4), 3, { shape: 'packing' })]
    : LOTS

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
  it.each([0, 1])('set up in every way, worked on at random: %i', odd => {
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
      return [
        '',
        JSON.stringify(setup).replaceAll('"', ''),
        ...lifeOf({ document, lots: lotsFor(kind, setup), reserves: {} }, { seed: 1000 + at * 2 + odd, steps: 30, look: 10 }),
      ]
    })
    compare(text, `${id}.${odd}`)
  })
})
