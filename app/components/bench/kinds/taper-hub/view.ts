import { FIELDS } from '#core/check/taper-hub'
import { defineView } from '../views'
import HubSketch from './HubSketch.vue'

export default defineView(FIELDS, HubSketch, ({ discs }) => ({ discs }))
