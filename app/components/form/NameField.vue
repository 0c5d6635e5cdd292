<script setup lang="ts">
import { usePeople } from '~/stores/people'

/** Whose name goes under it: typed, picked from those who work here, or told by initials. */
const props = defineProps<{ id: string; label: string; fault?: string | null | undefined }>()
const name = defineModel<string>({ required: true })
const shop = usePeople()
onMounted(shop.load)
const list = useId()
/** Before anything else is done with it: Enter sends the form. */
function complete(): void {
  name.value = shop.nameOf(name.value) ?? name.value
}
defineExpose({ focus: () => document.getElementById(props.id)?.focus() })
</script>

<template>
  <div>
    <label class="label mb-1 block" :for="id">{{ label }}</label>
    <input
      :id="id"
      v-model="name"
      class="field"
      maxlength="80"
      autocomplete="off"
      :list="list"
      :aria-invalid="!!fault"
      @keydown.enter="complete"
      @change="complete"
    />
    <datalist :id="list">
      <option v-for="person in shop.people" :key="person.id" :value="person.name">{{ person.initials }}</option>
    </datalist>
    <p v-if="fault" class="fault">{{ fault }}</p>
  </div>
</template>
