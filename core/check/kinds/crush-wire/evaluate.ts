import { formatLength } from '../../../quantity/format-length'
import type { BudgetLine } from '../../../reading/budget'
import { meanOf, sumOf } from '../../../reading/sum'
import { stated, type Estimate } from '../../../reading/estimate'
import type { Finding } from '../../../reading/gates'
import { mean, standardDeviation } from '../../../reading/statistics'
import type { Answers, CombinedResult, NextStep, Position } from '../../contract'
import { preloadOf } from '../../common/preload'
import { stackFindings } from '../../common/stack-sum'
import { ALONG, bearingsOf, packAt, PIECES, proves, runsOf, wireAt, type CrushSetup } from './setup'

/** One run: what its two pieces were squashed to. */
export interface Run {
  readonly run: string
  readonly pieces: readonly { readonly piece: string; readonly estimate: Estimate; readonly taper: number }[]
  readonly estimate: Estimate
}

/** Every run that was read whole; none of them is left out because it disagrees. */
export const wholeRuns = (setup: CrushSetup, bearing: string, answers: Answers): Run[] =>
  runsOf(setup).flatMap((run): Run[] => {
    const pieces = PIECES.flatMap(piece => {
      const read = ALONG.flatMap(along => answers.of(wireAt(bearing, run, piece, along)).estimate ?? [])
      const values = read.map(({ value }) => value)
      return read.length === ALONG.length
        ? [
            {
              piece,
              estimate: meanOf(read.map((estimate, i) => ({ name: `${piece} ${i + 1}`, estimate }))),
              taper: Math.max(...values) - Math.min(...values),
            },
          ]
        : []
    })
    return pieces.length === PIECES.length
      ? [{ run, pieces, estimate: meanOf(pieces.map(({ piece, estimate }) => ({ name: `run ${run}, ${piece}`, estimate }))) }]
      : []
  })

/** How a run repeats while fewer than three tell: half a thou. Own figure, nm. */
const REPEATS = 12_700

/** The gap as the wire fills it: the mean of all runs, with their scatter. */
export function crushedOf(setup: CrushSetup, bearing: string, answers: Answers): Estimate | null {
  const runs = wholeRuns(setup, bearing, answers)
  if (runs.length === 0) return null
  const values = runs.map(({ estimate }) => estimate.value)
  // Two that lie apart say more of how a run repeats than what is assumed of any.
  const apart = runs.length === 2 ? Math.abs(values[0]! - values[1]!) / Math.SQRT2 : 0
  const scatter: BudgetLine =
    runs.length >= 3
      ? {
          source: 'repeatability',
          words: `Scatter of ${runs.length} runs, s/√${runs.length}`,
          u: standardDeviation(values) / Math.sqrt(runs.length),
          nu: runs.length - 1,
          shared: false,
        }
      : {
          source: 'repeatability',
          words:
            apart > REPEATS
              ? 'How two runs repeat: their difference, /√2 and /√2 again'
              : `How a run repeats, ${runs.length > 1 ? `/√${runs.length}, ` : ''}own figure: assumed`,
          u: Math.max(REPEATS, apart) / Math.sqrt(runs.length),
          nu: Infinity,
          shared: false,
          assumed: true,
        }
  const shared = meanOf(runs.map(({ run, estimate }) => ({ name: `run ${run}`, estimate }))).lines.filter(line => line.shared)
  return stated(mean(values), [scatter, ...shared], runs.length)
}

/** Common practice: less than a tenth squashed it may not have been squashed all round; over two thirds it holds the case apart. */
const [HARDLY, TOO_MUCH] = [0.1, 2 / 3]
/** Within a piece; between the pieces of a run; from run to run. Half a thou, a thou, a thou. Own figures, nm. */
const [TAPER, APART, AGREE] = [12_700, 25_400, 25_400]

