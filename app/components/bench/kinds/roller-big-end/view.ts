import { FIELDS } from '#core/check/kinds/roller-big-end/setup'
import { defineView } from '../views'
import RollerSketch from './RollerSketch.vue'
import RollerPanel from './RollerPanel.vue'

export default defineView(FIELDS, RollerSketch, ({ rods }) => ({ rods }), { choice: RollerPanel })
