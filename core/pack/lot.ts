import { formatLength, meantInInches } from '../quantity/format-length'
import { nm, type LengthUnit, type Nm } from '../quantity/length'
import type { EntryOptions } from '../quantity/question'
import { rectangular } from '../reading/budget'
import { mean, quadrature } from '../reading/statistics'

/** A packing is paper or gasket for a trial, as thick as it is squeezed. */
/** Of pieces of a size. */
export const PIECE_SHAPES = ['flat', 'stepped', 'sprung'] as const
export type PieceShape = (typeof PIECE_SHAPES)[number]
export const SHAPES = [...PIECE_SHAPES, 'sheet', 'packing'] as const
export type Shape = (typeof SHAPES)[number]

/** Words that are colours; any other word is a letter or a mark. */
const COLOURS = new Set(
  'black white grey gray silver gold brown red orange yellow green blue purple violet pink copper brass plain natural'.split(' '),
)
export const isColour = (word: string): boolean => COLOURS.has(word.toLowerCase())

/**
 * Pieces of one size that are not told apart, or one that is. Lengths in nm.
 *
 * A piece that lies in a place of its own is a lot of one, `apart`: it counts with its own figure. The others count with the mean
 * of those that were measured, and with their scatter.
 */
export interface Lot {
  readonly id: string
  readonly family: string
  readonly nominal: Nm
  /** What a micrometer said, the mean where it said it of several; null until a piece was measured. */
  readonly measured: Nm | null
  /** Figure by figure, of the pieces that were measured and put back among the others. */
  readonly sizes?: readonly Nm[]
  /** Piece to piece, standard deviation, where somebody knows it; else it is worked out from the sizes. */
  readonly scatter?: Nm
  /** One piece, told apart from its like; its mark says where it lies. */
  readonly apart?: boolean
  /** Maker's tolerance, often one-sided; null when not known. */
  readonly tolerance: { readonly plus: Nm; readonly minus: Nm } | null
  /** How far others of its family were off their marks, standard uncertainty, where enough were measured. Worked out, never kept. */
  readonly stray?: Nm
  readonly onHand: number
  /** Kept back or promised to another open check. */
  readonly reserved: number
  readonly mark: string
  readonly colour: string
  readonly tags: readonly string[]
  /** Smallest coin; null when not known. */
  readonly cost: number | null
  /** How long it takes to come, days; null when not known. */
  readonly leadDays: number | null
  /** A washer’s hole and its rim, diameters, where somebody knows them. */
  readonly inside?: Nm
  readonly outside?: Nm
  /** A stepped spacer or a sprung shim has its own place and drawing; from sheet, pieces are made. */
  readonly shape: Shape
}

/** So many pieces of a lot. */
export interface PackPiece {
  readonly lotId: string
  readonly count: number
}
/** What is, or will be, fitted. */
export type Pack = readonly PackPiece[]

/** Standard uncertainties assumed of a piece where nothing better is known, nm. Common practice. */
export const ASSUMED = {
  /** Half-width of the tolerance of an unmeasured piece with none stated: half a thou. */
  tolerance: 12_700,
  /** One piece against its own figure: reading a micrometer twice, 1 µm. */
  individual: 1_000,
  /** Piece to piece in a lot of which one piece was measured: 5 µm, 0.2 thou. */
  scatter: 5_000,
  /** Offset of the one micrometer all measured pieces share: 1 µm. */
  micrometer: 1_000,
} as const

/**
 * What a piece measured is asked about before it is stored: less than nothing, or further from the size it goes by than twice its
 * tolerance; twice what is assumed where none is known.
 */
export const pieceAsks = ({ nominal, tolerance }: Pick<Lot, 'nominal' | 'tolerance'>): EntryOptions => ({
  least: nm(1),
  near: nominal,
  within: nm(2 * Math.max(tolerance?.plus ?? 0, tolerance?.minus ?? 0, ASSUMED.tolerance)),
  nearTo: 'what it is marked',
  name: 'piece',
})

/** Thickness to reckon with, nm: measured, else the middle of the tolerance. */
export const thickness = (lot: Lot): Nm =>
  lot.measured ?? nm(lot.nominal + (lot.tolerance ? Math.round((lot.tolerance.plus - lot.tolerance.minus) / 2) : 0))

/** Standard uncertainty that all pieces of an unmeasured lot share, nm; 0 once measured. */
export function lotUncertainty({ measured, tolerance, stray }: Pick<Lot, 'measured' | 'tolerance' | 'stray'>): number {
  if (measured !== null) return 0
  if (tolerance) return rectangular((tolerance.plus + tolerance.minus) / 2)
  return stray ?? rectangular(ASSUMED.tolerance)
}

/**
 * How far one piece may be from what its lot is reckoned as, standard deviation, nm. Of measured pieces put back among their like,
 * what is assumed of any lot counts as one measurement more: √((5 µm)² + Σ(size − mean)²)/√n.
 */
