<script setup lang="ts">
import { write } from '~/composables/server/useApi'
import { useForm } from '~/composables/server/useForm'
import { useDigits } from '~/composables/keys/useDigits'
import { useRemoval } from '~/composables/server/useRemoval'
import { usePeople } from '~/stores/people'
import { usePreferences } from '~/stores/preferences'
import type { Person } from '#shared/record'

/** Those who work here, each with a key; one is picked, another entered. */
const props = defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const preferences = usePreferences()
const shop = usePeople()
const draft = reactive({ name: '', initials: '' })
const form = useForm()
const leaving = useRemoval('POST /api/people/:id/removal', shop.keep)

watch(
  () => props.open,
  open => {
    if (open) void shop.load()
    form.refuse([])
  },
)
function pick(person: Person): void {
  preferences.signer = person.name
  emit('close')
}
useDigits(toRef(props, 'open'), number => {
  const person = shop.people[number - 1]
  if (person) pick(person)
})
/** `Tove Marl`: TM, as long as nothing else is said. */
const likely = computed(() =>
  draft.name
    .split(/[\s.-]+/)
    .map(word => [...word][0] ?? '')
    .join('')
    .toUpperCase()
    .slice(0, 4),
)
const enter = (): Promise<boolean> =>
  form.submit(
    names => write('POST /api/people', { ...names, name: draft.name.trim(), initials: draft.initials.trim() || likely.value }),
    people => {
      shop.keep(people)
      preferences.signer = draft.name.trim()
      Object.assign(draft, { name: '', initials: '' })
      emit('close')
    },
  )
</script>

<template>
  <PlainDialog :open="open" title="Who is at the bench?" @close="emit('close')">
    <div>
      <RemovedNotice :removed="leaving.removed.value" :refusal="leaving.refusal.value" @undo="leaving.undo" />
      <ul v-if="shop.people.length" class="mb-4 border-b rule" data-test="people">
        <li v-for="(person, i) in shop.people" :key="person.id" class="flex items-center gap-3 border-t rule">
          <button
            type="button"
            class="flex min-h-11 flex-1 items-center gap-3 text-left font-semibold"
            :aria-pressed="preferences.signer === person.name"
            @click="pick(person)"
          >
            <kbd class="w-6 text-center">{{ i < 9 ? i + 1 : ' ' }}</kbd>
            <span class="figure w-12">{{ person.initials }}</span>
            <span>{{ person.name }}</span>
            <span v-if="preferences.signer === person.name" class="text-in">at the bench</span>
          </button>
          <button
            type="button"
            class="link text-[13.5px]"
            :aria-label="`${person.name} has left`"
            @click="leaving.remove(person.name, person.id, person.version)"
          >
            has left
          </button>
        </li>
      </ul>
      <p v-else class="mb-3 text-mute">
        Nobody is entered yet. With names here, initials are enough wherever a name is asked for, and the record says who did what.
      </p>
      <form class="grid grid-cols-[minmax(0,1fr)_7rem] gap-2" novalidate @submit.prevent="enter">
        <div>
          <label class="label mb-1 block" for="person-name">Name</label>
          <input
            id="person-name"
            v-model="draft.name"
            class="field"
            maxlength="80"
            autocomplete="off"
            :aria-invalid="form.fault('name') !== undefined"
          />
          <p v-if="form.fault('name')" class="fault">{{ form.fault('name') }}</p>
        </div>
        <div>
          <label class="label mb-1 block" for="person-initials">Initials</label>
          <input
            id="person-initials"
            v-model="draft.initials"
            class="field"
            maxlength="4"
            autocomplete="off"
            :placeholder="likely"
            :aria-invalid="form.fault('initials') !== undefined"
          />
          <p v-if="form.fault('initials')" class="fault">{{ form.fault('initials') }}</p>
        </div>
        <button type="submit" class="button primary col-span-2 justify-self-start" :disabled="form.busy">Works here</button>
        <FormSays class="col-span-2" :says="form.rest()" :busy="form.busy" />
      </form>
    </div>
  </PlainDialog>
</template>
