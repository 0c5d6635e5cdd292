<script setup lang="ts">
import { parseSum } from '#core/quantity/parse-sum'
import { nextLeaves } from '#core/method/feeler/leaves'
import { formatFigure, isLengthUnit, unitName, type Exact, type FigureEntry, type Unit } from '#core/quantity/figure'
import type { Nm } from '#core/quantity/length'
import { STONES, type Entry } from '#core/reading/reading'
import type { ReadsAs } from '~/composables/keys/readsAs'
import type { Draft } from '~/composables/bench/useDraft'

/** What goes with the figure in the cell: where it started, whether it sprang back, how warm the part is, which stone, how many leaves. */
const props = defineProps<{
  form: Entry
  unit: Unit
  far: FigureEntry
  start: FigureEntry
  heatFault: string | null
  /** the part can be warmer than its gauge */
  warm: boolean
  /** of the feelers in use; null: it is read without */
  leaves: readonly Exact[] | null
}>()
const draft = defineModel<Draft>('draft', { required: true })
defineEmits<{ submit: [] }>()
const show = (value: number) => formatFigure(value, props.unit, { trim: true })
const next = computed(() =>
  props.leaves && props.far.ok && draft.value.far.trim() ? nextLeaves(props.leaves as readonly Nm[], props.far.value as Nm) : null,
)
const startReads = (): ReadsAs => (props.start.ok ? 'entry' : props.start.choices ? 'asked' : 'nothing')
const warmth = useTemplateRef<HTMLInputElement>('warmth')
defineExpose({ warmth })
</script>

<template>
  <div>
    <div class="mt-1 flex flex-wrap items-center gap-x-4 text-[13px] text-mute">
      <template v-if="form === 'travel'">
        <label class="flex min-h-9 items-center gap-2">
          <input v-model="draft.springBack" type="checkbox" class="size-4 accent-[var(--out)]" />sprang back</label
        >
        <label class="flex min-h-9 items-center gap-2"
          >started at
          <input
            v-model="draft.start"
            v-reads="startReads"
            aria-label="Start reading; blank means zero"
            type="text"
            inputmode="decimal"
            autocomplete="off"
            placeholder="0"
            class="figure w-12 border-b rule bg-transparent text-ink"
            @keydown.enter.prevent.stop="$emit('submit')"
        /></label>
      </template>
      <label v-if="warm" class="flex min-h-9 items-center gap-1.5"
        >part at
        <input
          ref="warmth"
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
          @keydown.enter.prevent.stop="$emit('submit')"
        />
        °C</label
      >
      <label v-if="form === 'pass'" class="flex min-h-9 items-center gap-1.5"
        ><span class="sr-only">stone</span>
        <select v-model="draft.stone" aria-label="Stone of this pass" class="field !min-h-9 !w-auto !py-0 !pl-2">
          <option value="">no stone</option>
          <option v-for="stone in STONES" :key="stone" :value="stone">{{ stone }}</option>
        </select>
      </label>
      <label v-if="leaves" class="flex min-h-9 items-center gap-2"
        >leaves in the stack
        <input
          v-model="draft.leaves"
          aria-label="Leaves in the stack"
          type="text"
          inputmode="numeric"
          autocomplete="off"
          :placeholder="String(isLengthUnit(unit) ? parseSum(draft.far, unit).parts : 1)"
          class="figure w-8 border-b rule bg-transparent text-ink"
          @keydown.enter.prevent.stop="$emit('submit')"
      /></label>
      <slot />
      <button type="button" class="link ml-auto min-h-9" @click="$emit('submit')"><kbd>Enter</kbd> Log</button>
    </div>
    <p v-if="next" class="text-[13px] text-mute" data-test="next-leaves">
      Next up: {{ next.up.map(show).join(' + ') || 'none in this set'
      }}<template v-if="next.down.length"> · down: {{ next.down.map(show).join(' + ') }}</template> {{ unitName(unit) }}
    </p>
  </div>
</template>
