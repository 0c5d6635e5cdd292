<script setup lang="ts">
import { useTimeoutFn } from '@vueuse/core'

/** Under the fields of a form: what is said of none of them, and that it is on its way where that takes long. */
const props = defineProps<{ says: string | null; busy: boolean }>()
const slow = ref(false)
const { start, stop } = useTimeoutFn(() => (slow.value = true), 500, { immediate: false })
watch(
  () => props.busy,
  busy => {
    slow.value = false
    if (busy) start()
    else stop()
  },
)
// A long form is sent from above its end: what is said there is brought into sight.
const line = ref<HTMLElement>()
watch([() => props.says, slow], () => line.value?.scrollIntoView({ block: 'center' }), { flush: 'post' })
</script>

<template>
  <p v-if="says" ref="line" class="fault" role="alert">{{ says }}</p>
  <p v-else-if="busy && slow" ref="line" class="text-[14px] text-mute" role="status">On its way: nothing has to be sent again.</p>
</template>
