<script setup lang="ts">
import { PHASES, PHASE_NAME, type Phase, type Step } from '#core/method/step'

/** The four phases across the top; under them the step that is due now, with its caution. All of them at one key. */
const props = defineProps<{
  open: Phase
  steps: readonly Step[]
  ticked: (step: Step) => boolean
  notes: Readonly<Record<Phase, string>>
  done: Readonly<Record<Phase, boolean>>
  locked: boolean
  /** what must be ticked again with this fitting, whatever phase it is of; shown where it is proved */
  again: readonly Step[]
  safety: string | null
}>()
const emit = defineEmits<{ open: [Phase]; tick: [Step, boolean]; through: [Phase] }>()
const all = defineModel<boolean>('all', { required: true })
const own = (phase: Phase) => props.steps.filter(step => step.phase === phase)
const here = computed(() => (props.open === 'prove' ? [...props.again, ...own('prove')] : own(props.open)))
const asked = (step: Step) => props.open === 'prove' && props.again.includes(step)
const left = computed(() => here.value.filter(step => !props.ticked(step)))
const due = computed(() => left.value[0] ?? null)
const number = (phase: Phase) => PHASES.indexOf(phase) + 1
const warned = ref(false)
const count = computed(() => {
  const open = left.value.length
  return open === 0 ? '' : ` · ${open} ${open === 1 ? 'step' : 'steps'} left`
})
defineExpose({
  due,
  /** The step that is due is done. */
  tickDue(): void {
    if (!due.value || props.locked) return
    const last = left.value.length === 1
    emit('tick', due.value, true)
    if (last) emit('through', props.open)
  },
  /** The caution of the kind, whole or in one line. */
  warn: () => {
    warned.value = !warned.value
  },
  /** What need not be ticked is, never a must or a step that warns. */
  tickRest: () => {
    if (!props.locked) for (const step of left.value) if (!step.required && !step.caution) emit('tick', step, true)
  },
})
</script>

<template>
  <nav aria-label="Phases" class="border-b rule px-4 md:px-7">
    <div class="grid min-h-11 grid-cols-4 items-center md:flex md:gap-x-3">
      <template v-for="phase in PHASES" :key="phase">
        <span v-if="phase !== 'setup'" class="hidden h-0.5 w-6 bg-hair md:block" aria-hidden="true" />
        <button
          type="button"
          class="flex min-h-11 min-w-0 items-center gap-1.5 md:gap-2 md:pr-1"
          :aria-current="open === phase ? 'step' : undefined"
          :title="notes[phase]"
          @click="emit('open', phase)"
        >
          <span
            class="figure flex size-6 shrink-0 items-center justify-center rounded-full border-2 text-[12px] font-bold"
            :class="open === phase ? 'border-dye bg-dye text-white' : done[phase] ? 'border-in bg-in text-paper' : 'border-hair text-mute'"
            >{{ done[phase] && open !== phase ? '✓' : number(phase) }}</span
          >
          <span class="text-[13.5px] font-bold md:text-[15px]" :class="open === phase ? 'text-ink' : 'text-mute'">{{
            PHASE_NAME[phase]
          }}</span>
        </button>
      </template>
      <p class="ml-auto hidden text-right text-[13.5px] text-mute md:block" data-test="phase-note">{{ notes[open] }}{{ count }}</p>
    </div>
    <p v-if="safety" class="caution mb-1 flex items-baseline gap-x-3">
      <span class="min-w-0" :class="warned ? '' : 'truncate'" :title="safety">{{ safety }}</span>
      <button type="button" class="link shrink-0" :aria-expanded="warned" @click="warned = !warned">
        <kbd class="max-md:hidden">!</kbd> {{ warned ? 'less' : 'whole' }}
      </button>
    </p>
    <div class="flex min-h-11 flex-wrap items-center gap-x-4 border-t rule" data-test="step-due">
      <label v-if="due && !all" class="flex min-h-11 min-w-0 flex-1 basis-72 cursor-pointer items-center gap-3 py-1">
        <input
          :key="due.id"
          type="checkbox"
          class="size-5 shrink-0 accent-[var(--in)]"
          :disabled="locked"
          @change="emit('tick', due, ($event.target as HTMLInputElement).checked)"
        />
        <span class="leading-snug">
          <span class="font-semibold">{{ due.text }}</span><span v-if="asked(due)" class="text-mute"> · again, with this fitting</span
          ><span v-if="due.required" class="text-near"> · must be ticked</span>
        </span>
      </label>
      <p v-else class="flex-1 text-[14px] text-mute">
        {{
          here.length === 0
            ? 'Nothing to tick here.'
            : due
              ? `${left.length} of ${here.length} left`
              : 'Every step of this phase is ticked.'
        }}
      </p>
      <p v-if="due?.caution && !all" class="caution max-w-[26rem] py-0.5 text-[13.5px] leading-snug">{{ due.caution }}</p>
      <span class="flex items-center gap-x-4 text-[13.5px] text-mute">
        <span v-if="due && !locked && !all" class="hidden md:inline"><kbd>Space</kbd> done</span>
        <button v-if="here.length > 0" type="button" class="link min-h-9" :aria-expanded="all" @click="all = !all">
          <kbd>A</kbd> {{ all ? 'only what is due' : 'all steps' }}
        </button>
      </span>
    </div>
    <ul v-if="all" class="grid gap-x-8 pb-2 md:grid-cols-2" data-test="all-steps">
      <li v-if="open === 'prove' && again.length > 0" class="text-[13px] text-mute md:col-span-2">Again, with this fitting:</li>
      <li v-for="step in here" :key="step.id">
        <label class="flex min-h-9 cursor-pointer items-start gap-2.5 py-1 text-[14px] leading-snug">
          <input
            type="checkbox"
            class="mt-0.5 size-4 shrink-0 accent-[var(--in)]"
            :checked="ticked(step)"
            :disabled="locked"
            @change="emit('tick', step, ($event.target as HTMLInputElement).checked)"
          />
          <span>{{ step.text }}<span v-if="step.required && !ticked(step)" class="text-near"> · must be ticked</span></span>
        </label>
        <p v-if="step.caution && step.phase === open" class="caution mb-1 ml-6 text-[13px]">{{ step.caution }}</p>
      </li>
    </ul>
  </nav>
</template>
