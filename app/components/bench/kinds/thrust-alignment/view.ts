import { FIELDS } from '#core/check/thrust-alignment/setup'
import { defineView } from '../views'
import ThrustSketch from './ThrustSketch.vue'

export default defineView(FIELDS, ThrustSketch, ({ construction, thrustEnd }) => ({ construction, thrustEnd }))
