import { FIELDS } from '#core/check/kinds/swivel-preload/setup'
import { gapUp, part, piecesUp, type StacksOf } from '../stacks'
import { defineView } from '../views'
import SwivelSketch from './SwivelSketch.vue'

/** Each housing under its cap, with the gap while only that was measured. */
const stacks: StacksOf = (document, evaluation, lots) =>
  evaluation.places.map(({ place: { id, label } }) => {
    const side = id.replace('pack-', '')
    const felt = evaluation.current.results.some(({ id: result, estimate }) => result === `turning@${side}` && estimate !== null)
    return {
      label,
      layers: [
        part('pin, on its bearing'),
        ...piecesUp(document, id, lots),
        ...(felt ? [] : gapUp(evaluation, `gap@${side}`, 'gap under the cap')),
        part('cap'),
      ],
    }
  })

export default defineView(FIELDS, SwivelSketch, ({ upper, way }) => ({ upper, way }), { stacks })
