import { FIELDS } from '#core/check/kinds/shaft-end-play/setup'
import { defineView } from '../views'
import EndPlaySketch from './EndPlaySketch.vue'

export default defineView(FIELDS, EndPlaySketch, ({ pack }) => ({ pack }))
