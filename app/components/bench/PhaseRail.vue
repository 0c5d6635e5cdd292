<script setup lang="ts">
import { PHASES, PHASE_NAME, type Phase, type Step } from '#core/method/step'

/** The four phases, always in sight; the open one shows its steps and cautions. */
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
const emit = defineEmits<{ open: [Phase]; tick: [Step, boolean] }>()
const own = (phase: Phase) => props.steps.filter(step => step.phase === phase)
const of = (phase: Phase) => (phase === 'prove' ? [...props.again, ...own(phase)] : own(phase))
const number = (phase: Phase) => PHASES.indexOf(phase) + 1
</script>

<template>
  <nav aria-label="Phases" class="grid grid-cols-4 gap-x-1 md:flex md:flex-col md:gap-5">
    <p v-if="safety" class="caution">{{ safety }}</p>
    <div v-for="phase in PHASES" :key="phase" class="contents md:relative md:block">
      <span v-if="phase !== 'prove'" class="absolute top-9 -bottom-5 left-[13px] hidden w-0.5 bg-hair md:block" aria-hidden="true" />
      <button
        type="button"
        class="row-start-1 flex min-h-11 w-full flex-col items-start gap-x-2.5 gap-y-1 text-left md:flex-row"
        :aria-current="open === phase ? 'step' : undefined"
        @click="emit('open', phase)"
      >
        <span
          class="figure flex size-7 shrink-0 items-center justify-center rounded-full border-2 text-[13px] font-bold"
          :class="open === phase ? 'border-dye bg-dye text-white' : done[phase] ? 'border-in bg-in text-paper' : 'border-hair text-mute'"
          >{{ done[phase] && open !== phase ? '✓' : number(phase) }}</span
        >
        <span class="min-w-0">
          <span class="block text-[16px] font-bold" :class="open === phase ? 'text-ink' : 'text-mute'">{{ PHASE_NAME[phase] }}</span>
          <span class="hidden text-[13px] leading-snug text-mute md:block">{{ notes[phase] }}</span>
        </span>
      </button>
      <ul v-if="open === phase" class="col-span-4 row-start-2 mt-1 space-y-1 md:pl-9">
        <li v-if="phase === 'prove' && again.length > 0" class="text-[13px] text-mute">Again, with this fitting:</li>
        <li
          v-for="step in of(phase)"
          :key="step.id"
          :class="phase === 'prove' && step === own(phase)[0] && again.length > 0 ? 'border-t rule pt-1' : ''"
        >
          <label class="flex min-h-11 cursor-pointer items-start gap-2.5 py-1.5 text-[13.5px] leading-snug md:min-h-8">
            <input
              type="checkbox"
              class="mt-0.5 size-4 shrink-0 accent-[var(--in)]"
              :checked="ticked(step)"
              :disabled="locked"
              @change="emit('tick', step, ($event.target as HTMLInputElement).checked)"
            />
            <span>{{ step.text }}<span v-if="step.required && !ticked(step)" class="text-near"> · must be ticked</span> </span>
          </label>
          <p v-if="step.caution && step.phase === phase" class="caution my-1 ml-6">{{ step.caution }}</p>
        </li>
        <li v-if="of(phase).length === 0" class="text-[13.5px] text-mute">Nothing to tick here.</li>
      </ul>
    </div>
  </nav>
</template>
