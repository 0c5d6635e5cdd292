import { nextTick, ref } from 'vue'
import { PHASES, type Phase } from '#core/method/step'

/**
 * The phase that is open.
 * @param first  where the work is
 * @param reads  is a reading wanted there next?
 * @param focus  the cursor into its field
 */
export function usePhase(first: Phase, reads: (phase: Phase) => boolean, focus: () => void) {
  const phase = ref<Phase>(first)
  function open(next: Phase): void {
    phase.value = next
    if (reads(next)) focus()
    else void nextTick(() => (document.activeElement as HTMLElement | null)?.blur())
  }
  const step = (by: 1 | -1) => open(PHASES[Math.min(PHASES.length - 1, Math.max(0, PHASES.indexOf(phase.value) + by))]!)

  return { phase, open, step }
}
