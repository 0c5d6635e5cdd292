import { beforeAll, expect, it } from 'vitest'
import { allocate } from '#core/choice/answer/allocation/allocate'
import { highsSolver } from '#core/choice/answer/allocation/solver'
import { madeBearings, stream } from './drawers'
import { cheapestByPieces, solver, type Solver } from './milp'

let highs: Solver
beforeAll(async () => {
  highs = await solver()
})

// Reference: an integer programme over single pieces, built here, solved by HiGHS with no gap. The product chooses among whole packs.
it.each([
  [1, 3, 8, 1],
  [2, 4, 10, 2],
  [3, 5, 8, 1],
  [4, 4, 12, 3],
  [5, 6, 8, 2],
  [6, 3, 16, 1],
  [7, 4, 40, 1],
  [8, 6, 30, 2],
])(
  'least cost of several bearings is what a programme over single pieces finds (%s)',
  { timeout: 60_000 },
  (seed, bearings, sizes, each) => {
    for (const [ordering, opening] of [
      [false, 0],
      [false, 250],
      [true, 100],
    ] as const) {
      const request = { ...madeBearings(stream(seed), bearings, sizes, each, 12_000), goal: 'cheapest' as const, ordering, opening }
      const reference = cheapestByPieces(highs, request, 200_000)
      const { places, cost, words } = allocate(request, highsSolver(highs))
      const opened = places.filter(({ change }) => change.in.length + change.out.length > 0).length
      if (reference === null) expect(words).not.toContain('All')
      else expect(cost! + opening * opened).toBe(reference)
    }
  },
)
