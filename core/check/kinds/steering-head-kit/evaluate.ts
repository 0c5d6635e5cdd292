import { formatLength } from '../../../quantity/format-length'
import { mm } from '../../../quantity/length'
import type { Estimate } from '../../../reading/estimate'
import type { Finding } from '../../../reading/gates'
import { isRange } from '../../../reading/reading'
import { sumOf } from '../../../reading/sum'
import { fitLimits, type HoleClass, type ShaftClass } from '../../../verdict/iso-286'
import type { LimitSet } from '../../../verdict/limits'
import type { Answers, CombinedResult, Position } from '../../contract'
import { NAMES, SITES, washersAt, type HeadSetup } from './setup'

/** Parts in their bags are only looked at. */
export function genuine(answers: Answers): CombinedResult {
  const [bag, damage] = [answers.of('bag').word, answers.of('damage').word]
  const bad = bag === 'mixed' || damage === 'some'
  const overrule = bad
    ? ({ state: 'below', words: bag === 'mixed' ? 'a mix-up: find the right bag' : 'damaged: not to be pressed' } as const)
    : bag !== null && damage !== null
      ? ({ state: 'in', words: 'the right bag, nothing damaged' } as const)
      : undefined
  return {
    kind: 'right',
    position: null,
    estimate: null,
    points: ['bag', 'damage'],
    formula: 'by sight',
    ...(overrule ? { overrule } : {}),
  }
}

/** Off by more than any fit, it is another kit. */
const ANOTHER_KIT = mm(0.3)

const term = (name: string, factor: number, estimate: Estimate) => ({ name, factor, estimate })

/** Everything a kit comes to: fits, seals, stack and thread, and the last word. */
export function kitResults(setup: HeadSetup, answers: Answers): CombinedResult[] {
  const of = (point: string) => answers.of(point).estimate
  const washers = SITES.map(({ id }) => answers.fitted(washersAt(id)))
  const total = washers.every(fitted => fitted !== null) ? sumOf(washers.map((fitted, i) => term(SITES[i]!.label, 1, fitted!))) : null
  const [old, fresh, engaged, spare] = ['old-stack', 'new-stack', 'engaged', 'spare'].map(of)
  const stacks = old && fresh && total ? [term('kit', 1, fresh), term('old stack', -1, old), term('washers', 1, total)] : null
  const against = stacks?.map(({ factor, ...rest }) => ({ ...rest, factor: -factor }))
  const reach = spare && stacks ? sumOf([term('spare', 1, spare), ...stacks]) : null
  const thread = engaged && against ? sumOf([term('engaged', 1, engaged), ...against]) : null
  const used = ['old-stack', 'new-stack']
  return [
    ...SITES.flatMap((site, i) => [
      clearance(answers, site, washers[i] ?? null),
      fit('cone-fit', site, of(`cone-${site.id}`), of(`seat-${site.id}`), [`cone-${site.id}`, `seat-${site.id}`], 'cone bore − stem seat'),
      fit('cup-fit', site, of(`bore-${site.id}`), of(`cup-${site.id}`), [`bore-${site.id}`, `cup-${site.id}`], 'head bore − cup'),
    ]),
    {
      kind: 'thread',
      position: null,
      estimate: thread,
      was: engaged,
      points: ['engaged', ...used],
      formula: 'engaged before − (kit + washers − old stack)',
      findings: [...unlisted(total), ...inTurns(setup, thread, 'engaged')],
    },
    {
      kind: 'reach',
      position: null,
      estimate: reach,
      was: spare,
      ...(reach && reach.value <= 0
        ? { overrule: { state: 'below', words: 'the nut comes to the end of its thread before it clamps' } as const }
        : {}),
      points: ['spare', ...used],
      formula: 'could come down before + kit + washers − old stack',
      findings: [...unlisted(total), ...inTurns(setup, reach, 'left for the nut')],
    },
    movement(answers),
  ]

  function fit(
    kind: string,
    { id }: Position,
    hole: Estimate | null,
    shaft: Estimate | null,
    points: readonly string[],
    formula: string,
  ): CombinedResult {
    const estimate = hole && shaft ? sumOf([term('hole', 1, hole), term('shaft', -1, shaft)]) : null
    const cup = kind === 'cup-fit'
    // A cup that is not held turns in the head; a fit that is known says how loose it may be.
    const turns = estimate && cup && setup.cupFit === 'none' && estimate.value - estimate.U > 0 && estimate.value < ANOTHER_KIT
    return {
      kind,
      position: id,
      estimate,
      points,
      formula,
      findings: estimate ? fitFindings(setup, answers, estimate, cup) : [],
      ...(turns ? { overrule: { state: 'above', words: 'a clearance: the cup turns on its seat' } as const } : {}),
    }
  }
}

