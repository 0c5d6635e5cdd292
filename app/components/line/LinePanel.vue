<script setup lang="ts">
import { reckonLine, tellLine } from '#core/line/answer-line'
import { LINE_EXAMPLES } from '#core/line/examples'
import { readLine } from '#core/line/read-line'
import { otherKinds, turnedWay } from '#core/line/turn'
import { UNIT_NAME, type LengthUnit } from '#core/quantity/length'
import { checkKind } from '#core/check/registry'
import { useChooser } from '~/composables/bench/useChooser'
import { familiesFor } from '~/composables/drawer/families'
import { useDrawer } from '~/composables/drawer/useDrawer'
import { api } from '~/composables/server/useApi'
import { usePreferences } from '~/stores/preferences'
import type { Families } from '#shared/types'

/** A job typed in one line, and its answer while it is typed. Nothing of it is stored before it is kept. */
/** so many of what is not read are named */
const SHOWN = 4
const props = defineProps<{ /** the cursor is in it as soon as it is there */ focused?: boolean }>()
const emit = defineEmits<{ /** it is a check now, and open */ kept: [] }>()
const preferences = usePreferences()
const text = ref('')
const unit = ref<LengthUnit>(preferences.unit)
const field = useTemplateRef<HTMLInputElement>('field')
const examples = ref(false)
const typed = computed(() => text.value.trim() !== '')
const said = computed(() => readLine(text.value, unit.value))
/** Only where a family of it is named, or a piece by what it goes by there. */
const { stock, load } = useDrawer()
const families = shallowRef<Families | null>(null)
const unreached = ref(false)
watch(
  () => said.value.byName || (said.value.drawer !== null && 'family' in said.value.drawer),
  async named => {
    if (!named || families.value) return
    await Promise.all([load(), api<Families>('/api/stock/families').then(all => (families.value = all))]).catch(() => {
      unreached.value = true
    })
  },
)
/** What goes by a name goes by it in the family that such a check takes its pieces from, or in whichever, as long as none is known. */
const line = computed(() => {
  const { byName, kind } = said.value
  if (!byName || kind === null || !stock.value || !families.value) return said.value
  const { first } = familiesFor(kind, families.value)
  return readLine(
    text.value,
    unit.value,
    stock.value.lots.filter(({ family, mark, colour }) => (first ? family === first : mark || colour)),
  )
})
const reckoned = computed(() =>
  typed.value && line.value.kind !== null ? reckonLine(line.value, text.value, stock.value?.lots ?? []) : null,
)
const { choice, busy } = useChooser(computed(() => reckoned.value?.request ?? null))
const told = computed(() => (reckoned.value && !busy.value ? tellLine(reckoned.value, choice.value) : null))
const asks = computed(() => [...line.value.asks, ...(reckoned.value?.check.asks ?? [])])
const faults = computed(() => (typed.value ? [...line.value.faults, ...(reckoned.value?.check.faults ?? [])] : []))
const others = computed(() => (typed.value ? otherKinds(text.value, line.value) : []))
const turned = computed(() => (typed.value ? turnedWay(text.value, line.value) : null))

/** All that has to be said is said. */
const keepable = computed(() => reckoned.value !== null && asks.value.length === 0 && faults.value.length === 0)
const keeping = ref(false)
watch(keepable, still => {
  if (!still) keeping.value = false
})
function back(): void {
  keeping.value = false
  field.value?.focus()
}

function say(words: string): void {
  text.value = words
  examples.value = false
  field.value?.focus()
}
/** Nothing typed: the example. Else it is kept, or what is asked is answered first. */
const questions = useTemplateRef<HTMLElement>('questions')
function enter(): void {
  if (!typed.value) say(LINE_EXAMPLES[0]!)
  else if (keepable.value) keeping.value = true
  else questions.value?.querySelector<HTMLElement>('button')?.focus()
}
function turnUnit(): void {
  unit.value = unit.value === 'mm' ? 'thou' : 'mm'
}
function turnWay(): void {
  if (turned.value !== null) say(turned.value)
}
onMounted(() => {
  if (props.focused) field.value?.focus()
})
defineExpose({ enter })
</script>

