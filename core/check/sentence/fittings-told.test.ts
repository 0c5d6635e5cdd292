import { expect, it } from 'vitest'
import { checkOf, plays, said, trial } from '../../../tests/documents'
import { newLot } from '../../command/found-pack'
import { lotMap } from '../../pack/lot'
import { thou } from '../../quantity/length'
import { checkBlocks } from '../../report/check-blocks'
import { evaluateCheck } from '../evaluate/evaluate-check'
import { fittingsTold } from './fittings-told'

const LOTS = [5, 2].map(size => ({ ...newLot({ id: `s${size}`, family: 'shims', nominal: thou(size), tags: [] }, true), onHand: 9 }))
const pack = (...sizes: number[]) => ({ pack: sizes.map(size => ({ lotId: `s${size}`, count: 1 })) })
const document = checkOf('shaft-end-play', {
  setup: { pack: 'under-cover' },
  trials: [
    trial('t1', [said('travel', 'binds')], { packs: pack(2) }),
    trial('t2', plays('travel', 4, 4, 4), { packs: pack(5, 2), refitted: ['pack'] }),
    trial('t3', plays('travel', 2, 2, 2), { packs: pack(5), refitted: ['pack'] }),
  ],
})
const evaluation = evaluateCheck(document, LOTS)
const told = fittingsTold(document, evaluation, evaluation.places[0]!, lotMap(LOTS), 'inch')

it('every fitting under its own pack, as it was read: a bound is printed as a bound', () => {
  expect(told.map(({ number, pack: pieces, read }) => [number, pieces, read])).toEqual([
    [1, '2', '≤ 0: it binds'],
    [2, '5 + 2', '4.0 thou'],
    [3, '5', '2.0 thou'],
  ])
  const entries = evaluation.places[0]!.ledger.entries.map(({ own, read, bound }) => [own, read, bound])
  expect(entries).toEqual([
    [thou(2), 0, true],
    [thou(7), thou(4), false],
    [thou(5), thou(2), false],
  ])
})
it('in the full report the ledger has them all, and says of a bound that it gives no base', () => {
  const blocks = JSON.stringify(checkBlocks({ check: document, evaluation }, { length: 'full', time: at => at }))
  expect(blocks).toContain(JSON.stringify(['1', '2', '≤ 0: it binds', '–']))
  expect(blocks).toContain(JSON.stringify(['3', '5', '2.0 thou', '−3.0']))
})
