import { computed, reactive, ref, shallowRef, type Ref } from 'vue'
import type { CheckKind } from '#core/check/contract'
import { limitedFigures, unitOfResult } from '#core/check/common/results'
import { limitsFrom, type LibraryLimit } from '#core/check/library'
import { mustBeSaid } from '#core/check/sentence/setup-words'
import { asBegun, gaugesAsked } from '#core/command/begin'
import type { SettingsChange } from '#core/command/command'
import type { Exact } from '#core/quantity/figure'
import type { Gauge } from '#core/reading/gauge'
import { describeLimits, unitOfLimits } from '#core/verdict/limits'
import type { CheckSettingsDto, LimitChangeDto } from '#shared/dto/check'
import type { LimitSetDto } from '#shared/dto/limits'
import type { BeginningView, Families } from '#shared/types'
import { usePreferences } from '~/stores/preferences'
import { familiesFor } from '../drawer/families'
import { allOf, api } from '../server/useApi'
import { sourceWords, useLibrary } from '../server/useLibrary'

/**
 * What a new check of a kind begins with: filled in from the unit’s last check of the kind, the library, the drawer and the register, and
 * changed by hand. All of it is what is sent; nothing is added on the way.
 * @param type  of the unit
 * @param title  as it is typed; blank: that of the kind
 */
