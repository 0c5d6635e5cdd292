/**
 * Which totals the drawer can make: `at(i, k)` holds, as bits, the totals of exactly k picks from lots i, i+1, ….
 *
 * Built once per drawer: F[i][k] = OR over x ≤ available of F[i+1][k−x] shifted by x·size. Where the common step of the sizes is
 * finer than the bit budget allows, sizes are floored to a coarser grid and the question widened by the error, so that "no" stays
 * exact and only "perhaps" is looser.
 */
export interface Reach {
  /** May k more picks from lot i on make a rest between low and high (nm)? False is certain. */
  can(i: number, k: number, low: number, high: number): boolean
  /** Largest total of k picks or fewer, nm. */
  readonly largest: number
}

/** Bits per row, 4 kB each: finer ones took longer to build than they saved (npm run bench -- nominal measured). */
const ROW_BITS = 1 << 15

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b))

export function buildReach(sizes: readonly number[], available: readonly number[], mostPicks: number): Reach {
  const lots = sizes.length
  const largestOf = largestTotals(sizes, available, mostPicks)
  const largest = largestOf[mostPicks]!
  const common = sizes.reduce(gcd, 0) || 1
  const grid = Math.max(common, Math.ceil(largest / ROW_BITS))
  const coarse = sizes.map(size => Math.floor(size / grid))
  const error = Math.max(0, ...sizes.map((size, i) => size - coarse[i]! * grid))
  const wordsFor = largestOf.map(total => (Math.floor(total / grid) >>> 5) + 1)

  const rows: (Uint32Array | null)[][] = Array.from({ length: lots + 1 }, () => new Array<Uint32Array | null>(mostPicks + 1).fill(null))
  for (const row of rows) row[0] = Uint32Array.of(1)
  for (let i = lots - 1; i >= 0; i--) {
    for (let k = 1; k <= mostPicks; k++) {
      const most = Math.min(available[i]!, k)
      const sources: number[] = []
      for (let x = 0; x <= most; x++) if (rows[i + 1]![k - x]) sources.push(x)
      if (sources.length === 0) continue
      if (sources.length === 1 && sources[0] === 0) {
        rows[i]![k] = rows[i + 1]![k]!
        continue
      }
      const row = new Uint32Array(wordsFor[k]!)
      for (const x of sources) orShifted(row, rows[i + 1]![k - x]!, x * coarse[i]!)
      rows[i]![k] = row
    }
  }
  return {
    largest,
    can(i, k, low, high) {
      const row = rows[i]![k]
      return row !== null && row !== undefined && anyBit(row, Math.ceil((low - k * error) / grid), Math.floor(high / grid))
    },
  }
}

/** For each k, the largest total of at most k picks. */
function largestTotals(sizes: readonly number[], available: readonly number[], mostPicks: number): number[] {
  const order = sizes.map((_, i) => i).sort((a, b) => sizes[b]! - sizes[a]!)
  const totals = [0]
  for (const i of order) {
    for (let x = 0; x < available[i]! && totals.length <= mostPicks; x++) totals.push(totals.at(-1)! + sizes[i]!)
  }
  while (totals.length <= mostPicks) totals.push(totals.at(-1)!)
  return totals
}

function orShifted(target: Uint32Array, source: Uint32Array, shift: number): void {
  const words = shift >>> 5
  const bits = shift & 31
  const end = Math.min(source.length, target.length - words)
  if (bits === 0) {
    for (let w = 0; w < end; w++) target[w + words]! |= source[w]!
    return
  }
  let carry = 0
  for (let w = 0; w < end; w++) {
    const word = source[w]!
    target[w + words]! |= (word << bits) | carry
    carry = word >>> (32 - bits)
  }
  if (carry !== 0 && end + words < target.length) target[end + words]! |= carry
}

function anyBit(row: Uint32Array, from: number, to: number): boolean {
  const low = Math.max(0, from)
  const high = Math.min(to, row.length * 32 - 1)
  if (low > high) return false
  const first = low >>> 5
  const last = high >>> 5
  const headMask = -1 << (low & 31)
  const tailMask = -1 >>> (31 - (high & 31))
  if (first === last) return (row[first]! & headMask & tailMask) !== 0
  if ((row[first]! & headMask) !== 0) return true
  for (let w = first + 1; w < last; w++) if (row[w] !== 0) return true
  return (row[last]! & tailMask) !== 0
}
