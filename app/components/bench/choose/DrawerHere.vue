<script setup lang="ts">
import type { CheckDocument } from '#core/check/document'
import type { Lot, Shape } from '#core/pack/lot'
import { useFamilies } from '~/composables/drawer/useFamilies'
import { useBench } from '~/stores/bench'
import type { StockView } from '#shared/types'
import type { CheckSettings } from '#shared/writes'

/** No drawer, or an empty one: it is chosen, or sizes are put in, where they are missed. */
const props = defineProps<{ document: CheckDocument; lots: readonly Lot[]; /** all the place takes */ holds?: Shape }>()
const emit = defineEmits<{ keep: [CheckSettings] }>()
/** a size is being put in: it stays open for the next */
const adding = defineModel<boolean>('adding', { required: true })
const kitting = ref(false)
const bench = useBench()
const families = useFamilies(toRef(props, 'document'))
/** sizes put in: each next one has an empty form */
const put = ref(0)
/** the family of the last of them, known here before the check has taken it */
const lastFamily = ref('')
const empty = computed(() => !props.lots.some(lot => lot.family === props.document.family && lot.shape !== 'sheet' && lot.onHand > 0))
const value = (event: Event) => (event.target as HTMLSelectElement).value
/** The family of the size becomes the drawer of the check; the bench then sees what is in it. */
async function added(view: StockView, id: string): Promise<void> {
  const family = view.lots.find(lot => lot.id === id)?.family
  lastFamily.value = family ?? ''
  if (family && family !== props.document.family) emit('keep', { family })
  else await bench.reload()
  put.value++
}
async function kitAdded(family: string): Promise<void> {
  kitting.value = false
  if (family !== props.document.family) emit('keep', { family })
  else await bench.reload()
}
</script>

<template>
  <div class="space-y-2 border-b rule pb-3 text-[14.5px]" data-test="drawer-here">
    <p v-if="empty">
      {{ document.family ? `The drawer “${document.family}” is empty.` : 'No drawer is chosen for this place.' }} There is nothing to put
      in.
    </p>
    <p v-else-if="holds === 'packing'">
      A trial packing is a sheet of known thickness, as it is when it is squeezed: put it in as a packing.
    </p>
    <div class="flex flex-wrap items-end gap-3">
      <div v-if="families.length">
        <label class="label mb-1 block" for="drawer-family">Pieces come from</label>
        <select id="drawer-family" class="field !w-56" :value="document.family" @change="emit('keep', { family: value($event) })">
          <option value="">no drawer chosen</option>
          <option v-for="family in families" :key="family" :value="family">{{ family }}</option>
        </select>
      </div>
      <template v-if="!adding && !kitting">
        <button type="button" class="button" @click="adding = true">Put sizes in</button>
        <button type="button" class="button" @click="kitting = true">Whole kit</button>
      </template>
    </div>
    <p v-if="adding && put > 0" role="status">{{ put }} {{ put === 1 ? 'size' : 'sizes' }} put in. The next one, or leave it.</p>
    <LazyKitForm v-if="kitting" :family="document.family" :families="families" @added="kitAdded" @close="kitting = false" />
    <LazyNewLotForm
      v-if="adding"
      :key="put"
      narrow
      :shape="holds"
      :lots="lots"
      :family="document.family || lastFamily"
      @changed="added"
      @close="adding = false"
    />
  </div>
</template>