export function useBeginning(kind: CheckKind, jobId: string, type: string, title: Readonly<Ref<string>>) {
  const preferences = usePreferences()
  const setup = reactive<Record<string, string>>({ ...kind.defaultSetup })
  const asked = mustBeSaid(kind, setup)

  const last = ref<BeginningView['last']>(null)
  const drawer = ref<Families | null>(null)
  const register = shallowRef<readonly Gauge[]>([])
  const { load, offered } = useLibrary()
  const here = lookAround()
  /** ids of fields changed by hand */
  const touched = new Set<string>()
  function change(fields: Readonly<Record<string, string>>): void {
    for (const id of Object.keys(fields)) touched.add(id)
    Object.assign(setup, fields)
  }
  /** Nothing was changed since. */
  const asLast = computed(
    () => last.value !== null && Object.entries(last.value.settings.setup ?? {}).every(([id, value]) => setup[id] === value),
  )
  /** What the shop knows. Without its answer the kind’s defaults stand. */
  async function lookAround(): Promise<void> {
    await Promise.all([
      api<BeginningView>(`/api/jobs/${jobId}/beginning?kind=${kind.id}`).then(
        answer => {
          last.value = answer.last
          // What was changed by hand meanwhile stays.
          for (const [id, value] of Object.entries(answer.last?.settings.setup ?? {})) if (!touched.has(id)) setup[id] = value
        },
        () => undefined,
      ),
      load(),
      api<Families>('/api/stock/families').then(
        answer => {
          drawer.value = answer
        },
        () => undefined,
      ),
      allOf<Gauge>('/api/gauges').then(
        answer => {
          register.value = answer
        },
        () => undefined,
      ),
    ])
    const first = new Map<string, LibraryLimit>()
    for (const entry of offered(kind.id, type, kind.results(setup)))
      if (!first.has(keyOf(entry)) && !lastLimits.value.some(one => keyOf(one) === keyOf(entry))) first.set(keyOf(entry), entry)
    // What was set by hand meanwhile is not set otherwise by the rule of a limit.
    for (const entry of first.values()) if (!Object.keys(entry.rule).some(id => touched.has(id))) take(entry, true)
  }
  const keyOf = ({ result, role }: { readonly result: string; readonly role: string }) => `${role}:${result}`

  const families = computed(() => (drawer.value ? familiesFor(kind.id, drawer.value) : null))
  /** by hand; null: that of the last check, else the one that fits the kind */
  const chosenFamily = ref<string | null>(null)
  const family = computed({
    get: () => chosenFamily.value ?? (last.value?.settings.family || (families.value?.first ?? '')),
    set: picked => {
      chosenFamily.value = picked
    },
  })

  /** What limits can be typed for; the figure the check is for comes first. */
  const figures = computed(() => limitedFigures(kind.results(setup)).sort((a, b) => Number(b.kind.main) - Number(a.kind.main)))
  const picked = ref('')
  const limited = computed(() => figures.value.find(({ id }) => id === picked.value) ?? figures.value[0])
  const limitUnit = computed(() => (limited.value ? unitOfResult(limited.value.kind, preferences.system) : preferences.unit))
  const lower = ref<Exact | null>(null)
  const upper = ref<Exact | null>(null)
  const lastLimits = computed(() =>
    (last.value?.settings.limits ?? []).filter(({ result }) => figures.value.some(({ id }) => id === result)),
  )
  const fromLibrary = computed(() => offered(kind.id, type, kind.results(setup)))
  /** Limits somebody knew already: of the last check, or of the library. */
  const known = computed(() => [...lastLimits.value, ...fromLibrary.value])
  /** ids of the entries it begins with */
  const taken = ref<readonly string[]>([])
  /** One entry for a figure: what another says of it goes. */
  function take(entry: LibraryLimit, on: boolean): void {
    const same = new Set(fromLibrary.value.filter(other => keyOf(other) === keyOf(entry)).map(({ id }) => id))
    taken.value = [...taken.value.filter(id => !same.has(id)), ...(on ? [entry.id] : [])]
    if (on) Object.assign(setup, entry.rule)
  }
  const chosen = computed(() => fromLibrary.value.filter(({ id }) => taken.value.includes(id)))
  /** Typed by hand; null where neither end is. */
  const typed = computed((): LimitSetDto | null => {
    const [low, high] = [lower.value, upper.value]
    if (low === null && high === null) return null
    const more = {
      unit: unitOfLimits(
        [low, high].filter(end => end !== null),
        limitUnit.value,
      ),
      source: { kind: 'book' as const },
    }
    if (low === null) return { kind: 'upper', upper: high!, ...more }
    if (high === null) return { kind: 'lower', lower: low, ...more }
    return { kind: 'two-sided', lower: low, upper: high, ...more }
  })
  /** Those of the last check, over them those of the library, over all what is typed by hand. */
  const limits = computed((): LimitChangeDto[] => {
    const all = new Map<string, LimitChangeDto>()
    for (const one of lastLimits.value) all.set(keyOf(one), one as LimitChangeDto)
    for (const entry of chosen.value) all.set(keyOf(entry), { result: entry.result, role: entry.role, set: limitsFrom(entry) })
    if (typed.value && limited.value) all.set(`book:${limited.value.id}`, { result: limited.value.id, role: 'book', set: typed.value })
    return [...all.values()]
  })
  /** As the library calls it: the rim of a disc is no housing. */
  const nameOf = (result: string, role: string) => chosen.value.find(entry => entry.result === result && entry.role === role)?.name
  const limitWords = computed(() =>
    limits.value.map(({ result, role, set }) => {
      const words = describeLimits(set as Parameters<typeof describeLimits>[0])
      const source = sourceWords({ set } as Parameters<typeof sourceWords>[0])
      return `${nameOf(result, role) ?? figures.value.find(({ id }) => id === result)?.label ?? result}: ${words}, ${role === 'shop' ? 'shop limit' : source.toLowerCase() === 'book' ? 'book' : source}`
    }),
  )
  const settings = computed((): CheckSettingsDto => {
    const { limits: _, setup: __, gauges, family: ___, title: ____, ...rules } = last.value?.settings ?? ({} as SettingsChange)
    const read = gaugesAsked(kind, setup, gauges ?? {}, register.value)
    return {
      ...(rules as CheckSettingsDto),
      title: title.value.trim() || kind.title,
      entryUnit: preferences.unit,
      setup: { ...setup },
      family: kind.places(setup).length > 0 ? family.value : '',
      ...(Object.keys(read).length > 0 ? { gauges: read } : {}),
      limits: limits.value,
    }
  })
  const begun = computed(() => asBegun(kind, settings.value as SettingsChange, register.value))
  return {
    setup,
    change,
    asked,
    asLast,
    last,
    here,
    families,
    family,
    figures,
    picked,
    limited,
    limitUnit,
    lower,
    upper,
    limits,
    limitWords,
    known,
    fromLibrary,
    taken,
    take,
    settings,
    begun,
  }
}
