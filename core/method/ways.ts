import { atMark } from './at-mark/way'
import { boreGauge } from './bore-gauge/way'
import { calipers } from './calipers/way'
import { clock } from './clock/way'
import { comparator, comparatorNow } from './comparator/way'
import { depth, depthNow } from './depth/way'
import { dial } from './dial/way'
import { feel } from './feel/way'
import { feeler } from './feeler/way'
import { goNoGo } from './go-no-go/way'
import { hone } from './hone/way'
import { insideMicrometer } from './inside-micrometer/way'
import { micrometer } from './micrometer/way'
import { pieces } from './pieces/way'
import { plasticStrip } from './plastic-strip/way'
import { set } from './set/way'
import { springScale } from './spring-scale/way'
import { thermometer } from './thermometer/way'
import { turningTorque } from './turning-torque/way'
import type { Way, WayId } from './way'
import { word } from './word/way'

/** Every way of measuring there is. A new one is a folder beside this file and its line here. */
export const ways: Readonly<Record<WayId, Way>> = {
  'dial': dial,
  'micrometer': micrometer,
  'inside-micrometer': insideMicrometer,
  'bore-gauge': boreGauge,
  'feeler': feeler,
  'plastic-strip': plasticStrip,
  'feel': feel,
  'word': word,
  'pieces': pieces,
  'set': set,
  'hone': hone,
  'comparator': comparator,
  'comparator-now': comparatorNow,
  'depth': depth,
  'depth-now': depthNow,
  'turning-torque': turningTorque,
  'spring-scale': springScale,
  'go-no-go': goNoGo,
  'calipers': calipers,
  'at-mark': atMark,
  'clock': clock,
  'thermometer': thermometer,
}
