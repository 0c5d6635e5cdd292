<script setup lang="ts">
import type { CheckKind } from '#core/check/contract'
import { KIND_GROUPS, kindsFound } from '#core/check/which'
import { giveToPage } from '~/composables/keys/useKeysAhead'
import { useGridKeys } from '~/composables/keys/useGridKeys'

/** The kinds of check as sketches, by the part of the machine they belong to. What is typed leaves those it means; Enter takes the first. */
const emit = defineEmits<{ take: [CheckKind] }>()
const text = ref('')
const found = computed(() => kindsFound(text.value))
const groups = computed(() =>
  KIND_GROUPS.map(group => ({ ...group, kinds: found.value.filter(({ under }) => under === group.id) })).filter(
    ({ kinds }) => kinds.length > 0,
  ),
)
/** The one Enter takes: of none that was asked for, none. */
const first = computed(() => (text.value.trim() === '' ? null : (found.value[0] ?? null)))
const field = useTemplateRef<HTMLInputElement>('field')
const list = useTemplateRef<HTMLElement>('list')
onMounted(() => {
  field.value?.focus()
  giveToPage()
})
const grid = useGridKeys(list, 'ul')
const buttons = () => [...(list.value?.querySelectorAll('button') ?? [])]
/** Down from the field to the pictures and up again; what is typed at a picture is typed in the field. */
function onKeydown(event: KeyboardEvent): void {
  const typed = event.key.length === 1 && event.key !== ' ' && !event.ctrlKey && !event.metaKey && !event.altKey
  if (event.target === field.value) {
    if (event.key !== 'ArrowDown') return
    event.preventDefault()
    ;(buttons().find(button => button.dataset.first !== undefined) ?? buttons()[0])?.focus()
  } else if (typed || (event.key === 'ArrowUp' && list.value?.querySelector('ul')?.contains(event.target as Node))) {
    field.value?.focus()
    if (event.key === 'ArrowUp') event.preventDefault()
  } else grid.onKeydown(event)
}
function enter(): void {
  if (first.value) emit('take', first.value)
}
</script>

<template>
  <div @keydown="onKeydown">
    <h1 class="sr-only">Which check?</h1>
    <label class="label mb-1 block" for="which-check">Which check? A part, a symptom or a word</label>
    <input
      id="which-check"
      ref="field"
      v-model="text"
      class="field max-w-xl"
      placeholder="loose wheel, bell housing, thrust …"
      autocomplete="off"
      :aria-describedby="first ? 'which-first' : undefined"
      @keydown.enter.prevent="enter"
    />
    <p class="mt-2 min-h-6 text-[13.5px] text-mute" role="status">
      <template v-if="first"
        ><span id="which-first"><kbd>Enter</kbd> {{ first.title }}</span>{{ found.length > 1 ? ` · ${found.length} are meant` : '' }} ·
        <kbd>↓</kbd> to the pictures</template
      >
      <template v-else-if="found.length === 0">No check is known by that: try the part it is about.</template>
      <template v-else><kbd>↓</kbd> to the pictures</template>
    </p>
    <div ref="list" class="mt-2">
      <section
        v-for="group in groups"
        :key="group.id"
        :aria-label="group.title"
        class="grid border-t rule py-1.5 md:grid-cols-[8.5rem_minmax(0,1fr)]"
      >
        <h2 class="label pt-2">{{ group.title }}</h2>
        <ul class="grid grid-cols-2 gap-x-2 gap-y-1 sm:grid-cols-3 lg:grid-cols-6">
          <li v-for="kind in group.kinds" :key="kind.id">
            <KindCard :kind="kind" :first="kind === first" @take="emit('take', kind)" />
          </li>
        </ul>
      </section>
    </div>
  </div>
</template>
