import type { CheckDocument } from '../check/document'
import type { SettingsChange } from './command'

/** A check as a route keeps it: of which kind, and everything that is set before anything is measured. */
export interface RouteCheck {
  readonly kind: string
  readonly settings: SettingsChange
}

/** What a check began with, to begin another one with: limits with where they are from, gauges by their ids, no piece that has to go in. */
export function routeCheck(document: CheckDocument): RouteCheck {
  const { required: _, ...packRules } = document.packRules
  return {
    kind: document.kind,
    settings: {
      title: document.title,
      entryUnit: document.entryUnit,
      setup: document.setup,
      limits: Object.entries(document.limits.sets).flatMap(([result, pair]) =>
        (['book', 'shop'] as const).flatMap(role => (pair[role] ? [{ result, role, set: pair[role] }] : [])),
      ),
      working: document.limits.working,
      rule: document.rule,
      aim: document.aim,
      packRules,
      family: document.family,
      uRefit: document.uRefit,
      ...(document.refitCost === undefined ? {} : { refitCost: document.refitCost }),
      tipAngle: document.tipAngle,
      gauges: Object.fromEntries(Object.entries(document.gauges).map(([key, { id }]) => [key, id])),
    },
  }
}

/**
 * The same with the gauges that are still in the register; for the others the likeliest is taken, as for any new check.
 * @param known  ids of the register
 * @returns with the names under which one is gone
 */
export function withGaugesHere(
  check: RouteCheck,
  known: ReadonlySet<string>,
): { readonly check: RouteCheck; readonly gone: readonly string[] } {
  const all = Object.entries(check.settings.gauges ?? {})
  const here = all.filter(([, id]) => known.has(id))
  return {
    check: { ...check, settings: { ...check.settings, gauges: Object.fromEntries(here) } },
    gone: all.filter(([, id]) => !known.has(id)).map(([key]) => key),
  }
}
