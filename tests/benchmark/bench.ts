import 'reflect-metadata'
// npm run bench: ratios against a peer in the same run; absolute times are printed to be read, never tested.
import { choosePacks } from '#core/pack/chooser/choose'
import { prepareDrawer } from '#core/pack/chooser/prepare'
import { allocate } from '#core/pack/allocation/allocate'
import { highsSolver } from '#core/pack/allocation/solver'
import { sortRollers, type Roller } from '#core/check/kinds/roller-big-end/sort-rollers'
import { nm, thou } from '#core/quantity/length'
import type { LimitSet } from '#core/verdict/limits'
import { madeBearings, madeDrawer, madeSingles, stream } from '../reference/drawers'
import { cheapestByPieces, lexicographic, solver } from '../reference/milp'
import { pageFigures } from './page'
import { keptFigures } from './kept'
import { chainFigures } from './chain'
import { learnedFigures } from './learned'
import { recordFigures } from './record'
import { scaleFigures } from './scale'
import { startFigures } from './start'
import { asked } from '../questions'

const INSTANCES = Number(process.env.INSTANCES ?? 30)
const CAP_SECONDS = 10
const quantile = (values: number[], q: number) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(q * values.length))]!
const limits: LimitSet = { kind: 'two-sided', lower: thou(2), upper: thou(4), unit: 'thou', source: { kind: 'own' } }
const say = (line: string) => process.stdout.write(`${line}\n`)

interface Drawers {
  readonly words: string
  readonly sizes: number
  readonly measured: boolean
  /** every piece a size of its own, known by its own figure */
  readonly single?: boolean
  readonly seed: number
}
const DRAWERS: Readonly<Record<string, Drawers>> = {
  nominal: { words: 'nominal sizes', sizes: 120, measured: false, seed: 3 },
  measured: { words: 'measured sizes', sizes: 120, measured: true, seed: 7 },
  large: { words: 'measured sizes', sizes: 500, measured: true, seed: 11 },
  single: { words: 'single pieces, each measured', sizes: 300, measured: true, single: true, seed: 13 },
}

async function chooserFigures({ words, sizes, measured, single = false, seed }: Drawers): Promise<void> {
  const highs = await solver()
  const random = stream(seed)
  const builds: number[] = []
  const queries: number[] = []
  const peers: number[] = []
  const ratios: number[] = []
  const withBuild: number[] = []
  let capped = 0
  let unproven = 0
  for (let i = 0; i < INSTANCES; i++) {
    const { lots, fitted } = single ? madeSingles(random, sizes) : madeDrawer(random, sizes, measured)
    const t0 = performance.now()
    const drawer = prepareDrawer(lots, fitted, { perPiece: i % 2 ? 1 : -1, pair: false }, { most: 8 })
    const build = performance.now() - t0
    const c = drawer.response.perPiece
    // A play that a pack of this size would bring to the aim: totals from one thin piece to a full stack.
    const total = Math.round((random() * 8_000_000) / 20) * 20
    const play = thou(3) - c * (total - drawer.fittedTotal)
    const t1 = performance.now()
    const choice = choosePacks(
      drawer,
      asked({
        measured: { play, u: 4000, nu: 6 },
        uRefit: 6350,
        aim: thou(3),
        limits,
        unit: 'thou',
        cannotBind: 'above',
        wanted: 5,
      }),
    )
    const query = performance.now() - t1
    if (!choice.proven) unproven++
    const t2 = performance.now()
    const best = lexicographic(
      highs,
      { drawer, basePlay: nm(play - c * drawer.fittedTotal), aim: thou(3), width: 2540, allowed: { low: thou(2), high: thou(4) } },
      CAP_SECONDS,
    )
    let peer = performance.now() - t2
    if (best === null) {
      capped++
      peer = CAP_SECONDS * 1000
    }
    builds.push(build)
    queries.push(query)
    peers.push(peer)
    ratios.push(peer / query)
    withBuild.push(peer / (query + build))
  }
  say(`\nChooser, ${words}: ${INSTANCES} drawers of ${sizes}${single ? '' : ', up to 6 of each'}, packs to 8, top five`)
  say(`  build    median ${quantile(builds, 0.5).toFixed(0)} ms, worst ${Math.max(...builds).toFixed(0)} ms`)
  say(`  query    median ${quantile(queries, 0.5).toFixed(1)} ms, worst ${Math.max(...queries).toFixed(1)} ms; not proven: ${unproven}`)
  say(`  HiGHS, single best: median ${quantile(peers, 0.5).toFixed(0)} ms; over the cap of ${CAP_SECONDS} s or infeasible: ${capped}`)
  say(`  HiGHS / query: median ${quantile(ratios, 0.5).toFixed(0)} times, least ${Math.min(...ratios).toFixed(0)}`)
  say(`  HiGHS / (build + query): median ${quantile(withBuild, 0.5).toFixed(0)} times, least ${Math.min(...withBuild).toFixed(0)}`)
}

