import type { CheckDocument, PointReading } from '#core/check/document'
import { evaluateCheck } from '#core/check/evaluate/evaluate-check'
import { answerRequest } from '#core/choice/answer/answer-request'
import type { MeasuringPoint } from '#core/check/contract'
import { checkKind } from '#core/check/registry'
import { apply } from '#core/command/apply'
import type { Bench, Command, ReadingFields, SettingsChange } from '#core/command/command'
import { decide } from '#core/command/decide'
import { ways } from '#core/method/ways'
import { NM_PER, nm, thou } from '#core/quantity/length'
import { unvoided } from '#core/reading/reading'
import { endsOf, type LimitSet } from '#core/verdict/limits'
import { readsOf } from '#core/reading/gauge'
import { GAUGES, gauge } from '../documents'

/** One step of a check that was worked on at random: what was done, or why it was refused. */
export interface Lived {
  readonly did: string
  readonly refused: string | null
  readonly bench: Bench
}

const AT = '2026-05-04T08:00:00.000Z'
const REGISTER = [
  ...Object.values(GAUGES),
  gauge('calipers', thou(1), { id: 'calipers' }),
  gauge('dial-indicator', thou(0.1), { id: 'tenths', hysteresis: nm(1_000), permissibleError: nm(2_000) }),
  gauge('bore-gauge', thou(0.1), { id: 'falling', sense: 'falls', range: { low: nm(20_000_000), high: nm(60_000_000) } }),
]

/** What measures no length stands in the register too, and is picked only where a kind asks for it. */
const LENGTHS = REGISTER.filter(({ kind }) => readsOf(kind) === 'length')
/** Torques are drawn as lengths are, a thou for a N·m. */
const AS_TORQUE = 1e9 / 25_400

/**
 * A check, worked on at random from where it stands: sensible and silly commands, the same for the same seed. Figures are drawn round
 * the limits, so that every verdict comes up. Every other life begins with a technician who ticks everything and reads every point.
 */
export function* live(from: Bench, seed: number, steps: number): Generator<Lived> {
  const draw = stream(seed)
  const diligent = seed % 2 === 0 ? prepared(from.document, draw, seed) : []
  let bench = from
  for (let i = 0; i < diligent.length + steps; i++) {
    const command = diligent[i] ?? commandFrom(bench, draw, `s${seed}-${i}`)
    const outcome = decide(bench, command)
    bench = outcome.ok ? outcome.happenings.reduce(apply, bench) : bench
    if (i < diligent.length) continue
    yield outcome.ok
      ? { did: outcome.happenings.map(({ type }) => type).join('+') || command.kind, refused: null, bench }
      : { did: command.kind, refused: outcome.faults.map(({ path, reason }) => `${outcome.code} ${path}: ${reason}`).join(' | '), bench }
  }
}

function prepared(document: CheckDocument, draw: Draw, seed: number): Command[] {
  const kind = checkKind(document.kind)
  const trial = document.trials.at(-1)!.id
  const head = (i: number) => ({ op: `p${seed}-${i}`, at: AT })
  const points = kind.points(document.setup).filter(({ optional }) => !optional)
  return [
    ...kind.procedure(document.setup).map((step, i): Command => ({ ...head(i), kind: 'tick', step: step.id, trial, ticked: true })),
    ...[...points, ...points.filter(({ way }) => ways[way].again === 'repeat')].map((point, i): Command => ({
      ...head(100 + i),
      kind: 'read',
      trialId: trial,
      reading: readingAt(document, point, draw, `p${seed}-r${i}`),
    })),
  ]
}

export type Draw = (below: number) => number
/** Whole numbers from 0, the same for the same seed. */
export function stream(seed: number): Draw {
  let state = (seed * 2_654_435_761) >>> 0
  return below => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0
    return Math.floor((state / 2 ** 32) * below)
  }
}

