import type { CheckKind } from './contract'
import { bearingClearance } from './kinds/bearing-clearance'
import { clutchFork } from './kinds/clutch-fork'
import { comparatorHub } from './kinds/comparator-hub'
import { diameter } from './kinds/diameter'
import { crushWire } from './kinds/crush-wire'
import { crankshaftEndPlay } from './kinds/crankshaft-end-play'
import { eccentricShaftEndPlay } from './kinds/eccentric-shaft-end-play'
import { gearTrain } from './kinds/gear-train'
import { oilPumpClearance } from './kinds/oil-pump-clearance'
import { releaseBearing } from './kinds/release-bearing'
import { rollerBigEnd } from './kinds/roller-big-end'
import { runout } from './kinds/runout'
import { sealedBearingSpacer } from './kinds/sealed-bearing-spacer'
import { shaftEndPlay } from './kinds/shaft-end-play'
import { steeringHeadKit } from './kinds/steering-head-kit'
import { swivelPreload } from './kinds/swivel-preload'
import { taperHub } from './kinds/taper-hub'
import { thrustAlignment } from './kinds/thrust-alignment'
import { torquePreload } from './kinds/torque-preload'
import { universalJoint } from './kinds/universal-joint'

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
