import type { PackRules } from '../choice/question/rules'
import { type CheckKind, positionOf, resultId } from '../check/contract'
import { DEFAULT_REFIT, limitsOf, type CheckDocument } from '../check/document'
import { evaluateCheck } from '../check/evaluate/evaluate-check'
import { evaluateFitting } from '../check/evaluate/evaluate-fitting'
import { gaugeAhead } from '../check/evaluate/gauge-ahead'
import { gaugeNeeds, keptKey, keySuits, likelyGauge, needOf, type GaugeNeed } from '../check/evaluate/gauge-needs'
import { bindParts } from '../check/parts'
import { checkKind } from '../check/registry'
import { fieldFault, type Setup } from '../check/setup'
import { systemOf } from '../quantity/figure'
import { nm, type Nm } from '../quantity/length'
import { ways } from '../method/ways'
import type { Gauge } from '../reading/gauge'
import { limitSetOf, limitsFault, type LimitSet } from '../verdict/limits'
import { apply } from './apply'
import type { Bench, SetCommand, SettingsChange } from './command'
import { happened, refused, type Happening, type Outcome, type RefusedCommand, type Settings } from './happening'

/**
 * A check as it begins: what is not said takes the kind's defaults; nothing is measured, nothing listed.
 * @param taught  by what the shop has done before
 */
export function beginCheck(
  kind: CheckKind,
  { id, trialId, at }: { id: string; trialId: string; at: string },
  taught: Partial<Pick<CheckDocument, 'uRefit' | 'slopes'>> = {},
): CheckDocument {
  return {
    id,
    kind: kind.id,
    title: kind.title,
    entryUnit: 'thou',
    setup: kind.defaultSetup,
    limits: { working: 'tighter', sets: {} },
    rule: kind.safety ? 'guarded' : 'careful',
    aim: { school: 'middle' },
    packRules: {},
    family: '',
    uRefit: nm(DEFAULT_REFIT),
    tipAngle: 0,
    gauges: {},
    history: {},
    trials: [
      { id: trialId, at, packs: {}, unlisted: [], refitted: [], predicted: {}, conditions: {}, leftOut: {}, pieces: {}, readings: [] },
    ],
    ticks: [],
    struck: [],
    parts: {},
    partChanges: [],
    clearings: [],
    laps: [],
    signOff: null,
    reopened: null,
    ...taught,
  }
}

/** Changes what was set; gauges the points need and nobody named are taken from the register, parts are bound to those of the job. */
export function changeSettings(bench: Bench, command: SetCommand): Outcome {
  const { document } = bench
  const { change } = command
  const kind = checkKind(document.kind)
  const fault = setupFault(bench, kind, change)
  if (fault) return fault
  const setup: Setup = { ...kind.defaultSetup, ...document.setup, ...change.setup }
  const aim = change.aim ?? document.aim
  if (aim.school === 'own' && aim.own === undefined) return refused('invalid', 'An aim of one’s own needs its figure.', 'settings.aim.own')
  const limits = limitsWith(kind, setup, change)
  if ('ok' in limits) return limits
  const after = limits.reduce(apply, { ...bench, document: { ...document, setup } }).document
  const gauges = gaugesWith(document, after, kind, setup, command)
  if ('ok' in gauges) return gauges
  return happened(
    `Set-up changed: ${Object.entries(change)
      .filter(([key, value]) => value !== undefined && key !== 'reason')
      .map(([key]) => NAMES[key] ?? key)
      .join(', ')}${change.reason ? `: ${change.reason.trim()}` : ''}`,
    {
      type: 'settings-changed',
      settings: { ...settingsOf(document), ...given(change), setup, aim, packRules: rulesWith(document.packRules, change) },
    },
    ...limits,
    ...gauges,
    ...partsWith(document, kind, setup, command),
  )
}

export const settingsOf = (document: CheckDocument): Settings => ({
  title: document.title,
  entryUnit: document.entryUnit,
  setup: document.setup,
  rule: document.rule,
  aim: document.aim,
  packRules: document.packRules,
  family: document.family,
  uRefit: document.uRefit,
  ...(document.refitCost === undefined ? {} : { refitCost: document.refitCost }),
  ...(document.slopes === undefined ? {} : { slopes: document.slopes }),
  tipAngle: document.tipAngle,
  working: document.limits.working,
})

