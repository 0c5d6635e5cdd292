<script setup lang="ts">
import type { PointReading } from '#core/check/document'
import type { Finding } from '#core/reading/gates'
import { signedPlay } from '#core/reading/repeat'
import { formatLength, otherUnit } from '#core/quantity/format-length'
import { UNIT_NAME, type LengthUnit } from '#core/quantity/length'
import type { Choice, LengthEntry } from '#core/quantity/parse-length'
import type { Draft } from '~/composables/useDraft'

/** The reading being taken, and the series so far. Type, Enter, back to zero, Enter. */
const props = defineProps<{ unit: LengthUnit, readings: readonly PointReading[], findings: readonly Finding[], far: LengthEntry, back: LengthEntry, start: LengthEntry, locked: boolean, oneMore: string | null, counter: boolean }>()
const draft = defineModel<Draft>('draft', { required: true })
const emit = defineEmits<{ log: [], answer: [string, number], void: [PointReading] }>()
const farField = ref<HTMLInputElement>()
const backField = ref<HTMLInputElement>()
const choiceList = ref<HTMLElement>()
const tried = ref(false)

const blank = computed(() => draft.value.far.trim() === '')
const asking = computed<{ text: string, choices: readonly Choice[] } | null>(() => {
  for (const [text, entry] of [[draft.value.far, props.far], [draft.value.back, props.back], [draft.value.start, props.start]] as const) {
    if (text.trim() !== '' && !entry.ok && entry.choices) return { text, choices: entry.choices }
  }
  return null
})
const reason = computed(() => {
  if (blank.value) return tried.value ? 'Type the far reading first: the figure the dial shows when pushed fully over.' : null
  const bad = [props.far, props.back, props.start].find(entry => !entry.ok)
  return bad && !bad.ok ? bad.reason : null
})
const beside = computed(() => (!blank.value && props.far.ok ? `${UNIT_NAME[props.unit]} · ${formatLength(props.far.value, otherUnit(props.unit), { unit: true })}` : UNIT_NAME[props.unit]))
const show = (value: number) => formatLength(value, props.unit)
const says = (reading: PointReading) => props.findings.filter(f => f.repeatId === reading.id)
const general = computed(() => props.findings.filter(f => !f.repeatId || f.repeatId === 'draft'))
const shortWord = (finding: Finding) => ({ 'closing': 'not back to zero', 'spring-back': 'sprang back', 'outlier': 'stands apart' } as Record<string, string>)[finding.gate] ?? finding.gate

function focus(): void {
  nextTick(() => farField.value?.focus())
}
function farEntered(): void {
  tried.value = true
  if (asking.value) choiceList.value?.querySelector('button')?.focus()
  else if (!blank.value && props.far.ok) backField.value?.focus()
}
function submit(): void {
  tried.value = true
  if (asking.value) {
    choiceList.value?.querySelector('button')?.focus()
    return
  }
  if (reason.value || blank.value) return focus()
  emit('log')
  tried.value = false
  focus()
}
function answered(choice: Choice): void {
  emit('answer', asking.value!.text, choice.value)
  nextTick(() => backField.value?.focus())
}
defineExpose({ focus, submit })
</script>

<template>
  <section aria-label="Readings">
    <h2 class="label mb-1">Readings, {{ UNIT_NAME[unit] }}</h2>
    <template v-if="!locked">
      <div class="flex items-stretch rounded-md border-2 border-accent bg-sheet focus-within:outline-2 focus-within:outline-accent" data-test="entry">
        <input ref="farField" v-model="draft.far" data-keys aria-label="Far reading" type="text" inputmode="decimal" autocomplete="off" placeholder="far" class="entry figure min-h-14 w-0 flex-1 bg-transparent pl-4 text-[27px]" :aria-invalid="reason !== null" aria-describedby="entry-note" @keydown.enter.prevent.stop="farEntered">
        <span class="flex items-center px-2 text-right text-[12px] leading-tight text-mute">{{ beside }}</span>
        <label class="flex items-center gap-1 border-l rule pl-2 text-[12px] text-mute">back
          <input ref="backField" v-model="draft.back" aria-label="Back reading; blank means it returned to zero" data-keys type="text" inputmode="decimal" autocomplete="off" placeholder="0" class="entry figure min-h-14 w-16 bg-transparent text-[20px] text-ink" @keydown.enter.prevent.stop="submit">
        </label>
      </div>
      <div id="entry-note">
        <p v-if="reason" class="fault mt-1" role="alert">{{ reason }}</p>
        <div v-if="asking" ref="choiceList" class="mt-1 flex flex-wrap gap-2"><button v-for="choice in asking.choices" :key="choice.label" type="button" class="button" @click="answered(choice)">{{ choice.label }}</button></div>
      </div>
      <div class="mt-1 flex flex-wrap items-center gap-x-4 text-[13px] text-mute">
        <label class="flex min-h-11 items-center gap-2"><input v-model="draft.springBack" type="checkbox" class="size-4 accent-[var(--out)]">sprang back</label>
        <label class="flex min-h-11 items-center gap-2">started at <input v-model="draft.start" aria-label="Start reading; blank means zero" type="text" inputmode="decimal" autocomplete="off" placeholder="0" class="figure w-12 border-b rule bg-transparent text-ink" @keydown.enter.prevent.stop="submit"></label>
        <button type="button" class="button ml-auto min-h-9 px-3" @click="submit">Log</button>
      </div>
    </template>
    <p v-for="finding in general" :key="finding.words" class="my-1 text-[13.5px]" :class="finding.level === 'fail' ? 'text-out' : finding.level === 'warn' ? 'text-near' : 'text-mute'" data-test="finding">{{ finding.level === 'fail' ? '▪ ' : '' }}{{ finding.words }}</p>
    <p v-if="oneMore" class="my-1 text-[13.5px] text-mute">{{ oneMore }}</p>
    <table v-if="readings.length" class="tight" data-test="series">
      <thead><tr><th><span class="sr-only">Number</span></th><th class="text-right">far</th><th class="text-right">back</th><th class="font-normal">zero</th><th><span class="sr-only">Void</span></th></tr></thead>
      <tbody>
        <tr v-for="(reading, i) in readings" :key="reading.id" :class="reading.voided ? 'text-mute' : ''">
          <td class="figure w-8 text-mute" :class="{ 'line-through': reading.voided }">{{ i + 1 }}</td>
          <td class="figure text-right" :class="{ 'line-through': reading.voided }">{{ show(reading.start === 0 ? reading.far : signedPlay(reading)) }}</td>
          <td class="figure text-right" :class="{ 'line-through': reading.voided }">{{ show(reading.back) }}</td>
          <td class="text-[13px]">
            <span v-if="reading.voided" class="text-out">void: {{ reading.voided.reason }}</span>
            <span v-else-if="says(reading).length" :class="says(reading).some(f => f.level === 'fail') ? 'text-out' : 'text-near'" :title="says(reading).map(f => f.words).join(' ')">{{ says(reading).map(shortWord).join(', ') }}</span>
            <span v-else class="text-in">holds zero</span>
          </td>
          <td class="text-right"><button v-if="!reading.voided && !locked" type="button" class="link text-[13px] text-mute" :aria-label="`Void reading ${i + 1}`" @click="emit('void', reading)">void</button></td>
        </tr>
      </tbody>
    </table>
    <p v-else class="py-2 text-[13.5px] text-mute">Seat the shaft fully one way, zero the dial, push fully over and type what it shows. Three readings or more.<template v-if="counter"> With the turn counter: 2:37 is two turns and 37; note it at zero too.</template></p>
  </section>
</template>
