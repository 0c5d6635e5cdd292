import { thou } from '../../../quantity/length'
import { FIT_WORDS, SIZE_WORDS } from '../../../verdict/words'
import { defineKind } from '../../define-kind'
import { clearanceResult, sizeResult } from '../../common/results'
import { fitByClass, headDemands, genuine, kitResults } from './evaluate'
import { GENUINE_POINTS, kitPoints, washerPlace } from './layout'
import { headReminders, headSteps, headSuspicions } from './procedure'
import { FIELDS, NAMES, SITES } from './setup'

/**
 * A steering head’s bearing kit, before anything is pressed: does it fit its seats, does its seal clear the cage when the stack is
 * clamped, and does the nut still hold? One washer moves three figures: the seal’s clearance and the nut’s way down with it, the
 * thread engaged against it.
 */
export const steeringHeadKit = defineKind({
  id: 'steering-head-kit',
  title: 'Steering head bearing kit',
  about: 'Does the kit fit its seats, does its seal clear the cage, does the nut still hold: before anything is pressed.',
  under: 'wheels',
  by: ['motorcycle', 'head races', 'notchy steering', 'dust seal', 'cups', 'stem nut'],
  plausible: thou(400),
  safety:
    'Steering that binds, or a wheel that comes loose, can kill. The maker’s manual comes first; where law, insurer or type approval asks for a licensed mechanic or an inspection, this check does not replace it.',
  closing: 'Before the cups are pressed',
  fields: FIELDS,
  asked: {
    by: ({ origin }) => origin === 'kit',
    coneFit: ({ origin }) => origin === 'kit',
    cupFit: ({ origin }) => origin === 'kit',
    nut: ({ origin }) => origin === 'kit',
    pitch: ({ origin }) => origin === 'kit',
    stem: ({ origin }) => origin === 'kit',
    pocket: ({ origin }) => origin === 'kit',
  },
  suspect: {
    to: /\b(stiff|heavy|notchy)\b.*\bsteer|\bsteer\w*\b.*\b(stiff|heavy|notchy)\b/i,
    words: 'Stiff steering: open the kit check of this machine again as suspect, before the adjustment is touched.',
  },
  parts: ({ at }) => [
    { id: 'kit', label: 'Bearing kit' },
    { id: 'seal', label: 'Dust seals' },
    { id: 'stem', label: NAMES[at].stemRole },
    { id: 'head', label: NAMES[at].headRole },
  ],
  results: ({ origin, at }) =>
    origin === 'genuine'
      ? [sizeResult('right', 'The right parts', { scale: 'play', main: true, unjudged: true })]
      : [
          clearanceResult('clearance', 'Seal to cage', { positions: SITES }),
          sizeResult('cone-fit', `Cone on ${NAMES[at].stem}`, { scale: 'play', main: true, ends: FIT_WORDS, positions: SITES }),
          sizeResult('cup-fit', `Cup in ${NAMES[at].head}`, { scale: 'play', main: true, ends: FIT_WORDS, positions: SITES }),
          sizeResult('thread', 'Thread engaged', { scale: 'play', main: true, belowZero: 'never' }),
          clearanceResult('reach', 'Nut can still come down', { ends: SIZE_WORDS }),
          sizeResult('movement', 'Full movement, tightened', { scale: 'play', main: true, unjudged: true }),
        ],
  points: setup => (setup.origin === 'genuine' ? GENUINE_POINTS : kitPoints(setup)),
  places: setup => (setup.origin === 'genuine' ? [] : SITES.map(site => washerPlace(setup, site))),
  procedure: headSteps,
  reminders: headReminders,
  suspicions: headSuspicions,
  combine: (setup, answers) => (setup.origin === 'genuine' ? [genuine(answers)] : kitResults(setup, answers)),
  demands: headDemands,
  thumb: fitByClass,
})
