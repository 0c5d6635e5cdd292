<script setup lang="ts">
import type { Progress } from '#shared/types'

/** How far a file is on its way in, and the way to break it off. */
const props = defineProps<{ progress: Progress | null }>()
defineEmits<{ cancel: [] }>()
const share = computed(() => (props.progress ? props.progress.done / Math.max(1, props.progress.of) : 0))
const count = (value: number) => value.toLocaleString('en')
</script>

<template>
  <div class="flex max-w-xl items-center gap-3 text-[14px]" role="status" data-test="file-progress">
    <progress
      class="file-progress h-2 w-48 flex-none"
      :max="1"
      :value="progress ? share : undefined"
      aria-label="How far the file is"
    ></progress>
    <span class="figure text-[13px]">
      {{ progress ? `${count(progress.done)} of ${count(progress.of)} ${progress.what}` : 'Reading and checking the file …' }}
    </span>
    <button type="button" class="button" @click="$emit('cancel')">Cancel</button>
  </div>
</template>
