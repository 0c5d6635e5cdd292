import { apply } from '#core/command/apply'
import type { Bench, Command, LeaveOutCommand, ReadCommand, SayCommand, TickCommand, VoidCommand } from '#core/command/command'
import { decide } from '#core/command/decide'
import type { CheckRequest } from '#shared/writes'

/** A write that can wait for the server: it shows here at once, and is sent when it can be. `words` name it where it has to be named. */
export type PendingWrite = (ReadCommand | VoidCommand | TickCommand | LeaveOutCommand | SayCommand) & {
  readonly words: string
  /** whoever stood at the screen then */
  readonly who?: string
}

const KEY = 'finitum.outbox.'
const keyOf = (checkId: string) => KEY + checkId

/** The checks for which something waits in this browser. */
export const checksWaiting = (): string[] =>
  Object.keys(localStorage)
    .filter(key => key.startsWith(KEY))
    .map(key => key.slice(KEY.length))
    .sort()
/** What waits for a check that is gone is dropped only when somebody says so. */
export const dropWrites = (checkId: string): void => localStorage.removeItem(keyOf(checkId))

/** What is waiting to be sent for one check; kept in the browser, so that it survives a reload. */
export const storedWrites = (checkId: string): PendingWrite[] => JSON.parse(localStorage.getItem(keyOf(checkId)) ?? '[]') as PendingWrite[]

/** Adds or removes one write by its `op`, leaving those of other tabs alone: sending one twice is harmless, losing one is not. */
export function storeWrite(checkId: string, write: PendingWrite, waiting: boolean): void {
  const others = storedWrites(checkId).filter(other => other.op !== write.op)
  const all = waiting ? [...others, write] : others
  if (all.length === 0) localStorage.removeItem(keyOf(checkId))
  else localStorage.setItem(keyOf(checkId), JSON.stringify(all))
}

/** The request of a write, but for its name and the version it goes onto. */
export function requestOf(write: PendingWrite): CheckRequest {
  const head = { who: write.who ?? '' }
  switch (write.kind) {
    case 'read':
      return { path: 'readings', body: { ...head, trialId: write.trialId, seen: write.seen, ...write.reading } }
    case 'void':
      return { path: 'voids', body: { ...head, readingId: write.readingId, reason: write.reason } }
    case 'say':
      return { path: 'conditions', body: { ...head, condition: write.condition, trial: write.trial, state: write.state } }
    case 'leave-out':
      return { path: 'left-out', body: { ...head, point: write.point, trial: write.trial, reason: write.reason } }
    case 'tick':
      return { path: 'ticks', body: { ...head, step: write.step, trial: write.trial, ticked: write.ticked } }
  }
}

/** The bench as it will be when the command has landed, by the same rules as on the server; one that would be refused changes nothing. */
export function foreseen(bench: Bench, command: Command): Bench {
  const outcome = decide(bench, command)
  return outcome.ok ? outcome.happenings.reduce(apply, bench) : bench
}
