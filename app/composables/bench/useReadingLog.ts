import { computed, nextTick, ref, type Ref } from 'vue'
import type { PointReading } from '#core/check/document'
import type { Finding } from '#core/reading/gates'
import { readingWords, unvoided } from '#core/reading/reading'
import { useBench } from '~/stores/bench'
import type { useTaking } from './useTaking'

interface Entry {
  readonly taking: ReturnType<typeof useTaking>
  readonly findings: Ref<readonly Finding[]>
  readonly locked: Ref<boolean>
  /** the cursor back into the field */
  readonly focus: () => void
}

/** Logging what was read, and striking it out again. */
export function useReadingLog({ taking, findings, locked, focus }: Entry) {
  const bench = useBench()
  const { point, points, reading, unit, clear } = taking

  function log(): void {
    if (!reading.value || locked.value) return
    const read = point.value
    const refused = findings.value.some(finding => finding.repeatId === 'draft' && finding.level === 'fail')
    const lacked = taking.open(read)
    const said = 'word' in reading.value
    bench.logReading(reading.value, `reading ${readingWords({ ...reading.value, id: '' } as PointReading, unit.value)}`)
    clear()
    taking.move({ kind: 'stored', refused, done: said, lacked })
    if (said) void nextTick(focus)
  }

  function logWord(word: string): void {
    if (locked.value) return
    const read = point.value
    const lacked = taking.open(read)
    bench.logReading({ point: read.id, word }, `${read.label}: ${word}`)
    clear()
    taking.move({ kind: 'stored', refused: false, done: true, lacked })
    // A word may be followed by a figure, in a field of its own.
    void nextTick(focus)
  }

  /** Pieces taken together, such as the rollers of a rod. */
  function take(taken: string, pieces: readonly string[]): void {
    if (locked.value) return
    bench.logReading({ point: taken, pieces }, `${points.value.find(candidate => candidate.id === taken)?.label}: ${pieces.length}`)
    // Choosing a set is no reading: the field goes where the work goes on.
    taking.move({ kind: 'resumed' })
  }

  const voiding = ref<PointReading | null>(null)
  /** The point of what is to be struck out, by name. */
  const voidingAt = computed(() => points.value.find(({ id }) => id === voiding.value?.point)?.label ?? '')
  /** What was logged last; where a point was picked by hand, the last there. */
  function voidLast(): void {
    const here = taking.pointed.value ? taking.readingsOf(point.value) : []
    voiding.value = unvoided(here).at(-1) ?? unvoided(bench.current?.readings ?? []).at(-1) ?? null
  }
  function voidNow(reason: string): void {
    if (voiding.value) {
      bench.voidReading(voiding.value.id, reason)
      // What is read instead goes where the wrong figure stood.
      taking.move({ kind: 'voided', point: voiding.value.point })
    }
    voiding.value = null
    focus()
  }

  return { log, logWord, take, voiding, voidingAt, voidLast, voidNow }
}
