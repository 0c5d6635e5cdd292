<script setup lang="ts">
import { parseSum } from '#core/quantity/parse-sum'
import { nextLeaves } from '#core/method/feeler/leaves'
import { formatFigure, isLengthUnit, unitName, type Exact, type FigureEntry } from '#core/quantity/figure'
import type { Nm } from '#core/quantity/length'
import { STONES, type Entry } from '#core/reading/reading'
import type { ReadsAs } from '~/composables/keys/readsAs'
import type { Draft } from '~/composables/bench/useDraft'
import { useEntry, type EntryProps } from './useEntry'

/**
 * A reading in figures: type, Enter, and where a second figure belongs to it, that and Enter. What else goes with it stands below: where
 * it started, whether it sprang back, how warm the part is, which stone, how many leaves.
 */
const props = defineProps<
  EntryProps & {
    form: Exclude<Entry, 'word' | 'pieces'>
    /** the part can be warmer than its gauge */
    warm: boolean
    /** what the two figures of a range are called */
    ends: readonly [string, string]
    /** of the feelers in use; null: it is read without */
    leaves: readonly Exact[] | null
  }
>()
const draft = defineModel<Draft>('draft', { required: true })
const emit = defineEmits<{ log: []; answer: [string, number] }>()

interface Field {
  readonly name: string
  readonly aria: string
  readonly placeholder: string
}
interface Fields {
  readonly first: Field
  /** typed after the first, in a field beside it */
  readonly second: Field | null
  readonly missing: string
}
const capital = (word: string) => word.charAt(0).toUpperCase() + word.slice(1)
const fields = computed<Fields>(() => {
  switch (props.form) {
    case 'travel':
      return {
        first: { name: '', aria: 'Far reading', placeholder: 'far' },
        second: { name: 'back', aria: 'Back reading; blank means it returned to zero', placeholder: '0' },
        missing: 'Type the far reading first: the figure the dial shows when pushed fully over.',
      }
    case 'range':
      return props.leaves
        ? {
            first: { name: 'goes', aria: 'Thickest stack that goes', placeholder: '' },
            second: {
              name: 'does not',
              aria: 'Thinnest stack that does not go; blank means the first went snugly',
              placeholder: 'snug',
            },
            missing: 'Type the thickest stack that goes.',
          }
        : !isLengthUnit(props.unit)
          ? {
              first: { name: props.ends[0], aria: capital(props.ends[0]), placeholder: '' },
              second: { name: props.ends[1], aria: `${capital(props.ends[1])}; blank: not noted`, placeholder: '–' },
              missing: 'Type the figure while it turns.',
            }
          : {
              first: { name: props.ends[0], aria: `${capital(props.ends[0])}; a range such as 15..20 may be typed here`, placeholder: '' },
              second: { name: props.ends[1], aria: capital(props.ends[1]), placeholder: '' },
              missing: 'Type the first figure, or a range such as 5..6.',
            }
    default:
      return { first: { name: '', aria: 'Figure read', placeholder: 'figure' }, second: null, missing: 'Type the figure first.' }
  }
})
const first = useTemplateRef<HTMLInputElement>('first')
const second = useTemplateRef<HTMLInputElement>('second')
const choiceList = useTemplateRef<HTMLElement>('choiceList')
const { asking, reason, beside, focus, firstEntered, submit, answered, typeAnew } = useEntry({
  fields: { first, second, choiceList },
  props,
  draft,
  missing: () => fields.value.missing,
  log: () => emit('log'),
  answer: (text, value) => emit('answer', text, value),
})
const show = (value: number) => formatFigure(value, props.unit, { trim: true })
const next = computed(() =>
  props.leaves && props.far.ok && draft.value.far.trim() ? nextLeaves(props.leaves as readonly Nm[], props.far.value as Nm) : null,
)
const asEntry = (entry: FigureEntry): ReadsAs => (entry.ok ? 'entry' : entry.choices ? 'asked' : 'nothing')
const onFirst = () => (fields.value.second ? firstEntered() : submit())
defineExpose({ focus, submit })
</script>

