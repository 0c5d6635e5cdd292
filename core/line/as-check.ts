import { apply } from '../command/apply'
import type { Bench, Command } from '../command/command'
import { decide } from '../command/decide'
import { newLot } from '../command/found-pack'
import { beginCheck } from '../command/settings'
import type { Lot } from '../pack/lot'
import type { NamedPiece } from '../pack/read-pack'
import { givenBy, stepCommand } from './given'
import type { Line } from './line'
import { saidIn, type LineSaid } from './said'
import { needsOfRead, standIns } from './stand-in'

/** A line as the check it would be, and what stands in where the line is silent. */
export interface LineCheck extends Pick<LineSaid, 'kind' | 'wayWords' | 'undecided' | 'meaningless' | 'asks'> {
  readonly bench: Bench
  /** what stands in for what was not said, as sentences without a full stop */
  readonly standsIn: readonly string[]
  /** what of the line could not be used */
  readonly faults: readonly string[]
}

/** One moment, and ids of its own: a line is answered from what it says, whenever that is. */
const AT = '2000-01-01T00:00:00.000Z'
const TRIAL = 'found'
/** Pieces a line names are a family of their own. */
const NAMED = 'as named'

/** The family of the drawer that is meant by a name; undefined: there is none. */
export const familyMeant = (name: string, families: readonly string[]): string | undefined =>
  families.find(family => family.toLowerCase().startsWith(name.toLowerCase()))

/** What a piece is called, as a lot: the drawer's own where it goes by its name there. */
function lotOf({ lotId, size, ...named }: NamedPiece, drawer: readonly Lot[]): Omit<Lot, 'onHand'> {
  const known = drawer.find(({ id }) => id === lotId)
  if (known) return { ...known, family: NAMED, reserved: 0 }
  const { shape = 'flat', mark = '', colour = '' } = named
  const id = ['line', size, shape, mark, colour].join(' ').trim()
  return { ...newLot({ id, family: NAMED, nominal: size!, tags: [] }, false), shape, mark, colour }
}

/** Pieces of a line as lots: of one size one, as many on hand as could go in. */
function lotsNamed(line: Line, drawer: readonly Lot[], faults: string[]): { family: string; lots: readonly Lot[] } {
  if (line.drawer && 'family' in line.drawer) {
    const family = familyMeant(
      line.drawer.family,
      drawer.map(lot => lot.family),
    )
    if (family !== undefined) return { family, lots: drawer.filter(lot => lot.family === family) }
    faults.push(`No family of the drawer begins with “${line.drawer.family}”.`)
  }
  const spare: readonly NamedPiece[] = line.drawer && 'pieces' in line.drawer ? line.drawer.pieces : []
  const lots = new Map<string, Lot>()
  const lay = (piece: NamedPiece, onHand: number) => {
    const lot = lotOf(piece, drawer)
    lots.set(lot.id, { ...lot, onHand: (lots.get(lot.id)?.onHand ?? 0) + onHand })
  }
  for (const piece of line.fitted ?? []) if (piece.count > 0) lay(piece, 0)
  for (const piece of spare) lay(piece, piece.count)
  return { family: NAMED, lots: [...lots.values()] }
}

/**
 * The check a line would be. Nothing is stored: what is given to a check on the server to keep it is the same.
 * @param line  with a kind
 * @param text  as it was typed: for the questions
 * @param drawer  of the shop, for a family the line names
 * @throws RangeError without a kind
 */
export function lineAsCheck(line: Line, text: string, drawer: readonly Lot[]): LineCheck {
  const said = saidIn(line, text)
  const { kind, setup, standsIn, wayWords, undecided, meaningless, asks } = said
  const named: string[] = []
  const { family, lots } = lotsNamed(line, drawer, named)
  const { settings, steps, faults: unused } = givenBy(line, said, family)
  const points = kind.points(setup)
  const gauges = standIns(line, points)
  const faults = [...named, ...unused]
  let bench: Bench = { document: beginCheck(kind, { id: 'line', trialId: TRIAL, at: AT }), lots, reserves: {} }
  function give(command: Command): void {
    const outcome = decide(bench, command)
    if (outcome.ok) bench = outcome.happenings.reduce(apply, bench)
    else faults.push(...outcome.faults.map(({ reason }) => reason))
  }
  give({
    kind: 'change-settings',
    op: 'settings',
    at: AT,
    register: gauges.map(({ gauge }) => gauge),
    parts: [],
    change: { ...settings, gauges: Object.fromEntries(gauges.map(({ need, gauge }) => [need.key, gauge.id])) },
  })
  for (const [i, step] of steps.entries()) give(stepCommand(step, `r${i}`, AT, TRIAL))
  // Only the answer takes them as given: a check that is kept has them to do.
  const taken = Object.entries(kind.spoken?.taken?.words ?? {}).filter(([id]) => points.some(point => point.id === id))
  for (const [point, word] of taken) give(stepCommand({ kind: 'read', reading: { point, word } }, `taken ${point}`, AT, TRIAL))
  const read = new Set(
    needsOfRead(
      points,
      bench.document.trials[0]!.readings.map(({ point }) => point),
    ).map(({ key }) => key),
  )
  return {
    kind,
    bench,
    standsIn: [
      ...standsIn,
      ...(taken.length > 0 ? [kind.spoken!.taken!.as] : []),
      ...(line.tool.readings === 1 && line.readings.length > 0 ? ['one reading'] : []),
      ...gauges.filter(({ need }) => read.has(need.key)).map(({ gauge }) => gauge.name),
    ],
    wayWords,
    undecided,
    meaningless,
    asks,
    faults,
  }
}
