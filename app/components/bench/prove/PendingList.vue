<script setup lang="ts">
import type { PendingItem } from '#core/check/evaluate/said-conditions'
import { shortTime } from '~/composables/words/shortTime'

/** What is done after the proof: ticked with a name, whenever it is done; it holds nothing back. */
defineProps<{ items: readonly PendingItem[]; signer: string; busy: boolean }>()
const emit = defineEmits<{ clear: [item: string, how: 'done' | 'open'] }>()
const nameless = ref<string | null>(null)
function change(event: Event, item: string, signer: string): void {
  const box = event.target as HTMLInputElement
  const on = box.checked
  nameless.value = signer.trim() === '' ? item : null
  if (nameless.value) box.checked = !on
  else emit('clear', item, on ? 'done' : 'open')
}
</script>

<template>
  <section v-if="items.length" aria-label="Still to do" data-test="pending">
    <h2 class="label mb-1">Still to do, before it runs</h2>
    <ul>
      <li v-for="{ id, words, cleared } in items" :key="id" class="border-t rule">
        <label class="flex min-h-11 cursor-pointer items-start gap-2.5 py-1.5 text-[14px] leading-snug md:min-h-9">
          <input
            type="checkbox"
            class="mt-0.5 size-4 shrink-0 accent-[var(--in)]"
            :checked="cleared !== null"
            :disabled="busy"
            @change="change($event, id, signer)"
          />
          <span>
            {{ words }}
            <span v-if="cleared" class="block text-[12.5px] text-mute"
              >{{ cleared.how === 'done' ? 'done' : 'accepted as it is' }}, {{ cleared.by }}, {{ shortTime(cleared.at) }}</span
            >
          </span>
        </label>
        <p v-if="nameless === id" class="fault mb-1">Put your name below first: it stands beside what is done.</p>
      </li>
    </ul>
    <p class="mt-1 text-[12.5px] text-mute">It stands on the job until it is done, also after the signature.</p>
  </section>
</template>
