import { FIELDS } from '#core/check/kinds/crankshaft-end-play/setup'
import { defineView } from '../views'
import CrankshaftSketch from './CrankshaftSketch.vue'

export default defineView(FIELDS, CrankshaftSketch, ({ thrust, way }) => ({ thrust, way }))
