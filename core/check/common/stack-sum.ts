import { formatLength } from '../../quantity/format-length'
import { quadrature } from '../../reading/statistics'
import { coverageFactor } from '../../reading/student'
import type { Finding } from '../../reading/gates'
import type { Answers, MeasuringPoint } from '../contract'
import type { PackPlace } from '../pack-place'

/** The whole pack of a place pressed together and measured as one: a second sum of the same stack. It may be left out. */
export const stackPoint = (
  { id, label }: Pick<PackPlace, 'id' | 'label'>,
  where: Pick<MeasuringPoint, 'at' | 'result' | 'rests'>,
): MeasuringPoint => ({
  ...where,
  id: `stack-${id}`,
  label: `${label}, pressed together`,
  way: 'micrometer',
  // A pack is thinner than what else a micrometer is taken for.
  tool: 'shims',
  small: true,
  moves: [id],
  alone: true,
  optional: true,
})

/** Two sums of one stack that do not agree: what its pieces add up to, and what it measures pressed together. */
export function stackFindings(answers: Answers, place: string): Finding[] {
  const { estimate: together } = answers.of(`stack-${place}`)
  const listed = answers.fitted(place)
  if (!together || !listed) return []
  const apart = together.value - listed.value
  if (Math.abs(apart) <= coverageFactor(together.nu) * quadrature(together.u, listed.u)) return []
  const show = (value: number) => formatLength(value, answers.unit, { unit: true })
  return [
    {
      gate: 'hand',
      level: 'warn',
      words: `Its pieces add up to ${show(listed.value)}, pressed together they measure ${show(together.value)}, ${show(Math.abs(apart))} ${
        apart > 0
          ? 'more: two stick together and count as one, dirt or a burr lies between, or one is not what it is listed as'
          : 'less: one is listed and not in, or not what it is listed as'
      }.`,
    },
  ]
}
