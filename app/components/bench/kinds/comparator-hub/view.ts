import { FIELDS } from '#core/check/comparator-hub'
import { defineView } from '../views'
import ComparatorSketch from './ComparatorSketch.vue'

export default defineView(FIELDS, ComparatorSketch, ({ sense }) => ({ sense }))