function commandFrom(bench: Bench, draw: Draw, op: string): Command {
  const { document, lots } = bench
  const head = { op, at: AT }
  const trial = document.trials.at(-1)!
  const of = <T>(items: readonly T[]): T | undefined => items[draw(items.length)]
  const kind = checkKind(document.kind)
  const places = kind.places(document.setup)
  const place = of(places)?.id ?? 'pack'
  const pieces = () => Array.from({ length: draw(3) }, () => ({ lotId: of(lots)?.id ?? 'ghost', count: 1 + draw(2) }))
  // Where there is no pack to choose, it is read instead.
  const drawn = draw(100)
  const pick = places.length === 0 && drawn >= 60 && drawn < 79 ? drawn - 40 : drawn
  if (document.signOff) return { ...head, kind: 'reopen', by: pick < 50 ? 'T. Marl' : ' ', reason: pick % 3 ? 'heard a knock' : '' }
  if (pick < 46) return { ...head, kind: 'read', trialId: pick === 0 ? 'before' : trial.id, reading: readingFor(document, draw, `${op}-r`) }
  if (pick < 50) {
    const reading = of(document.trials.flatMap(({ readings }) => readings))
    return { ...head, kind: 'void', readingId: reading?.id ?? 'ghost', reason: pick % 4 ? 'slip' : '' }
  }
  if (pick < 60) {
    const conditions = kind.conditions?.(document.setup) ?? []
    if (conditions.length > 0 && draw(2) === 0) {
      const condition = of(conditions)!
      if (draw(4) > 0) return { ...head, kind: 'say', condition: condition.id, trial: trial.id, state: of(condition.states)!.value }
      return { ...head, kind: 'clear', item: of(conditions)!.id, trial: trial.id, how: draw(4) ? 'done' : 'open', by: 'T. Marl' }
    }
    const step = of(kind.procedure(document.setup))
    return { ...head, kind: 'tick', step: step?.id ?? 'ghost', trial: trial.id, ticked: pick !== 50 }
  }
  if (pick < 72) {
    const request = of(evaluateCheck(document, lots).places.flatMap(({ place: { id }, request: asked }) => (asked ? [{ id, asked }] : [])))
    const proposal = request && of(answerRequest(request.asked).proposals)
    const pack = proposal && pick < 70 ? proposal.pack : pieces()
    return {
      ...head,
      kind: 'fit',
      trialId: `${op}-t`,
      onto: trial.id,
      packs: [{ place: request?.id ?? place, pieces: pack }],
      claim: pick === 71,
    }
  }
  if (pick < 77)
    return {
      ...head,
      kind: 'list',
      place,
      pieces: pick < 76 ? pieces() : [{ size: thou(1 + draw(60)), measured: draw(2) === 0, count: 1 + draw(2) }],
    }
  if (pick < 79) return { ...head, kind: 'promise', place, pieces: pieces() }
  if (pick < 82) {
    const part = of(Object.entries(document.parts)) ?? ['ghost', 'ghost']
    return { ...head, kind: 'part-change', part: { id: part[1], name: part[0] }, reason: 'new', by: 'T. Marl' }
  }
  if (pick < 94) return { ...head, kind: 'change-settings', change: settingsFor(document, draw), register: REGISTER, parts: [] }
  return { ...head, kind: 'sign', by: 'T. Marl', reason: pick % 2 ? 'light use' : null }
}

/** A reading at the next point that lacks one, or anywhere. */
function readingFor(document: CheckDocument, draw: Draw, id: string): ReadingFields {
  const points = checkKind(document.kind).points(document.setup)
  const readings = unvoided(document.trials.at(-1)!.readings)
  const lacking = points.filter(({ id: point }) => !readings.some(reading => reading.point === point))
  return readingAt(document, (lacking.length > 0 && draw(3) > 0 ? lacking[0] : points[draw(points.length)])!, draw, id)
}

function readingAt(document: CheckDocument, point: MeasuringPoint, draw: Draw, id: string): ReadingFields {
  const readings = unvoided(document.trials.at(-1)!.readings)
  const head = { id, point: point.id, at: AT }
  const figure = figureAt(document, point, draw)
  const step = nm(draw(4) * 2_540)
  switch (ways[point.way].entry) {
    case 'travel':
      if (draw(12) === 0) return { ...head, word: draw(2) ? 'binds' : 'none-felt' }
      return {
        ...head,
        start: draw(3) ? nm(0) : step,
        far: figure,
        back: draw(4) ? nm(0) : step,
        ...(draw(30) ? {} : { springBack: true }),
      }
    case 'range':
      return { ...head, low: figure, high: nm(figure + draw(3) * 25_400), leaves: 1 + draw(3) }
    case 'word':
      // A bearing that is worn is not worth a life of a check.
      if (point.words?.some(({ value }) => value === 'doubt') && draw(12) > 0) return { ...head, word: 'good' }
      return { ...head, word: point.words?.[draw(point.words.length)]?.value ?? 'ghost' }
    case 'pieces':
      return { ...head, pieces: readings.filter(({ point: at }) => at.startsWith('bag')).map(reading => reading.id) }
    case 'pass':
      return { ...head, figure, ...(draw(2) ? { stone: 'fine' } : {}), ...(draw(2) ? { celsius: 20 + draw(20) } : {}) }
    case 'figure':
      return { ...head, figure, ...(point.heat && draw(3) === 0 ? { celsius: 15 + draw(20) } : {}), ...(draw(25) ? {} : { hot: true }) }
  }
}

