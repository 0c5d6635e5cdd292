import { FIELDS } from '#core/check/kinds/gear-train/setup'
import { defineView } from '../views'
import TrainOptions from './TrainOptions.vue'
import TrainPlot from './TrainPlot.vue'
import TrainSketch from './TrainSketch.vue'

export default defineView(FIELDS, TrainSketch, ({ gaps }) => ({ gaps }), { options: TrainOptions, plot: TrainPlot })
