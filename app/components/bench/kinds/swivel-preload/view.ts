import { FIELDS } from '#core/check/swivel-preload'
import { defineView } from '../views'
import SwivelSketch from './SwivelSketch.vue'

export default defineView(FIELDS, SwivelSketch, ({ upper, way }) => ({ upper, way }))
