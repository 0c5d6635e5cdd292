import { FIELDS } from '#core/check/kinds/runout/setup'
import { defineView } from '../views'
import ClockPlot from './ClockPlot.vue'
import RunoutSketch from './RunoutSketch.vue'

export default defineView(FIELDS, RunoutSketch, ({ what, sense, view }) => ({ what, sense, view }), { plot: ClockPlot })
