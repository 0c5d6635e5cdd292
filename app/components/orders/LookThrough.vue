<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import { lotMap } from '#core/pack/lot'
import { markedText } from '#core/quantity/format-length'
import { percent } from '#core/quantity/percent'
import { faultsOf, write } from '~/composables/server/useApi'
import { useLacking, type Lacking } from '~/composables/drawer/useLacking'
import type { OrdersView } from '#shared/orders'
import type { CheckView } from '#shared/types'

/** Open checks gone through for what the drawer lacks; what each place needs is put on the list, or not. */
const props = defineProps<{ unserved: OrdersView['unserved'] }>()
const emit = defineEmits<{ changed: []; close: [] }>()
const { found, done, busy, lookThrough, cancel } = useLacking()
const faults = reactive<Record<string, string>>({})
onMounted(() => void lookThrough(props.unserved))
onBeforeUnmount(cancel)
const keyOf = ({ check, place }: Lacking) => `${check.id} ${place.id}`
const nameOf = (view: CheckView, lotId: string) => markedText(lotMap(view.lots).get(lotId)!.nominal)
const words = ({ view, plan }: Lacking) => plan.items.map(({ lotId, pieces }) => `${pieces} × ${nameOf(view, lotId)}`).join(', ')
async function list(one: Lacking): Promise<void> {
  try {
    const pieces = one.plan.items.map(({ lotId, pieces: count }) => ({ lotId, count }))
    await write('POST /api/checks/:id/wants', { op: uuid(), version: one.view.version, place: one.place.id, pieces }, one.check.id)
    found.value = found.value.filter(other => other !== one)
    emit('changed')
  } catch (error) {
    faults[keyOf(one)] = faultsOf(error)
      .map(({ reason }) => reason)
      .join(' ')
  }
}
async function listAll(): Promise<void> {
  for (const one of found.value) await list(one)
}
</script>

<template>
  <section class="mb-6 border-y rule py-4" aria-label="Open checks" data-test="look-through">
    <div class="mb-2 flex flex-wrap items-center gap-x-4 gap-y-2">
      <h2 class="display text-xl">What open checks lack</h2>
      <p v-if="busy" class="text-mute" role="status">Looking through {{ done + 1 }} of {{ unserved.length }} …</p>
      <p v-else class="text-mute" role="status">
        {{
          found.length === 0
            ? 'Nothing to order: the drawer has what they need, or nothing in the catalogue would do.'
            : `${found.length} to put on the list`
        }}
      </p>
      <div class="ml-auto flex gap-2">
        <button v-if="busy" type="button" class="button" @click="cancel">Cancel</button>
        <button v-else-if="found.length > 1" type="button" class="button" @click="listAll">All on the list</button>
        <button type="button" class="button" @click="$emit('close')">Close</button>
      </div>
    </div>
    <ul>
      <li v-for="one in found" :key="keyOf(one)" class="flex flex-wrap items-center gap-x-4 gap-y-1 border-t rule py-2">
        <div class="min-w-0 flex-1 basis-72">
          <p>
            <strong class="figure">{{ words(one) }}</strong> for
            <NuxtLink class="link" :to="`/checks/${one.check.id}`"
              >{{ one.check.unit }}, {{ one.check.title }}, {{ one.place.label }}</NuxtLink
            >
          </p>
          <p class="text-[13.5px] text-mute">
            chance that one of the packs fits {{ percent(one.plan.chance) }}, with the drawer alone {{ percent(one.plan.stockChance) }}
          </p>
          <p v-if="faults[keyOf(one)]" class="fault">{{ faults[keyOf(one)] }}</p>
        </div>
        <button type="button" class="button" data-main @click="list(one)">On the list</button>
      </li>
    </ul>
  </section>
</template>
