import { FIELDS } from '#core/check/release-bearing/setup'
import { defineView } from '../views'
import ReleaseSketch from './ReleaseSketch.vue'

export default defineView(FIELDS, ReleaseSketch, ({ plate, overD }) => ({ plate, overD }))
