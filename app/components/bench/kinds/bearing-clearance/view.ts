import { FIELDS } from '#core/check/kinds/bearing-clearance/setup'
import { defineView } from '../views'
import BearingSketch from './BearingSketch.vue'
import ShellOptions from './ShellOptions.vue'

export default defineView(FIELDS, BearingSketch, ({ way, stations, zeroedIn }) => ({ way, stations, zeroedIn }), { options: ShellOptions })
