<script setup lang="ts">
import { heldBack } from '~/composables/server/heldBack'
import { buildsFor, type Anvil, type BoreKit, type Washer } from '#core/method/bore-gauge/builder'
import { formatLength, unitFor } from '#core/quantity/format-length'
import { UNIT_NAME, nm, type Nm } from '#core/quantity/length'
import { write } from '~/composables/server/useApi'
import { useForm } from '~/composables/server/useForm'
import { usePreferences } from '~/stores/preferences'
import type { RegisteredGauge } from '#shared/types'

/** Which anvil and washers reach a bore, from the kit that is really in the box. */
const props = defineProps<{ gauges: readonly RegisteredGauge[]; /** id of the gauge in hand */ prefer?: string }>()
const emit = defineEmits<{ changed: [RegisteredGauge] }>()
const preferences = usePreferences()
const unit = computed(() => unitFor(preferences.system, 'size'))
const bores = computed(() => props.gauges.filter(gauge => gauge.kind === 'bore-gauge'))
const picked = ref('')
const gauge = computed(
  () => bores.value.find(g => g.id === (picked.value || props.prefer)) ?? bores.value.find(g => g.kit !== null) ?? bores.value[0] ?? null,
)
const target = ref<Nm | null>(null)
const form = useForm()
const kit = computed<BoreKit>(() => gauge.value?.kit ?? { anvils: [], washers: [] })
const builds = computed(() => (target.value === null ? [] : buildsFor(kit.value, target.value)))
const size = (value: number) => formatLength(value, unit.value, { trim: true })

const keep = (next: BoreKit): Promise<boolean> =>
  form.submit(
    ({ op }) => write('POST /api/gauges/:id/kit', { op, version: gauge.value!.version, ...next }, gauge.value!.id),
    kept => emit('changed', kept),
  )
const setAnvil = (at: number, change: Partial<Anvil>) =>
  keep({ ...kit.value, anvils: kit.value.anvils.map((anvil, i) => (i === at ? { ...anvil, ...change } : anvil)) })
const setWasher = (at: number, change: Partial<Washer>) =>
  keep({ ...kit.value, washers: kit.value.washers.map((washer, i) => (i === at ? { ...washer, ...change } : washer)) })
const drop = (list: 'anvils' | 'washers', at: number) => keep({ ...kit.value, [list]: kit.value[list].filter((_, i) => i !== at) })

const fresh = reactive<{ name: string; low: Nm | null; high: Nm | null; washer: string; length: Nm | null }>({
  name: '',
  low: null,
  high: null,
  washer: '',
  length: null,
})
async function addAnvil(): Promise<void> {
  if (fresh.low === null || fresh.high === null) {
    form.refuse([{ path: 'anvil', reason: 'An anvil needs the smallest and the largest bore it reaches.' }])
    return
  }
  const done = await keep({
    ...kit.value,
    anvils: [...kit.value.anvils, { name: fresh.name.trim() || `Anvil ${kit.value.anvils.length + 1}`, low: fresh.low, high: fresh.high }],
  })
  if (done) Object.assign(fresh, { name: '', low: null, high: null })
}
async function addWasher(): Promise<void> {
  if (fresh.length === null) {
    form.refuse([{ path: 'washer', reason: 'A washer needs its length.' }])
    return
  }
  const done = await keep({
    ...kit.value,
    washers: [...kit.value.washers, { name: fresh.washer.trim() || `Washer ${size(fresh.length)}`, length: nm(fresh.length) }],
  })
  if (done) Object.assign(fresh, { washer: '', length: null })
}
</script>

