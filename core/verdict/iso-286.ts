import { nm, type Nm } from '../quantity/length'

/**
 * Limits of size by ISO 286: tolerance grades 5 to 8 and the deviations of the classes that hubs and steering heads use, for nominal
 * sizes over 18 up to 120 mm, worked out by the rules of ISO 286-1 (2010, annex B) from the geometric mean D of the step, mm:
 * i = 0.45·∛D + 0.001·D µm; IT5 7i, IT6 10i, IT7 16i, IT8 25i; rounded to whole micrometres.
 */
const STEPS = [18, 30, 50, 80, 120] as const

export type HoleClass = 'H6' | 'H7' | 'H8' | 'G7' | 'F8' | 'K7' | 'M7' | 'N7'
export type ShaftClass = 'h6' | 'h7' | 'g6' | 'f7' | 'k6' | 'm6' | 'n6'
export const HOLES: readonly HoleClass[] = ['H6', 'H7', 'H8', 'G7', 'F8', 'K7', 'M7', 'N7']
export const SHAFTS: readonly ShaftClass[] = ['h6', 'h7', 'g6', 'f7', 'k6', 'm6', 'n6']

/** Deviations from nominal, nm. */
export interface Deviations {
  readonly lower: Nm
  readonly upper: Nm
}

/** Geometric mean of the step a size lies in, mm; null outside 18 to 120 mm. */
function stepOf(nominal: number): number | null {
  const mm = nominal / 1e6
  const at = STEPS.findIndex((low, i) => i + 1 < STEPS.length && mm > low && mm <= STEPS[i + 1]!)
  return at === -1 ? null : Math.sqrt(STEPS[at]! * STEPS[at + 1]!)
}

const GRADE = { 5: 7, 6: 10, 7: 16, 8: 25 } as const
/** µm */
const tolerance = (D: number, grade: keyof typeof GRADE): number => Math.round(GRADE[grade] * (0.45 * Math.cbrt(D) + 0.001 * D))

/** The fundamental deviation of a shaft, µm: its upper one up to h, its lower one from k on. */
function fundamental(letter: string, D: number): number {
  switch (letter) {
    case 'f':
      return -Math.round(5.5 * D ** 0.41)
    case 'g':
      return -Math.round(2.5 * D ** 0.34)
    case 'k':
      return Math.round(0.6 * Math.cbrt(D))
    case 'm':
      return tolerance(D, 7) - tolerance(D, 6)
    case 'n':
      // The table of the standard has 23 where the rule gives 23.8.
      return Math.floor(5 * D ** 0.34 + (D > 80 ? 0 : 0.5))
    default:
      return 0
  }
}

const micrometres = (lower: number, upper: number): Deviations => ({ lower: nm(lower * 1000), upper: nm(upper * 1000) })

/** Limits of a shaft class at a nominal size (nm); null where the rule is not given here. */
export function shaftLimits(nominal: number, of: ShaftClass): Deviations | null {
  const D = stepOf(nominal)
  if (D === null) return null
  const width = tolerance(D, Number(of[1]) as keyof typeof GRADE)
  const deviation = fundamental(of[0]!, D)
  return deviation <= 0 && 'fgh'.includes(of[0]!) ? micrometres(deviation - width, deviation) : micrometres(deviation, deviation + width)
}

/**
 * Limits of a hole class at a nominal size (nm): the mirror of the shaft of its letter, from K on shifted by the difference of the grades.
 * @example holeLimits(mm(50), 'H7') // { lower: 0, upper: 25000 }
 */
export function holeLimits(nominal: number, of: HoleClass): Deviations | null {
  const D = stepOf(nominal)
  if (D === null) return null
  const grade = Number(of[1]) as 6 | 7 | 8
  const width = tolerance(D, grade)
  const letter = of[0]!.toLowerCase()
  const mirrored = -fundamental(letter, D)
  if ('fgh'.includes(letter)) return micrometres(mirrored, mirrored + width)
  const shift = width - tolerance(D, (grade - 1) as keyof typeof GRADE)
  return micrometres(mirrored + shift - width, mirrored + shift)
}

/** Clearance of a fit, least and most, nm; below zero it is a press. */
export function fitLimits(nominal: number, hole: HoleClass, shaft: ShaftClass): { readonly least: Nm; readonly most: Nm } | null {
  const [h, s] = [holeLimits(nominal, hole), shaftLimits(nominal, shaft)]
  return h && s && { least: nm(h.lower - s.upper), most: nm(h.upper - s.lower) }
}
