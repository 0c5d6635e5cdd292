import { defineView } from '../views'
import EccentricSketch from './EccentricSketch.vue'

export default defineView({}, EccentricSketch, () => ({}))
