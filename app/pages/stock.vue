<script setup lang="ts">
import { useFileIn } from '~/composables/files/useFileIn'
import { group } from 'd3-array'
import { formatLength, markedText } from '#core/quantity/format-length'
import { UNIT_NAME } from '#core/quantity/length'
import type { StockLot } from '#core/shop/shop'
import { faultsOf } from '~/composables/server/useApi'
import { useDrawer } from '~/composables/drawer/useDrawer'
import { useScannedArticle } from '~/composables/drawer/useScannedArticle'
import { usePicked } from '~/composables/keys/usePicked'
import { key, useKeys } from '~/composables/keys/useKeys'
import { useRemoval } from '~/composables/server/useRemoval'
import { usePreferences } from '~/stores/preferences'
import type { Fault, StockView } from '#shared/types'

const preferences = usePreferences()
const { stock, load: loadDrawer, keep } = useDrawer()
const picked = usePicked()
const scanned = useScannedArticle()
const adding = ref(false)
const kitting = ref(false)
const measuring = ref(false)
const find = ref('')
const findField = ref<HTMLInputElement>()
const fileField = ref<HTMLInputElement>()
const faults = ref<readonly Fault[]>([])
const news = ref('')
const fileIn = reactive(useFileIn<{ added: number; corrected: number }>('text/csv'))

async function load(): Promise<void> {
  try {
    await loadDrawer()
  } catch (error) {
    faults.value = faultsOf(error)
  }
}
/** A size that is opened by its label, or from elsewhere, may lie far down. */
const showPicked = () => nextTick(() => document.querySelector('[aria-selected="true"]')?.scrollIntoView({ block: 'center' }))
onMounted(async () => {
  await load()
  await showPicked()
})
const matches = (lot: StockLot) =>
  `${lot.family} ${lot.mark} ${lot.colour} ${lot.tags.join(' ')} ${formatLength(lot.nominal, 'thou', { trim: true })} ${formatLength(lot.nominal, 'mm', { trim: true })}`
    .toLowerCase()
    .includes(find.value.trim().toLowerCase())
/** A piece told apart that went back among its like is only history. */
const gone = (lot: StockLot) => stock.value?.gone.includes(lot.id) ?? false
const shown = computed(() => (stock.value?.lots ?? []).filter(lot => matches(lot) && !gone(lot)))
const usesOf = (id: string) => stock.value?.uses.filter(use => use.lotId === id) ?? []
/** Of sizes nobody has, and nobody waits for, only how many there are; those that were looked for are shown. */
const nobodyHas = ({ id, onHand, reserved }: StockLot) =>
  onHand === 0 && !reserved && usesOf(id).length === 0 && !stock.value?.coming.some(({ lotId }) => lotId === id)
const unfolded = ref<readonly string[]>([])
const families = computed(() =>
  [...group(shown.value, ({ family }) => family)].map(([family, lots]) => {
    const open = find.value.trim() !== '' || unfolded.value.includes(family)
    const listed = lots.filter(one => open || !nobodyHas(one) || one.id === picked.value)
    return { family, lots: listed, folded: lots.length - listed.length }
  }),
)
const listed = computed(() => families.value.flatMap(({ lots }) => lots))
/** While none is picked the first is looked at; not while one is put in, which is picked then. */
const lot = computed(
  () => stock.value?.lots.find(({ id }) => id === picked.value) ?? (adding.value || kitting.value ? null : (listed.value[0] ?? null)),
)
const unmeasured = computed(() => stock.value?.lots.filter(l => l.measured === null && l.onHand > 0).length ?? 0)
const show = (value: number) => formatLength(value, preferences.unit)

const removal = useRemoval('POST /api/stock/lots/:id/removal', keep)
const remove = (gone: StockLot) => removal.remove(`${markedText(gone.nominal)}, ${gone.family}`, gone.id, gone.version)

