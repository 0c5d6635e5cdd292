import { withPieceInHand } from '../pack/in-hand'
import { lotMap, pieceApart, type Pack } from '../pack/lot'
import { apply } from './apply'
import type { Bench, FitCommand } from './command'
import { claims, shortOf } from './drawer'
import { refused, type Happening, type RefusedCommand } from './happening'

interface ToldApart {
  /** with each piece that was measured on the way as a lot of its own */
  readonly bench: Bench
  readonly command: FitCommand
  readonly happenings: readonly Happening[]
}

/** Pieces measured while they were in the hand leave their like first; what is fitted, and predicted, is they. */
export function tellApart(bench: Bench, command: FitCommand): ToldApart | RefusedCommand {
  const inHand = command.inHand ?? []
  const all = lotMap(bench.lots)
  const happenings: Happening[] = []
  const packs: { place: string; pieces: Pack }[] = command.packs.map(pack => ({ ...pack }))
  for (const [i, piece] of inHand.entries()) {
    const { lotId, id, size, mark } = piece
    const lot = all.get(lotId)
    if (!lot) return refused('missing', 'There is no such size in the drawer.', `inHand.${i}.lotId`)
    if (lot.apart) return refused('invalid', 'That piece has its figure already.', `inHand.${i}.lotId`)
    if (all.has(id)) return refused('conflict', 'That id is taken.', `inHand.${i}.id`)
    if (inHand.findIndex(other => other.id === id) !== i) return refused('invalid', 'That id is used twice.', `inHand.${i}.id`)
    const pack = packs.find(({ place, pieces }) => comesIn(bench, place, pieces, lotId))
    if (!pack) return refused('invalid', 'That piece is not put in.', `inHand.${i}.lotId`)
    pack.pieces = withPieceInHand(pack.pieces, piece)
    const movement = (end: string, from: string, change: number): Happening => ({
      type: 'moved',
      movement: { id: `${command.op}:${end}:${id}`, lotId: from, change, why: 'sort', note: bench.document.title },
    })
    happenings.push({ type: 'lot-added', lot: pieceApart(lot, id, size, mark) }, movement('from', lotId, -1), movement('to', id, 1))
  }
  const taken = new Map<string, number>()
  for (const { lotId } of inHand) taken.set(lotId, (taken.get(lotId) ?? 0) - 1)
  const short = shortOf(taken, all, command.claim ?? false, bench.document.entryUnit)
  if (short) return short
  happenings.push(...claims(taken, all))
  return { bench: happenings.reduce(apply, bench), command: { ...command, packs }, happenings }
}

const countOf = (pack: Pack, lotId: string): number => pack.reduce((sum, piece) => sum + (piece.lotId === lotId ? piece.count : 0), 0)

/** Does the place get more of this lot than it has? */
const comesIn = ({ document }: Bench, place: string, pieces: Pack, lotId: string): boolean =>
  countOf(pieces, lotId) > countOf(document.trials.at(-1)!.packs[place] ?? [], lotId)