<template>
  <div v-if="!gauge" class="text-mute" data-test="bore-helper">No bore gauge in the register yet.</div>
  <div v-else class="grid gap-x-8 gap-y-4 lg:grid-cols-2" data-test="bore-helper">
    <div class="space-y-3">
      <div class="grid grid-cols-2 gap-2">
        <div>
          <label class="label mb-1 block" for="bore-gauge">Bore gauge</label>
          <select id="bore-gauge" class="field" :value="gauge.id" @change="picked = ($event.target as HTMLSelectElement).value">
            <option v-for="g in bores" :key="g.id" :value="g.id">{{ g.name }}</option>
          </select>
        </div>
        <FigureField v-model="target" label="Bore" :unit="unit" />
      </div>
      <table v-if="builds.length" class="tight" data-test="builds">
        <thead>
          <tr>
            <th>Build</th>
            <th class="text-right">reaches, {{ UNIT_NAME[unit] }}</th>
            <th class="text-right">off mid-travel</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(build, i) in builds.slice(0, 6)" :key="i" :class="i === 0 ? 'font-bold' : ''">
            <td>{{ [build.anvil.name, ...build.washers.map(w => w.name)].join(' + ') }}</td>
            <td class="figure text-right">{{ size(build.low) }} – {{ size(build.high) }}</td>
            <td class="figure text-right">{{ formatLength(build.offMiddle, unitFor(preferences.system), { sign: true }) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-else class="text-[14px]" :class="target === null ? 'text-mute' : 'text-near'">
        {{
          kit.anvils.length === 0
            ? 'List the anvils and washers of the box on the right; then type a bore.'
            : target === null
              ? 'Type the bore that is to be measured.'
              : 'Nothing in the box reaches that bore.'
        }}
      </p>
      <p class="text-[13px] text-mute">
        Nearest to the middle of the travel first, then fewest parts. Touching anvil or washers voids the zero.
      </p>
    </div>
    <div class="space-y-3">
      <h3 class="label">What is in the box</h3>
      <FormSays :says="form.rest() ?? (form.behind.join('. ') || null)" :busy="form.busy" />
      <table class="tight">
        <thead>
          <tr>
            <th>Anvil</th>
            <th class="text-right">from</th>
            <th class="text-right">to</th>
            <th class="font-normal">missing</th>
            <th>
              <span class="sr-only">Remove</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(anvil, i) in kit.anvils" :key="anvil.name" :class="anvil.missing ? 'text-mute line-through' : ''">
            <td>{{ anvil.name }}</td>
            <td class="figure text-right">{{ size(anvil.low) }}</td>
            <td class="figure text-right">{{ size(anvil.high) }}</td>
            <td>
              <input
                type="checkbox"
                class="size-4"
                :checked="anvil.missing ?? false"
                :aria-label="`${anvil.name} is missing`"
                @change="setAnvil(i, { missing: ($event.target as HTMLInputElement).checked })"
              />
            </td>
            <td class="text-right">
              <button type="button" class="link text-[13px]" :aria-label="`Remove ${anvil.name}`" @click="drop('anvils', i)">remove</button>
            </td>
          </tr>
          <tr v-for="(washer, i) in kit.washers" :key="washer.name" :class="washer.missing ? 'text-mute line-through' : ''">
            <td>{{ washer.name }}</td>
            <td class="figure text-right" colspan="2">+ {{ size(washer.length) }}</td>
            <td>
              <input
                type="checkbox"
                class="size-4"
                :checked="washer.missing ?? false"
                :aria-label="`${washer.name} is missing`"
                @change="setWasher(i, { missing: ($event.target as HTMLInputElement).checked })"
              />
            </td>
            <td class="text-right">
              <button type="button" class="link text-[13px]" :aria-label="`Remove ${washer.name}`" @click="drop('washers', i)">
                remove
              </button>
            </td>
          </tr>
        </tbody>
      </table>
      <form class="grid grid-cols-[1fr_1fr_1fr_auto] items-end gap-2" novalidate @submit.prevent="heldBack($event) || addAnvil()">
        <div>
          <label class="label mb-1 block" for="anvil-name">Anvil</label>
          <input id="anvil-name" v-model="fresh.name" class="field" maxlength="40" autocomplete="off" />
        </div>
        <FigureField v-model="fresh.low" label="From" :unit="unit" plain />
        <FigureField v-model="fresh.high" label="To" :unit="unit" plain />
        <button type="submit" class="button px-3">Add</button>
      </form>
      <form class="grid grid-cols-[1fr_1fr_1fr_auto] items-end gap-2" novalidate @submit.prevent="heldBack($event) || addWasher()">
        <div>
          <label class="label mb-1 block" for="washer-name">Washer</label>
          <input id="washer-name" v-model="fresh.washer" class="field" maxlength="40" autocomplete="off" />
        </div>
        <FigureField v-model="fresh.length" label="Length" :unit="unit" plain />
        <span />
        <button type="submit" class="button px-3">Add</button>
      </form>
    </div>
  </div>
</template>
