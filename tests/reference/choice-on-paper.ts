// The choice of one place by the sums of the handbook, each written down as it stands there, slowly and without a search: what a reading,
// some fittings, limits and a small drawer come to. It shares no line with the chooser; t, normal and chi-square are another library's.
import { upToT } from './student-t'
import { jStat } from 'jstat'

/** nm throughout. */
export interface PaperSize {
  readonly id: string
  readonly nominal: number
  readonly measured: number | null
  readonly tolerance: { readonly plus: number; readonly minus: number } | null
  readonly onHand: number
  /** kept back, or promised to another */
  readonly reserved: number
  readonly cost: number
}
/** So many of each size. */
export type PaperPack = Readonly<Record<string, number>>
export interface PaperFitting {
  readonly pack: PaperPack
  readonly play: number
  readonly u: number
  readonly nu: number
  /** of u, what its own readings carry, and what the gauge gives every fitting */
  readonly uOwn: number
  readonly uShared: number
}
export interface PaperLimits {
  readonly lower: number
  readonly upper: number
  readonly lowerExcluded: boolean
  readonly upperExcluded: boolean
}
export interface PaperQuestion {
  readonly sizes: readonly PaperSize[]
  readonly fittings: readonly PaperFitting[]
  /** what a piece does to the play: thicker leaves less (−1), or more (1) */
  readonly c: 1 | -1
  readonly uRefit: number
  readonly limits: PaperLimits
  readonly rule: 'plain' | 'careful' | 'guarded'
  readonly school: 'middle' | 'tight' | 'loose' | 'as-found' | 'own'
  readonly own: number
  readonly rules: {
    readonly fewest: number
    readonly most: number
    readonly largestStack: number
    readonly noUnmeasured: boolean
    readonly onlyRemove: boolean
    /** what a shop moved up behind the distance */
    readonly order: 'trouble' | 'pieces' | 'changes' | 'cost'
  }
  /** one piece that is not its size explains why fittings do not agree: then none of them is the odd one */
  readonly explained: boolean
}

const hypot = (...terms: readonly number[]) => Math.sqrt(terms.reduce((sum, term) => sum + term ** 2, 0))
const NORMAL_975 = jStat.normal.inv(0.975, 0, 1)
const chiSquare95 = (degrees: number) => jStat.chisquare.inv(0.95, degrees)
/** P(T ≤ t) */
const below = upToT
/** Welch–Satterthwaite, JCGM 100, G.4: ν = u⁴ / Σ u_i⁴/ν_i, and its whole part for k. */
function summed(terms: readonly { readonly u: number; readonly nu: number }[]) {
  const u = hypot(...terms.map(term => term.u))
  const nu = u ** 4 / terms.reduce((sum, term) => sum + term.u ** 4 / term.nu, 0)
  return { u, nu, whole: Math.max(1, Math.floor(nu * (1 + 1e-12))) }
}
/** U = k·u, k from the t distribution at 95 %. */
const expanded = ({ u, whole }: { readonly u: number; readonly whole: number }) =>
  u * (whole > 1e6 ? NORMAL_975 : jStat.studentt.inv(0.975, whole))

export interface PaperProposal {
  readonly pack: PaperPack
  readonly play: number
  readonly u: number
  readonly chance: number
  readonly total: number
  readonly pieces: number
  /** pieces it puts in that nobody measured */
  readonly strange: number
  /** what its figure rests on, and the lines of its budget */
  readonly rests: readonly [string, readonly string[]]
  readonly cls: number
  /** the order of merit up to what nobody can tell apart any more */
  readonly key: readonly number[]
}

