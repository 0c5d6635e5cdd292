// The chooser and several places at once against an integer programme that is given the same problem.
import { choosePacks } from '#core/choice/answer/chooser/choose'
import { prepareDrawer } from '#core/choice/answer/chooser/prepare'
import { searchPacks } from '#core/choice/answer/chooser/search'
import { allocate } from '#core/choice/answer/allocation/allocate'
import { highsSolver } from '#core/choice/answer/allocation/solver'
import { nm, thou } from '#core/quantity/length'
import type { LimitSet } from '#core/verdict/limits'
import { madeBearings, madeDrawer, madeSingles, stream } from '../reference/drawers'
import { Capped, cheapestByPieces, lexicographic, solver } from '../reference/milp'
import { asked } from '../questions'

export const INSTANCES = Number(process.env.INSTANCES ?? 30)
/** The same on every machine, however busy. */
const CAP_NODES = 20_000
export const quantile = (values: number[], q: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(q * values.length))]!
export const LIMITS: LimitSet = { kind: 'two-sided', lower: thou(2), upper: thou(4), unit: 'thou', source: { kind: 'own' } }
/** Half the expanded uncertainty of a fitting, to a size's last digit. */
const BIN = 2_540

/** What work takes of the processor, ms: others on the machine do not count. */
export function cpu<Result>(work: () => Result): { readonly ms: number; readonly result: Result } {
  const before = process.cpuUsage()
  const result = work()
  const { user, system } = process.cpuUsage(before)
  return { ms: (user + system) / 1000, result }
}
/** What a peer takes; null: it had not ended within its cap, and counts for nothing. */
function peerCpu<Result>(work: () => Result): { readonly ms: number; readonly result: Result } | null {
  try {
    return cpu(work)
  } catch (error) {
    if (error instanceof Capped) return null
    throw error
  }
}

interface Drawers {
  readonly words: string
  readonly sizes: number
  readonly measured: boolean
  /** every piece a size of its own, known by its own figure */
  readonly single?: boolean
  readonly seed: number
}
export const DRAWERS: Readonly<Record<string, Drawers>> = {
  nominal: { words: 'nominal sizes', sizes: 120, measured: false, seed: 3 },
  measured: { words: 'measured sizes', sizes: 120, measured: true, seed: 7 },
  large: { words: 'measured sizes', sizes: 500, measured: true, seed: 11 },
  single: { words: 'single pieces, each measured', sizes: 300, measured: true, single: true, seed: 13 },
}

