import { formatLength } from '../../quantity/format-length'
import { mm, thou } from '../../quantity/length'
import type { Estimate } from '../../reading/estimate'
import type { Finding } from '../../reading/gates'
import { sumOf } from '../../reading/sum'
import { fitLimits, type HoleClass, type ShaftClass } from '../../verdict/iso-286'
import type { LimitSet } from '../../verdict/limits'
import { FIT_WORDS } from '../../verdict/words'
import type { Answers, CombinedResult, MeasuringPoint, PackPlace, Position } from '../contract'
import { defineKind } from '../define-kind'
import { clearanceResult, sizeResult } from '../results'
import { choice, length, type SetupOf } from '../setup'
import { HEAD_REMINDERS, headSteps, headSuspicions } from './procedure'

/** Fits that cones and cups are made to. */
const FITS = [
  'H7/g6',
  'H7/h6',
  'H7/k6',
  'H7/m6',
  'H7/n6',
  'K7/h6',
  'M7/h6',
  'N7/h6',
] as const satisfies readonly `${HoleClass}/${ShaftClass}`[]
const fitChoice = (label: string, hint: string) =>
  choice({
    label,
    hint,
    free: true,
    options: [{ value: 'none', label: 'Not known' }, ...FITS.map(value => ({ value, label: value }))] as const,
    initial: 'none',
  })

export const FIELDS = {
  origin: choice({
    label: 'Parts',
    options: [
      { value: 'kit', label: 'Another maker’s kit', hint: 'listed for it is no measurement' },
      { value: 'genuine', label: 'Genuine, in their bags' },
    ],
    initial: 'kit',
  }),
  by: choice({
    label: 'Sizes by',
    options: [
      { value: 'micrometer', label: 'Micrometers' },
      { value: 'calipers', label: 'Calipers', hint: 'a rough fit only' },
    ],
    initial: 'micrometer',
  }),
  coneFit: fitChoice('Cone on the stem, ISO 286', 'cone bore / stem'),
  cupFit: fitChoice('Cup in the head, ISO 286', 'head bore / cup'),
  stem: length({ label: 'Stem, diameter where a washer goes', hint: 'a washer’s inside must clear it', least: thou(10), optional: true }),
  pocket: length({
    label: 'Seal pocket, diameter',
    hint: 'a washer’s outside stays within it, on the inner ring only',
    least: thou(10),
    optional: true,
  }),
}
export type HeadSetup = SetupOf<typeof FIELDS>

const SITES: readonly Position[] = [
  { id: 'upper', label: 'Upper' },
  { id: 'lower', label: 'Lower' },
]
const washersAt = (site: string) => `washers-${site}`
/** Off by more than any fit, it is another kit. */
const ANOTHER_KIT = mm(0.3)

/**
 * A steering head’s bearing kit, before anything is pressed: does it fit its seats, does its seal clear the cage when the stack is
 * clamped, and does the nut still hold? One washer moves three figures: the seal’s clearance and the nut’s way down with it, the
 * thread engaged against it.
 */
export const steeringHeadKit = defineKind({
  id: 'steering-head-kit',
  title: 'Steering head bearing kit',
  about: 'Does the kit fit its seats, does its seal clear the cage, does the nut still hold: before anything is pressed.',
  plausible: thou(400),
  safety:
    'Steering that binds or comes loose can kill. The maker’s manual comes first; where law, insurer or type approval asks for a licensed mechanic or an inspection, this check does not replace it.',
  closing: 'Before the cups are pressed',
  fields: FIELDS,
  asked: {
    by: ({ origin }) => origin === 'kit',
    coneFit: ({ origin }) => origin === 'kit',
    cupFit: ({ origin }) => origin === 'kit',
    stem: ({ origin }) => origin === 'kit',
    pocket: ({ origin }) => origin === 'kit',
  },
  parts: () => [
    { id: 'kit', label: 'Bearing kit' },
    { id: 'seal', label: 'Dust seals' },
    { id: 'stem', label: 'Stem and fork crown' },
    { id: 'head', label: 'Steering head' },
  ],
  results: ({ origin }) =>
    origin === 'genuine'
      ? [sizeResult('right', 'The right parts', { scale: 'play', main: true, told: true })]
      : [
          clearanceResult('clearance', 'Seal to cage', { positions: SITES }),
          sizeResult('cone-fit', 'Cone on stem', { scale: 'play', main: true, ends: FIT_WORDS, positions: SITES }),
          sizeResult('cup-fit', 'Cup in head', { scale: 'play', main: true, ends: FIT_WORDS, positions: SITES }),
          sizeResult('thread', 'Thread engaged', { scale: 'play', main: true }),
          clearanceResult('reach', 'Nut can still come down'),
          sizeResult('movement', 'Full movement, tightened', { scale: 'play', main: true, told: true }),
        ],
  points: setup => (setup.origin === 'genuine' ? GENUINE_POINTS : kitPoints(setup)),
  places: setup => (setup.origin === 'genuine' ? [] : SITES.map(site => washerPlace(setup, site))),
  procedure: headSteps,
  reminders: () => HEAD_REMINDERS,
  suspicions: headSuspicions,
  combine: (setup, answers) => (setup.origin === 'genuine' ? [genuine(answers)] : kitResults(setup, answers)),
  thumb: fitByClass,
})