export function onPaper({ sizes, fittings, c, uRefit, limits, rule, school, own, rules, explained }: PaperQuestion) {
  const size = (id: string) => sizes.find(one => one.id === id)!
  // The middle of a one-sided tolerance stands for a piece nobody measured.
  const thick = (one: PaperSize) =>
    one.measured ?? one.nominal + (one.tolerance ? Math.round((one.tolerance.plus - one.tolerance.minus) / 2) : 0)
  const ids = sizes.map(({ id }) => id)
  const total = (pack: PaperPack) => ids.reduce((sum, id) => sum + (pack[id] ?? 0) * thick(size(id)), 0)
  // Common practice, from memory: a piece against its own figure 1 µm, one of a measured lot 5 µm, the micrometer 1 µm, a stranger half a thou.
  const [INDIVIDUAL, OF_LOT, MICROMETER, STRANGER] = [1_000, 5_000, 1_000, 12_700]
  const each = (one: PaperSize) => (one.measured === null ? INDIVIDUAL : OF_LOT)
  const together = (one: PaperSize) =>
    one.measured === null ? (one.tolerance ? (one.tolerance.plus + one.tolerance.minus) / 2 : STRANGER) / Math.sqrt(3) : 0
  const step = (from: PaperPack, to: PaperPack) => ids.map(id => ({ one: size(id), by: (to[id] ?? 0) - (from[id] ?? 0) }))
  const spread = (from: PaperPack, to: PaperPack) =>
    Math.sqrt(step(from, to).reduce((sum, { one, by }) => sum + Math.abs(by) * each(one) ** 2 + (by * together(one)) ** 2, 0))
  const same = (a: PaperPack, b: PaperPack) => ids.every(id => (a[id] ?? 0) === (b[id] ?? 0))

  // 3.4: a base of each fitting; what all packs hold leaves the comparison.
  const common = Object.fromEntries(ids.map(id => [id, Math.min(...fittings.map(({ pack }) => pack[id] ?? 0))]))
  const everywhere: PaperPack = fittings.length > 1 ? common : {}
  const bases = fittings.map(fitting => {
    const own = hypot(fitting.uOwn, uRefit)
    return { ...fitting, own, base: fitting.play - c * total(fitting.pack), uBase: hypot(own, spread(everywhere, fitting.pack)) }
  })
  type Base = (typeof bases)[number]
  const agree = (a: Base, b: Base) => Math.abs(a.base - b.base) < NORMAL_975 * hypot(a.own, b.own, spread(a.pack, b.pack))
  const weighted = (some: readonly Base[]) => {
    const sum = some.reduce((all, { uBase }) => all + 1 / uBase ** 2, 0)
    const value = some.reduce((all, { base, uBase }) => all + base / uBase ** 2, 0) / sum
    return { value, u: 1 / Math.sqrt(sum), chi: some.reduce((all, { base, uBase }) => all + ((base - value) / uBase) ** 2, 0) }
  }
  const shared = Math.max(...fittings.map(({ uShared }) => uShared))
  let odd: Base | null = null
  let agreeing: readonly Base[] | null = bases
  if (bases.length === 2 && !agree(bases[0]!, bases[1]!)) agreeing = null
  if (bases.length === 3 && weighted(bases).chi > chiSquare95(2)) {
    const alone = bases.filter((_, i) => agree(bases[(i + 1) % 3]!, bases[(i + 2) % 3]!))
    odd = alone.length === 1 && !explained ? alone[0]! : null
    agreeing = odd ? bases.filter(base => base !== odd) : null
  }
  const fused = agreeing && { value: weighted(agreeing).value, u: hypot(weighted(agreeing).u, shared), of: agreeing.length }

  // What packs are reckoned from: the present reading, or fittings that agree where those say it better; never where it is the odd one.
  const now = fittings.at(-1)!
  const nowIsOdd = odd === bases.at(-1)
  const betterTogether = fused !== null && fused.of > 1 && !nowIsOdd && fused.u < hypot(now.u, uRefit)
  // The odd one itself says nothing of other packs: those that agree do.
  const from =
    betterTogether || (nowIsOdd && fused !== null)
      ? { play: fused!.value + c * total(now.pack), u: fused!.u, nu: Infinity }
      : { play: now.play, u: now.u, nu: now.nu }
  // 3.4: while they do not agree, each of the others could be right as well.
  const doubts =
    odd || agreeing
      ? []
      : bases.slice(0, -1).map(({ base, u, nu, pack }) => {
          const spread_ = hypot(u, uRefit, spread(pack, now.pack))
          return { play: base + c * total(now.pack), u: spread_, nu: nu * (spread_ / u) ** 4 }
        })
  // Packs that were fitted before leave what they left, the newest reading of each; the odd one says nothing.
  const before = [...bases.slice(0, -1)]
    .reverse()
    .filter((base, i, all) => base !== odd && all.slice(0, i).every(other => other === odd || !same(other.pack, base.pack)))

  // 3.2
  const bound = (end: number) => total(now.pack) + (end - from.play) / c
  const ends = [bound(limits.lower), bound(limits.upper)].sort((a, b) => a - b)
  const window = ends[1]! < 0 ? null : { low: Math.max(0, ends[0]!), high: ends[1]! }
  const best = summed([from, { u: uRefit, nu: Infinity }])
  const U0 = expanded(best)
  const chanceOf = (play: number, { u, whole }: { readonly u: number; readonly whole: number }) =>
    below((limits.upper - play) / u, whole) - below((limits.lower - play) / u, whole)
  const middle = (limits.lower + limits.upper) / 2
  const wanted = { middle, 'tight': limits.lower + U0, 'loose': limits.upper - U0, 'as-found': fittings[0]!.play, own }[school]
  const keeps = chanceOf(wanted, best) >= 0.95
  const aim = Math.round(keeps ? wanted : middle)
  /** 3.2: at an end of the limits each pack is aimed at by its own U. */
  const aimOf = (known: { readonly u: number; readonly whole: number }) =>
    keeps && school === 'tight' ? limits.lower + expanded(known) : keeps && school === 'loose' ? limits.upper - expanded(known) : aim

  // 3.3
  const width = Math.max(1, U0 / 2)
  const inRange = (play: number) =>
    play >= limits.lower + (limits.lowerExcluded ? 1 : 0) && play <= limits.upper - (limits.upperExcluded ? 1 : 0)
  function proposal(pack: PaperPack): PaperProposal {
    const seen = before.find(one => same(one.pack, pack))
    const moved = step(now.pack, pack)
    const micrometer = moved.reduce((sum, { one, by }) => sum + (one.measured === null ? 0 : by), 0) * MICROMETER
    const terms = same(pack, now.pack)
      ? [now]
      : seen
        ? [seen, { u: uRefit, nu: Infinity }]
        : [from, { u: uRefit, nu: Infinity }, { u: spread(now.pack, pack), nu: Infinity }, { u: Math.abs(micrometer), nu: Infinity }]
    const play = same(pack, now.pack)
      ? Math.round(now.play)
      : seen
        ? Math.round(seen.play)
        : Math.round(from.play) + c * (total(pack) - total(now.pack))
    const rests: PaperProposal['rests'] = same(pack, now.pack)
      ? ['reading', ['repeatability']]
      : seen
        ? ['before', ['repeatability', 'refit']]
        : ['sum', ['repeatability', 'refit', 'pieces', ...(micrometer === 0 ? [] : ['micrometer'])]]
    const known = summed(terms)
    const sums = doubts.map(one =>
      chanceOf(
        Math.round(one.play) + c * (total(pack) - total(now.pack)),
        summed([one, { u: uRefit, nu: Infinity }, { u: spread(now.pack, pack), nu: Infinity }, { u: Math.abs(micrometer), nu: Infinity }]),
      ),
    )
    if (nowIsOdd && same(pack, now.pack)) sums.push(chanceOf(Math.round(from.play), summed([from, { u: uRefit, nu: Infinity }])))
    const chance = sums.length === 0 ? chanceOf(play, known) : Math.min(0.79, chanceOf(play, known), ...sums)
    const pieces = ids.reduce((sum, id) => sum + (pack[id] ?? 0), 0)
    const changes = moved.reduce((sum, { by }) => sum + Math.abs(by), 0)
    const strange = moved.reduce((sum, { one, by }) => sum + (one.measured === null ? Math.max(0, by) : 0), 0)
    const cls = 1 + [0.99, 0.95, 0.8, 0.5].filter(level => chance < level).length
    const variance = ids.reduce(
      (sum, id) =>
        sum + (pack[id] ?? 0) * Math.round(each(size(id)) ** 2 + (size(id).measured === null ? together(size(id)) : MICROMETER) ** 2),
      0,
    )
    const cost = ids.reduce((sum, id) => sum + (pack[id] ?? 0) * size(id).cost, 0)
    const distance = Math.abs(play - aimOf(known))
    return {
      pack,
      play,
      u: known.u,
      total: total(pack),
      pieces,
      strange,
      rests,
      chance,
      cls,
      key: [
        cls,
        Math.floor(distance / width),
        { trouble: 0, pieces, changes, cost }[rules.order],
        pieces + changes + strange,
        distance,
        variance,
        cost,
      ],
    }
  }
  // What may go in: what is there and nobody else’s, and what sits in it now.
  const free = (id: string) => {
    const one = size(id)
    const more = rules.onlyRemove || (rules.noUnmeasured && one.measured === null) ? 0 : Math.max(0, one.onHand - one.reserved)
    return more + (now.pack[id] ?? 0)
  }
  const packs = ids.reduce<PaperPack[]>(
    (all, id) => all.flatMap(pack => Array.from({ length: free(id) + 1 }, (_, count) => ({ ...pack, [id]: count }))),
    [{}],
  )
  const piecesOf = (pack: PaperPack) => ids.reduce((sum, id) => sum + (pack[id] ?? 0), 0)
  const all = packs
    .filter(
      pack => piecesOf(pack) >= rules.fewest && piecesOf(pack) <= rules.most && total(pack) <= rules.largestStack && !same(pack, now.pack),
    )
    .map(proposal)
  const order = (a: PaperProposal, b: PaperProposal) => {
    const at = a.key.findIndex((part, i) => part !== b.key[i])
    return at === -1 ? 0 : a.key[at]! - b.key[at]!
  }
  const fitting = all.filter(({ play }) => inRange(play)).sort(order)

  // 2.4 and 3.3 (0): leaving it stands first when the rule calls it In, plain with a chance of four in five.
  const stay = proposal(now.pack)
  const inside = chanceOf(now.play, summed([now]))
  const staysFirst =
    doubts.length > 0 || nowIsOdd
      ? false
      : rule === 'plain'
        ? inRange(now.play) && stay.chance >= 0.8
        : inside >= (rule === 'careful' ? 0.8 : 0.95)
  // Nothing reaches: for a trial, those nearest the upper limit on its loose side, as far as they are nearer than what is fitted.
  const byDistance = (one: PaperProposal): PaperProposal => {
    const distance = Math.abs(one.play - limits.upper)
    return { ...one, key: [1, Math.floor(distance / width), ...one.key.slice(2, 4), distance, ...one.key.slice(5)] }
  }
  const stayLoose = byDistance(stay)
  const loose = all
    .filter(({ play }) => play >= limits.upper)
    .map(byDistance)
    .filter(one => stay.play < limits.upper || order(one, stayLoose) < 0)
    .sort(order)
  // 2.4: by the value; or by which side is as sure as is asked.
  const verdict = (() => {
    const known = summed([now])
    const level = { plain: 0, careful: 0.8, guarded: 0.95 }[rule]
    const beyond = {
      below: below((limits.lower - now.play) / known.u, known.whole),
      above: below((now.play - limits.upper) / known.u, known.whole),
    }
    if (rule === 'plain') {
      if (now.play < limits.lower || (limits.lowerExcluded && now.play === limits.lower)) return 'below'
      return now.play > limits.upper || (limits.upperExcluded && now.play === limits.upper) ? 'above' : 'in'
    }
    return inside >= level ? 'in' : beyond.below >= level ? 'below' : beyond.above >= level ? 'above' : 'close'
  })()
  const state = bases.length === 1 ? 'one' : odd ? 'suspect' : agreeing ? 'agree' : 'disagree'
  const steps = bases.length === 2 ? total(bases[1]!.pack) - total(bases[0]!.pack) : 0
  const slope = state === 'disagree' && steps !== 0 ? (bases[1]!.play - bases[0]!.play) / steps / c : null
  return {
    window,
    aim,
    verdict,
    loose,
    fused,
    odd: odd && bases.indexOf(odd),
    state,
    slope,
    fitting,
    all,
    stay,
    staysFirst,
    inRange,
    order,
  }
}
