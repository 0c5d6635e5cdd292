<script setup lang="ts">
/** A field whose text belongs to the one who types until it is left: what arrives from elsewhere meanwhile does not wipe it out. */
const { text, as = 'input' } = defineProps<{ text: string | number; as?: 'input' | 'textarea' }>()
const emit = defineEmits<{ keep: [string] }>()
const own = ref(String(text))
const typing = ref(false)
watch(
  () => String(text),
  next => {
    if (!typing.value) own.value = next
  },
)
function type(event: Event): void {
  typing.value = true
  own.value = (event.target as HTMLInputElement).value
}
function leave(): void {
  typing.value = false
  emit('keep', own.value)
}
</script>

<template>
  <component :is="as" class="field" autocomplete="off" :value="own" @input="type" @change="leave" />
</template>
