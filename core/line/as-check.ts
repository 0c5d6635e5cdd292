import type { CheckKind, MeasuringPoint } from '../check/contract'
import { gaugeNeeds, needOf, type GaugeNeed } from '../check/evaluate/gauge-needs'
import { checkKind } from '../check/registry'
import type { ChoiceField } from '../check/setup'
import { apply } from '../command/apply'
import type { Bench, Command, ReadingFields } from '../command/command'
import { decide } from '../command/decide'
import { newLot } from '../command/found-pack'
import { beginCheck } from '../command/settings'
import { ways } from '../method/ways'
import type { Lot } from '../pack/lot'
import type { NamedPiece } from '../pack/read-pack'
import { systemOf } from '../quantity/figure'
import { formatLength, unitFor } from '../quantity/format-length'
import { nm, ZERO, type Nm } from '../quantity/length'
import { GAUGE_NAME, PLAIN_GAUGE, type Gauge, type GaugeKind } from '../reading/gauge'
import type { LimitFields, LimitSource } from '../verdict/limits'
import { PHRASES } from './phrases'
import type { Line, LineAsk, LineLimits } from './line'

/** A line as the check it would be: what is done to it to get there, and what stands in where the line is silent. */
export interface LineCheck {
  readonly kind: CheckKind
  readonly bench: Bench
  /** in their order: given to a check that was just begun they make this one */
  readonly commands: readonly Command[]
  /** what stands in for what was not said, as sentences without a full stop */
  readonly standsIn: readonly string[]
  /** which way the pieces move it, as it was said; null: nothing moves it, or nobody said */
  readonly wayWords: string | null
  /** pieces are named, and nobody said which way they move it: none is chosen */
  readonly undecided: boolean
  /** what has to be said before any piece is named, and what of the line could not be used */
  readonly asks: readonly LineAsk[]
  readonly faults: readonly string[]
}

/** One moment, and ids of its own: a line is answered from what it says, whenever that is. */
const AT = '2000-01-01T00:00:00.000Z'
const TRIAL = 'found'
const SOURCE: LimitSource = { kind: 'own', text: 'as typed in one line' }
/** Pieces a line names are a family of their own. */
const NAMED = 'as named'

/** Smallest divisions that stand in, by system. Common practice: a dial of one thou or 0.01 mm, a micrometer of a tenth or 0.001 mm. */
const STANDS_IN: Readonly<Partial<Record<GaugeKind, { readonly inch: number; readonly metric: number }>>> = {
  'dial-indicator': { inch: 25_400, metric: 10_000 },
  'micrometer': { inch: 2_540, metric: 1_000 },
  'bore-gauge': { inch: 2_540, metric: 1_000 },
  'calipers': { inch: 25_400, metric: 10_000 },
}

/** The gauge that stands in for a need: a needle read to half a division, wrong by one at most. */
function standIn({ kind, key }: GaugeNeed, { unit, tool }: Line): Gauge | null {
  const division = STANDS_IN[kind]
  if (!division) return null
  const system = systemOf(unit)
  const graduation = nm((kind === 'dial-indicator' || kind === 'bore-gauge' ? tool.graduation : null) ?? division[system])
  return {
    id: `line ${key}`,
    name: `${kind === 'micrometer' ? 'Micrometer' : GAUGE_NAME[kind]}, ${formatLength(graduation, unitFor(system, 'play'), { unit: true, trim: true })}`,
    kind,
    unit: unitFor(system, kind === 'dial-indicator' || kind === 'bore-gauge' ? 'play' : 'size'),
    graduation,
    readableFraction: 0.5,
    permissibleError: graduation,
    repeatability: nm(graduation / 4),
    hysteresis: ZERO,
    rangePerTurn: null,
    lastCheck: null,
    ...PLAIN_GAUGE,
  }
}

const limitFields = ({ lower, upper, lowerExcluded, upperExcluded }: LineLimits, unit: Line['unit']): LimitFields => ({
  kind: lower === null ? 'upper' : upper === null ? 'lower' : 'two-sided',
  unit,
  source: SOURCE,
  ...(lower === null ? {} : { lower, ...(lowerExcluded ? { lowerExcluded } : {}) }),
  ...(upper === null ? {} : { upper, ...(upperExcluded ? { upperExcluded } : {}) }),
})

