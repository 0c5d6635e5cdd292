import { describe, expect, it } from 'vitest'
import { done } from '../../tests/bench'
import { checkOf, figures, plays, said, trial } from '../../tests/documents'
import { live, stream } from '../../tests/record/lives'
import { lotsFor } from '../../tests/record/lots'
import { runs } from '../../tests/runs'
import type { CheckDocument, PointReading } from '../check/document'
import { checkKinds } from '../check/registry'
import { nm, thou } from '../quantity/length'
import { cellAt, isWanted, sheetOf } from './cells'
import { dueCell, fieldAt, moved, REPEATS, type Field, type Move } from './field'

const STORED = { kind: 'stored', refused: false, done: false, lacked: true } as const
const reads = (kind: string, readings: readonly PointReading[], more: Partial<CheckDocument> = {}) =>
  sheetOf(checkOf(kind, { trials: [trial('t1', readings)], ...more }))
const void_ = (reading: PointReading): PointReading => ({ ...reading, voided: { reason: 'slip' } })
const journal = (where: string, ...read: number[]) => figures(`journal-${where}`, ...read.map(size => thou(size * 1_000)))
/** Where it stands after the moves, each on the sheet as it is after it. */
const after = (from: Field, ...moves: readonly (readonly [Move, ReturnType<typeof reads>])[]) =>
  moves.reduce((field, [move, sheet]) => moved(field, move, sheet), from)
const mains = (...readings: readonly PointReading[][]) => reads('bearing-clearance', readings.flat())

