import { FIELDS } from '#core/check/comparator-hub/setup'
import { gapUp, part, type StacksOf } from '../stacks'
import { defineView } from '../views'
import ComparatorSketch from './ComparatorSketch.vue'

/** What the spacer is longer by, against the shortest and the longest seat distance of the turn. */
const stacks: StacksOf = (_document, evaluation) => [
  {
    label: 'Spacer against the seats',
    layers: [
      part('inner bearing'),
      part('hub, shortest distance of the turn'),
      ...gapUp(evaluation, 'longer-least', 'longer, where the distance is longest'),
      ...gapUp(evaluation, 'spread', 'and, where it is shortest'),
      part('outer bearing'),
    ],
  },
]

export default defineView(FIELDS, ComparatorSketch, ({ sense }) => ({ sense }), { stacks })