/** Twelve bearings and 2 000 shells, against a programme over single pieces. */
async function allocationFigures(): Promise<void> {
  const highs = await solver()
  const solve = highsSolver(highs)
  for (const goal of ['nearest', 'cheapest'] as const) {
    const own: number[] = []
    const peers: number[] = []
    let unproven = 0
    let capped = 0
    for (let i = 0; i < Math.max(3, INSTANCES / 5); i++) {
      const request = { ...madeBearings(stream(20 + i), 12, 100, 20), goal, ordering: false, opening: 0 }
      const t0 = performance.now()
      if (!allocate(request, solve).proven) unproven++
      own.push(performance.now() - t0)
      const t1 = performance.now()
      if (cheapestByPieces(highs, request, CAP_SECONDS) === null) capped++
      peers.push(performance.now() - t1)
    }
    say(`\nAllocation, ${goal}: 12 places, 2000 pieces of 100 sizes`)
    say(`  median ${quantile(own, 0.5).toFixed(0)} ms, worst ${Math.max(...own).toFixed(0)} ms; not proven: ${unproven}`)
    say(
      `  HiGHS over single pieces, cost alone: median ${quantile(peers, 0.5).toFixed(0)} ms; over the cap or infeasible: ${capped}; ${(quantile(peers, 0.5) / quantile(own, 0.5)).toFixed(1)} times`,
    )
  }
}

/** One piece that moves two results, against the same question about one. */
function twoResultsFigures(): void {
  const random = stream(17)
  const [alone, both]: [number[], number[]] = [[], []]
  for (let i = 0; i < INSTANCES; i++) {
    const { lots, fitted } = madeDrawer(random, 120, true)
    const drawer = prepareDrawer(lots, fitted, { perPiece: 1, pair: false }, { most: 8 })
    const total = Math.round((random() * 8_000_000) / 20) * 20
    const play = thou(3) - (total - drawer.fittedTotal)
    const question = asked({
      measured: { play, u: 4000, nu: 6 },
      uRefit: 6350,
      aim: thou(3),
      limits,
      unit: 'thou',
      cannotBind: 'above',
    })
    // Thread engaged: it falls as the pack grows, and is well within its limits at the aim.
    const thread = { ...limits, lower: thou(160), upper: thou(260) }
    const also = [{ id: 'thread', label: 'Thread', play: thou(203) - play, u: 5000, nu: 8, limits: thread, perPiece: -1 as const }]
    // The first of each only warms up.
    for (const [into, asks] of [
      [null, question],
      [alone, question],
      [null, { ...question, also }],
      [both, { ...question, also }],
    ] as const) {
      const t = performance.now()
      choosePacks(drawer, asks)
      into?.push(performance.now() - t)
    }
  }
  const [one, two] = [quantile(alone, 0.5), quantile(both, 0.5)]
  say(`\nA piece that moves two results: 120 sizes, packs to 8`)
  say(`  one result median ${one.toFixed(1)} ms, two ${two.toFixed(1)} ms; two / one: ${(two / one).toFixed(2)}`)
}

/** Ten thousand rollers into two sets, against sorting alone. */
function rollerFigures(): void {
  const random = stream(5)
  const rollers = Array.from({ length: 10_000 }, (_, i): Roller => ({
    id: String(i),
    bag: 'ABCD'[i % 4]!,
    size: 4_762_500 + Math.round((random() - 0.5) * 20) * 635,
  }))
  const own: number[] = []
  const peers: number[] = []
  for (let i = 0; i < 15; i++) {
    const t0 = performance.now()
    sortRollers(rollers, { count: 18, spread: 2_540, rods: 2, mixed: false })
    own.push(performance.now() - t0)
    const t1 = performance.now()
    ;[...rollers].sort((a, b) => a.size - b.size || (a.id < b.id ? -1 : 1))
    peers.push(performance.now() - t1)
  }
  say('\nRollers: 10 000 in four bags, sets of 18 for two rods')
  say(
    `  median ${quantile(own, 0.5).toFixed(1)} ms, worst ${Math.max(...own).toFixed(1)} ms; ${(quantile(own, 0.5) / quantile(peers, 0.5)).toFixed(1)} times sorting them alone`,
  )
}

const PARTS: Readonly<Record<string, () => void | Promise<void>>> = {
  rollers: rollerFigures,
  two: twoResultsFigures,
  learned: () => learnedFigures(say),
  chain: () => chainFigures(say),
  allocation: allocationFigures,
  ...Object.fromEntries(Object.entries(DRAWERS).map(([name, drawers]) => [name, () => chooserFigures(drawers)])),
  scale: () => scaleFigures(say),
  record: () => recordFigures(say),
  kept: () => keptFigures(say),
  page: () => pageFigures(say),
  start: () => startFigures(say),
}
/** All of it, or the parts named: npm run bench -- scale page. */
const named = process.argv.slice(2).filter(name => name in PARTS)
for (const name of named.length > 0 ? named : Object.keys(PARTS)) await PARTS[name]!()
