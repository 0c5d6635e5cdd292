import { checkKind } from '#core/check/registry'
import type { CheckDocument, Tick } from '#core/check/document'
import { evaluateCheck } from '#core/check/evaluate/evaluate-check'
import { answerOf } from '#core/check/sentence/answer'
import { lookAt } from '#core/check/sentence/look-at'
import { apply } from '#core/command/apply'
import type { Bench, Command } from '#core/command/command'
import { decide } from '#core/command/decide'
import type { Proposal } from '#core/choice/answer/chooser/proposal'
import { ASSUMED, type Lot } from '#core/pack/lot'
import { nm, thou } from '#core/quantity/length'
import type { Gauge } from '#core/reading/gauge'
import { twoSided } from '#core/verdict/limits'
import { checkOf, gauge, trial } from '../documents'
import { lotOf } from '../pieces'
import { stream } from './drawers'

// A shaft with a hidden play, a dial with its faults, pieces a little off, a refit that does something of its own: rebuilt as the program
// says, by core alone. All figures in thou.

export interface Rebuild {
  readonly band: number
  /** graduation of the dial in hand; half of it can be read */
  readonly dial: number
  /** another one in the register */
  readonly finer?: number
  /** what refitting really does, standard deviation, and what the check is told of it */
  readonly refit?: number
  readonly toldRefit?: number
  /** at a figure too close to call: what the program advises, or a refit whenever there is a better pack */
  readonly tooClose: 'as-advised' | 'refit'
}
export interface Rebuilt {
  /** really in limits when it was signed */
  readonly inside: boolean
  /** it was signed as in, without a reason */
  readonly signedIn: boolean
  readonly fittings: number
  readonly readings: number
  /** of each change: the chance that was told, and whether it came in */
  readonly foretold: readonly { readonly chance: number; readonly came: boolean }[]
  /** measured less foretold, and what of it readings and pieces explain */
  readonly proofs: readonly { readonly difference: number; readonly known: number }[]
}

const AT = '2026-05-04T08:00:00.000Z'
const MOST_FITTINGS = 6
/** The pack as found, and a drawer with some sizes and not others. */
const FOUND = 16
const lotsOf = (random: () => number): readonly Lot[] =>
  [FOUND, ...[2, 3, 4, 5, 6, 8, 10, 12].filter(() => random() < 0.6)].map(size =>
    lotOf(`s${size}`, thou(size), { family: 'shims', onHand: 2, measured: thou(size) }),
  )
const LOW = 3
/** of a graduation: one reading against the next, and the gauge itself at most */
const [SCATTER, ERROR] = [0.3, 0.4] as const
const dialOf = (step: number): Gauge =>
  gauge('dial-indicator', thou(step), {
    id: `dial-${step}`,
    name: `Dial ${step}`,
    repeatability: thou(SCATTER * step),
    permissibleError: thou(ERROR * step),
  })

/** Standard normal, by Box and Muller. */
const normal = (random: () => number): number => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())

