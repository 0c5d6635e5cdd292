import type { MeasureUnit } from '../../quantity/measure'
import { PLAY_WORDS, PRELOAD_WORDS, SIZE_WORDS } from '../../verdict/words'
import type { Unit } from '../../quantity/figure'
import { unitFor } from '../../quantity/format-length'
import type { UnitSystem } from '../../quantity/length'
import { resultId, type CombinedResult, type Answers, type ResultKind } from '../contract'

/** A length that is one figure, told as a play, and can be any. */
const LENGTH = {
  quantity: 'length',
  scale: 'play',
  floored: false,
  belowZero: 'meaning',
  positions: [],
} as const satisfies Partial<ResultKind>

/** A play between two stops, the one figure of a check. */
export const playResult = (label: string): ResultKind => ({
  ...LENGTH,
  id: 'play',
  label,
  ends: PLAY_WORDS,
  cannotBind: 'above',
  main: true,
  floored: true,
  belowZero: 'never-zero',
})

/** The room between two parts: never zero. */
export const clearanceResult = (id: string, label: string, more: Partial<ResultKind> = {}): ResultKind => ({
  ...LENGTH,
  id,
  label,
  ends: PLAY_WORDS,
  cannotBind: 'above',
  main: true,
  belowZero: 'never-zero',
  ...more,
})

/** How far something is from round, flat, in line: it can only be too much, and the check is done without it. */
export const formResult = (id: string, label: string, more: Partial<ResultKind> = {}): ResultKind => ({
  ...LENGTH,
  belowZero: 'impossible',
  id,
  label,
  ends: SIZE_WORDS,
  cannotBind: 'below',
  main: false,
  ...more,
})

/** A whole size, or how far two things are apart: below zero it says which lies over the other. */
export const sizeResult = (id: string, label: string, more: Partial<ResultKind> = {}): ResultKind => ({
  ...LENGTH,
  id,
  label,
  scale: 'size',
  ends: SIZE_WORDS,
  cannotBind: 'above',
  main: false,
  ...more,
})

/** The torque that keeps something turning under preload: there must be some. */
export const turningResult = (id: string, label: string, unit: MeasureUnit<'torque'>, more: Partial<ResultKind> = {}): ResultKind => ({
  id,
  label,
  quantity: 'torque',
  unit,
  scale: 'play',
  ends: PRELOAD_WORDS,
  cannotBind: 'below',
  main: true,
  floored: false,
  belowZero: 'never-zero',
  positions: [],
  ...more,
})

/** How warm something runs: it can only be too much, and the check is done without it. */
export const warmthResult = (id: string, label: string): ResultKind => ({
  ...LENGTH,
  id,
  label,
  quantity: 'temperature',
  unit: '°C',
  ends: SIZE_WORDS,
  cannotBind: 'below',
  main: false,
  beside: true,
})

/** What a result is shown in: its own unit, or a length’s in the system that is looked at. */
export const unitOfResult = ({ unit, scale }: Pick<ResultKind, 'unit' | 'scale'>, system: UnitSystem): Unit =>
  unit ?? unitFor(system, scale)

/** The play is what its one point says. */
export function playFrom(point: string, answers: Answers, formula: string): CombinedResult {
  const { estimate, atMost } = answers.of(point)
  return { kind: 'play', position: null, estimate, points: [point], formula, ...(atMost ? { atMost } : {}) }
}

/** What limits can be given for: a figure at all its positions, or at one. What judges another has its name too; positions that are not alike stand first. */
export function limitedFigures(
  results: readonly ResultKind[],
): { readonly id: string; readonly kind: ResultKind; readonly label: string }[] {
  return results
    .filter(result => !result.judgedBy && !result.unjudged)
    .flatMap(kind => {
      const label = [kind, ...results.filter(other => other.judgedBy === kind.id)].map(one => one.label).join('; ')
      const each = (kind.positions.length > 1 ? kind.positions : []).map(position => ({
        id: resultId(kind.id, position.id),
        kind,
        label: `${kind.label}, ${position.label} alone`,
      }))
      const all = { id: kind.id, kind, label: each.length > 0 && kind.apart ? `${label}, all alike` : label }
      return kind.apart ? [...each, all] : [all, ...each]
    })
}
