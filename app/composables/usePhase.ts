import { nextTick, ref } from 'vue'
import { PHASES, type Phase } from '#core/method/step'

/**
 * The phase that is open.
 * @param reads  is a reading wanted there next?
 * @param focus  the cursor into its field
 */
export function usePhase(reads: (phase: Phase) => boolean, focus: () => void) {
  const phase = ref<Phase>('measure')
  /** picked by hand: loading does not pick another */
  let moved = false

  function open(next: Phase): void {
    phase.value = next
    if (reads(next)) focus()
    else void nextTick(() => (document.activeElement as HTMLElement | null)?.blur())
  }
  function pick(next: Phase): void {
    moved = true
    open(next)
  }
  const step = (by: 1 | -1) => pick(PHASES[Math.min(PHASES.length - 1, Math.max(0, PHASES.indexOf(phase.value) + by))]!)
  /** Where the work is, unless a phase was picked while it loaded. */
  const begin = (at: Phase) => {
    if (!moved) open(at)
  }

  return { phase, open, pick, step, begin }
}
