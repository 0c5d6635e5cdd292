<script setup lang="ts">
import type { CheckKind } from '#core/check/contract'
import { setupWords } from '#core/check/sentence/setup-words'
import { isZeroed, type Gauge } from '#core/reading/gauge'
import { useKindView } from '~/components/bench/kinds/views'
import { useBeginning } from '~/composables/bench/useBeginning'
import { heldBack } from '~/composables/server/heldBack'
import { write } from '~/composables/server/useApi'
import { useForm } from '~/composables/server/useForm'
import { entryWords } from '~/composables/server/useLibrary'
import { dayText } from '#core/quantity/day'
import { today } from '~/composables/words/today'
import { usePreferences } from '~/stores/preferences'

/**
 * A new check of a kind: what it begins with, filled in from the unit’s last, the library, the drawer and the register, and said as sentences
 * to confirm. What no one knows is asked; the rest opens when something is to be otherwise.
 */
const props = defineProps<{
  jobId: string
  kind: CheckKind
  /** of the unit */
  type: string
}>()
const emit = defineEmits<{ leave: [] }>()
const preferences = usePreferences()
const form = useForm()
const title = ref('')
const titleField = useTemplateRef<HTMLInputElement>('titleField')
onMounted(() => titleField.value?.focus())
const {
  setup,
  change,
  asked,
  asLast,
  last,
  here,
  families,
  family,
  figures,
  picked,
  limited,
  limitUnit,
  lower,
  upper,
  limits,
  limitWords,
  known,
  fromLibrary,
  taken,
  take,
  settings,
  begun,
} = useBeginning(props.kind, props.jobId, props.type, title)
const open = ref(false)
/** Once it was open what is typed in it stays, folded or not. */
const opened = ref(false)
watch(open, () => {
  opened.value = true
})
const otherwise = useTemplateRef<HTMLElement>('otherwise')
async function unfold(): Promise<void> {
  open.value = true
  await nextTick()
  otherwise.value?.querySelector<HTMLElement>('select, input')?.focus()
}
const view = useKindView(() => props.kind.id)
const gaugeWords = (gauge: Gauge) =>
  gauge.due !== null && gauge.due < today()
    ? 'due for its check'
    : isZeroed(gauge.kind) && gauge.zeroedOn !== today()
      ? 'to be zeroed first'
      : ''

const limitFault = computed(() =>
  form.fault(`settings.limits.${limits.value.findIndex(({ result, role }) => role === 'book' && result === limited.value?.id)}.set`),
)
/** Limits are typed in their row while none are known; what was begun there stays there, whatever the shop answers. */
const typing = ref(false)
const atHand = computed(() => typing.value || known.value.length === 0)
/** Down opens the rest from any field of text; Enter begins, from a list as well. */
function onKeydown(event: KeyboardEvent): void {
  const { target, key: pressed } = event
  if (pressed === 'ArrowDown' && target instanceof HTMLInputElement && !otherwise.value?.contains(target)) void unfold()
  else if (pressed === 'Enter' && target instanceof HTMLSelectElement) target.form?.requestSubmit()
  else return
  event.preventDefault()
}
async function make(): Promise<void> {
  await form.submit(
    async names => {
      // Whoever types faster than the shop answers still gets what it knows.
      await here
      return write('POST /api/jobs/:id/checks', { ...names, kind: props.kind.id, settings: settings.value }, props.jobId)
    },
    check => navigateTo(`/checks/${check.document.id}`),
  )
}
/** What is folded away is unfolded where something in it is refused: nothing that was typed is dropped. */
async function submit(event: Event): Promise<void> {
  const { target } = event
  if ((target as HTMLFormElement).querySelector('[data-test="otherwise"] [data-refused]')) open.value = true
  await nextTick()
  if (!heldBack(target as HTMLFormElement)) await make()
}
/** What was refused is shown where it can be mended. */
watch(
  () => form.faults,
  faults => {
    if (faults.length > 0) open.value = true
  },
)
</script>