async function importCsv(): Promise<void> {
  const file = fileField.value?.files?.[0]
  if (!file) return
  news.value = ''
  const done = await fileIn.send('/api/stock/csv', await file.text())
  fileField.value!.value = ''
  if (done) news.value = `${done.added} sizes added, ${done.corrected} counts corrected.`
  await load()
}
async function kitAdded(family: string, sizes: number): Promise<void> {
  kitting.value = false
  const put = sizes === 1 ? `1 size of “${family}” put in. It counts` : `${sizes} sizes of “${family}” put in. They count`
  news.value = `${put} as marked until measured.`
  await load()
}
function added(view: StockView, id: string): void {
  keep(view)
  adding.value = false
  picked.value = id
}
function move(by: number): void {
  const at = listed.value.findIndex(({ id }) => id === picked.value)
  picked.value = listed.value[Math.min(listed.value.length - 1, Math.max(0, at + by))]?.id ?? null
  nextTick(() => document.querySelector('[aria-selected="true"]')?.scrollIntoView({ block: 'nearest' }))
}
useKeys(
  computed(() => [
    key('↑ ↓', 'move', pressed => move(pressed === 'ArrowDown' ? 1 : -1), { keys: ['ArrowDown', 'ArrowUp'] }),
    ...(lot.value && !measuring.value
      ? [
          key('T', 'take in', () => document.getElementById('lot-take')?.focus()),
          key('M', 'measure', () => document.querySelector<HTMLElement>('#lot-measure input')?.focus()),
          key('C', 'correct count', () => document.getElementById('lot-count')?.focus()),
        ]
      : []),
    key('N', 'new size', () => {
      adding.value = true
    }),
    key('K', 'whole kit', () => {
      kitting.value = true
    }),
    key('D', 'measure the drawer', () => {
      measuring.value = shown.value.length > 0
    }),
    key('O', 'order list', () => void navigateTo('/orders')),
    key('/', 'find', () => findField.value?.focus()),
  ]),
)
</script>