export async function chooserFigures(
  { words, sizes, measured, single = false, seed }: Drawers,
  say: (line: string) => void,
): Promise<void> {
  const highs = await solver()
  const random = stream(seed)
  const [builds, queries, ends, alone, peers]: number[][] = [[], [], [], [], []]
  const [ofSame, ofAll, ofQuery]: [number[], number[], number[]] = [[], [], []]
  let [capped, unproven, without] = [0, 0, 0]
  for (let i = 0; i < INSTANCES; i++) {
    const { lots, fitted } = single ? madeSingles(random, sizes) : madeDrawer(random, sizes, measured)
    const built = cpu(() => prepareDrawer(lots, fitted, { perPiece: i % 2 ? 1 : -1, pair: false }, { most: 8 }))
    const drawer = built.result
    const c = drawer.response.perPiece
    // A play that a pack of this size would bring to the aim: totals from one thin piece to a full stack.
    const total = Math.round((random() * 8_000_000) / 20) * 20
    const play = thou(3) - c * (total - drawer.fittedTotal)
    const question = { measured: { play, u: 4000, nu: 6 }, uRefit: 6350, aim: thou(3) } as const
    const whole = asked({ ...question, limits: LIMITS, unit: 'thou', cannotBind: 'above', wanted: 5 })
    const query = cpu(() => choosePacks(drawer, whole))
    if (!query.result.proven) unproven++
    const end = cpu(() => choosePacks(drawer, { ...whole, aim: thou(2.6), lean: { end: thou(2), toward: 1 } }))
    if (!end.result.proven) unproven++
    ends!.push(end.ms)
    const { measured: from, uRefit, aim } = question
    const same = cpu(() => searchPacks(drawer, { from, uRefit, aim, width: BIN, limits: null, wanted: 1 }).found[0])
    const problem = { drawer, basePlay: nm(play - c * drawer.fittedTotal), aim, width: BIN, allowed: { low: -Infinity, high: Infinity } }
    const peer = peerCpu(() => lexicographic(highs, problem, CAP_NODES))
    builds!.push(built.ms)
    queries!.push(query.ms)
    alone!.push(same.ms)
    if (peer === null) capped++
    else if (peer.result === null) without++
    else {
      const own = same.result!.key
      if (own[1] !== peer.result.bin || own[3] !== peer.result.trouble) throw new Error(`Drawer ${i}: two answers to one question.`)
      peers!.push(peer.ms)
      ofQuery.push(peer.ms / query.ms)
      ofSame.push(peer.ms / same.ms)
      ofAll.push(peer.ms / (same.ms + built.ms))
    }
  }
  const ratio = (what: string, all: number[]) =>
    say(`  ${what}: median ${quantile(all, 0.5).toFixed(0)} times, least ${Math.min(...all).toFixed(0)}`)
  say(`\nChooser, ${words}: ${INSTANCES} drawers of ${sizes}${single ? '' : ', up to 6 of each'}, packs to 8; processor time`)
  say(`  build    median ${quantile(builds!, 0.5).toFixed(0)} ms, worst ${Math.max(...builds!).toFixed(0)} ms`)
  say(
    `  query, five packs by their chance: median ${quantile(queries!, 0.5).toFixed(1)} ms, worst ${Math.max(...queries!).toFixed(1)} ms; not proven: ${unproven}`,
  )
  say(
    `  the same, at the tight end by each pack’s own U: median ${quantile(ends!, 0.5).toFixed(1)} ms, worst ${Math.max(...ends!).toFixed(1)} ms`,
  )
  say(
    `  the nearest pack alone, as HiGHS is asked: median ${quantile(alone!, 0.5).toFixed(1)} ms, worst ${Math.max(...alone!).toFixed(1)} ms`,
  )
  say(
    `  HiGHS, the same answer in the same bins: ${peers!.length} of ${INSTANCES}, median ${quantile(peers!, 0.5).toFixed(0)} ms; not counted: ${capped} over the cap of ${CAP_NODES} nodes, ${without} without a pack`,
  )
  if (peers!.length === 0) return
  ratio('HiGHS / nearest pack alone', ofSame)
  ratio('HiGHS / (build + nearest pack alone)', ofAll)
  ratio('HiGHS / query for five, each with its chance, which is more than HiGHS is asked', ofQuery)
}

/** Twelve bearings and 2 000 shells, against a programme over single pieces. */
export async function allocationFigures(say: (line: string) => void): Promise<void> {
  const highs = await solver()
  const solve = highsSolver(highs)
  for (const goal of ['nearest', 'cheapest'] as const) {
    const [own, peers, ratios]: number[][] = [[], [], []]
    let [unproven, capped] = [0, 0]
    const times = Math.max(3, INSTANCES / 5)
    for (let i = 0; i < times; i++) {
      const request = { ...madeBearings(stream(20 + i), 12, 100, 20), goal, ordering: false, opening: 0 }
      const answer = cpu(() => allocate(request, solve))
      if (!answer.result.proven) unproven++
      own!.push(answer.ms)
      const peer = peerCpu(() => cheapestByPieces(highs, request, CAP_NODES))
      if (peer === null) capped++
      else {
        peers!.push(peer.ms)
        ratios!.push(peer.ms / answer.ms)
      }
    }
    say(`\nAllocation, ${goal}: 12 places, 2000 pieces of 100 sizes; processor time`)
    say(`  median ${quantile(own!, 0.5).toFixed(0)} ms, worst ${Math.max(...own!).toFixed(0)} ms; not proven: ${unproven} of ${times}`)
    say(
      `  HiGHS over single pieces, cost alone: ${peers!.length} of ${times}, median ${quantile(peers!, 0.5).toFixed(0)} ms, ${quantile(ratios!, 0.5).toFixed(1)} times; over the cap of ${CAP_NODES} nodes, not counted: ${capped}`,
    )
  }
}
