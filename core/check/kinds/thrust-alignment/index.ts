import { formatLength } from '../../../quantity/format-length'
import { thou } from '../../../quantity/length'
import { sumOf } from '../../../reading/sum'
import type { Finding } from '../../../reading/gates'
import type { Answers, CombinedResult, MeasuringPoint, ResultKind } from '../../contract'
import { defineKind } from '../../define-kind'
import { formResult, playFrom, playResult } from '../../common/results'
import { alignmentSteps } from './procedure'
import { FIELDS } from './setup'

const RESULTS: readonly ResultKind[] = [
  playResult('End play once aligned'),
  formResult('line', 'Halves were out of line by'),
  formResult('wander', 'Cap can wander, in all'),
]
const RESTS = ['crankshaft', 'thrust-bearing', 'block']
const POINTS: readonly MeasuringPoint[] = [
  { id: 'before', label: 'Play before aligning', at: {}, way: 'dial', result: 'play', moves: [], rests: RESTS },
  { id: 'after', label: 'Play after aligning', at: {}, way: 'dial', result: 'play', moves: [], rests: RESTS },
  {
    id: 'dowel',
    label: 'Locating dowel, diameter',
    at: {},
    way: 'micrometer',
    result: 'wander',
    moves: [],
    rests: ['block'],
    optional: true,
  },
  {
    id: 'hole',
    label: 'Its hole, diameter',
    at: {},
    way: 'inside-micrometer',
    result: 'wander',
    moves: [],
    rests: ['block'],
    optional: true,
  },
]

/**
 * Alignment of a thrust bearing: its halves in block and cap must lie in one plane before the end play means anything. The same
 * push before and after shows by how much they were out of line; a dowel slack in its hole locates nothing.
 */
export const thrustAlignment = defineKind({
  id: 'thrust-alignment',
  title: 'Thrust bearing alignment',
  about: 'Are the thrust halves in one plane? Play before and after, the right pushes in the right order.',
  under: 'engine',
  by: ['thrust halves', 'flanged shells', 'thrust washers', 'crank', 'out of line', 'binds when tightened', 'girdle'],
  plausible: thou(200),
  safety: null,
  closing: 'Before the bottom end is closed',
  fields: FIELDS,
  asked: { thrustEnd: setup => setup.construction === 'loose-half' },
  parts: () => [
    { id: 'crankshaft', label: 'Crankshaft' },
    { id: 'thrust-bearing', label: 'Thrust bearing' },
    { id: 'block', label: 'Block and caps' },
  ],
  results: () => RESULTS,
  points: () => POINTS,
  places: () => [],
  procedure: alignmentSteps,
  suspicions: () => [],
  combine: (_setup, answers) => [afterAligning(answers), outOfLine(answers), wander(answers)],
})

/** What the play gained by aligning, and what that is known to, nm; null while it was not read before and after. */
function gainOf(answers: Answers): { readonly value: number; readonly U: number; readonly shown: string } | null {
  const [before, after] = [answers.of('before').estimate, answers.of('after').estimate]
  if (!before || !after) return null
  // Both readings share the gauge: only what they do not share can hide a gain.
  const { value, U } = sumOf([
    { name: 'after', factor: 1, estimate: after },
    { name: 'before', factor: -1, estimate: before },
  ])
  const show = (play: number) => formatLength(play, answers.unit, { trim: true })
  return { value, U, shown: `${show(before.value)} before, ${formatLength(after.value, answers.unit, { unit: true, trim: true })} after` }
}

function afterAligning(answers: Answers): CombinedResult {
  const gain = gainOf(answers)
  const findings: Finding[] = []
  if (answers.of('after').findings.some(finding => finding.gate === 'spring-back'))
    findings.push({
      gate: 'hand',
      level: 'warn',
      words: 'Spring-back after aligning: the halves are not in line yet. Loosen the thrust cap and push again.',
    })
  if (gain) findings.push(gainFinding(gain, answers))
  return {
    ...playFrom('after', answers, 'mean of far − (start + back)/2, after aligning'),
    findings,
    ...(gain && gain.value < -gain.U ? { asksReason: 'there is less play than before aligning' } : {}),
  }
}

function gainFinding({ value, U, shown }: NonNullable<ReturnType<typeof gainOf>>, { unit }: Answers): Finding {
  if (value > U)
    return {
      gate: 'hand',
      level: 'note',
      words: `${shown}: the halves were out of line by about ${formatLength(value, unit, { unit: true, trim: true })}.`,
    }
  return value < -U
    ? {
        gate: 'hand',
        level: 'warn',
        words: `${shown}: less play than before. Something moved out of line: loosen and align again, with the same force.`,
      }
    : { gate: 'hand', level: 'note', words: `${shown}: no difference that can be told; the halves were in line.` }
}

function outOfLine(answers: Answers): CombinedResult {
  const [before, after] = [answers.of('before').estimate, answers.of('after').estimate]
  const estimate =
    before && after
      ? sumOf([
          { name: 'after', factor: 1, estimate: after },
          { name: 'before', factor: -1, estimate: before },
        ])
      : null
  return { kind: 'line', position: null, points: ['before', 'after'], formula: 'play after − play before', estimate }
}

/** Slack of the dowel in its hole: all of it, from one side to the other; half of it either way from the middle. */
function wander(answers: Answers): CombinedResult {
  const [dowel, hole, play] = [answers.of('dowel').estimate, answers.of('hole').estimate, answers.of('after').estimate]
  const estimate =
    dowel && hole
      ? sumOf([
          { name: 'hole', factor: 1, estimate: hole },
          { name: 'dowel', factor: -1, estimate: dowel },
        ])
      : null
  const findings: Finding[] =
    estimate && estimate.value > 0
      ? [
          {
            gate: 'hand',
            level: 'note',
            words: `The cap can wander ±${formatLength(estimate.value / 2, answers.unit, { unit: true, trim: true })} from the middle, ${formatLength(estimate.value, answers.unit, { unit: true, trim: true })} in all: ${play && estimate.value >= play.value ? 'more than the play itself, the dowel locates nothing.' : 'keep it in mind when the halves are lined up.'}`,
          },
        ]
      : []
  return { kind: 'wander', position: null, points: ['dowel', 'hole'], formula: 'hole − dowel', estimate, findings }
}