<template>
  <section aria-label="A job in one line" data-test="line">
    <label for="one-line" class="label mb-1 block">What was read, what is allowed, what is in: as you would say it</label>
    <div class="relative">
      <input
        id="one-line"
        ref="field"
        v-model="text"
        type="text"
        class="field figure !min-h-13 pr-20 !text-[17px]"
        maxlength="400"
        autocomplete="off"
        spellcheck="false"
        :placeholder="LINE_EXAMPLES[0]"
        aria-describedby="one-line-keys"
        @keydown.enter.prevent="enter"
        @keydown.up.prevent="turnUnit"
        @keydown.down.prevent="turnWay"
        @keydown="$event.key === '?' && ($event.preventDefault(), (examples = !examples))"
      />
      <span class="pointer-events-none absolute inset-y-0 right-3 flex items-center text-[13px] text-mute" data-test="line-unit">{{
        UNIT_NAME[line.unit]
      }}</span>
    </div>
    <p id="one-line-keys" class="mt-1.5 flex flex-wrap gap-x-5 gap-y-1 text-[13px] text-mute">
      <span v-if="!typed"><kbd>Enter</kbd> answer the example</span>
      <button v-else-if="keepable && !keeping" type="button" class="link" @click="keeping = true">
        <kbd>Enter</kbd> keep it as a check
      </button>
      <button v-if="!line.unitSaid" type="button" class="link" @click="turnUnit">
        <kbd>↑</kbd> read it in {{ unit === 'mm' ? 'thou' : 'mm' }}
      </button>
      <button v-if="turned !== null" type="button" class="link" @click="turnWay"><kbd>↓</kbd> turn which way the pack moves it</button>
      <button type="button" class="link" :aria-expanded="examples" @click="examples = !examples"><kbd>?</kbd> examples</button>
    </p>
    <ul v-if="examples" class="mt-2 border-y rule py-1" aria-label="Examples">
      <li v-for="example in LINE_EXAMPLES" :key="example">
        <button type="button" class="figure min-h-9 py-1 text-left text-[14px]" @click="say(example)">{{ example }}</button>
      </li>
    </ul>
    <div v-if="typed" ref="questions" class="mt-4 space-y-2" aria-live="polite">
      <p class="text-[14px] text-mute" data-test="line-kind">
        {{ line.kind === null ? 'No word says what is measured. Is it' : checkKind(line.kind).title
        }}<template v-if="reckoned?.check.wayWords"> · {{ reckoned.check.wayWords }}</template>
        <template v-if="line.kind !== null && others.length"> · or is it</template>
      </p>
      <p v-if="others.length" class="flex flex-wrap gap-2" data-test="line-others">
        <button v-for="one in others" :key="one.label" type="button" class="button min-h-10" @click="say(one.line)">{{ one.label }}</button>
      </p>
      <p v-if="told?.words" class="text-[20px] leading-snug" data-test="line-answer">{{ told.words }}</p>
      <p v-else-if="busy" class="text-mute">Going through the pieces …</p>
      <p v-if="told?.sum" class="figure text-[14px] text-mute" data-test="line-sum">{{ told.sum }}</p>
      <div v-for="ask in asks" :key="ask.words">
        <p class="text-near">{{ ask.words }}</p>
        <p class="mt-1 flex flex-wrap gap-2">
          <button v-for="one in ask.choices" :key="one.label" type="button" class="button min-h-10" @click="say(one.line)">
            {{ one.label }}
          </button>
        </p>
      </div>
      <p v-for="fault in faults" :key="fault" class="fault">{{ fault }}</p>
      <p v-if="unreached" class="fault">The drawer is not reached: name the sizes instead.</p>
      <p v-if="reckoned?.caution" class="caution text-[14px]">{{ reckoned.caution }}</p>
      <p v-if="reckoned?.open.length" class="text-[14px] text-near">
        Not read or said: {{ reckoned.open.slice(0, SHOWN).join(', ').toLowerCase()
        }}{{ reckoned.open.length > SHOWN ? `, and ${reckoned.open.length - SHOWN} more` : '' }}.
      </p>
      <p v-if="reckoned?.check.standsIn.length" class="text-[13.5px] text-mute" data-test="line-stands-in">
        Stands in: {{ reckoned.check.standsIn.join('; ') }}. Other words: <span class="figure">tenths dial</span>,
        <span class="figure">three readings</span>. Pieces count as marked.
      </p>
    </div>
    <LazyLineKeep
      v-if="keeping"
      :key="line.kind ?? ''"
      :line="line"
      :lots="stock?.lots ?? []"
      :text="text"
      :unit="unit"
      @close="back"
      @kept="emit('kept')"
    />
  </section>
</template>
