import type { CheckKind } from '../check/contract'
import type { CheckDocument } from '../check/document'
import { gaugeNeeds } from '../check/evaluate/gauge-needs'
import type { Setup } from '../check/setup'
import type { Gauge } from '../reading/gauge'
import { apply } from './apply'
import type { SettingsChange } from './command'
import type { CommandFault } from './happening'
import { beginCheck, changeSettings } from './settings'

/** What a check would be read with that began with these settings. */
export interface AsBegun {
  readonly document: CheckDocument
  /** what it needs, and the gauge that would be taken for it; null: the register has none */
  readonly gauges: readonly { readonly label: string; readonly gauge: Gauge | null }[]
  /** why it would not begin, where; none: it would */
  readonly faults: readonly CommandFault[]
}

/** A check as it would begin with these settings, before anything is stored: what the bench will say is what is confirmed here. */
export function asBegun(kind: CheckKind, change: SettingsChange, register: readonly Gauge[]): AsBegun {
  const at = '2000-01-01T00:00:00.000Z'
  const bench = { document: beginCheck(kind, { id: 'begun', trialId: 'found', at }), lots: [], reserves: {} }
  const outcome = changeSettings(bench, { kind: 'change-settings', op: 'begin', at, change, register, parts: [] })
  const document = outcome.ok ? outcome.happenings.reduce(apply, bench).document : bench.document
  return {
    document,
    gauges: gaugeNeeds(kind.points(document.setup)).map(({ key, kind: of, label }) => ({
      label,
      gauge: document.gauges[key] ?? document.gauges[of] ?? null,
    })),
    faults: outcome.ok ? [] : outcome.faults,
  }
}

/**
 * Of the gauges an earlier check was read with, those that this one asks for too: set up otherwise it may be read by feel, and a gauge may have
 * left the register.
 * @param used  ids, by what they were kept under
 */
export function gaugesAsked(
  kind: CheckKind,
  setup: Setup,
  used: Readonly<Record<string, string>>,
  register: readonly Gauge[],
): Readonly<Record<string, string>> {
  const asked = new Set(gaugeNeeds(kind.points(setup)).map(({ key }) => key))
  return Object.fromEntries(Object.entries(used).filter(([key, id]) => asked.has(key) && register.some(gauge => gauge.id === id)))
}