interface FieldToSay {
  readonly field: ChoiceField
  readonly words: string
  /** it says which way the pieces move it */
  readonly ofPack: boolean
}
/** Fields of a kind that have to be said, and how they are asked. */
function fieldsToSay(kind: CheckKind): readonly FieldToSay[] {
  return kind.setupFields.flatMap((field): FieldToSay[] => {
    if (field.kind !== 'choice') return []
    if (field.sign) return [{ field, words: 'Which way does the pack move it?', ofPack: true }]
    return field.ofLimit ? [{ field, words: 'Which figure is the limit for?', ofPack: false }] : []
  })
}
/** Asked: each answer is the line with the words for it. */
function asked(kind: CheckKind, field: ChoiceField, words: string, line: string): LineAsk {
  return {
    words,
    choices: field.options.flatMap(({ value, label, hint }) => {
      const phrase = PHRASES.find(of => of.kind === kind.id && of.setup?.[field.id] === value)
      // What says no more than that goes behind.
      const said = phrase && (field.sign ? `${phrase.words} ${line}` : `${line}, ${phrase.words}`)
      return said === undefined ? [] : [{ label: hint ? `${label}: ${hint}` : label, line: said }]
    }),
  }
}
/** One reading of a point in the form it asks for; null: it is not read in one figure. */
function readingAt(point: MeasuringPoint, figure: Nm, id: string): ReadingFields | null {
  const head = { id, point: point.id, at: AT }
  switch (ways[point.way].entry) {
    case 'travel':
      return { ...head, start: ZERO, far: figure, back: ZERO }
    case 'figure':
      return { ...head, figure }
    case 'range':
      return { ...head, low: figure, high: figure }
    default:
      return null
  }
}

/** Figures at the points they belong to: one after the other where each is read once, again and again at a single one. */
function readingsOf(line: Line, points: readonly MeasuringPoint[], faults: string[]): ReadingFields[] {
  const fields: ReadingFields[] = []
  for (const { at, figures } of line.readings) {
    const asked = points.filter(({ id, way, optional }) => !optional && ways[way].gauge !== null && (at === '' || id.startsWith(at)))
    const [first] = asked
    if (!first) {
      faults.push('Nothing is read there in one figure.')
      continue
    }
    const row = asked.filter(({ way }) => way === first.way)
    const repeats = ways[first.way].again === 'repeat' || row.length === 1
    if (!repeats && figures.length > row.length) faults.push(`${figures.length} figures, and ${row.length} places to read.`)
    for (const [i, figure] of figures.entries()) {
      const point = repeats ? first : row[i]
      for (let time = 0; point && time < line.tool.readings; time++) {
        const reading = readingAt(point, figure, `r${fields.length + 1}`)
        if (reading) fields.push(reading)
      }
    }
  }
  return fields
}

/** Those something was read with. */
const used = (
  gauges: readonly { readonly need: GaugeNeed; readonly gauge: Gauge }[],
  points: readonly MeasuringPoint[],
  { document }: Bench,
) =>
  gauges
    .filter(({ need }) =>
      document.trials[0]!.readings.some(({ point }) => needOf(points.find(({ id }) => id === point)!)?.key === need.key),
    )
    .map(({ gauge }) => gauge.name)

/** Pieces of a line as lots: of one size one, as many on hand as could go in. */
function lotsNamed(line: Line, drawer: readonly Lot[], faults: string[]): { family: string; lots: readonly Lot[] } {
  if (line.drawer && 'family' in line.drawer) {
    const wanted = line.drawer.family.toLowerCase()
    const family = [...new Set(drawer.map(lot => lot.family))].find(name => name.toLowerCase().startsWith(wanted))
    if (family !== undefined) return { family, lots: drawer.filter(lot => lot.family === family) }
    faults.push(`No family of the drawer begins with “${line.drawer.family}”.`)
  }
  const spare: readonly NamedPiece[] = line.drawer && 'pieces' in line.drawer ? line.drawer.pieces : []
  const sizes = new Map<Nm, number>()
  for (const { size, count } of line.fitted ?? []) if (size !== undefined && count > 0) sizes.set(size, sizes.get(size) ?? 0)
  for (const { size, count } of spare) if (size !== undefined) sizes.set(size, (sizes.get(size) ?? 0) + count)
  const lots = [...sizes].map(([nominal, onHand]) => ({
    ...newLot({ id: `line ${nominal}`, family: NAMED, nominal, tags: [] }, false),
    onHand,
  }))
  return { family: NAMED, lots }
}

