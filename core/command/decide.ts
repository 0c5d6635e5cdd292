import type { Bench, Command } from './command'
import { refused, type Outcome } from './happening'
import { beginLap, endLap, lapPass } from './lap'
import { clear, say } from './conditions'
import { leaveOut, read, tick, voidReading } from './measure'
import { list } from './found-pack'
import { fit, promise } from './pack'
import { changeSettings } from './settings'
import { want } from './want'
import { changePart, reopen, sign } from './sign'

/** What may be done to a signed check. */
const ON_SIGNED: readonly Command['kind'][] = ['reopen', 'part-change', 'clear']

/**
 * What a command comes to, as the check and the drawer stand: what happened, or why not. Pure: the server stores what happened, the
 * browser shows it at once, a test runs thousands of them without either. Nothing is changed here; `apply` does that.
 */
export function decide(bench: Bench, command: Command): Outcome {
  if (bench.document.signOff && !ON_SIGNED.includes(command.kind))
    return refused('conflict', 'This check is signed off. Reopen it first, with a reason.')
  switch (command.kind) {
    case 'read':
      return read(bench, command)
    case 'void':
      return voidReading(bench, command)
    case 'tick':
      return tick(bench, command)
    case 'leave-out':
      return leaveOut(bench, command)
    case 'say':
      return say(bench, command)
    case 'clear':
      return clear(bench, command)
    case 'list':
      return list(bench, command)
    case 'fit':
      return fit(bench, command)
    case 'promise':
      return promise(bench, command)
    case 'want':
      return want(bench, command)
    case 'begin-lap':
      return beginLap(bench, command)
    case 'lap-pass':
      return lapPass(bench, command)
    case 'end-lap':
      return endLap(bench, command)
    case 'change-settings':
      return changeSettings(bench, command)
    case 'part-change':
      return changePart(bench, command)
    case 'sign':
      return sign(bench, command)
    case 'reopen':
      return reopen(bench, command)
  }
}
