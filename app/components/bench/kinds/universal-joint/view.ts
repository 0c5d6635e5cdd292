import { FIELDS } from '#core/check/kinds/universal-joint/setup'
import { defineView } from '../views'
import JointSketch from './JointSketch.vue'
import RingLines from './RingLines.vue'

export default defineView(FIELDS, JointSketch, ({ ears1, ears2 }) => ({ ears1, ears2 }), { options: RingLines })
