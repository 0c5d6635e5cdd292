import { FIELDS } from '#core/check/kinds/sealed-bearing-spacer/setup'
import { defineView } from '../views'
import SpacerSketch from './SpacerSketch.vue'

export default defineView(FIELDS, SpacerSketch, ({ way, near, far }) => ({ way, near, far }))