/** The plain settings that are given. */
function given({ title, entryUnit, rule, family, uRefit, refitCost, tipAngle, working }: SettingsChange): Partial<Settings> {
  const plain = { ...(title === undefined ? {} : { title: title.trim() }), entryUnit, rule, family, uRefit, refitCost, tipAngle, working }
  return Object.fromEntries(Object.entries(plain).filter(([, value]) => value !== undefined))
}

const rulesWith = (rules: PackRules, { packRules = {} }: SettingsChange): PackRules =>
  Object.fromEntries(Object.entries({ ...rules, ...packRules }).filter(([, value]) => value !== null && value !== undefined))

const FIXED = 'The pack was changed already: this says what was measured, and stays.'

function setupFault({ document, lots }: Bench, kind: CheckKind, { setup: wanted = {}, reason }: SettingsChange): RefusedCommand | null {
  const fixed = Object.keys(wanted).filter(id => !kind.setupFields.find(field => field.id === id)?.free)
  if (document.trials.length > 1 && fixed.length > 0) {
    const path = `settings.setup.${fixed[0]}`
    const mends = fixed.every(id => kind.setupFields.find(field => field.id === id)?.sign)
    if (!mends || !evaluateCheck(document, lots).places.some(({ ledger }) => ledger.signDoubtful)) return refused('conflict', FIXED, path)
    if (!reason?.trim()) return refused('invalid', 'Say why it is changed after a fitting: it stands in the record.', 'settings.reason')
  }
  for (const [id, value] of Object.entries(wanted)) {
    const fault = typeof value === 'string' ? fieldFault(kind.setupFields, id, value) : 'A text is expected.'
    if (fault) return refused('invalid', fault, `settings.setup.${id}`)
  }
  return null
}

function limitsWith(kind: CheckKind, setup: Setup, { limits = [] }: SettingsChange): Happening[] | RefusedCommand {
  const known = kind.results(setup).flatMap(({ id, positions }) => [id, ...positions.map(position => resultId(id, position.id))])
  const happenings: Happening[] = []
  for (const [i, { result, role, set: wanted }] of limits.entries()) {
    if (!known.includes(result)) return refused('invalid', 'This check has no such result.', `settings.limits.${i}.result`)
    const fields = wanted.kind === 'none' ? null : wanted
    const of = kind.results(setup).find(({ id }) => id === result.split('@')[0])!.quantity
    const fault = fields && limitsFault(fields, of)
    if (fault) return refused('invalid', fault, `settings.limits.${i}.set`)
    happenings.push({ type: 'limited', result, role, set: fields && limitSetOf(fields) })
  }
  return happenings
}

function gaugesWith(
  document: CheckDocument,
  after: CheckDocument,
  kind: CheckKind,
  setup: Setup,
  { change: { gauges = {}, entryUnit: unit = document.entryUnit }, register }: SetCommand,
): Happening[] | RefusedCommand {
  const needs = gaugeNeeds(kind.points(setup))
  const used = { ...document.gauges }
  const happenings: Happening[] = []
  for (const [key, id] of Object.entries(gauges)) {
    const gauge = register.find(candidate => candidate.id === id)
    if (!gauge) return refused('invalid', 'That gauge is not in the register.', `settings.gauges.${key}`)
    if (!needs.some(need => need.key === key) || !keySuits(key, gauge))
      return refused('invalid', `${gauge.name} is not what is asked for here.`, `settings.gauges.${key}`)
    const before = document.gauges[key]
    // What was read with the one before is judged by it all the same.
    if (before?.id !== gauge.id && isReadWith(document, before)) happenings.push({ type: 'gauged', key: keptKey(before), gauge: before })
    used[key] = gauge
    happenings.push({ type: 'gauged', key, gauge })
  }
  for (const need of needs) {
    const { key, kind: wantedKind } = need
    const of = register.filter(gauge => gauge.kind === wantedKind)
    // As long as nothing was read with it and nobody chose it, it goes by what is measured.
    const free = gauges[key] === undefined && !isReadWith(document, used[key])
    const use = { ...whatItReads(after, kind, setup, need), unit, used: used[key] ?? null }
    const fitting = free ? ways[need.way].suited?.(of, use) : null
    const wanted = fitting ?? (used[key] ? null : (used[wantedKind] ?? likelyGauge(need, register, systemOf(unit)) ?? null))
    if (wanted && wanted.id !== used[key]?.id) happenings.push({ type: 'gauged', key, gauge: wanted })
  }
  // Those that were just taken for want of a better: what somebody chose, or knows already, is said to be too coarse and not swapped.
  const fresh = new Set(happenings.flatMap(one => (one.type === 'gauged' && gauges[one.key] === undefined ? [one.key] : [])))
  const finer = fresh.size === 0 ? new Map<string, Gauge>() : finerGauges(after, kind, happenings, fresh, register)
  return [...happenings, ...[...finer].map(([key, gauge]): Happening => ({ type: 'gauged', key, gauge }))]
}

