import { FIELDS } from '#core/check/comparator-hub/setup'
import { defineView } from '../views'
import ComparatorSketch from './ComparatorSketch.vue'

export default defineView(FIELDS, ComparatorSketch, ({ sense }) => ({ sense }))