const unlisted = (total: Estimate | null): Finding[] =>
  total ? [] : [{ gate: 'hand', level: 'note', words: 'What is in as washers is not known at both places: it stands in the stack.' }]

/** Washers less the gap: over nothing, or the seal carries the nut; and what a hand found when the stack was squeezed beats it. */
function clearance(answers: Answers, { id }: Position, fitted: Estimate | null): CombinedResult {
  const { estimate: gap, atMost: none } = answers.of(`gap-${id}`)
  const squeezed = `squeezed-${id}`
  const word = answers.stale(squeezed) === null ? answers.of(squeezed).word : null
  const estimate = gap && fitted ? sumOf([term('washers', 1, fitted), term('gap', -1, gap)]) : null
  const carried = estimate && fitted!.value === 0 && gap!.value > 0
  return {
    kind: 'clearance',
    position: id,
    estimate,
    // What washers do to the gap is a sum: only the stack squeezed by hand proves it.
    points: [`gap-${id}`, squeezed],
    ...(none || (fitted !== null && fitted.value > 0) ? {} : { notYet: [squeezed] }),
    formula: 'washers − gap at the clamped face',
    findings: [
      ...(gap && !fitted ? unlisted(null) : []),
      ...squareness(answers, id),
      ...(carried
        ? [
            {
              gate: 'hand',
              level: 'warn',
              words: `A gap of ${formatLength(gap!.value, answers.unit, { unit: true })}: the seal carries the nut. Torque would press it on the cage; it does not give in time.`,
            } as const,
          ]
        : []),
      ...(none && word === null
        ? [
            {
              gate: 'hand',
              level: 'note',
              words: 'No gap: metal to metal, no figure. Squeeze the stack by hand: the bearing tells whether the seal stands free.',
            } as const,
          ]
        : []),
    ],
    ...(word === 'rubs'
      ? { overrule: { state: 'below', words: 'the cage rubs with the seal pressed down' } as const }
      : none && word === 'free'
        ? { overrule: { state: 'in', words: 'metal to metal without a gap, and the seal stands free' } as const }
        : {}),
  }
}

/** Read at several places round, the largest and the smallest gap say whether the seal lies square: what goes at one must go at the other. */
function squareness(answers: Answers, id: string): Finding[] {
  const places = answers.log(`gap-${id}`).filter(isRange)
  if (places.length < 2 || answers.stale(`gap-${id}`) !== null) return []
  const show = (length: number) => formatLength(length, answers.unit)
  const goes = Math.max(...places.map(({ low }) => low))
  const doesNot = Math.min(...places.map(({ high }) => high))
  const unit = formatLength(goes - doesNot, answers.unit, { unit: true })
  return goes > doesNot
    ? [
        {
          gate: 'hand',
          level: 'warn',
          words: `Round it the gap is ${show(doesNot)} here and ${show(goes)} there, ${unit} apart: the seal does not lie square.`,
        },
      ]
    : [{ gate: 'hand', level: 'note', words: `Read at ${places.length} places: the seal lies square, as far as feelers tell.` }]
}

/** A way along a thread in turns of it. */
function inTurns({ pitch }: HeadSetup, way: Estimate | null, words: string): Finding[] {
  if (pitch === null || !way) return []
  const turns = (length: number) => (length / pitch).toFixed(1)
  return [{ gate: 'hand', level: 'note', words: `${turns(way.value)} ± ${turns(way.U)} turns ${words}.` }]
}

