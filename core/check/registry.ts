import type { CheckKind } from './contract'
import { bearingClearance } from './bearing-clearance'
import { clutchFork } from './clutch-fork'
import { comparatorHub } from './comparator-hub'
import { diameter } from './diameter'
import { crushWire } from './crush-wire'
import { crankshaftEndPlay } from './crankshaft-end-play'
import { eccentricShaftEndPlay } from './eccentric-shaft-end-play'
import { gearTrain } from './gear-train'
import { oilPumpClearance } from './oil-pump-clearance'
import { releaseBearing } from './release-bearing'
import { rollerBigEnd } from './roller-big-end'
import { runout } from './runout'
import { sealedBearingSpacer } from './sealed-bearing-spacer'
import { shaftEndPlay } from './shaft-end-play'
import { steeringHeadKit } from './steering-head-kit'
import { swivelPreload } from './swivel-preload'
import { taperHub } from './taper-hub'
import { thrustAlignment } from './thrust-alignment'
import { torquePreload } from './torque-preload'
import { universalJoint } from './universal-joint'

/** Every kind of check there is. A new one is a folder beside this file and its line here. */
export const checkKinds: readonly CheckKind[] = [
  shaftEndPlay,
  crankshaftEndPlay,
  thrustAlignment,
  eccentricShaftEndPlay,
  bearingClearance,
  rollerBigEnd,
  oilPumpClearance,
  taperHub,
  comparatorHub,
  sealedBearingSpacer,
  torquePreload,
  swivelPreload,
  steeringHeadKit,
  releaseBearing,
  clutchFork,
  diameter,
  universalJoint,
  runout,
  gearTrain,
  crushWire,
]

/** @throws RangeError for a kind this version does not know */
export function checkKind(id: string): CheckKind {
  const kind = checkKinds.find(candidate => candidate.id === id)
  if (!kind) throw new RangeError(`This version knows no check of the kind “${id}”`)
  return kind
}
