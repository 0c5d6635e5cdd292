import type { CheckKind } from './contract'
import { crankshaftEndPlay } from './crankshaft-end-play'
import { shaftEndPlay } from './shaft-end-play'

/** Every kind of check there is. A new one is a folder beside this file and its line here. */
export const checkKinds: readonly CheckKind[] = [shaftEndPlay, crankshaftEndPlay]

/** @throws RangeError for a kind this version does not know */
export function checkKind(id: string): CheckKind {
  const kind = checkKinds.find(candidate => candidate.id === id)
  if (!kind) throw new RangeError(`This version knows no check of the kind “${id}”`)
  return kind
}