const GENUINE_POINTS: readonly MeasuringPoint[] = [
  {
    id: 'bag',
    label: 'The right bag, nothing mixed up',
    at: {},
    way: 'word',
    result: 'right',
    moves: [],
    rests: ['kit'],
    words: [
      { value: 'right', label: 'right' },
      { value: 'mixed', label: 'mixed up' },
    ],
  },
  {
    id: 'damage',
    label: 'Damage',
    at: {},
    way: 'word',
    result: 'right',
    moves: [],
    rests: ['kit'],
    words: [
      { value: 'none', label: 'none' },
      { value: 'some', label: 'some' },
    ],
  },
]

function kitPoints({ by }: HeadSetup): MeasuringPoint[] {
  const sizes = SITES.flatMap(({ id, label }): MeasuringPoint[] => {
    const size = (
      point: string,
      words: string,
      what: string,
      inside: boolean,
      result: string,
      rests: readonly string[],
    ): MeasuringPoint => ({
      id: `${point}-${id}`,
      label: `${label}: ${words}`,
      at: { part: 'sizes', position: label, what },
      way: by === 'calipers' ? 'calipers' : inside ? 'inside-micrometer' : 'micrometer',
      result,
      moves: [],
      rests,
      alone: true,
    })
    return [
      size('seat', 'stem seat, outside', 'stem', false, 'cone-fit', ['stem']),
      size('cone', 'cone bore, inside', 'cone', true, 'cone-fit', ['kit']),
      size('bore', 'head bore, inside', 'head', true, 'cup-fit', ['head']),
      size('cup', 'cup, outside', 'cup', false, 'cup-fit', ['kit']),
    ]
  })
  const stack = (id: string, label: string, rests: readonly string[]): MeasuringPoint => ({
    id,
    label,
    at: { part: 'stack', position: label },
    way: 'calipers',
    result: 'thread',
    moves: [],
    rests,
    alone: true,
  })
  return [
    ...sizes,
    stack('old-stack', 'Old stack, cone to cone with all that is clamped', ['stem']),
    stack('new-stack', 'Kit stacked dry, the same, without washers', ['kit', 'seal']),
    stack('engaged', 'Thread engaged with the old stack', ['stem']),
    stack('spare', 'Nut could come down further with the old stack', ['stem']),
    ...SITES.flatMap(({ id, label }): MeasuringPoint[] => [
      {
        id: `gap-${id}`,
        label: `${label}: gap at the clamped face, seal just touching the cage, no washer`,
        at: { part: 'seal', position: label, what: 'gap' },
        way: 'feeler',
        result: 'clearance',
        moves: [],
        rests: ['kit', 'seal', 'stem'],
        counting: 'mean',
      },
      {
        id: `squeezed-${id}`,
        label: `${label}: stack squeezed by hand, the bearing`,
        at: { part: 'seal', position: label, what: 'squeezed' },
        way: 'word',
        result: 'clearance',
        moves: [washersAt(id)],
        rests: ['kit', 'seal', 'stem'],
        words: [
          { value: 'free', label: 'free' },
          { value: 'rubs', label: 'cage rubs' },
        ],
      },
    ]),
    {
      id: 'turned',
      label: 'Tightened to torque: full movement',
      at: { part: 'proof', position: 'Both' },
      way: 'word',
      result: 'movement',
      moves: SITES.map(({ id }) => washersAt(id)),
      rests: ['kit', 'seal', 'stem', 'head'],
      words: [
        { value: 'free', label: 'no notch, no rub' },
        { value: 'rubs', label: 'notch, or rubs' },
      ],
    },
  ]
}

const washerPlace = ({ stem, pocket }: HeadSetup, { id, label }: Position): PackPlace => ({
  id: washersAt(id),
  label: `${label}: washers on the inner ring`,
  result: `clearance@${id}`,
  response: { perPiece: 1, pair: false },
  also: [
    { result: 'thread', perPiece: -1 },
    { result: 'reach', perPiece: 1 },
  ],
  washers: { over: stem, within: pocket },
  startsEmpty: true,
  between: ['inner ring', 'seal'],
  capacity: { fewest: 0, most: 3 },
  lappable: true,
})