<template>
  <div>
    <div
      class="flex items-stretch rounded-md border-2 border-accent bg-sheet focus-within:outline-2 focus-within:outline-accent"
      data-test="entry"
    >
      <label class="flex w-0 flex-1 items-center gap-2 text-[12px] text-mute" :class="fields.first.name ? 'pl-3' : 'pl-4'"
        >{{ fields.first.name }}
        <input
          ref="first"
          v-model="draft.far"
          v-reads="() => (word ? 'entry' : asEntry(far))"
          data-keys
          :aria-label="fields.first.aria"
          type="text"
          inputmode="decimal"
          autocomplete="off"
          :placeholder="fields.first.placeholder"
          class="entry figure min-h-14 w-0 flex-1 bg-transparent text-ink"
          :class="fields.first.name ? 'text-[24px]' : 'text-[27px]'"
          :aria-invalid="reason !== null"
          aria-describedby="entry-note"
          @keydown.enter.prevent.stop="onFirst"
        />
      </label>
      <span v-if="form !== 'range'" class="flex items-center px-2 text-right text-[12px] leading-tight text-mute">{{ beside }}</span>
      <label
        v-if="fields.second"
        class="flex items-center gap-1 border-l rule pl-2 text-[12px] text-mute"
        :class="form === 'range' ? 'w-0 flex-1' : ''"
        >{{ fields.second.name }}
        <input
          ref="second"
          v-model="draft.back"
          v-reads="() => asEntry(back)"
          data-keys
          :aria-label="fields.second.aria"
          type="text"
          inputmode="decimal"
          autocomplete="off"
          :placeholder="fields.second.placeholder"
          class="entry figure min-h-14 bg-transparent text-ink"
          :class="form === 'range' ? 'w-0 flex-1 text-[24px]' : 'w-16 text-[20px]'"
          @keydown.enter.prevent.stop="submit"
        />
      </label>
    </div>
    <div ref="choiceList" @keydown.capture="typeAnew">
      <EntryNote :reason="reason" :choices="asking?.choices ?? []" @answer="answered" />
    </div>
    <div class="mt-1 flex items-center gap-x-3 text-[13px] text-mute">
      <template v-if="form === 'travel'">
        <label class="flex min-h-11 items-center gap-2">
          <input v-model="draft.springBack" type="checkbox" class="size-4 accent-[var(--out)]" />sprang back</label
        >
        <label class="flex min-h-11 items-center gap-2"
          >started at
          <input
            v-model="draft.start"
            v-reads="() => asEntry(start)"
            aria-label="Start reading; blank means zero"
            type="text"
            inputmode="decimal"
            autocomplete="off"
            placeholder="0"
            class="figure w-12 border-b rule bg-transparent text-ink"
            @keydown.enter.prevent.stop="submit"
        /></label>
      </template>
      <label v-if="warm" class="flex min-h-11 items-center gap-1.5"
        >part at
        <input
          ref="second"
          v-model="draft.celsius"
          v-reads="() => (heatFault === null ? 'entry' : 'nothing')"
          aria-label="Temperature of the part; blank: as the gauge; hot: nobody measured it"
          type="text"
          inputmode="decimal"
          autocomplete="off"
          placeholder="as gauge, hot"
          class="figure w-24 border-b rule bg-transparent text-ink"
          :aria-invalid="heatFault !== null"
          aria-describedby="entry-note"
          @keydown.enter.prevent.stop="submit"
        />
        °C</label
      >
      <label v-if="form === 'pass'" class="flex min-h-11 items-center gap-1.5"
        ><span class="sr-only">stone</span>
        <select v-model="draft.stone" aria-label="Stone of this pass" class="field !min-h-9 !w-auto !py-0 !pl-2">
          <option value="">no stone</option>
          <option v-for="stone in STONES" :key="stone" :value="stone">{{ stone }}</option>
        </select>
      </label>
      <label v-if="leaves" class="flex min-h-11 items-center gap-2"
        >leaves in the stack
        <input
          v-model="draft.leaves"
          aria-label="Leaves in the stack"
          type="text"
          inputmode="numeric"
          autocomplete="off"
          :placeholder="String(isLengthUnit(unit) ? parseSum(draft.far, unit).parts : 1)"
          class="figure w-8 border-b rule bg-transparent text-ink"
          @keydown.enter.prevent.stop="submit"
      /></label>
      <span v-if="form === 'range'">{{ beside }}</span>
      <button type="button" class="button ml-auto min-h-9 px-3" @click="submit">Log</button>
    </div>
    <p v-if="next" class="text-[13px] text-mute" data-test="next-leaves">
      Next up: {{ next.up.map(show).join(' + ') || 'none in this set'
      }}<template v-if="next.down.length"> · down: {{ next.down.map(show).join(' + ') }}</template> {{ unitName(unit) }}
    </p>
  </div>
</template>
