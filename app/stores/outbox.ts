import type { CheckDocument, PointReading } from '#core/check/document'

/** A write that can wait for the server: it is applied here at once and sent when it can be. */
export type PendingWrite =
  | { readonly op: string; readonly kind: 'reading'; readonly trialId: string; readonly reading: PointReading; readonly words: string }
  | { readonly op: string; readonly kind: 'void'; readonly readingId: string; readonly reason: string; readonly words: string }
  | {
      readonly op: string
      readonly kind: 'tick'
      readonly step: string
      readonly trial: string | null
      readonly ticked: boolean
      readonly words: string
    }

const keyOf = (checkId: string) => `finitum.outbox.${checkId}`

/** What is waiting to be sent for one check; kept in the browser, so that it survives a reload. */
export const storedWrites = (checkId: string): PendingWrite[] => JSON.parse(localStorage.getItem(keyOf(checkId)) ?? '[]') as PendingWrite[]

/** Adds or removes one write by its `op`, leaving those of other tabs alone: sending one twice is harmless, losing one is not. */
export function storeWrite(checkId: string, write: PendingWrite, waiting: boolean): void {
  const others = storedWrites(checkId).filter(other => other.op !== write.op)
  const all = waiting ? [...others, write] : others
  if (all.length === 0) localStorage.removeItem(keyOf(checkId))
  else localStorage.setItem(keyOf(checkId), JSON.stringify(all))
}

/** The request of a write, with the version it goes onto. */
export function requestOf(write: PendingWrite, version: number): { path: string; body: Record<string, unknown> } {
  const head = { op: write.op, version }
  switch (write.kind) {
    case 'reading': {
      const { voided: _, ...reading } = write.reading
      return { path: 'readings', body: { ...head, trialId: write.trialId, ...reading } }
    }
    case 'void':
      return { path: 'voids', body: { ...head, readingId: write.readingId, reason: write.reason } }
    case 'tick':
      return { path: 'ticks', body: { ...head, step: write.step, ticked: write.ticked } }
  }
}

/** The document as it will be when the write has landed. A write that landed already changes nothing. */
export function applied(document: CheckDocument, write: PendingWrite): CheckDocument {
  const inTrials = (change: (readings: readonly PointReading[], trialId: string) => readonly PointReading[]) => ({
    ...document,
    trials: document.trials.map(trial => ({ ...trial, readings: change(trial.readings, trial.id) })),
  })
  switch (write.kind) {
    case 'reading':
      return inTrials((readings, trialId) =>
        trialId !== write.trialId || readings.some(r => r.id === write.reading.id) ? readings : [...readings, write.reading],
      )
    case 'void':
      return inTrials(readings => readings.map(r => (r.id === write.readingId ? { ...r, voided: { reason: write.reason } } : r)))
    case 'tick': {
      const others = document.ticks.filter(tick => tick.step !== write.step || tick.trial !== write.trial)
      return { ...document, ticks: write.ticked ? [...others, { step: write.step, trial: write.trial }] : others }
    }
  }
}
