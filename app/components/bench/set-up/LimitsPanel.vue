<script setup lang="ts">
import { limitedFigures } from '#core/check/common/results'
import type { CheckKind } from '#core/check/contract'
import type { CheckDocument } from '#core/check/document'
import type { ResultEvaluation } from '#core/check/evaluate/evaluated'
import { unitFor } from '#core/quantity/format-length'
import type { Unit } from '#core/quantity/figure'
import { systemOf } from '#core/quantity/figure'
import { lowerFirst } from '#core/quantity/first-letter'
import { SOURCE_NAME, describeLimits, type LimitFields, type LimitSet } from '#core/verdict/limits'
import { faultAt } from '~/composables/server/useApi'
import type { Fault } from '#shared/types'
import { limitsFrom, type LibraryLimit } from '#core/check/library'
import { entryWords, useLibrary } from '~/composables/server/useLibrary'
import { useBench } from '~/stores/bench'
import type { CheckSettings } from '#shared/writes'

/** Book and shop limits of each result a check comes to, for all positions or one. */
const props = defineProps<{
  kind: CheckKind
  document: CheckDocument
  locked: boolean
  faults: readonly Fault[]
  /** some come with limits by rule of thumb */
  results: readonly ResultEvaluation[]
}>()
const emit = defineEmits<{ keep: [CheckSettings] }>()
const all = computed(() => props.kind.results(props.document.setup))
const options = computed(() => limitedFigures(all.value))
const picked = ref('')
const shown = computed(() => options.value.find(option => option.id === picked.value) ?? options.value[0]!)
const pair = computed(() => props.document.limits.sets[shown.value.id] ?? { book: null, shop: null })
/** Figures mean the unit of their set; a new set has the check’s. */
const unit = computed<Unit>(
  () =>
    shown.value.kind.unit ??
    (shown.value.kind.scale === 'size' ? unitFor(systemOf(props.document.entryUnit), 'size') : props.document.entryUnit),
)
const unitOf = (set: LimitSet | null) => set?.unit ?? unit.value
const keep = (role: 'book' | 'shop', set: LimitFields) =>
  emit('keep', {
    limits: [{ result: shown.value.id, role, set: set.kind === 'none' ? { kind: 'none', unit: unit.value, source: { kind: role } } : set }],
  })
const thumb = computed(() =>
  pair.value.book || pair.value.shop ? null : (props.results.find(result => result.kind.id === shown.value.kind.id)?.thumb ?? null),
)
const bench = useBench()
const { load, offered } = useLibrary()
onMounted(() => void load())
/** What the library has for the figure looked at, and is not taken yet. */
const fromLibrary = computed(() =>
  offered(props.kind.id, bench.view?.job.type ?? '', all.value).filter(({ id, version, result, role }) => {
    const entry = props.document.limits.sets[result]?.[role]?.source.entry
    return result === shown.value.id && !(entry?.id === id && entry.version === version)
  }),
)
const take = (entry: LibraryLimit) =>
  emit('keep', {
    limits: [{ result: entry.result, role: entry.role, set: limitsFrom(entry) }],
    ...(Object.keys(entry.rule).length > 0 ? { setup: { ...props.document.setup, ...entry.rule } } : {}),
  })
const WORKING = { tighter: 'the tighter', book: 'book', shop: 'shop' } as const
const both = computed(() => Object.values(props.document.limits.sets).some(set => set.book && set.shop))
const fault = computed(
  () => props.faults.find(f => f.path.startsWith('settings.limits'))?.reason ?? faultAt(props.faults, 'settings.limits'),
)
</script>

<template>
  <div class="space-y-4">
    <div v-if="options.length > 1">
      <label class="label mb-1 block" for="setup-result">Limits of</label>
      <select id="setup-result" :value="shown.id" class="field" @change="picked = ($event.target as HTMLSelectElement).value">
        <option v-for="option in options" :key="option.id" :value="option.id">
          {{ option.label }}{{ document.limits.sets[option.id] ? ' · set' : '' }}
        </option>
      </select>
    </div>
    <div v-if="thumb && !locked" class="space-y-1 text-[14px]" data-test="thumb">
      <p>
        No limit known. Offered: <strong class="figure">{{ describeLimits(thumb, unit) }}</strong>{{ ' '
        }}<span class="text-mute">({{ thumb.source.text }}; {{ lowerFirst(SOURCE_NAME[thumb.source.kind]) }}, the book wins)</span>
      </p>
      <button type="button" class="button min-h-9" @click="keep('shop', thumb)">Use it as shop limits</button>
    </div>
    <ul v-if="fromLibrary.length && !locked" class="space-y-1 text-[14px]" aria-label="From the library" data-test="from-library">
      <li class="label">From the library</li>
      <li v-for="entry in fromLibrary" :key="entry.id" class="flex flex-wrap items-center gap-x-3">
        <span class="min-w-0 flex-1">{{ entryWords(entry) }}</span>
        <button type="button" class="button min-h-9" @click="take(entry)">Take it as {{ entry.role }} limits</button>
      </li>
    </ul>
    <LimitEditor
      :key="`${shown.id}-book`"
      title="Book limits"
      :limits="pair.book"
      :unit="unitOf(pair.book)"
      default-source="book"
      :locked="locked"
      @keep="keep('book', $event)"
    />
    <LimitEditor
      :key="`${shown.id}-shop`"
      title="Shop limits"
      :limits="pair.shop"
      :unit="unitOf(pair.shop)"
      default-source="shop"
      :locked="locked"
      @keep="keep('shop', $event)"
    />
    <p v-if="fault" class="fault">{{ fault }}</p>
    <fieldset v-if="both" :disabled="locked">
      <legend class="label mb-1">Which limits judge</legend>
      <div class="flex flex-wrap gap-x-5">
        <label v-for="(words, role) in WORKING" :key="role" class="flex min-h-11 items-center gap-2 text-[14px]">
          <input
            type="radio"
            name="working"
            class="size-4"
            :checked="document.limits.working === role"
            @change="emit('keep', { working: role })"
          />{{ words }}</label
        >
      </div>
    </fieldset>
  </div>
</template>
