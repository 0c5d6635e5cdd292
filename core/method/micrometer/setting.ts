import { NM_PER, nm, type Nm, type UnitSystem } from '../../quantity/length'

/** What a micrometer shows, drum by drum. Marks are whole; figures in nm. */
export interface MicrometerSetting {
  readonly system: UnitSystem
  /** On the sleeve: the last whole mark uncovered. */
  readonly sleeve: Nm
  /** Thimble line at the sleeve's reference line, or last passed. */
  readonly thimble: number
  /** Vernier line that meets a thimble line. */
  readonly vernier: number
  /** What cannot be set: the target less the three together, nm; below half a vernier division. */
  readonly rest: number
}

interface Drum {
  readonly sleeve: number
  readonly turn: number
  readonly thimble: number
  readonly vernier: number
}
/** Travel per sleeve mark, per turn, per thimble line and per vernier line, nm. */
export const DRUM: Readonly<Record<UnitSystem, Drum>> = {
  inch: { sleeve: 25 * NM_PER.thou, turn: 25 * NM_PER.thou, thimble: NM_PER.thou, vernier: NM_PER.tenth },
  metric: { sleeve: NM_PER.mm / 2, turn: NM_PER.mm / 2, thimble: 10 * NM_PER.um, vernier: NM_PER.um },
}

/**
 * How to set a vernier micrometer to a target.
 * @param target  nm, 0 or more
 * @throws RangeError below zero
 * @example micrometerSetting(inches(1.7767), 'inch') // { sleeve: inches(1.775), thimble: 1, vernier: 7 }
 */
export function micrometerSetting(target: number, system: UnitSystem): MicrometerSetting {
  if (target < 0) throw new RangeError('A micrometer has no setting below zero')
  const drum = DRUM[system]
  const steps = Math.round(target / drum.vernier)
  const whole = steps * drum.vernier
  const sleeve = Math.floor(whole / drum.sleeve) * drum.sleeve
  const thimble = Math.floor((whole - sleeve) / drum.thimble)
  const vernier = Math.round((whole - sleeve - thimble * drum.thimble) / drum.vernier)
  return { system, sleeve: nm(sleeve), thimble, vernier, rest: target - whole }
}

/** The setting put together again, nm: for reading the thimble back. */
export const settingSize = ({
  system,
  sleeve,
  thimble,
  vernier,
}: Pick<MicrometerSetting, 'system' | 'sleeve' | 'thimble' | 'vernier'>): number =>
  sleeve + thimble * DRUM[system].thimble + vernier * DRUM[system].vernier

export interface CrossCheck {
  readonly answer: 'agrees' | 'whole-turn' | 'off'
  readonly words: string
}

/** What calipers can be trusted to, half-width, nm: a thou and a half. Common practice. */
const CALIPERS = 1.5 * NM_PER.thou

/** Calipers across the micrometer catch a slip of a whole turn; a slip of one line they cannot see. */
export function calipersCheck(target: number, calipers: number, system: UnitSystem): CrossCheck {
  const difference = calipers - target
  const { turn } = DRUM[system]
  const turns = Math.round(difference / turn)
  if (Math.abs(difference) <= CALIPERS)
    return { answer: 'agrees', words: 'Calipers agree: no whole turn is lost. One line they cannot see: read the thimble back.' }
  if (turns !== 0 && Math.abs(difference - turns * turn) <= CALIPERS)
    return {
      answer: 'whole-turn',
      words: `Off by ${Math.abs(turns)} whole ${Math.abs(turns) === 1 ? 'turn' : 'turns'} of the thimble: set it ${turns > 0 ? 'back' : 'on'} and look again.`,
    }
  return { answer: 'off', words: 'Neither the same nor a whole turn off: read both again.' }
}
