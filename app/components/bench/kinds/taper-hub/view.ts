import { FIELDS } from '#core/check/kinds/taper-hub/setup'
import { gapUp, part, piecesUp, type StacksOf } from '../stacks'
import { defineView } from '../views'
import HubSketch from './HubSketch.vue'

/** The bench axle bottom up; the packings are no part of the pack. */
const stacks: StacksOf = (document, evaluation, lots) => [
  {
    label: 'Bench axle, bottom up',
    layers: [
      part('lower packing'),
      part('cone'),
      ...(document.setup.discs === 'none' ? [] : [part('disc')]),
      part('sleeve, hub on it'),
      ...(document.setup.discs === 'both' ? [part('disc')] : []),
      ...piecesUp(document, 'spacers', lots),
      ...gapUp(evaluation, 'play', 'end play'),
      part('cone'),
      part('packing above the thread'),
      part('nut'),
    ],
  },
]

export default defineView(FIELDS, HubSketch, ({ discs }) => ({ discs }), { stacks })