/** One word for a fit, with what it is known to. */
function fitFindings({ by, at }: HeadSetup, { unit }: Answers, { value, U }: Estimate, cup: boolean): Finding[] {
  const show = (length: number) => formatLength(Math.abs(length), unit, { unit: true })
  const say = (level: Finding['level'], words: string): Finding[] => [{ gate: 'size', level, words }]
  const { stem, head } = NAMES[at]
  if (Math.abs(value) >= ANOTHER_KIT) {
    const off = cup
      ? value < 0
        ? `The cup is ${show(value)} larger than the bore of the ${head}: it cannot go in`
        : `The cup is ${show(value)} smaller than the bore of the ${head}: it falls in`
      : value < 0
        ? `The cone’s bore is ${show(value)} smaller than the ${stem}: it cannot go on`
        : `The cone’s bore is ${show(value)} larger than the ${stem}: it is loose on it`
    return say('fail', `${off}. More than any fit: is it another kit?`)
  }
  if (Math.abs(value) < U)
    return by === 'calipers'
      ? say('fail', 'Calipers cannot tell a clearance from a press here: micrometer, please.')
      : say('note', 'A clearance or a press: nearer to none than can be told.')
  const word = value < 0 ? 'A press' : 'A clearance'
  const turns = value > 0 ? `: the ${cup ? 'cup' : 'cone'} turns on its seat` : ''
  return say('note', `${word} of ${formatLength(Math.abs(value), unit)} ± ${show(U)}${turns}.`)
}

/** The last word: tightened, from lock to lock. It comes after the stack was squeezed by hand. */
function movement(answers: Answers): CombinedResult {
  const { word } = answers.of('turned')
  const squeezed = SITES.every(({ id }) => answers.of(`squeezed-${id}`).word !== null && answers.after('turned', `squeezed-${id}`))
  const state = word === null || answers.stale('turned') !== null ? null : word === 'rubs' ? 'below' : squeezed ? 'in' : null
  return {
    kind: 'movement',
    position: null,
    estimate: null,
    points: ['turned', ...SITES.map(({ id }) => `squeezed-${id}`)],
    formula: 'by hand',
    findings:
      word === 'free' && !squeezed
        ? [{ gate: 'hand', level: 'note', words: 'First squeezed by hand, then tightened: say it in that order.' }]
        : [],
    ...(state ? { overrule: { state, words: state === 'in' ? 'full movement, no notch, no rub' : 'a notch, or it rubs' } } : {}),
  }
}

/** The nut has to hold, and to clamp before its thread ends; the seal has to stand off the cage. */
export function headDemands({ nut }: HeadSetup, result: string): LimitSet | null {
  const some = { kind: 'lower', lower: mm(0), lowerExcluded: true, unit: 'mm' } as const
  switch (result) {
    case 'thread':
      return nut === null
        ? { ...some, source: { kind: 'common-practice', text: 'some thread in the nut' } }
        : { kind: 'lower', lower: nut, unit: 'mm', source: { kind: 'common-practice', text: 'the thread the nut asks for' } }
    case 'reach':
      return { ...some, source: { kind: 'common-practice', text: 'it clamps before the thread ends' } }
    case 'clearance':
      return { ...some, source: { kind: 'common-practice', text: 'the seal stands off the cage' } }
    default:
      return null
  }
}

/** Limits of a fit by its ISO 286 class, at the size that was measured there: upper and lower can lie in different steps. */
export function fitByClass(setup: HeadSetup, answers: Answers, result: string, position: string | null): LimitSet | null {
  const of = result === 'cone-fit' ? setup.coneFit : result === 'cup-fit' ? setup.cupFit : 'none'
  if (of === 'none') return null
  const [hole, shaft] = of.split('/') as [HoleClass, ShaftClass]
  const point = result === 'cone-fit' ? 'seat' : 'cup'
  const size = position === null ? null : answers.of(`${point}-${position}`).estimate
  const limits = size && fitLimits(Math.round(size.value / 1e6) * 1e6, hole, shaft)
  return limits
    ? {
        kind: 'two-sided',
        lower: limits.least,
        upper: limits.most,
        unit: 'mm',
        source: { kind: 'common-practice', text: `ISO 286 ${of} at ${Math.round(size.value / 1e6)} mm` },
      }
    : null
}