export function pieceScatter({ measured, apart, scatter, sizes }: Pick<Lot, 'measured' | 'apart' | 'scatter' | 'sizes'>): number {
  if (measured === null || apart) return ASSUMED.individual
  if (scatter !== undefined) return Math.max(ASSUMED.individual, scatter)
  const known = sizes?.length ? sizes : [measured]
  const middle = mean(known)
  const squares = known.reduce((sum, size) => sum + (size - middle) ** 2, ASSUMED.scatter ** 2)
  return Math.max(ASSUMED.individual, Math.sqrt(squares / known.length))
}

/** u² of one piece, whole nm², for the order of merit. */
export const pieceVariance = (lot: Lot): number =>
  Math.round(quadrature(pieceScatter(lot), lot.measured !== null ? ASSUMED.micrometer : lotUncertainty(lot)) ** 2)

/** A lot with these pieces measured and put back among the others; none: as if nobody had measured any. */
export function withSizes<T extends Lot>(lot: T, sizes: readonly Nm[]): T {
  return { ...lot, sizes, measured: sizes.length === 0 ? null : nm(Math.round(mean(sizes))) }
}

/** One piece of a lot as a lot of its own: measured, and where it lies. */
export function pieceApart({ onHand: _, sizes: __, scatter: ___, ...lot }: Lot, id: string, size: Nm, mark: string): Omit<Lot, 'onHand'> {
  return { ...lot, id, measured: size, sizes: [size], apart: true, mark: mark || lot.mark, reserved: 0 }
}

const before = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0)
/** As sizes lie in the drawer: family by family, thin to thick, measured ones first. */
export const inDrawerOrder = (a: Lot, b: Lot): number =>
  before(a.family, b.family) ||
  a.nominal - b.nominal ||
  (a.measured ?? Number.MAX_VALUE) - (b.measured ?? Number.MAX_VALUE) ||
  before(a.id, b.id)

/** The unit pieces were made in; null where there are none. */
export function unitMade(lots: readonly Pick<Lot, 'nominal'>[]): LengthUnit | null {
  const inch = lots.filter(({ nominal }) => meantInInches(nominal)).length
  return lots.length === 0 ? null : inch * 2 > lots.length ? 'thou' : 'mm'
}

/** What a micrometer said of a piece, in the unit it was made in: `0.152 mm`; null: nobody measured it. */
export const measuredText = (size: Nm | null, lot: Pick<Lot, 'nominal'>): string =>
  size === null ? 'not measured' : formatLength(size, unitMade([lot])!, { unit: true })

export type LotMap = ReadonlyMap<string, Lot>
export const lotMap = (lots: readonly Lot[]): LotMap => new Map(lots.map(lot => [lot.id, lot]))

/** @throws RangeError for a piece of an unknown lot */
export function lotOf(lots: LotMap, id: string): Lot {
  const lot = lots.get(id)
  if (!lot) throw new RangeError(`No such size in the drawer: ${id}`)
  return lot
}

export const packTotal = (pack: Pack, lots: LotMap): Nm =>
  nm(pack.reduce((sum, piece) => sum + piece.count * thickness(lotOf(lots, piece.lotId)), 0))
/** @example pieceCount([{ lotId: 'a', count: 2 }, { lotId: 'b', count: 1 }]) // 3 */
export const pieceCount = (pack: Pack): number => pack.reduce((sum, piece) => sum + piece.count, 0)

export interface PackChange {
  readonly out: Pack
  readonly in: Pack
}

/**
 * What to take out and put in to get from one pack to another.
 * @example packChange([{ lotId: 'a', count: 2 }], [{ lotId: 'a', count: 1 }, { lotId: 'b', count: 1 }]) // { out: [{ lotId: 'a', count: 1 }], in: [{ lotId: 'b', count: 1 }] }
 */
export function packChange(from: Pack, to: Pack): PackChange {
  const counts = new Map<string, number>()
  for (const piece of from) counts.set(piece.lotId, (counts.get(piece.lotId) ?? 0) - piece.count)
  for (const piece of to) counts.set(piece.lotId, (counts.get(piece.lotId) ?? 0) + piece.count)
  const of = (sign: number) => [...counts].filter(([, n]) => n * sign > 0).map(([lotId, n]) => ({ lotId, count: n * sign }))
  return { out: of(-1), in: of(1) }
}

/**
 * The same pieces, in whatever order they are listed.
 * @example samePack([{ lotId: 'a', count: 1 }], [{ lotId: 'a', count: 2 }]) // false
 */
export function samePack(a: Pack, b: Pack): boolean {
  const change = packChange(a, b)
  return change.out.length + change.in.length === 0
}

/** One entry a lot, whatever order they were named in. */
export function mergedPack(pieces: Pack): Pack {
  const counts = new Map<string, number>()
  for (const { lotId, count } of pieces) counts.set(lotId, (counts.get(lotId) ?? 0) + count)
  return [...counts].map(([lotId, count]) => ({ lotId, count }))
}
