import type { Nm } from '../../quantity/length'

/** An anvil with the bores it reaches by itself, or a washer (extension) with its length. nm */
export interface Anvil {
  readonly name: string
  readonly low: Nm
  readonly high: Nm
  readonly missing?: boolean
}
export interface Washer {
  readonly name: string
  readonly length: Nm
  readonly missing?: boolean
}
export interface BoreKit {
  readonly anvils: readonly Anvil[]
  readonly washers: readonly Washer[]
}

export interface Build {
  readonly anvil: Anvil
  readonly washers: readonly Washer[]
  readonly low: number
  readonly high: number
  /** target − middle of the travel, nm */
  readonly offMiddle: number
}

/** Washers that may be stacked under one anvil; more wobble. Common practice. */
const MOST_WASHERS = 3

/** A sentence for each row that cannot be used, by its place in the table. */
export function kitFaults({ anvils, washers }: BoreKit): { readonly path: string; readonly reason: string }[] {
  return [
    ...anvils.flatMap((anvil, i) =>
      anvil.high > anvil.low && anvil.low > 0 ? [] : [{ path: `anvils.${i}`, reason: 'The range must rise from a size above zero.' }],
    ),
    ...washers.flatMap((washer, i) => (washer.length > 0 ? [] : [{ path: `washers.${i}`, reason: 'A washer has a length above zero.' }])),
    ...([...new Map(anvils.map((anvil, i) => [anvil.name, i])).values()].length === anvils.length
      ? []
      : [{ path: 'anvils', reason: 'Two anvils have one name: the list could not tell them apart.' }]),
  ]
}

/**
 * Every combination of the kit whose range holds the target: nearest to mid-travel first, in steps of a tenth of the travel, then
 * fewest parts. Ranges may overlap: then several will do. Pieces marked missing are left out.
 * @param target  nm
 */
export function buildsFor(kit: BoreKit, target: number): Build[] {
  const washers = kit.washers.filter(washer => !washer.missing)
  const stacks = subsets(washers, MOST_WASHERS)
  return kit.anvils
    .filter(anvil => !anvil.missing)
    .flatMap(anvil =>
      stacks.flatMap((stack): Build[] => {
        const added = stack.reduce((sum, washer) => sum + washer.length, 0)
        const [low, high] = [anvil.low + added, anvil.high + added]
        return target < low || target > high ? [] : [{ anvil, washers: stack, low, high, offMiddle: target - (low + high) / 2 }]
      }),
    )
    .sort(
      (a, b) =>
        bin(a) - bin(b) ||
        a.washers.length - b.washers.length ||
        Math.abs(a.offMiddle) - Math.abs(b.offMiddle) ||
        a.anvil.name.localeCompare(b.anvil.name),
    )
}

const bin = ({ offMiddle, low, high }: Build): number => Math.floor(Math.abs(offMiddle) / ((high - low) / 10))

function subsets<T>(items: readonly T[], most: number): T[][] {
  return items.reduce<T[][]>((found, item) => [...found, ...found.filter(set => set.length < most).map(set => [...set, item])], [[]])
}