<template>
  <form novalidate data-test="begin-check" @submit.prevent="submit" @keydown="onKeydown">
    <div class="mb-4 grid items-start gap-x-6 gap-y-2 md:grid-cols-[minmax(0,1fr)_20rem]">
      <div>
        <h1 class="display text-[26px] leading-tight">{{ kind.title }}</h1>
        <p class="text-mute">{{ kind.about }} Figures in {{ preferences.system === 'inch' ? 'thou and inches' : 'millimetres' }}.</p>
      </div>
      <div>
        <label class="label mb-1 block" for="check-title">Name</label>
        <input id="check-title" ref="titleField" v-model="title" class="field" :placeholder="kind.title" autocomplete="off" />
        <p v-if="form.fault('settings.title')" class="fault">{{ form.fault('settings.title') }}</p>
      </div>
    </div>

    <div v-if="asked.length" class="mb-4 grid gap-3 md:grid-cols-2" data-test="must-be-said">
      <SetupFields
        :kind="kind"
        :setup="setup"
        :unit-system="preferences.system"
        :only="asked"
        :disabled="false"
        :settled="false"
        :faults="form.faults"
        @change="change"
      />
    </div>

    <div class="grid items-start gap-x-10 gap-y-4 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <dl class="grid border-b rule md:grid-cols-[9rem_minmax(0,1fr)]" data-test="confirm">
        <dt class="label border-t rule pt-2.5">Set up</dt>
        <dd class="rule pb-2 md:border-t md:py-2">
          <p v-if="last && asLast" class="font-semibold">As on {{ dayText(last.day) }}, {{ last.job }}</p>
          <p>{{ setupWords(kind, setup, preferences.system).join(' · ') || 'Nothing to choose.' }}</p>
        </dd>
        <template v-if="limited">
          <dt class="label border-t rule pt-2.5">Limits</dt>
          <dd class="rule pb-2 md:border-t md:py-2">
            <p v-for="words in limitWords" :key="words">{{ words }}</p>
            <template v-if="atHand">
              <p v-if="limits.length === 0" class="mb-1 text-mute">None known: without limits it is measured and not judged.</p>
              <LimitsToBegin
                v-model:lower="lower"
                v-model:upper="upper"
                v-model:picked="picked"
                :figures="figures"
                :limited="limited"
                :unit="limitUnit"
                :fault="limitFault"
                @input="typing = true"
              />
            </template>
          </dd>
        </template>
        <template v-if="kind.places(setup).length">
          <dt class="label border-t rule pt-2.5"><label for="check-family">Pieces come from</label></dt>
          <dd class="rule pb-2 md:border-t md:py-1.5">
            <select id="check-family" v-model="family" class="field max-w-md">
              <option value="">no drawer yet</option>
              <option v-for="f in families?.families ?? []" :key="f" :value="f">{{ f }}</option>
            </select>
          </dd>
        </template>
        <template v-if="begun.gauges.length">
          <dt class="label border-t rule pt-2.5">Read with</dt>
          <dd class="rule pb-2 md:border-t md:py-2">
            <p v-for="{ label, gauge } in begun.gauges" :key="label">
              <template v-if="gauge"
                >{{ gauge.name }}<span v-if="gaugeWords(gauge)" class="text-mute">, {{ gaugeWords(gauge) }}</span></template
              >
              <span v-else class="text-near">{{ label }}: the register has none</span>
            </p>
          </dd>
        </template>
      </dl>

      <component :is="view.drawing" v-if="view" v-bind="view.drawn(setup)" class="justify-self-center" />
    </div>
    <div v-if="opened" v-show="open" ref="otherwise" class="mt-5 grid gap-3 md:grid-cols-2" data-test="otherwise">
      <SetupFields
        :kind="kind"
        :setup="setup"
        :unit-system="preferences.system"
        :disabled="false"
        :settled="false"
        :faults="form.faults"
        @change="change"
      />
      <fieldset v-if="fromLibrary.length" class="md:col-span-2" data-test="from-library">
        <legend class="label">From the library of limits</legend>
        <label v-for="entry in fromLibrary" :key="entry.id" class="flex min-h-9 items-center gap-2.5 text-[14.5px]">
          <input
            type="checkbox"
            class="size-4"
            :checked="taken.includes(entry.id)"
            @change="take(entry, ($event.target as HTMLInputElement).checked)"
          />
          <span>{{ entryWords(entry) }}<span class="text-mute"> · {{ entry.role }}{{ entry.type ? `, ${entry.type}` : '' }}</span></span>
        </label>
      </fieldset>
      <LimitsToBegin
        v-if="limited && !atHand"
        v-model:lower="lower"
        v-model:upper="upper"
        v-model:picked="picked"
        class="md:col-span-2"
        :figures="figures"
        :limited="limited"
        :unit="limitUnit"
        :fault="limitFault"
      />
    </div>
    <div class="mt-4 flex flex-wrap items-center gap-2">
      <button type="submit" class="button primary" :disabled="form.busy">Begin the check</button>
      <button type="button" class="button" :aria-expanded="open" @click="open ? (open = false) : unfold()">
        <kbd v-if="!open" class="mr-1">↓</kbd> {{ open ? 'Fold it again' : 'Something is otherwise' }}
      </button>
      <button type="button" class="button" @click="emit('leave')">Another kind</button>
    </div>
    <FormSays :says="form.rest('settings.setup')" :busy="form.busy" />
  </form>
</template>
