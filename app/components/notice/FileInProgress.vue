<script setup lang="ts">
import type { Progress } from '#shared/types'

/** How far a file is on its way in, or with being made, and the way to break it off. */
const props = withDefaults(
  defineProps<{
    progress: Progress | null
    /** said until it is known how far it is */
    starting?: string
  }>(),
  { starting: 'Reading and checking the file …' },
)
defineEmits<{ cancel: [] }>()
const share = computed(() => (props.progress ? props.progress.done / Math.max(1, props.progress.of) : 0))
const count = (value: number) => value.toLocaleString('en')
const words = ({ done, of, what }: Progress) => (what.startsWith('%') ? `${done} ${what}` : `${count(done)} of ${count(of)} ${what}`)
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
      {{ progress ? words(progress) : starting }}
    </span>
    <button type="button" class="button" @click="$emit('cancel')">Cancel</button>
  </div>
</template>
