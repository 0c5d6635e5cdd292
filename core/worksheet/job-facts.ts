/** What a unit counts its life by: hours, kilometres, miles. */
export const METERS = ['h', 'km', 'mi'] as const
export type Meter = (typeof METERS)[number]
export const METER_NAME: Readonly<Record<Meter, string>> = { h: 'hours', km: 'kilometres', mi: 'miles' }

/** Where a job is on its way through the shop. */
export const STAGES = ['in-work', 'waiting', 'ready', 'handed-over'] as const
export type Stage = (typeof STAGES)[number]
export const STAGE_NAME: Readonly<Record<Stage, string>> = {
  'in-work': 'in work',
  'waiting': 'waiting for parts or word',
  'ready': 'ready to be fetched',
  'handed-over': 'handed over',
}

/** What is known of a job besides its checks. Days such as 2026-05-04; what is not known is left out. */
export interface JobFacts {
  /** the shop’s or the owner’s number */
  readonly reference?: string
  readonly cameIn?: string
  readonly promised?: string
  readonly handedOver?: string
  /** what the unit’s meter stood at, in what the unit counts */
  readonly meterReading?: number
  readonly stage?: Stage
}
/** What is known of a unit besides its name. */
export interface UnitFacts {
  /** units of a type are alike: the same limits, the same wear */
  readonly type?: string
  readonly meter?: Meter
}

/** A sentence where days are out of their order, and which of them it is of; null: they are not. */
export function daysFault({ cameIn, promised, handedOver }: JobFacts): { readonly at: keyof JobFacts; readonly words: string } | null {
  if (cameIn === undefined) return null
  if (promised !== undefined && promised < cameIn) return { at: 'promised', words: `It came in on ${cameIn}: it was promised before that.` }
  if (handedOver !== undefined && handedOver < cameIn)
    return { at: 'handedOver', words: `It came in on ${cameIn}: it was handed over before that.` }
  return null
}

/** What the meter of a unit stood at when it came in, 2026-05-04. */
export interface MeterReading {
  readonly day: string
  readonly reading: number
}

/** A sentence where the meter stands below an earlier service of the unit, or above a later one: misread, or another meter. Null: it goes on. */
export function meterDoubt({ day, reading }: MeterReading, others: readonly MeterReading[]): string | null {
  const before = others.find(other => other.day < day && other.reading > reading)
  const after = others.find(other => other.day > day && other.reading < reading)
  const said = ({ day: on, reading: stood }: MeterReading) => `${stood.toLocaleString('en-GB')} on ${on}`
  if (before) return `It stood at ${said(before)} already. Misread, or another meter?`
  return after ? `It stood at ${said(after)} only. Misread, or another meter?` : null
}
