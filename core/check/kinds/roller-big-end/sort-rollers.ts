import { groups } from 'd3-array'

/** One measured roller: its bag, its diameter, nm. */
export interface Roller {
  readonly id: string
  readonly bag: string
  readonly size: number
}

/** Rollers that may run together: a contiguous run of the sorted sizes. */
export interface RollerSet {
  /** null: bags were mixed on purpose */
  readonly bag: string | null
  /** smallest first */
  readonly rollers: readonly Roller[]
  readonly smallest: number
  readonly largest: number
}

export interface SortedRollers {
  /** one a rod: those that lie closest together, smallest rollers first; fewer than rods where the rollers cannot serve */
  readonly sets: readonly RollerSet[]
  /** how many sets could be made at all */
  readonly possible: number
  readonly leftover: readonly Roller[]
  /** a sentence: what was found, or why it does not do */
  readonly words: string
}

export interface SortRules {
  /** rollers in a set */
  readonly count: number
  /** largest less smallest of a set, nm, inclusive */
  readonly spread: number
  readonly rods: number
  /** bags may be mixed, on purpose */
  readonly mixed: boolean
}

/**
 * Sorts measured rollers into one set a rod. Within a bag a set is always a run of neighbours in size, so the sets that lie closest
 * together are found exactly: over each sorted bag the least sum of spreads with k sets, by dynamic programming, then over the bags.
 * Bags are never mixed unless the rules say so. Common practice.
 */
export function sortRollers(rollers: readonly Roller[], rules: SortRules): SortedRollers {
  const bags = groups(rollers, roller => (rules.mixed ? '' : roller.bag)).sort(([a], [b]) => (a < b ? -1 : 1))
  const runs = bags.map(([, bag]) =>
    closestRuns(
      bag.sort((a, b) => a.size - b.size || (a.id < b.id ? -1 : 1)),
      rules,
    ),
  )
  const possible = runs.reduce((sum, { possible: some }) => sum + some, 0)
  const sets = bestOver(runs, Math.min(rules.rods, possible))
    .map((run): RollerSet => ({ bag: rules.mixed ? null : run[0]!.bag, rollers: run, smallest: run[0]!.size, largest: run.at(-1)!.size }))
    .sort((a, b) => a.smallest - b.smallest)
  const used = new Set(sets.flatMap(set => set.rollers.map(roller => roller.id)))
  return {
    sets,
    possible,
    leftover: rollers.filter(roller => !used.has(roller.id)),
    words: wordsFor(rollers.length, possible, bags.length, rules),
  }
}

interface Runs {
  readonly possible: number
  /** by k: the least sum of spreads of k disjoint runs, and where they start; Infinity where there are not so many */
  readonly best: readonly { readonly cost: number; readonly starts: readonly number[] }[]
  readonly sorted: readonly Roller[]
  readonly count: number
}

/** The closest disjoint runs of one sorted bag. */
function closestRuns(sorted: readonly Roller[], { count, spread, rods }: SortRules): Runs {
  const n = sorted.length
  const width = (start: number) => sorted[start + count - 1]!.size - sorted[start]!.size
  let possible = 0
  for (let start = 0; count > 0 && start + count <= n;) {
    const fits = width(start) <= spread
    if (fits) possible++
    start += fits ? count : 1
  }
  const most = Math.min(rods, possible)
  // least[k][i]: k runs among the first i rollers.
  const least = Array.from({ length: most + 1 }, (_, k) => new Float64Array(n + 1).fill(k === 0 ? 0 : Infinity))
  for (let k = 1; k <= most; k++) {
    for (let i = count; i <= n; i++) {
      const w = width(i - count)
      const ending = w <= spread ? least[k - 1]![i - count]! + w : Infinity
      least[k]![i] = Math.min(least[k]![i - 1]!, ending)
    }
  }
  const best = least.map((row, k) => {
    const starts: number[] = []
    for (let i = n, left = k; left > 0 && Number.isFinite(least[left]![i]!); i--) {
      if (least[left]![i] === least[left]![i - 1]) continue
      i -= count
      starts.unshift(i)
      i++
      left--
    }
    return { cost: row[n]!, starts }
  })
  return { possible, best, sorted, count }
}

/** `total` runs over all bags with the least sum of spreads. */
function bestOver(bags: readonly Runs[], total: number): Roller[][] {
  let states: { cost: number; picks: number[] }[] = Array.from({ length: total + 1 }, (_, k) => ({
    cost: k === 0 ? 0 : Infinity,
    picks: [],
  }))
  for (const { best } of bags) {
    states = states.map((_, k) =>
      best
        .slice(0, k + 1)
        .map(({ cost }, own) => ({ cost: states[k - own]!.cost + cost, picks: [...states[k - own]!.picks, own] }))
        .reduce((a, b) => (b.cost < a.cost ? b : a)),
    )
  }
  return bags.flatMap(({ best, sorted, count }, b) =>
    best[states[total]!.picks[b] ?? 0]!.starts.map(start => sorted.slice(start, start + count)),
  )
}

function wordsFor(measured: number, possible: number, bags: number, { count, rods, mixed }: SortRules): string {
  const sets = `${possible} ${possible === 1 ? 'set' : 'sets'} of ${count}`
  if (measured === 0) return 'No roller is measured yet: take them bag by bag, each with its own figure.'
  const within = `within the spread${bags > 1 && !mixed ? ', each from one bag' : ''}`
  if (possible >= rods) return `${measured} rollers make ${sets} ${within}.`
  const lack =
    measured < count * rods
      ? ` ${count * rods} rollers are the least for ${rods === 1 ? 'one rod' : `${rods} rods`}.`
      : ' Measure more of them, or allow a wider spread.'
  return `${measured} rollers make ${possible === 0 ? `no set of ${count}` : `only ${sets}`} ${within}; ${rods === 1 ? 'the rod needs one' : `${rods} rods need ${rods}`}.${lack}`
}
