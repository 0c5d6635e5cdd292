import { FIELDS } from '#core/check/kinds/thrust-alignment/setup'
import { defineView } from '../views'
import ThrustSketch from './ThrustSketch.vue'

export default defineView(FIELDS, ThrustSketch, ({ construction, thrustEnd }) => ({ construction, thrustEnd }))
