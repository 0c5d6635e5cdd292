import { FIELDS } from '#core/check/steering-head-kit/setup'
import { defineView } from '../views'
import HeadSketch from './HeadSketch.vue'

export default defineView(FIELDS, HeadSketch, ({ origin }) => ({ origin }))
