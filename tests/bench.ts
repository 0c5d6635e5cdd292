import { apply } from '../core/command/apply'
import type { Bench, Command } from '../core/command/command'
import { decide } from '../core/command/decide'

/** Carries commands out one after the other; each must be done. */
export const done = (bench: Bench, ...commands: readonly Command[]): Bench =>
  commands.reduce((now, command) => {
    const outcome = decide(now, command)
    if (!outcome.ok) throw new Error(outcome.faults[0]!.reason)
    return outcome.happenings.reduce(apply, now)
  }, bench)
