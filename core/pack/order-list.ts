import { inDrawerOrder, type Lot } from './lot'

/** Pieces of one size, wanted for a place of a check or for the drawer itself. */
export interface OrderLine {
  readonly id: string
  readonly lotId: string
  /** how many are wanted */
  readonly pieces: number
  /** how many of them came */
  readonly arrived: number
  /** the order it went into; null: it is still on the list */
  readonly purchase: string | null
  /** why what is outstanding will not come */
  readonly cancelled: string | null
}

/**
 * How many are still to come.
 * @example outstanding({ pieces: 5, arrived: 2, cancelled: null }) // 3
 */
export const outstanding = ({ pieces, arrived, cancelled }: Pick<OrderLine, 'pieces' | 'arrived' | 'cancelled'>): number =>
  cancelled === null ? Math.max(0, pieces - arrived) : 0

/** All that is wanted of one size, whatever it is for. */
export interface OrderedSize<Line extends OrderLine = OrderLine> {
  readonly lotId: string
  readonly pieces: number
  readonly arrived: number
  readonly outstanding: number
  readonly lines: readonly Line[]
}
const sum = (numbers: readonly number[]) => numbers.reduce((total, one) => total + one, 0)

/** Lines of the same size as one, thin to thick; what each is for stays with it. */
export function bySize<Line extends OrderLine>(lines: readonly Line[], lots: ReadonlyMap<string, Lot>): OrderedSize<Line>[] {
  const sizes = [...new Set(lines.map(({ lotId }) => lotId))].map(lotId => {
    const own = lines.filter(line => line.lotId === lotId)
    return {
      lotId,
      pieces: sum(own.map(({ pieces }) => pieces)),
      arrived: sum(own.map(({ arrived }) => arrived)),
      outstanding: sum(own.map(outstanding)),
      lines: own,
    }
  })
  return sizes.sort((a, b) => {
    const [one, other] = [lots.get(a.lotId), lots.get(b.lotId)]
    return one && other ? inDrawerOrder(one, other) : a.lotId < b.lotId ? -1 : 1
  })
}

export interface SupplierList<Line extends OrderLine = OrderLine> {
  /** empty: nobody said who has them */
  readonly supplier: string
  readonly sizes: readonly OrderedSize<Line>[]
  /** smallest coin; null where the price of one is not known */
  readonly price: number | null
  /** days until the last of them is here; null where one is not known */
  readonly leadDays: number | null
}

/** What is on the list, by who has it: suppliers by name, those nobody named last. */
export function bySupplier<Line extends OrderLine>(
  lines: readonly Line[],
  lots: ReadonlyMap<string, Lot & { readonly supplier: string }>,
): SupplierList<Line>[] {
  const wanted = lines.filter(({ purchase }) => purchase === null)
  const supplierOf = ({ lotId }: Line) => lots.get(lotId)?.supplier ?? ''
  const names = [...new Set(wanted.map(supplierOf))].sort((a, b) => Number(a === '') - Number(b === '') || (a < b ? -1 : 1))
  return names.map(supplier => {
    const sizes = bySize(
      wanted.filter(line => supplierOf(line) === supplier),
      lots,
    )
    const costs = sizes.map(({ lotId, pieces }) => {
      const cost = lots.get(lotId)?.cost ?? null
      return cost === null ? null : cost * pieces
    })
    const days = sizes.map(({ lotId }) => lots.get(lotId)?.leadDays ?? null)
    return {
      supplier,
      sizes,
      price: costs.some(cost => cost === null) ? null : sum(costs as number[]),
      leadDays: days.some(day => day === null) ? null : Math.max(...(days as number[])),
    }
  })
}

/** What the next piece of a size that comes is for: who waits on a check before the drawer, the one that was put down first. */
export const nextToArrive = <Line extends OrderLine & { readonly check: unknown }>(lines: readonly Line[]): Line | undefined =>
  [...lines].sort((a, b) => Number(a.check === null) - Number(b.check === null)).find(line => outstanding(line) > 0)

/** How a check stands that waits for pieces. */
export interface Waiting {
  /** some not ordered yet · all ordered · all here, and nothing fitted since · will not come */
  readonly state: 'wanted' | 'ordered' | 'here' | 'not-coming'
  /** still to come */
  readonly pieces: number
  /** the day the last of them is to be here; null: not known */
  readonly due: string | null
}

/** @param lines  of a check, without those it was fitted from since; each with the day its order is due */
export function waitingOf(lines: readonly (OrderLine & { readonly due: string | null })[]): Waiting | null {
  const open = lines.filter(line => outstanding(line) > 0)
  if (lines.length === 0) return null
  if (open.length === 0) return { state: lines.some(({ arrived }) => arrived > 0) ? 'here' : 'not-coming', pieces: 0, due: null }
  const days = open.map(({ due }) => due)
  return {
    state: open.some(({ purchase }) => purchase === null) ? 'wanted' : 'ordered',
    pieces: sum(open.map(outstanding)),
    due: days.includes(null) ? null : (days as string[]).sort().at(-1)!,
  }
}
