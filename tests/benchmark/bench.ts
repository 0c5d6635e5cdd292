import 'reflect-metadata'
// npm run bench: ratios against a peer in the same run; absolute times are printed to be read, never tested.
import { choosePacks } from '#core/choice/answer/chooser/choose'
import { prepareDrawer } from '#core/choice/answer/chooser/prepare'
import { sortRollers, type Roller } from '#core/check/kinds/roller-big-end/sort-rollers'
import { thou } from '#core/quantity/length'
import { madeDrawer, stream } from '../reference/drawers'
import { DRAWERS, INSTANCES, LIMITS as limits, allocationFigures, chooserFigures, quantile } from './chooser'
import { pageFigures } from './page'
import { keptFigures } from './kept'
import { chainFigures } from './chain'
import { learnedFigures } from './learned'
import { recordFigures } from './record'
import { scaleFigures } from './scale'
import { startFigures } from './start'
import { asked } from '../questions'

const say = (line: string) => process.stdout.write(`${line}\n`)

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
    const now = { play: thou(203) - play, u: 5000, nu: 8 }
    const also = [{ ...question, id: 'thread', label: 'Thread', measured: now, from: now, limits: thread, perPiece: -1 as const }]
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
  allocation: () => allocationFigures(say),
  ...Object.fromEntries(Object.entries(DRAWERS).map(([name, drawers]) => [name, () => chooserFigures(drawers, say)])),
  scale: () => scaleFigures(say),
  record: () => recordFigures(say),
  kept: () => keptFigures(say),
  page: () => pageFigures(say),
  start: () => startFigures(say),
}
/** All of it, or the parts named: npm run bench -- scale page. */
const named = process.argv.slice(2).filter(name => name in PARTS)
for (const name of named.length > 0 ? named : Object.keys(PARTS)) await PARTS[name]!()
