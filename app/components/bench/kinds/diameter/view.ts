import { FIELDS } from '#core/check/kinds/diameter/setup'
import { defineView } from '../views'
import DiameterSketch from './DiameterSketch.vue'

export default defineView(FIELDS, DiameterSketch, ({ part, planes, stations }) => ({ part, planes, stations }))
