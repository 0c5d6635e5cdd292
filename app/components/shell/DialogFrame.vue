<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import type { DialogProps } from './dialog-props'

const props = defineProps<DialogProps>()
const emit = defineEmits<{ close: []; /** the focus is in it */ there: [] }>()
// The focus is set when its content is there, in the turn after.
watch(
  () => props.open,
  open => {
    if (open) void nextTick(() => requestAnimationFrame(() => emit('there')))
  },
  { immediate: true },
)
</script>

<template>
  <Dialog :open="open" :initial-focus="focus ?? null" class="relative z-20" @close="$emit('close')">
    <div class="fixed inset-0 bg-black/50" aria-hidden="true" />
    <div class="fixed inset-0 flex items-start justify-center overflow-y-auto p-4" :class="wide ? 'pt-[5vh]' : 'pt-[12vh]'">
      <DialogPanel :class="wide ? 'max-w-5xl' : 'max-w-lg'" class="relative w-full rounded-md border rule bg-paper p-5">
        <DialogTitle class="display mb-3 flex min-h-11 items-center pr-28 text-lg">{{ title }}</DialogTitle>
        <slot />
        <!-- Last, so that the focus begins at what the dialog is for. -->
        <button type="button" class="button absolute top-5 right-5" @click="$emit('close')">Close</button>
      </DialogPanel>
    </div>
  </Dialog>
</template>
