<script setup lang="ts">
import { useKeysAhead } from '~/composables/keys/useKeysAhead'
import type { DialogProps } from './dialog-props'

/** A dialog over the page. What it is made of comes when the first is opened. */
const props = defineProps<DialogProps>()
defineEmits<{ close: [] }>()
const there = useKeysAhead(toRef(props, 'open'))
const asked = ref(props.open)
watch(
  () => props.open,
  open => {
    asked.value ||= open
  },
)
</script>

<template>
  <LazyDialogFrame v-if="asked" v-bind="props" @close="$emit('close')" @there="there"><slot /></LazyDialogFrame>
</template>
