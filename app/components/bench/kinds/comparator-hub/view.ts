import { FIELDS } from '#core/check/kinds/comparator-hub/setup'
import { gapUp, part, type StacksOf } from '../stacks'
import { defineView } from '../views'
import ComparatorSketch from './ComparatorSketch.vue'
import TrialsTable from './TrialsTable.vue'

/** What the spacer is longer by, against the shortest and the longest seat distance of the turn. */
const stacks: StacksOf = (_document, evaluation) => {
  const longest = gapUp(evaluation, 'longer-least', 'longer, where the distance is longest')
  // The spread alone is nothing the spacer is longer by.
  const shortest = longest.length > 0 ? gapUp(evaluation, 'spread', 'and by so much more, where it is shortest') : []
  return [
    {
      label: 'Spacer against the seats',
      layers: [part('inner bearing'), part('hub, shortest distance of the turn'), ...longest, ...shortest, part('outer bearing')],
    },
  ]
}

export default defineView(FIELDS, ComparatorSketch, ({ sense }) => ({ sense }), { stacks, plot: TrialsTable })