describe('the field of a sheet', () => {
  const blank = mains()
  const begun = fieldAt(blank, '')

  it('begins at the first cell, or where it was left', () => {
    expect(begun).toMatchObject({ at: 'journal-1-A-front', pointed: false, claimed: false })
    expect(fieldAt(blank, 'journal-3-A-front').at).toBe('journal-3-A-front')
    expect(fieldAt(blank, 'journal-9-A-front').at).toBe('journal-1-A-front')
  })

  it('goes on to the next empty cell once a figure is stored', () => {
    expect(moved(begun, STORED, mains(journal('1-A-front', 1.7767))).at).toBe('journal-1-B-front')
    // Those on the way that are read are left; round the end it comes back to the one that lacks.
    const two = mains(journal('1-A-front', 1.7767), journal('1-B-front', 1.7767))
    expect(moved(begun, STORED, two).at).toBe('journal-1-A-rear')
  })

  it('stays at a movement until it was read thrice, then goes on; what is none is not read again', () => {
    const after_ = (...read: number[]) =>
      moved(fieldAt(reads('thrust-alignment', []), ''), STORED, reads('thrust-alignment', plays('before', ...read))).at
    expect(REPEATS).toBe(3)
    expect([after_(8), after_(8, 8.2), after_(8, 8.2, 8)]).toEqual(['before', 'before', 'after'])
    // What it came to is seen until something is typed at the next.
    const thrice = reads('thrust-alignment', plays('before', 8, 8.2, 8))
    const gone = moved(fieldAt(thrice, 'before'), { ...STORED, lacked: false }, thrice)
    expect(gone).toMatchObject({ at: 'after', seen: 'before' })
    expect(moved(gone, { kind: 'typed', blank: true }, thrice).seen).toBe('before')
    expect(moved(gone, { kind: 'typed', blank: false }, thrice).seen).toBe('after')
    expect(moved(gone, { kind: 'chosen', point: 'after', blank: true }, thrice).seen).toBe('after')
    // Alone on its sheet it stays.
    const alone = reads('shaft-end-play', plays('travel', 4, 4, 4, 4))
    expect(moved(fieldAt(alone, ''), STORED, alone).at).toBe('travel')
    const none = reads('thrust-alignment', [said('before', 'none')])
    expect(moved(fieldAt(none, 'before'), { ...STORED, done: true }, none).at).toBe('after')
  })

  it('goes through the runs of a wire while the next step is the shim', () => {
    const run = (at: string) => ['A', 'B'].flatMap(piece => ['1', '2', '3'].flatMap(along => figures(`${at}-${piece}${along}`, thou(56))))
    const one = reads('crush-wire', run('wire-1-1'))
    const last = cellAt(one, 'wire-1-1-B3')
    expect(last?.live).toHaveLength(1)
    expect(one.choosing).toBe(true)
    expect(moved(fieldAt(one, 'wire-1-1-B3'), STORED, one).at).toBe('wire-1-2-A1')
    // Before the first run is whole nothing is chosen, and the rest of it comes first.
    const half = reads('crush-wire', run('wire-1-1').slice(0, 4))
    expect(half.choosing).toBe(false)
    expect(moved(fieldAt(half, 'wire-1-1-B1'), STORED, half).at).toBe('wire-1-1-B2')
  })

  it('keeps what a gate refused, and goes on as always once its correction is stored', () => {
    const first = mains(journal('1-A-front', 1.5))
    const refused = moved(begun, { ...STORED, refused: true }, first)
    expect(refused.at).toBe('journal-1-A-front')
    const mended = mains(journal('1-A-front', 1.5, 1.7767))
    expect(moved(refused, { ...STORED, lacked: false }, mended).at).toBe('journal-1-B-front')
  })

  it('goes where a figure was struck out, stays there, and then on to the next empty one', () => {
    const [wrong, right] = [journal('1-B-front', 1.7), journal('1-B-front', 1.7767)]
    const read = mains(journal('1-A-front', 1.7767), wrong)
    const there = fieldAt(read, 'journal-1-A-rear')
    const struck = mains(journal('1-A-front', 1.7767), wrong.map(void_))
    const back = moved(there, { kind: 'voided', point: 'journal-1-B-front' }, struck)
    expect(back.at).toBe('journal-1-B-front')
    expect(moved(back, STORED, mains(journal('1-A-front', 1.7767), wrong.map(void_), right)).at).toBe('journal-1-A-rear')
    // What is being typed is not taken along.
    const typing = moved(there, { kind: 'typed', blank: false }, read)
    expect(moved(typing, { kind: 'voided', point: 'journal-1-B-front' }, struck).at).toBe('journal-1-A-rear')
  })

  it('chosen by hand it goes there, whatever is typed elsewhere, and on from there', () => {
    const chosen = moved({ ...begun, claimed: true }, { kind: 'chosen', point: 'journal-3-A-front', blank: true }, blank)
    expect(chosen).toMatchObject({ at: 'journal-3-A-front', pointed: true, claimed: false })
    expect(moved(chosen, STORED, mains(journal('3-A-front', 1.7767)))).toMatchObject({ at: 'journal-3-B-front', pointed: false })
    expect(moved(chosen, { kind: 'chosen', point: 'journal-9-A-front', blank: true }, blank)).toBe(chosen)
    // Read again on purpose, it goes on to what is empty, not over what was read.
    const all = mains(journal('3-A-front', 1.7767, 1.7767), journal('3-B-front', 1.7767))
    expect(moved(chosen, { ...STORED, lacked: false }, all).at).toBe('journal-3-A-rear')
  })

  it('is not moved by what arrives, while something is typed in it', () => {
    const typing = moved(begun, { kind: 'typed', blank: false }, blank)
    const refitted = sheetOf(checkOf('bearing-clearance', { trials: [trial('t1', journal('1-A-front', 1.7767)), trial('t2', [])] }))
    expect(moved(typing, { kind: 'changed' }, refitted).at).toBe('journal-1-A-front')
    expect(moved(typing, { kind: 'resumed' }, mains(journal('1-A-front', 1.7767))).at).toBe('journal-1-A-front')
    // A reading of another tab moves nothing even then.
    expect(moved(begun, { kind: 'changed' }, mains(journal('1-A-front', 1.7767))).at).toBe('journal-1-A-front')
    // Cleared, it goes with the work again.
    const cleared = after(
      typing,
      [{ kind: 'changed' }, refitted],
      [{ kind: 'typed', blank: true }, refitted],
      [{ kind: 'changed' }, refitted],
    )
    expect(cleared.at).toBe(dueCell(refitted).point.id)
  })

  it('after a fitting, a part or reopening it stands at what has to be read anew', () => {
    const readings = [...plays('before', 8, 8, 8), ...plays('after', 2, 2, 2)]
    const before = reads('thrust-alignment', readings)
    const there = fieldAt(before, 'before')
    const replaced = reads('thrust-alignment', readings, {
      partChanges: [{ id: 'c', role: '*', reason: 'new', by: 'T. Marl', at: '2026-05-04T10:00:00.000Z', order: 1e9, name: 'all' } as never],
    })
    expect(moved({ ...there, at: 'after', pointed: true }, { kind: 'changed' }, replaced).at).toBe('before')
  })

  it('set up otherwise it leaves a cell nobody chose and nothing was read at', () => {
    const feelers = reads('oil-pump-clearance', [])
    const dial = { ...feelers, asked: `${feelers.asked},more` }
    const there = fieldAt(feelers, 'feeler-inner')
    expect(moved(there, { kind: 'changed' }, dial).at).toBe('feeler-outer')
    expect(moved({ ...there, pointed: true }, { kind: 'changed' }, dial).at).toBe('feeler-inner')
    expect(moved({ ...there, at: 'gone', pointed: true, claimed: true }, { kind: 'changed' }, dial).at).toBe('feeler-outer')
  })

  it('of a part that may be left out it goes through the rest of that part first', () => {
    const pump = reads('oil-pump-clearance', figures('cover', nm(2_000)))
    expect(cellAt(pump, 'cover')!.required).toBe(false)
    expect(moved(fieldAt(pump, 'cover'), STORED, pump).at).toBe('turns')
    const rod = reads('roller-big-end', figures('before-1-A-front', nm(40_000_000)))
    expect(moved(fieldAt(rod, 'before-1-A-front'), STORED, rod).at).toBe('before-1-B-front')
  })
})

