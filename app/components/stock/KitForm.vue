<script setup lang="ts">
import Papa from 'papaparse'
import { v4 as uuid } from 'uuid'
import type { KitSize } from '#core/pack/read-kit'
import { readKit } from '#core/pack/read-kit'
import { markedText } from '#core/quantity/format-length'
import { UNIT_NAME } from '#core/quantity/length'
import { drawerRows } from '#shared/drawer-rows'
import { useFileIn } from '~/composables/files/useFileIn'
import { usePreferences } from '~/stores/preferences'

/** A whole kit at one go: typed, or pasted from a list or a spreadsheet. */
const props = defineProps<{ family: string; families: readonly string[] }>()
const emit = defineEmits<{ added: [family: string, sizes: number]; close: [] }>()
const preferences = usePreferences()
const family = ref(props.family)
const text = ref('')
const tried = ref(false)
const kit = computed(() => readKit(text.value, preferences.unit))
const fileIn = reactive(useFileIn<object>('text/csv'))
/** Of this kit, while the form is open. */
const name = uuid()
const field = ref<HTMLInputElement>()
onMounted(() => field.value?.focus())
const words = ({ nominal, count, mark, colour, shape, inside, outside }: KitSize) =>
  [
    `${count} × ${markedText(nominal)}`,
    mark,
    colour,
    shape === 'flat' ? '' : shape === 'packing' ? 'packing, as squeezed' : shape,
    inside === undefined ? '' : `inside ${markedText(inside)}`,
    outside === undefined ? '' : `outside ${markedText(outside)}`,
  ]
    .filter(Boolean)
    .join(', ')
const fault = computed(() =>
  !tried.value
    ? null
    : family.value.trim() === ''
      ? 'What do these pieces belong to? Name the family.'
      : kit.value.sizes.length === 0 && kit.value.faults.length === 0
        ? 'Nothing is listed yet.'
        : null,
)

const asCsv = (sizes: readonly KitSize[]) =>
  Papa.unparse(drawerRows(family.value.trim(), sizes, name), { newline: '\n', escapeFormulae: /^[=+\-@\t\r]/ })
async function add(): Promise<void> {
  tried.value = true
  if (fault.value || kit.value.faults.length > 0) return
  const { sizes } = kit.value
  if (await fileIn.send('/api/stock/csv', asCsv(sizes))) emit('added', family.value.trim(), sizes.length)
}
</script>

<template>
  <form class="mb-4 grid gap-3 border-y rule py-4 md:grid-cols-2" novalidate data-test="kit" @submit.prevent="add">
    <div class="space-y-3">
      <div>
        <label class="label mb-1 block" for="kit-family">Family of the kit</label>
        <input id="kit-family" ref="field" v-model="family" list="kit-families" class="field" maxlength="60" autocomplete="off" />
        <datalist id="kit-families"><option v-for="f in families" :key="f" :value="f" /></datalist>
      </div>
      <div>
        <label class="label mb-1 block" for="kit-sizes">Sizes, one a line; bare figures are {{ UNIT_NAME[preferences.unit] }}</label>
        <textarea
          id="kit-sizes"
          v-model="text"
          class="field figure"
          rows="7"
          spellcheck="false"
          :placeholder="'32 stepped\n32 x 2\n16 3\nred 0.50 mm 2'"
        />
      </div>
    </div>
    <div aria-live="polite">
      <h2 class="label mb-1">As it is read</h2>
      <p v-if="!kit.sizes.length && !kit.faults.length" class="text-[14px] text-mute">
        Size, how many, its letter or colour, stepped or sprung, in any order. They count as marked until they are measured. x 0: it can be
        had, and there is none here.
      </p>
      <ul class="text-[14px]">
        <li v-for="(size, i) in kit.sizes" :key="i" class="figure">{{ words(size) }}</li>
      </ul>
      <p v-for="one in kit.faults" :key="one.line" class="fault">Line {{ one.line }}: {{ one.reason }}</p>
    </div>
    <div class="col-span-full">
      <p v-if="fault" class="fault mb-2">{{ fault }}</p>
      <p v-for="one in fileIn.faults" :key="one.path + one.reason" class="fault mb-2">{{ one.path }} {{ one.reason }}</p>
      <div class="flex gap-2">
        <button type="submit" class="button primary" :disabled="fileIn.busy">Put the kit in</button>
        <button type="button" class="button" @click="emit('close')">Leave it</button>
      </div>
    </div>
  </form>
</template>
