import { describe, expect, it } from 'vitest'
import { GAUGES, checkOf, figures, gauge, plays, said, trial } from '../../../tests/documents'
import { newLot } from '../../command/found-pack'
import { choosePacks } from '../../choice/answer/chooser/choose'
import { prepareDrawer } from '../../choice/answer/chooser/prepare'
import { nm, thou } from '../../quantity/length'
import { twoSided } from '../../verdict/limits'
import { chosenFor, type Effect, type PackPlace } from '../pack-place'
import type { CheckDocument } from '../document'
import { evaluateCheck } from './evaluate-check'
import { answerRequest } from '../../choice/answer/answer-request'
import { evaluateFitting } from './evaluate-fitting'
import { evaluatePlace } from './evaluate-place'
import { checkKind } from '../registry'

const lot = (thick: number) => ({ ...newLot({ id: `l${thick}`, family: 'pieces', nominal: thou(thick), tags: [] }, true), onHand: 2 })
const DRAWER = [100, 104, 106, 108, 110].map(lot)
const FINE = { ...GAUGES, 'dial-indicator': gauge('dial-indicator', thou(0.1), { repeatability: nm(500), permissibleError: nm(0) }) }
const kind = checkKind('comparator-hub')
const read = [
  ...['tracks', 'rust', 'water'].map(point => said(point, 'good')),
  { id: 'turn', point: 'distance', low: thou(376), high: thou(378), order: 900 },
  ...figures('spacer', thou(377)),
]
const at = (low: number, high: number) => ({ book: twoSided(thou(low), thou(high), 'thou', { kind: 'book' }), shop: null })
/** A spacer of 100 that is 1 longer; 6 to 12 are wanted. The other result stands at 2, within 0 to `most`. */
function place(also: readonly Effect[], most = 30, change: Partial<CheckDocument> = {}) {
  const document = checkOf('comparator-hub', {
    setup: { sense: 'falls', spacer: 'fixed' },
    rule: 'plain',
    gauges: FINE,
    uRefit: nm(1_000),
    limits: { working: 'book', sets: { longer: at(6, 12), spread: at(-30, most) } },
    trials: [trial('t1', read, { packs: { spacer: [{ lotId: 'l100', count: 1 }] }, conditions: { bearings: 'dry' } })],
    ...change,
  })
  const fitting = evaluateFitting(document, kind, 0, () => false)
  const spacer = kind.places(document.setup)[0]!
  const own: PackPlace = { ...spacer, effects: [chosenFor(spacer), ...also] }
  return evaluatePlace(document, kind, own, { trials: [fitting], asFound: fitting }, DRAWER)
}
const totals = ({ request }: ReturnType<typeof place>) =>
  choosePacks(prepareDrawer(request!.drawer, request!.fitted, request!.response, request!.rules), request!.question).proposals.map(
    ({ total, also }) => [total / 25_400, ...also.map(({ play }) => play / 25_400)],
  )

describe('a place whose pieces move two results', () => {
  it('alone: 1 longer now, 105 to 111 would do', () => {
    const alone = place([])
    expect(alone.window).toMatchObject({ low: thou(105), high: thou(111) })
    expect(totals(alone).map(([total]) => total)).toEqual(expect.arrayContaining([106, 108, 110]))
  })
  it('both are kept: the window is what is left of both, and each proposal says what it leaves of the other', () => {
    // The other grows alike: 2 + 7 = 9 at most leaves 100 to 107.
    const alike = place([{ result: 'spread', perPiece: 1 }], 9)
    expect(alike.window).toMatchObject({ low: thou(105), high: thou(107) })
    expect(totals(alike)[0]).toEqual([106, 8])
    // Falling, it leaves all of it, and the figures fall: 2 − 10.
    const falling = place([{ result: 'spread', perPiece: -1 }], 9)
    expect(falling.window).toMatchObject({ low: thou(105), high: thou(111) })
    expect(totals(falling)).toContainEqual([110, -8])
  })
  it('nothing meets both: no window, and nothing that is called in limits', () => {
    const neither = place([{ result: 'spread', perPiece: 1 }], 4)
    expect(neither.window).toBeNull()
    const { request } = neither
    const choice = choosePacks(prepareDrawer(request!.drawer, request!.fitted, request!.response, request!.rules), request!.question)
    expect(choice.fallback).toBe(true)
  })
  it('the other has limits and is not measured: that comes first; without limits it asks for nothing', () => {
    const unread = { trials: [trial('t1', read.slice(0, 3), { packs: { spacer: [{ lotId: 'l100', count: 1 }] } })] }
    expect(place([{ result: 'spread', perPiece: 1 }], 9, unread).note).toBe('Its pieces move “Spread over a turn” too: measure that first.')
    const free = place([{ result: 'shortening', perPiece: 1 }])
    expect(free.window).toMatchObject({ low: thou(105), high: thou(111) })
  })
})

