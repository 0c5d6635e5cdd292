<script setup lang="ts">
import type { CheckDocument } from '#core/check/document'
import type { Lot } from '#core/pack/lot'
import { useFamilies } from '~/composables/useFamilies'
import { useBench } from '~/stores/bench'
import type { StockView } from '#shared/types'

/** No drawer, or an empty one: it is chosen, or sizes are put in, where they are missed. */
const props = defineProps<{ document: CheckDocument; lots: readonly Lot[] }>()
const emit = defineEmits<{ keep: [Record<string, unknown>] }>()
const bench = useBench()
const families = useFamilies(toRef(props, 'document'))
const adding = ref(false)
const value = (event: Event) => (event.target as HTMLSelectElement).value
/** The family of the size becomes the drawer of the check; the bench then sees what is in it. */
async function added(view: StockView, id: string): Promise<void> {
  const family = view.lots.find(lot => lot.id === id)?.family
  if (family && family !== props.document.family) emit('keep', { family })
  else await bench.reload()
}
</script>

<template>
  <div class="space-y-2 border-b rule pb-3 text-[14.5px]" data-test="drawer-here">
    <p>
      {{ document.family ? `The drawer “${document.family}” is empty.` : 'No drawer is chosen for this place.' }} Nothing can be proposed.
    </p>
    <div class="flex flex-wrap items-end gap-3">
      <div v-if="families.length">
        <label class="label mb-1 block" for="drawer-family">Pieces come from</label>
        <select id="drawer-family" class="field !w-56" :value="document.family" @change="emit('keep', { family: value($event) })">
          <option value="">no drawer chosen</option>
          <option v-for="family in families" :key="family" :value="family">{{ family }}</option>
        </select>
      </div>
      <button v-if="!adding" type="button" class="button" @click="adding = true">Put sizes in</button>
    </div>
    <NewLotForm v-if="adding" narrow :lots="lots" :family="document.family" @changed="added" @close="adding = false" />
  </div>
</template>