function genuine(answers: Answers): CombinedResult {
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

const term = (name: string, factor: number, estimate: Estimate) => ({ name, factor, estimate })

function kitResults(setup: HeadSetup, answers: Answers): CombinedResult[] {
  const of = (point: string) => answers.of(point).estimate
  const washers = SITES.map(({ id }) => answers.fitted(washersAt(id)))
  const total = washers.every(fitted => fitted !== null) ? sumOf(washers.map((fitted, i) => term(SITES[i]!.label, 1, fitted!))) : null
  const [old, fresh, engaged, spare] = ['old-stack', 'new-stack', 'engaged', 'spare'].map(of)
  const stacks = old && fresh && total ? [term('kit', 1, fresh), term('old stack', -1, old), term('washers', 1, total)] : null
  const against = stacks?.map(({ factor, ...rest }) => ({ ...rest, factor: -factor }))
  const reach = spare && stacks ? sumOf([term('spare', 1, spare), ...stacks]) : null
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
      estimate: engaged && against ? sumOf([term('engaged', 1, engaged), ...against]) : null,
      points: ['engaged', ...used],
      formula: 'engaged before − (kit + washers − old stack)',
      findings: unlisted(total),
    },
    {
      kind: 'reach',
      position: null,
      estimate: reach,
      ...(reach && reach.value <= 0
        ? { overrule: { state: 'below', words: 'the nut comes to the end of its thread before it clamps' } as const }
        : {}),
      points: ['spare', ...used],
      formula: 'could come down before + kit + washers − old stack',
      findings: unlisted(total),
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
    return { kind, position: id, estimate, points, formula, findings: estimate ? fitFindings(setup, answers, estimate) : [] }
  }
}

const unlisted = (total: Estimate | null): Finding[] =>
  total ? [] : [{ gate: 'hand', level: 'note', words: 'What is in as washers is not known at both places: it stands in the stack.' }]

/** Washers less the gap: over nothing, or the seal carries the nut; and what a hand found when the stack was squeezed beats it. */
function clearance(answers: Answers, { id }: Position, fitted: Estimate | null): CombinedResult {
  const gap = answers.of(`gap-${id}`).estimate
  const squeezed = `squeezed-${id}`
  const rubs = answers.of(squeezed).word === 'rubs' && answers.stale(squeezed) === null
  const estimate = gap && fitted ? sumOf([term('washers', 1, fitted), term('gap', -1, gap)]) : null
  const carried = estimate && fitted!.value === 0 && gap!.value > 0
  return {
    kind: 'clearance',
    position: id,
    estimate,
    points: [`gap-${id}`, squeezed],
    formula: 'washers − gap at the clamped face',
    findings: [
      ...(gap && !fitted ? unlisted(null) : []),
      ...(carried
        ? [
            {
              gate: 'hand',
              level: 'warn',
              words: `A gap of ${formatLength(gap!.value, answers.unit, { unit: true })}: the seal carries the nut. Torque would press it on the cage; it does not give in time.`,
            } as const,
          ]
        : []),
    ],
    ...(rubs ? { overrule: { state: 'below', words: 'the cage rubs with the seal pressed down' } as const } : {}),
  }
}

/** One word for a fit, with what it is known to. */
function fitFindings({ by }: HeadSetup, { unit }: Answers, { value, U }: Estimate): Finding[] {
  const show = (length: number) => formatLength(Math.abs(length), unit, { unit: true })
  if (Math.abs(value) >= ANOTHER_KIT)
    return [
      {
        gate: 'size',
        level: 'fail',
        words: `${show(value)} ${value < 0 ? 'too small, it cannot go on' : 'too large'}: more than any fit. Is it another kit?`,
      },
    ]
  if (by === 'calipers' && Math.abs(value) < U)
    return [{ gate: 'size', level: 'fail', words: 'Calipers cannot tell a clearance from a press here: micrometer, please.' }]
  if (Math.abs(value) < U) return [{ gate: 'hand', level: 'note', words: 'A clearance or a press: nearer to none than can be told.' }]
  return [
    {
      gate: 'hand',
      level: 'note',
      words: `${value > 0 ? 'A clearance' : 'A press'} of ${formatLength(Math.abs(value), unit)} ± ${show(U)}.`,
    },
  ]
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

/** Limits of a fit by its ISO 286 class, at the size that was measured. */
function fitByClass(setup: HeadSetup, answers: Answers, result: string): LimitSet | null {
  const of = result === 'cone-fit' ? setup.coneFit : result === 'cup-fit' ? setup.cupFit : 'none'
  if (of === 'none') return null
  const [hole, shaft] = of.split('/') as [HoleClass, ShaftClass]
  const point = result === 'cone-fit' ? 'seat' : 'cup'
  const size = SITES.flatMap(({ id }) => answers.of(`${point}-${id}`).estimate ?? [])[0]
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