<template>
  <div class="w-full px-4 py-5 md:px-7">
    <div class="mb-3 flex flex-wrap items-center gap-x-5 gap-y-3">
      <h1 class="display text-[30px]">Stock</h1>
      <p v-if="stock?.lots.length" class="text-mute">{{ stock.lots.length }} sizes, {{ unmeasured }} not measured yet</p>
      <div class="ml-auto flex flex-wrap gap-3">
        <label class="sr-only" for="find">Find a size</label>
        <input
          v-if="stock?.lots.length"
          id="find"
          ref="findField"
          v-model="find"
          type="search"
          class="field w-40"
          placeholder="find"
          autocomplete="off"
        />
        <NuxtLink class="button" to="/orders">Order list</NuxtLink>
        <a class="button" href="/api/stock/csv" download="drawer.csv">Export CSV</a>
        <button type="button" class="button" :disabled="fileIn.busy" @click="fileField?.click()">Import CSV</button>
        <input
          ref="fileField"
          type="file"
          accept=".csv,text/csv"
          class="sr-only"
          tabindex="-1"
          aria-label="CSV file"
          data-test="csv-file"
          @change="importCsv"
        />
        <button v-if="shown.length" type="button" class="button" @click="measuring = true">Measure the drawer</button>
        <button type="button" class="button" @click="kitting = true">Whole kit</button>
        <button type="button" class="button primary" @click="adding = true">New size</button>
      </div>
    </div>
    <p v-if="scanned !== null" class="mb-3 flex flex-wrap items-baseline gap-x-3 text-[14.5px]" role="status" data-test="article">
      <span>Of which size is “{{ scanned }}” the article? Pick it in the list, then <strong>Keep</strong> at its article.</span>
      <button type="button" class="link" @click="scanned = null">of none</button>
    </p>
    <p v-for="fault in faults" :key="fault.reason" class="mb-3 text-[14px] text-out" role="alert">{{ fault.reason }}</p>
    <FileInProgress v-if="fileIn.busy" class="mb-3" :progress="fileIn.progress" @cancel="fileIn.cancel" />
    <div v-if="fileIn.faults.length || fileIn.cancelled || news" class="mb-3 text-[14px]" role="status" data-test="csv-result">
      <template v-if="fileIn.faults.length">
        <p class="font-bold text-out">Nothing was changed.</p>
        <p v-for="fault in fileIn.faults" :key="fault.path + fault.reason">
          <code v-if="fault.path" class="figure text-[13px]">{{ fault.path }}</code> {{ fault.reason }}
        </p>
      </template>
      <p v-else-if="fileIn.cancelled">Cancelled. A drawer comes in whole or not at all.</p>
      <p v-else class="text-in">{{ news }}</p>
    </div>
    <RemovedNotice :removed="removal.removed.value" :refusal="removal.refusal.value" @undo="removal.undo" />
    <MeasureDrawer v-if="measuring" :lots="shown" @changed="keep" @at="picked = $event" @close="measuring = false" />
    <KitForm
      v-if="kitting"
      :family="picked === null ? '' : (lot?.family ?? '')"
      :families="families.map(one => one.family)"
      @added="kitAdded"
      @close="kitting = false"
    />
    <NewLotForm
      v-if="adding"
      :lots="stock?.lots ?? []"
      :family="picked === null ? '' : (lot?.family ?? '')"
      @changed="added"
      @close="adding = false"
    />
    <div v-if="stock && stock.lots.length === 0" class="max-w-2xl border-t rule py-8">
      <h2 class="display mb-2 text-xl">The drawer is empty</h2>
      <p class="mb-4">
        Put in the shims, washers and rings the shop really has, size by size, a whole kit at one go, or import a CSV with the columns
        family, nominal and count. What is measured is trusted; what is only marked is chosen with more uncertainty.
      </p>
      <button type="button" class="button primary" @click="adding = true">New size</button>
    </div>
    <div v-else-if="stock" class="grid gap-6 lg:grid-cols-[minmax(0,1fr)_330px]">
      <div class="overflow-x-auto" tabindex="0" aria-label="Sizes in the drawer" role="region">
        <table v-for="{ family, lots, folded } in families" :key="family" class="mb-5">
          <caption class="pb-1 text-left text-[17px] font-bold">
            {{ family }}
          </caption>
          <thead>
            <tr>
              <th class="w-24 text-right">Marked</th>
              <th class="w-32 text-right">Measured, {{ UNIT_NAME[preferences.unit] }}</th>
              <th class="w-20 text-right">On hand</th>
              <th class="hidden w-24 text-right md:table-cell">Kept aside</th>
              <th class="w-28 pl-6">Mark</th>
              <th class="hidden md:table-cell">Fitted or kept</th>
              <th class="w-16">
                <span class="sr-only">Open</span>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="l in lots"
              :key="l.id"
              :aria-selected="lot?.id === l.id"
              :class="lot?.id === l.id ? 'bg-sheet' : ''"
              class="cursor-pointer"
              @click="picked = l.id"
            >
              <td class="figure text-right">{{ markedText(l.nominal) }}</td>
              <td class="figure text-right" :class="l.measured === null ? 'text-near' : ''">
                {{ l.measured === null ? 'not measured' : show(l.measured)
                }}<span v-if="(l.sizes?.length ?? 0) > 1" class="text-[12px] text-mute"> of {{ l.sizes!.length }}</span>
              </td>
              <td class="figure text-right" :class="l.onHand === 0 ? 'text-mute' : ''">{{ l.onHand }}</td>
              <td class="figure hidden text-right md:table-cell">{{ l.reserved || '' }}</td>
              <td class="pl-6">{{ [l.mark, l.colour, l.shape === 'flat' ? '' : l.shape].filter(Boolean).join(', ') }}</td>
              <td class="hidden text-[13.5px] text-mute md:table-cell">
                {{
                  usesOf(l.id)
                    .map(u => `${u.count} ${u.promised ? 'kept for' : 'in'} ${u.checkTitle.toLowerCase()}, ${u.unit.toLowerCase()}`)
                    .join(' · ')
                }}
              </td>
              <td class="text-right">
                <button
                  type="button"
                  class="link text-[13.5px]"
                  :aria-label="`Open ${markedText(l.nominal)}, ${family}`"
                  @click.stop="picked = l.id"
                >
                  open
                </button>
              </td>
            </tr>
            <tr v-if="folded > 0">
              <td colspan="7" class="text-[13.5px] text-mute">
                <button type="button" class="link" @click="unfolded = [...unfolded, family]">
                  {{ folded }} {{ folded === 1 ? 'size' : 'sizes' }} nobody has
                </button>
              </td>
            </tr>
          </tbody>
        </table>
        <p v-if="shown.length === 0" class="py-4 text-mute">No size matches “{{ find }}”.</p>
      </div>
      <LotPanel
        v-if="lot && !measuring"
        :key="lot.id"
        :lot="lot"
        :coming="stock!.coming.filter(({ lotId }) => lotId === lot!.id)"
        @changed="keep"
        @reload="load"
        @remove="remove(lot)"
      />
    </div>
    <p v-else-if="!faults.length" class="py-6 text-mute">Opening the drawer …</p>
  </div>
</template>