describe('a film under the cover', () => {
  it('that leaves it just at a limit is in: only beyond it is it out', () => {
    const closed = (upper: number, lower = 2) =>
      evaluateCheck(
        checkOf('shaft-end-play', {
          setup: { film: '50800' },
          limits: { working: 'book', sets: { play: { book: twoSided(thou(lower), thou(upper), 'thou', { kind: 'book' }), shop: null } } },
          trials: [trial('t1', plays('travel', 3, 3, 3), { packs: { pack: [] }, conditions: { joint: 'bare' } })],
        }),
        [],
      ).places[0]!.note
    // 3 + 2 = 5.
    expect(closed(5)).toContain('it comes to 5.0 thou.')
    expect(closed(4.9)).toContain('it comes to 5.0 thou, out of limits: allow for it.')
    expect(closed(9, 5)).toContain('it comes to 5.0 thou.')
    expect(closed(9, 5.1)).toContain('out of limits')
  })
  const film = (said: Record<string, string>) =>
    evaluateCheck(
      checkOf('shaft-end-play', {
        setup: { film: '50800' },
        limits: { working: 'book', sets: { play: { book: twoSided(thou(2), thou(4), 'thou', { kind: 'book' }), shop: null } } },
        trials: [trial('t1', plays('travel', 3, 3, 3), { packs: { pack: [] }, conditions: said })],
      }),
      [],
    )
  it('measured bare, what closing it for good will do is told; measured as built it is not', () => {
    expect(film({ joint: 'bare' }).places[0]!.note).toContain('closed with a film of 2.0 thou it comes to 5.0 thou, out of limits')
    expect(film({ joint: 'built' }).places[0]!.note ?? '').not.toContain('film')
    expect(film({ joint: 'bare' }).reminders.map(({ words }) => words)).toContain(
      'Closed with its film: read it again where that can be done',
    )
  })
})

describe('one recommended figure, without limits', () => {
  const sizes = [10, 16, 20, 26].map(size => ({ ...lot(size), onHand: 1 }))
  const figure = { kind: 'figure', figure: thou(4), unit: 'thou', source: { kind: 'book' } } as const
  const evaluation = evaluateCheck(
    checkOf('shaft-end-play', {
      family: 'pieces',
      setup: { pack: 'in-gap' },
      rule: 'plain',
      gauges: FINE,
      uRefit: nm(1_000),
      limits: { working: 'book', sets: { play: { book: figure, shop: null } } },
      trials: [trial('t1', plays('travel', 20, 20, 20), { packs: { pack: [{ lotId: 'l10', count: 1 }] } })],
    }),
    sizes,
  )
  it('nothing is in, no chance is told, and what comes nearest it stands first: 20 + 10 − 26 is 4, and 20 − 16', () => {
    expect(evaluation.state).toBe('no-limit')
    const { proposals } = answerRequest(evaluation.places[0]!.request!)
    expect(proposals.map(({ chance }) => chance)).toEqual(proposals.map(() => null))
    expect(proposals.map(({ predicted }) => predicted.play / 25_400).slice(0, 2)).toEqual([4, 4])
    expect(proposals.at(-1)!.words).toBe('Leave the pack as it is')
    // Never none, whatever the figure: 10 + 20 and 16 + 20 leave nothing or less.
    expect(proposals.every(({ predicted }) => predicted.play > 0)).toBe(true)
  })
})

describe('a shop’s limits beside the book’s', () => {
  const shop = (lower: number, upper: number) =>
    evaluateCheck(
      checkOf('shaft-end-play', {
        family: 'pieces',
        setup: { pack: 'in-gap' },
        rule: 'plain',
        gauges: FINE,
        limits: {
          working: 'tighter',
          sets: {
            play: {
              book: twoSided(thou(3), thou(6), 'thou', { kind: 'book' }),
              shop: twoSided(thou(lower), thou(upper), 'thou', { kind: 'own' }),
            },
          },
        },
        trials: [trial('t1', plays('travel', 5, 5, 5), { packs: { pack: [{ lotId: 'l10', count: 1 }] } })],
      }),
      [lot(10)],
    )
  it('overlap them: what meets both judges', () => {
    expect(shop(1, 4)).toMatchObject({ state: 'above' })
    expect(shop(1, 4).places[0]!.window).toMatchObject({ low: thou(11), high: thou(12) })
  })
  it('do not: nothing is in, and it is said', () => {
    const apart = shop(7, 9)
    expect(apart.state).not.toBe('in')
    expect(apart.headline.verdict.working!.chance!.inside).toBe(0)
    expect(apart.headline.findings.map(({ gate }) => gate)).toContain('limits')
    expect(apart.places[0]).toMatchObject({ request: null, note: expect.stringContaining('no pack meets both') })
  })
})
