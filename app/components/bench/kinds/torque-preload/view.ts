import { FIELDS } from '#core/check/kinds/torque-preload/setup'
import { defineView } from '../views'
import PreloadSketch from './PreloadSketch.vue'

export default defineView(FIELDS, PreloadSketch, ({ shims, way, stages }) => ({ shims, way, stages }))