/**
 * The check a line would be. Nothing is stored: the same commands, given to a check on the server, make it one.
 * @param line  with a kind
 * @param text  as it was typed: for the questions
 * @param drawer  of the shop, for a family the line names
 * @throws RangeError without a kind
 */
export function lineAsCheck(line: Line, text: string, drawer: readonly Lot[]): LineCheck {
  if (line.kind === null) throw new RangeError('A line without a kind is no check yet.')
  const kind = checkKind(line.kind)
  const faults: string[] = []
  const asks: LineAsk[] = []
  const chosen = line.fitted !== null || line.drawer !== null
  const { spoken } = kind
  const whole = { setup: { ...kind.defaultSetup, ...(chosen ? {} : spoken?.unchosen), ...line.setup }, readings: line.readings }
  const { setup, readings, standsIn } = spoken?.fill?.(whole) ?? { ...whole, standsIn: [] }
  const toSay = fieldsToSay(kind).filter(({ field }) => line.setup[field.id] === undefined)
  // Without a way nothing is chosen: what was read is judged all the same.
  const unsaid = toSay.some(({ ofPack }) => ofPack)
  for (const { field, words, ofPack } of toSay) if (ofPack ? chosen : line.limits !== null) asks.push(asked(kind, field, words, text))
  const way = fieldsToSay(kind).find(({ ofPack }) => ofPack)?.field
  const said = way?.options.find(({ value }) => value === line.setup[way.id])

  const { family, lots } = lotsNamed(line, drawer, faults)
  const points = kind.points(setup)
  const gauges = gaugeNeeds(points).flatMap(need => {
    const gauge = standIn(need, line)
    return gauge ? [{ need, gauge }] : []
  })
  const judged = kind.results(setup).find(({ main }) => main)!
  const head = (op: string) => ({ op, at: AT })
  const places = kind.places(setup)
  const commands: Command[] = [
    {
      ...head('settings'),
      kind: 'change-settings',
      register: gauges.map(({ gauge }) => gauge),
      parts: [],
      change: {
        entryUnit: line.unit,
        setup,
        ...(chosen && places.length > 0 ? { family } : {}),
        gauges: Object.fromEntries(gauges.map(({ need, gauge }) => [need.key, gauge.id])),
        ...(line.limits
          ? { limits: [{ result: judged.judgedBy ?? judged.id, role: 'book' as const, set: limitFields(line.limits, line.unit) }] }
          : {}),
      },
    },
    ...(line.fitted && places[0] && !unsaid
      ? [
          {
            ...head('list'),
            kind: 'list' as const,
            place: places[0].id,
            pieces: line.fitted.flatMap(({ size, count }) => (size === undefined ? [] : [{ size, count }])),
          },
        ]
      : []),
    ...readingsOf({ ...line, readings }, points, faults).map((reading): Command => ({
      ...head(reading.id),
      kind: 'read',
      trialId: TRIAL,
      reading,
    })),
  ]
  let bench: Bench = { document: beginCheck(kind, { id: 'line', trialId: TRIAL, at: AT }), lots, reserves: {} }
  for (const command of commands) {
    const outcome = decide(bench, command)
    if (outcome.ok) bench = outcome.happenings.reduce(apply, bench)
    else faults.push(...outcome.faults.map(({ reason }) => reason))
  }
  return {
    kind,
    bench,
    commands,
    standsIn: [
      ...standsIn,
      ...(line.tool.readings === 1 && line.readings.length > 0 ? ['one reading'] : []),
      ...used(gauges, points, bench),
    ],
    wayWords: said ? [said.label, said.hint].filter(Boolean).join(': ') : null,
    undecided: unsaid && chosen,
    asks,
    faults,
  }
}