/**
 * In place of those that cannot tell a figure: the coarsest of the register that can, read in the same system.
 * @param fresh  what is kept under these may be another
 */
function finerGauges(
  after: CheckDocument,
  kind: CheckKind,
  picked: readonly Happening[],
  fresh: ReadonlySet<string>,
  register: readonly Gauge[],
): Map<string, Gauge> {
  const { document } = picked.reduce(apply, { document: after, lots: [], reserves: {} })
  // From the readings alone: what is fitted is of no drawer here.
  const { results, answers } = evaluateFitting(document, kind, document.trials.length - 1, () => false)
  const finer = new Map<string, Gauge>()
  for (const result of results) {
    const ahead = result.kind.main ? gaugeAhead(document, kind, answers, result, register) : null
    if (!ahead || ahead.fit.answer === 'fit' || !fresh.has(ahead.key)) continue
    const own = ahead.finer.find(({ gauge }) => systemOf(gauge.unit) === systemOf(ahead.gauge.unit))
    if (own && (own.fit.answer === 'fit' || ahead.fit.answer === 'cannot-decide')) finer.set(ahead.key, own.gauge)
  }
  return finer
}

/** Limits of what a gauge is needed for, and the size it reads near: of the first of its points that has some. */
function whatItReads(
  after: CheckDocument,
  kind: CheckKind,
  setup: Setup,
  { key }: GaugeNeed,
): { readonly limits: LimitSet | null; readonly near: Nm | null } {
  const results = kind.results(setup)
  const points = kind.points(setup).filter(point => needOf(point)?.key === key)
  return {
    limits: points.reduce<LimitSet | null>(
      (found, point) => found ?? limitsOf(after, point.result, positionOf(results, point)).working,
      null,
    ),
    near: points.find(({ near }) => near != null)?.near ?? null,
  }
}

const isReadWith = ({ trials }: CheckDocument, gauge: Gauge | undefined): gauge is Gauge =>
  gauge !== undefined && trials.some(({ readings }) => readings.some(reading => reading.gauge === gauge.id))

function partsWith(document: CheckDocument, kind: CheckKind, setup: Setup, { op, parts }: SetCommand): Happening[] {
  const roles = kind.parts(setup).filter(({ id }) => document.parts[id] === undefined)
  const { bound, added } = bindParts(roles, parts, ({ id }) => `${op.slice(0, 44)}:${id}`.slice(0, 64))
  return Object.entries(bound).map(([role, id]): Happening => {
    const fresh = added.find(part => part.id === id)
    return { type: 'rested', role, part: fresh ?? parts.find(part => part.id === id)!, added: fresh !== undefined }
  })
}

const NAMES: Readonly<Record<string, string>> = {
  title: 'name',
  entryUnit: 'entry unit',
  setup: 'how it is measured',
  limits: 'limits',
  working: 'limits that judge',
  rule: 'rule',
  aim: 'aim',
  packRules: 'pack rules',
  family: 'drawer',
  uRefit: 'refit',
  refitCost: 'what a refit costs',
  tipAngle: 'tip angle',
  gauges: 'gauge',
}