export function rebuild(seed: number, { band, dial, finer, refit = 0.2, toldRefit = 0.3, tooClose }: Rebuild): Rebuilt {
  const random = stream(seed)
  const lots = lotsOf(random)
  const limits = {
    working: 'book' as const,
    sets: { play: { book: twoSided(thou(LOW), thou(LOW + band), 'thou', { kind: 'book' }), shop: null } },
  }
  const ids = Array.from({ length: MOST_FITTINGS }, (_, i) => `t${i + 1}`)
  const start: CheckDocument = checkOf('shaft-end-play', {
    setup: { pack: 'under-cover' },
    rule: 'careful',
    family: 'shims',
    limits,
    uRefit: thou(toldRefit),
    gauges: { 'dial-indicator': dialOf(dial) },
    trials: [trial('t1', [], { packs: { pack: [{ lotId: `s${FOUND}`, count: 1 }] } })],
  })
  const steps = checkKind('shaft-end-play').procedure(start.setup)
  const ticks = steps.flatMap(({ id }): Tick[] => ids.map(at => ({ step: id, trial: at })))
  let bench: Bench = { document: { ...start, ticks }, lots, reserves: {} }
  /** each size is really this much off what it measured, as much as is assumed of pieces */
  const off = new Map(lots.map(({ id }) => [id, (normal(random) * ASSUMED.scatter) / thou(1)]))
  let inHand = dial
  let error = (2 * random() - 1) * ERROR * dial
  // Some come in as they should be, some hardly.
  let truth = Math.max(0, LOW + band * (3 * random() - 1))
  let readings = 0
  let op = 0
  const head = () => ({ op: `o${op++}`, at: AT })
  const foretold: { chance: number; came: boolean }[] = []
  const proofs: { difference: number; known: number }[] = []

  for (;;) {
    while (seriesOf(bench).length < 3) read()
    const { answer, state, other, residual } = look()
    if (residual && bench.document.trials.length > proofs.length + 1) proofs.push(residual)
    const { advice } = answer
    if (state === 'not-valid') {
      takeAgain()
      continue
    }
    if (state === 'in') return done(true)
    // In limits, and it did not move as it should: signed with a reason.
    if (state === 'doubted') return done(false)
    if (advice && tooClose === 'as-advised') {
      if (advice.by === 'reading') {
        for (let i = 0; i < advice.more; i++) read()
        continue
      }
      if (advice.by === 'gauge') {
        inHand = finer!
        error = (2 * random() - 1) * ERROR * inHand
        takeAgain()
        continue
      }
      if (advice.by === 'reason') return done(false)
    }
    if (!other || bench.document.trials.length === MOST_FITTINGS) return done(false)
    fit(other)
  }

  function look() {
    const evaluation = evaluateCheck(bench.document, bench.lots)
    const seen = lookAt(bench.document, evaluation, bench.lots, { register: finer === undefined ? [] : [dialOf(finer)] })
    const answer = answerOf(seen, { system: 'inch', time: at => at })
    const changed = ({ change }: Proposal) => change.in.length + change.out.length > 0
    const { residual: found } = evaluation.headline
    const residual = found && {
      difference: found.difference,
      known: Math.sqrt(Math.max(0, found.u ** 2 - bench.document.uRefit ** 2)),
    }
    return { answer, state: evaluation.state, other: seen.choice?.proposals.find(changed) ?? null, residual }
  }
  function carryOut(command: Command): void {
    const outcome = decide(bench, command)
    if (!outcome.ok) throw new Error(outcome.faults[0]!.reason)
    bench = outcome.happenings.reduce(apply, bench)
  }
  function read(): void {
    const step = inHand / 2
    const seen = Math.max(0, Math.round((truth + error + normal(random) * SCATTER * inHand) / step) * step)
    const made = head()
    readings++
    carryOut({
      ...made,
      kind: 'read',
      trialId: bench.document.trials.at(-1)!.id,
      reading: { id: made.op, point: 'travel', at: AT, start: nm(0), far: thou(seen), back: nm(0) },
    })
  }
  /** With what is in hand now, from the first reading on. */
  function takeAgain(): void {
    for (const { id } of seriesOf(bench)) carryOut({ ...head(), kind: 'void', readingId: id, reason: 'taken again' })
    bench = { ...bench, document: { ...bench.document, gauges: { 'dial-indicator': dialOf(inHand) } } }
  }
  function fit({ pack, change, chance }: Proposal): void {
    const moved = (pieces: typeof pack) =>
      pieces.reduce((sum, { lotId, count }) => sum + count * (Number(lotId.slice(1)) + off.get(lotId)!), 0)
    truth = Math.max(0, truth + moved(change.in) - moved(change.out) + normal(random) * refit)
    carryOut({ ...head(), kind: 'fit', trialId: ids[bench.document.trials.length]!, packs: [{ place: 'pack', pieces: pack }] })
    if (chance) foretold.push({ chance: chance.inside, came: isInside() })
  }
  function isInside(): boolean {
    return truth > LOW && truth <= LOW + band
  }
  function done(signedIn: boolean): Rebuilt {
    return { inside: isInside(), signedIn, fittings: bench.document.trials.length - 1, readings, foretold, proofs }
  }
}

const seriesOf = ({ document }: Bench) => document.trials.at(-1)!.readings.filter(({ voided }) => !voided)

/** What many rebuilds come to. */
export function tally(all: readonly Rebuilt[]) {
  const share = (count: number, of: number) => (of === 0 ? 0 : count / of)
  const told = all.flatMap(({ foretold }) => foretold)
  const first = all.filter(({ fittings, inside }) => fittings <= 1 && inside)
  return {
    /** in limits at the first fitting */
    first: share(first.length, all.length),
    fittings: share(
      all.reduce((sum, { fittings }) => sum + fittings, 0),
      all.length,
    ),
    /** signed as in, and out */
    wrong: share(all.filter(({ signedIn, inside }) => signedIn && !inside).length, all.length),
    readings: share(
      all.reduce((sum, { readings }) => sum + readings, 0),
      all.length,
    ),
    /** the chance told, and how often it came */
    told: share(
      told.reduce((sum, { chance }) => sum + chance, 0),
      told.length,
    ),
    came: share(told.filter(({ came }) => came).length, told.length),
  }
}
