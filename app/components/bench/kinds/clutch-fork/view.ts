import { FIELDS } from '#core/check/kinds/clutch-fork/setup'
import { defineView } from '../views'
import ForkSketch from './ForkSketch.vue'

export default defineView(FIELDS, ForkSketch, ({ bell }) => ({ bell }))
