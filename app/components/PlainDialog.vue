<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'

defineProps<{ open: boolean, title: string }>()
defineEmits<{ close: [] }>()
</script>

<template>
  <Dialog :open="open" class="relative z-20" @close="$emit('close')">
    <div class="fixed inset-0 bg-black/50" aria-hidden="true" />
    <div class="fixed inset-0 flex items-start justify-center overflow-y-auto p-4 pt-[12vh]">
      <DialogPanel class="w-full max-w-lg rounded-md border rule bg-paper p-5">
        <div class="mb-3 flex items-center justify-between gap-4">
          <DialogTitle class="display text-lg">{{ title }}</DialogTitle>
          <button type="button" class="button" @click="$emit('close')">Close</button>
        </div>
        <slot />
      </DialogPanel>
    </div>
  </Dialog>
</template>