describe('a figure', () => {
  it('is stored at the cell that was shown when its first digit was typed, whatever happens meanwhile', () => {
    for (const kind of checkKinds) {
      for (let life = 0; life < runs(6, 1); life++) {
        const draw = stream(900 + life)
        const document = checkOf(kind.id)
        let sheet = sheetOf(document)
        let field = fieldAt(sheet, '')
        let shown: string | null = null
        for (const { bench } of live({ document, lots: lotsFor(kind, document.setup), reserves: {} }, 31_000 + 2 * life, 12)) {
          sheet = sheetOf(bench.document)
          field = moved(field, { kind: 'changed' }, sheet)
          // Only a cell that is there no more lets go of what is typed in it.
          if (shown !== null && !cellAt(sheet, shown)) shown = null
          if (shown !== null) expect(field.at).toBe(shown)
          expect(cellAt(sheet, field.at)).not.toBeNull()
          const { id } = sheet.cells[draw(sheet.cells.length)]!.point
          const what = draw(6)
          if (what === 0) {
            field = moved(field, { kind: 'chosen', point: id, blank: true }, sheet)
            expect(field.at).toBe(id)
            shown = null
          } else if (what === 1) field = moved(field, { kind: 'voided', point: id }, sheet)
          else if (what === 2) field = moved(field, { kind: 'resumed' }, sheet)
          else if (what < 5 && shown === null) {
            shown = field.at
            field = moved(field, { kind: 'typed', blank: false }, sheet)
          } else if (shown !== null) {
            expect(field.at).toBe(shown)
            field = moved(field, { ...STORED, refused: draw(4) === 0, lacked: cellAt(sheet, shown)!.open }, sheet)
            expect(field.claimed).toBe(false)
            shown = null
          }
        }
      }
    }
  })

  it('is asked for somewhere, as long as one is wanted', () => {
    const sheet = sheetOf(
      checkOf('bearing-clearance', {
        trials: [trial('t1', journal('1-A-front', 1.7767), { leftOut: { 'journal-1-B-front': 'worn away there' } })],
      }),
    )
    expect(isWanted(cellAt(sheet, 'journal-1-B-front')!)).toBe(false)
    expect(dueCell(sheet).point.id).toBe('journal-1-A-rear')
    // Nothing is left to read: it stays at the last that was.
    const read = done({ document: checkOf('shaft-end-play', { trials: [trial('t1', plays('travel', 4))] }), lots: [], reserves: {} })
    expect(dueCell(sheetOf(read.document)).point.id).toBe('travel')
  })
})
