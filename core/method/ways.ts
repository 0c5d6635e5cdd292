import { boreGauge } from './bore-gauge/way'
import { dial } from './dial/way'
import { feel } from './feel/way'
import { feeler } from './feeler/way'
import { insideMicrometer } from './inside-micrometer/way'
import { micrometer } from './micrometer/way'
import { plasticStrip } from './plastic-strip/way'
import type { Way, WayId } from './way'
import { word } from './word/way'

/** Every way of measuring there is. A new one is a folder beside this file and its line here. */
export const ways: Readonly<Record<WayId, Way>> = { 'dial': dial, 'micrometer': micrometer, 'inside-micrometer': insideMicrometer, 'bore-gauge': boreGauge, 'feeler': feeler, 'plastic-strip': plasticStrip, 'feel': feel, 'word': word }
