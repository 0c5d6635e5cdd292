import type { CheckKind } from '../check/contract'
import type { CheckDocument } from '../check/document'
import { gaugeNeeds } from '../check/evaluate/gauge-needs'
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
