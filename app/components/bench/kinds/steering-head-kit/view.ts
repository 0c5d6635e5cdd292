import { FIELDS } from '#core/check/kinds/steering-head-kit/setup'
import { gapUp, part, piecesUp, type StacksOf } from '../stacks'
import { defineView } from '../views'
import HeadSketch from './HeadSketch.vue'

/** Each site: cage, washers on the inner ring, what is free between cage and seal. */
const stacks: StacksOf = (document, evaluation, lots) =>
  evaluation.places.map(({ place: { id, label, effects } }) => ({
    label,
    layers: [
      part('cone, its cage'),
      ...piecesUp(document, id, lots),
      ...gapUp(evaluation, effects[0].result, 'seal clear of the cage', 'still open at the clamped face: the seal on the cage'),
      part('seal'),
      part('nut'),
    ],
  }))

export default defineView(FIELDS, HeadSketch, ({ origin }) => ({ origin }), { stacks })
