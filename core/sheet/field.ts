import { ways } from '../method/ways'
import { cellAt, isWanted, type Cell, type Sheet } from './cells'

/** Where the field stands. The sheet draws it there; what is typed is stored there, and nowhere else. */
export interface Field {
  /** id of its point */
  readonly at: string
  /** chosen by hand: the eye stays with it */
  readonly pointed: boolean
  /** Something is typed in it: it stays until that is stored or cleared, or another cell is chosen by hand. */
  readonly claimed: boolean
  /** The point the eye is with: that of the field, but after a movement that was read, until something is typed in the next. */
  readonly seen: string
  /** of the sheet it was put there on, see there */
  readonly work: string
  readonly asked: string
}

/** What can happen to it. */
export type Move =
  /** something is typed in it, or it was cleared */
  | { readonly kind: 'typed'; readonly blank: boolean }
  /** What was typed is stored. `refused`: a gate says no, it wants reading again there. `done`: a movement that is none is not read again. */
  | {
      readonly kind: 'stored'
      readonly refused: boolean
      readonly done: boolean
      /** nothing stood there before */ readonly lacked: boolean
    }
  /** a figure was struck out */
  | { readonly kind: 'voided'; readonly point: string }
  /** a cell was chosen by hand. `blank`: nothing is typed in it yet */
  | { readonly kind: 'chosen'; readonly point: string; readonly blank: boolean }
  /** the check is another than before: refitted, a part replaced, opened again, set up otherwise; here, in another tab, or on the server */
  | { readonly kind: 'changed' }
  /** the work goes on: a phase was opened, a point left out, pieces taken together */
  | { readonly kind: 'resumed' }

/** A movement is read thrice before the work goes on to the next: two show no drift. */
export const REPEATS = 3

const at = (sheet: Sheet, point: string, by: Pick<Field, 'pointed'> = { pointed: false }): Field => ({
  at: point,
  seen: point,
  pointed: by.pointed,
  claimed: false,
  work: sheet.work,
  asked: sheet.asked,
})

/** Where the work goes on: what is due, the first that is wanted, else the last that was read. */
export function dueCell({ cells, due }: Sheet): Cell {
  return (
    cells.find(({ point }) => point.id === due) ??
    cells.find(isWanted) ??
    cells.findLast(({ required, readings }) => required && readings.length > 0) ??
    cells[0]!
  )
}

/** At the beginning: where it was left, if that is still there. */
export const fieldAt = (sheet: Sheet, left: string): Field => (cellAt(sheet, left) ? at(sheet, left) : at(sheet, dueCell(sheet).point.id))

/**
 * Where the field stands after something happened.
 * @param sheet  as it is after it
 */
export function moved(field: Field, move: Move, sheet: Sheet): Field {
  const here = cellAt(sheet, field.at)
  switch (move.kind) {
    case 'typed':
      return { ...field, claimed: !move.blank, seen: move.blank ? field.seen : field.at }
    case 'chosen':
      return cellAt(sheet, move.point) ? { ...at(sheet, move.point, { pointed: true }), claimed: !move.blank } : field
    case 'voided':
      // What is typed there now stays there; else the correction goes where the wrong figure stood.
      return field.claimed || !cellAt(sheet, move.point) ? field : at(sheet, move.point)
    case 'stored': {
      if (!here || move.refused) return { ...field, claimed: false }
      const to = after(here, move, sheet)
      const seen = ways[here.point.way].again === 'repeat' ? here.point.id : to.point.id
      return { ...at(sheet, to.point.id, { pointed: field.pointed && to === here }), seen }
    }
    case 'changed': {
      // Set up otherwise, other points come first: the field does not stay at one nobody chose and nothing was read at.
      const stays = field.claimed || (field.work === sheet.work && (field.asked === sheet.asked || field.pointed || !here?.open))
      return here && stays ? { ...field, asked: sheet.asked } : at(sheet, dueCell(sheet).point.id)
    }
    case 'resumed':
      return field.claimed ? field : at(sheet, dueCell(sheet).point.id)
  }
}

/**
 * After a reading: where the kind’s order of work goes on in the same way of measuring; a movement is repeated where it is; anything else
 * goes on to the next cell that lacks one. Of a part that could have been left out first through the rest of it.
 */
function after(read: Cell, { done, lacked }: Extract<Move, { kind: 'stored' }>, sheet: Sheet): Cell {
  const { cells } = sheet
  const way = ways[read.point.way]
  const wanted = sheet.due === null ? null : cellAt(sheet, sheet.due)
  if (wanted && (wanted.point.way === read.point.way || sheet.again)) return wanted
  const round = [...cells.slice(cells.indexOf(read) + 1), ...cells.slice(0, cells.indexOf(read))]
  // Another run of the wire before the shim goes in that is proved afterwards.
  const more =
    sheet.choosing && round.find(({ point, open }) => open && point.way === read.point.way && point.at.part === read.point.at.part)
  if (more) return more
  const next = round.find(isWanted)
  // A log that may be left out ends where the order of work asks for nothing more of it: a bore at size.
  if (way.again === 'another') return !read.required && next ? (wanted ?? next) : read
  if (way.again === 'repeat' && !done && read.live.length < REPEATS) return read
  if (way.again === 'repeat' && !done) return next ?? read
  if (!read.required && lacked) {
    const part = round.filter(({ point }) => point.at.part === read.point.at.part)
    const other = part.find(({ open }) => open) ?? wanted
    if (other) return other
  }
  return next ?? read
}
