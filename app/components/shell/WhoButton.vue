<script setup lang="ts">
import { key, useKeys } from '~/composables/keys/useKeys'
import { usePeople } from '~/stores/people'
import { usePreferences } from '~/stores/preferences'

/** Who stands at this screen: what is done from here carries the name. */
const preferences = usePreferences()
const shop = usePeople()
onMounted(shop.load)
const open = ref(false)
const initials = computed(() => shop.people.find(({ name }) => name === preferences.signer)?.initials ?? null)
useKeys(
  computed(() => [
    key(
      'I',
      'who is at the bench',
      () => {
        open.value = true
      },
      { quiet: true },
    ),
  ]),
  { everywhere: true },
)
</script>

<template>
  <button
    type="button"
    class="min-h-9 px-1 text-sm font-semibold text-mute"
    data-test="who"
    :title="preferences.signer"
    :aria-label="preferences.signer ? `At the bench: ${preferences.signer}` : 'Who is at the bench?'"
    @click="open = true"
  >
    {{ initials ?? (preferences.signer || 'Who?') }}
  </button>
  <PeopleDialog :open="open" @close="open = false" />
</template>
