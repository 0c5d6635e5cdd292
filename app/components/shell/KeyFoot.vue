<script setup lang="ts">
import { activeKeys, key, useKeys } from '~/composables/keys/useKeys'
import { usePreferences } from '~/stores/preferences'

/** The keys of the view at the foot; all of them under `?`. */
const preferences = usePreferences()
const route = useRoute()
const open = ref(false)
/** the job in one line, over the page; an empty workshop begins with it */
const line = ref(false)
function sayLine(): void {
  const here = document.querySelector<HTMLElement>('#one-line')
  if (here) here.focus()
  else line.value = true
}
const own = computed(() => [
  key('W', 'in one line', sayLine, { quiet: route.path !== '/' }),
  key('U', preferences.system === 'inch' ? 'show mm' : 'show thou', preferences.toggleSystem),
  key(
    '?',
    'all keys',
    () => {
      open.value = true
    },
    { quiet: true },
  ),
])
useKeys(own, { everywhere: true })
const shown = computed(() => activeKeys.value.flatMap(list => list.value))
</script>

<template>
  <footer class="print:hidden bottom-0 z-10 md:sticky border-t rule bg-paper px-4 py-0.5 md:px-6">
    <div class="flex flex-wrap items-center gap-x-6 gap-y-1 text-sm text-mute">
      <span v-for="binding in shown.filter(b => !b.quiet)" :key="binding.label + binding.does" class="hidden items-center gap-2 md:flex">
        <kbd>{{ binding.label }}</kbd>{{ binding.does }}</span
      >
      <button type="button" class="ml-auto flex min-h-9 items-center gap-2" @click="open = true"><kbd>?</kbd>all keys</button>
    </div>
    <PlainDialog :open="line" title="In one line" wide @close="line = false"><LazyLinePanel focused @kept="line = false" /></PlainDialog>
    <PlainDialog :open="open" title="Keys" @close="open = false">
      <table>
        <tbody>
          <tr v-for="binding in shown" :key="binding.label + binding.does">
            <td class="w-28">
              <kbd>{{ binding.label }}</kbd>
            </td>
            <td>{{ binding.does }}</td>
          </tr>
        </tbody>
      </table>
      <p class="mt-3 text-sm text-mute">A letter is a command while no figure is being typed. Tab and Shift-Tab reach everything.</p>
    </PlainDialog>
  </footer>
</template>
