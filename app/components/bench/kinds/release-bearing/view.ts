import { FIELDS } from '#core/check/kinds/release-bearing/setup'
import { defineView } from '../views'
import ReleasePlot from './ReleasePlot.vue'
import ReleaseSketch from './ReleaseSketch.vue'

export default defineView(FIELDS, ReleaseSketch, ({ plate, overD }) => ({ plate, overD }), { plot: ReleasePlot })