function findingsOf(setup: CrushSetup, { id, label }: Position, crushed: Estimate | null, answers: Answers): Finding[] {
  const show = (value: number) => formatLength(value, answers.unit, { unit: true })
  const runs = wholeRuns(setup, id, answers)
  const said = (level: Finding['level'], words: string): Finding => ({ gate: 'spread', level, words })
  const values = runs.map(({ estimate }) => estimate.value)
  const spread = values.length < 2 ? 0 : Math.max(...values) - Math.min(...values)
  return [
    ...squashed(),
    ...runs.flatMap(({ run, pieces }) => [
      ...pieces.flatMap(({ piece, taper }) =>
        taper > TAPER
          ? [said('warn', `Run ${run}, piece ${piece} tapers by ${show(taper)}: it lay on letters, or the race is cocked.`)]
          : [],
      ),
      ...(Math.abs(pieces[0]!.estimate.value - pieces[1]!.estimate.value) > APART
        ? [
            said(
              'warn',
              `Run ${run}: the two pieces differ by ${show(Math.abs(pieces[0]!.estimate.value - pieces[1]!.estimate.value))}: the race sits askew, or the case closed unevenly.`,
            ),
          ]
        : []),
    ]),
    ...(spread > AGREE
      ? [
          said(
            'warn',
            `${label}: the runs lie ${show(spread)} apart. All of them count: run again until they agree, or void one you know the cause of.`,
          ),
        ]
      : []),
    ...(runs.length > 0 && runs.length < 3
      ? [{ gate: 'few-readings', level: 'note', words: 'Three runs tell how it repeats; until then that is assumed.' } satisfies Finding]
      : []),
    ...(setup.by === 'calipers' && runs.length > 0
      ? [said('warn', 'Calipers are too coarse for a wire: two of their steps are half a preload band. Take a micrometer.')]
      : []),
  ]

  function squashed(): Finding[] {
    if (!crushed || setup.wire === null) return []
    const part = 1 - crushed.value / setup.wire
    const share = `${Math.round(part * 100)} %`
    if (part <= 0)
      return [said('fail', `As thick as the wire, ${show(setup.wire)}: it was not squashed. The gap is larger: take a thicker wire.`)]
    if (part < HARDLY)
      return [said('warn', `Squashed by ${share} only: perhaps not all round. Take a wire of about ${show(crushed.value * 1.5)}.`)]
    if (part > TOO_MUCH)
      return [
        said(
          'warn',
          `Squashed by ${share}, over two thirds: it holds the case apart. Take a thinner wire, of about ${show(crushed.value * 1.5)}.`,
        ),
      ]
    return []
  }
}

/** Each bearing: the gap by wire, what the shim that is in leaves of it, and what it takes to turn. */
export const combineCrush = (setup: CrushSetup, answers: Answers): CombinedResult[] =>
  bearingsOf(setup).flatMap((bearing): CombinedResult[] => {
    const { id } = bearing
    const crushed = crushedOf(setup, id, answers)
    const points = runsOf(setup).flatMap(run => PIECES.flatMap(piece => ALONG.map(along => wireAt(id, run, piece, along))))
    const findings = findingsOf(setup, bearing, crushed, answers)
    const preload = setup.ends === 'preload'
    const left = leftOf(setup, id, crushed, answers)
    return [
      {
        kind: preload ? 'preload' : 'play',
        position: id,
        ...left,
        points: [...points, `stack-${packAt(id)}`, ...(preload ? [] : [`dial-${id}`])],
        findings: [...findings, ...emptyWords(id, crushed, answers), ...stackFindings(answers, packAt(id))],
        formula: preload ? 'shim − crushed wire' : 'crushed wire − shim; by dial where it was read',
      },
      {
        kind: 'crushed',
        position: id,
        estimate: crushed,
        points,
        findings,
        formula: 'mean of all runs, each of two pieces read three times',
      },
      ...(proves(setup) ? [{ kind: 'turning', position: id, ...preloadOf(torqueOf(setup), answers, id) }] : []),
    ]
  })

export const torqueOf = ({ proof, radius, sealDrag }: CrushSetup) =>
  ({ way: proof === 'scale' ? 'scale' : 'gauge', radius, sealDrag }) as const

function leftOf(
  setup: CrushSetup,
  bearing: string,
  crushed: Estimate | null,
  answers: Answers,
): Pick<CombinedResult, 'estimate' | 'reckoned'> {
  const dial = setup.ends === 'play' ? answers.of(`dial-${bearing}`).estimate : null
  if (dial && answers.stale(`dial-${bearing}`) === null) return { estimate: dial }
  const shim = answers.of(`stack-${packAt(bearing)}`).estimate ?? answers.fitted(packAt(bearing))
  if (!crushed || !shim) return { estimate: null }
  const sign = setup.ends === 'preload' ? 1 : -1
  const estimate = sumOf([
    { name: 'shim', factor: sign, estimate: shim },
    { name: 'wire', factor: -sign, estimate: crushed },
  ])
  return { estimate, reckoned: true }
}

const emptyWords = (bearing: string, crushed: Estimate | null, answers: Answers): Finding[] =>
  crushed && answers.fitted(packAt(bearing))?.value === 0
    ? [{ gate: 'hand', level: 'note', words: 'No shim is in yet: the wire alone filled the gap.' }]
    : []

/** While only the wire is known, the shim is what is due. */
export function shimFirst(setup: CrushSetup, answers: Answers): NextStep | null {
  const due = bearingsOf(setup).find(({ id }) => crushedOf(setup, id, answers) !== null && answers.fitted(packAt(id))?.value === 0)
  return due
    ? { phase: 'choose', words: `${due.label}: the shim by the wire, then it is closed and proved.`, point: null, standing: null }
    : null
}