function figureAt(document: CheckDocument, point: MeasuringPoint, draw: Draw) {
  const scatter = (draw(9) - 4) * 1_270
  if (ways[point.way].scale === 'size') {
    const like = document.trials
      .flatMap(({ readings }) => readings)
      .flatMap((reading: PointReading) => ('figure' in reading && reading.figure > NM_PER.mm ? [reading.figure] : []))
    // Rollers are no shafts.
    if (point.way === 'pieces') return nm(6 * NM_PER.mm + scatter)
    return nm((like[0] ?? 38 * NM_PER.mm) + scatter)
  }
  const ends = endsOf(document.limits.sets[point.result]?.book ?? null)
  const [low, high] = [ends?.lower ?? 0, ends?.upper ?? 0].map(end => (Number.isFinite(end) ? end : 0)) as [number, number]
  // A point reads much the same each time, as far into its limits or out of them as its name has it; now and then it does not.
  const place =
    draw(12) === 0 ? draw(15) : [...point.id].reduce((sum, letter) => sum + letter.charCodeAt(0), document.trials.length * 5) % 15
  const kind = checkKind(document.kind)
  const torque = kind.results(document.setup).find(({ id }) => id === point.result)?.quantity === 'torque'
  const drawn = low + ((high - low || (torque ? 4e9 : 100_000)) * (place - 2)) / 10 + scatter * (torque ? AS_TORQUE : 1)
  return nm(Math.round(point.way === 'spring-scale' ? drawn / (point.radius ?? NM_PER.mm) / 1e-6 : torque ? Math.abs(drawn) : drawn))
}

function settingsFor(document: CheckDocument, draw: Draw): SettingsChange {
  const kind = checkKind(document.kind)
  const of = <T>(items: readonly T[]): T => items[draw(items.length)]!
  const field = kind.setupFields[draw(kind.setupFields.length)]
  const result = of(kind.results(document.setup))
  const { unit, per } = result.unit ? { unit: result.unit, per: AS_TORQUE } : { unit: 'thou' as const, per: 1 }
  const low = nm(Math.round(thou(1 + draw(4)) * per))
  const source = { kind: 'book' as const }
  const set: LimitSet = of([
    { kind: 'two-sided', lower: low, upper: nm(Math.round(low + thou(1 + draw(6)) * per)), unit, source },
    { kind: 'upper', upper: low, unit, source },
    { kind: 'lower', lower: low, unit, source },
    { kind: 'figure', figure: low, unit, source },
    { kind: 'none', unit, source },
    { kind: 'two-sided', lower: low, upper: nm(Math.round(low - thou(1) * per)), unit, source },
  ] as LimitSet[])
  return of<SettingsChange>([
    { rule: of(['plain', 'careful', 'guarded']) },
    { aim: { school: of(['middle', 'tight', 'loose', 'as-found']) } },
    { aim: { school: 'own', own: low } },
    { limits: [{ result: result.id, role: draw(2) ? 'book' : 'shop', set }] },
    { limits: [{ result: result.id, role: 'book', set }], working: of(['book', 'tighter', 'shop']) },
    {
      packRules: of([{ most: 2 }, { fewest: 2, most: 4 }, { onlyRemove: true }, { noUnmeasured: true }, { most: null, onlyRemove: null }]),
    },
    {
      setup: { [field?.id ?? 'ghost']: field?.kind === 'choice' ? of(field.options).value : '45' },
      ...(draw(2) ? { reason: 'seen now' } : {}),
    },
    { entryUnit: of(['thou', 'mm', 'in', 'tenth', 'um']) },
    { uRefit: nm(draw(3) * 2_000) },
    { tipAngle: draw(30) },
    { gauges: { [of(['dial-indicator', 'micrometer', 'bore-gauge'])]: of(result.unit ? REGISTER : LENGTHS).id } },
  ])
}
