import { FIELDS } from '#core/check/kinds/crush-wire/setup'
import { defineView } from '../views'
import CrushSketch from './CrushSketch.vue'
import RunsTable from './RunsTable.vue'

export default defineView(FIELDS, CrushSketch, () => ({}), { plot: RunsTable })
