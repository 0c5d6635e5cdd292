import { nextTick, ref } from 'vue'
import { PHASES, type Phase } from '#core/method/step'

/**
 * The phase that is open.
 * @param first  where the work is
 * @param reads  is a reading wanted there next?
 * @param focus  the cursor into its field
 * @param idle  is there nothing to do in it? Then the work goes past it.
 */
export function usePhase(first: Phase, reads: (phase: Phase) => boolean, focus: () => void, idle: (phase: Phase) => boolean) {
  const phase = ref<Phase>(first)
  function open(next: Phase): void {
    phase.value = next
    if (reads(next)) focus()
    else void nextTick(() => (document.activeElement as HTMLElement | null)?.blur())
  }
  function step(by: 1 | -1): void {
    const next = (from: Phase) => PHASES[Math.min(PHASES.length - 1, Math.max(0, PHASES.indexOf(from) + by))]!
    const to = next(phase.value)
    // Back every phase is passed through.
    open(by === 1 && idle(to) ? next(to) : to)
  }

  return { phase, open, step }
}
