import { FIELDS } from '#core/check/kinds/oil-pump-clearance/setup'
import { defineView } from '../views'
import PumpSketch from './PumpSketch.vue'

export default defineView(FIELDS, PumpSketch, ({ way }) => ({ way }))
