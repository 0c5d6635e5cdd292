import { stated, type Estimate } from '../../reading/estimate'
import { isValid, type Finding } from '../../reading/gates'
import { sumOf } from '../../reading/sum'
import type { Torque } from '../../quantity/measure'
import { thou, type Nm } from '../../quantity/length'
import {
  resultId,
  type Answers,
  type CombinedResult,
  type HandWord,
  type MeasuringPoint,
  type Position,
  type ResultKind,
} from '../contract'
import type { FirstPack } from '../pack-place'
import { handWord } from './by-hand'
import { sizeResult } from './results'
import { choice, length, torque } from '../setup'

/** How preload is told, and in which unit: the same wherever a bearing is set by what it takes to turn. */
export const PRELOAD_FIELDS = {
  way: choice({
    label: 'Preload told by',
    options: [
      { value: 'scale', label: 'Spring scale on a radius' },
      { value: 'gauge', label: 'Torque gauge' },
      { value: 'feel', label: 'Feel: drag and side play', hint: 'a judgement' },
    ],
    initial: 'scale',
  }),
  radius: length({ label: 'Radius the scale pulls at', least: thou(10), optional: true }),
  unit: choice({
    label: 'Turning torque in',
    free: true,
    options: [
      { value: 'N·m', label: 'N·m' },
      { value: 'in·lb', label: 'in·lb' },
      { value: 'kgf·cm', label: 'kgf·cm' },
    ],
    initial: 'N·m',
  }),
  sealDrag: torque({ small: true, label: 'Drag of a seal that is in', hint: 'taken off what is read; better leave the seal out' }),
}
export interface PreloadSetup {
  readonly way: 'scale' | 'gauge' | 'feel'
  readonly radius: Nm | null
  readonly sealDrag: Torque | null
}

type Where = Pick<MeasuringPoint, 'result' | 'at' | 'moves' | 'rests'> & {
  /** ends every id: `left`, `2` */
  readonly id: string
  /** `Left: ` */
  readonly prefix: string
  /** what is felt for besides drag */
  readonly play: string
  /** read with a gauge of its own: what for */
  readonly tool?: string
}

/** What is felt, a word each, and what keeps it turning where that is read. */
export function preloadPoints({ way, radius }: PreloadSetup, { id, prefix, play, tool, ...where }: Where): MeasuringPoint[] {
  const at = (what: string) => ({ ...where.at, what })
  const word = (name: string, label: string, words: readonly string[]): MeasuringPoint => ({
    ...where,
    at: at(name === 'drag' ? 'drag' : 'play'),
    id: `${name}-${id}`,
    label: prefix + label,
    way: 'word',
    words: words.map(value => ({ value, label: value })),
    ...(way === 'feel' ? {} : { optional: true }),
  })
  return [
    ...(way === 'feel'
      ? []
      : [
          {
            ...where,
            at: at('turning'),
            id: `turning-${id}`,
            label: `${prefix}turning`,
            way: way === 'scale' ? 'spring-scale' : 'turning-torque',
            ...(way === 'scale' ? { radius } : {}),
            ...(tool === undefined ? {} : { tool }),
          } satisfies MeasuringPoint,
        ]),
    word('drag', 'drag', ['none', 'slight', 'much']),
    word('side-play', play, ['none', 'some']),
  ]
}

const byDial = (id: string) => `side-play-dial-${id}`
/** Side play as a length, by dial: what no torque tells while there is some. */
export const sidePlayPoint = ({ id, prefix, play, moves, rests, at }: Omit<Where, 'result' | 'tool'>): MeasuringPoint => ({
  id: byDial(id),
  label: `${prefix}${play}, by dial, while there is some`,
  at: { ...at, what: 'play by dial' },
  way: 'dial',
  result: SIDE_PLAY,
  moves,
  rests,
  alone: true,
  optional: true,
})
export const SIDE_PLAY = 'side-play'
/** Shown, and never judged: it is to be closed. Below zero is preload. */
export const sidePlayResult = (positions: readonly Position[]): ResultKind =>
  sizeResult(SIDE_PLAY, 'Side play by dial', { scale: 'play', unjudged: true, positions })
export const sidePlayOf = (answers: Answers, id: string): CombinedResult => ({
  kind: SIDE_PLAY,
  position: id,
  estimate: answers.of(byDial(id)).estimate,
  points: [byDial(id)],
  formula: 'far − (start + back)/2',
})
/** Closed by its length first, and a step of preload on top of it: from there a torque can be felt. @param perPiece  of a piece in what it takes to turn */
export const closingPlay = (id: string, perPiece: 1 | -1): FirstPack => ({
  result: resultId(SIDE_PLAY, id),
  perPiece: perPiece === 1 ? -1 : 1,
  aim: 'closed',
})

/** What the points of one place say: the torque, less that of the seal; or a judgement by feel; and where figure and hand contradict each other. */
export function preloadOf(
  { way, sealDrag }: PreloadSetup,
  answers: Answers,
  id: string,
): Pick<CombinedResult, 'overrule' | 'hand' | 'atMost' | 'points' | 'formula'> & {
  readonly estimate: Estimate | null
  readonly findings: readonly Finding[]
} {
  const read = way === 'feel' ? null : answers.of(`turning-${id}`).estimate
  const estimate =
    read && sealDrag !== null
      ? sumOf([
          { name: 'turning', factor: 1, estimate: read },
          { name: 'seal', factor: -1, estimate: stated(sealDrag, []) },
        ])
      : read
  const felt = feltOf(answers, id)
  const words = [`drag-${id}`, `side-play-${id}`]
  const points = way === 'feel' ? words : [`turning-${id}`, ...words]
  const formula =
    way === 'feel'
      ? 'by feel: drag and side play'
      : `${way === 'scale' ? 'pull × radius' : 'as read'}, while turning${sealDrag === null ? '' : ' − drag of the seal'}`
  if (estimate)
    return {
      estimate,
      points,
      formula,
      findings: [...felt.findings, ...handAgainst(felt, estimate)],
      ...handWord(answers, words, `turning-${id}`, handFound(felt)),
    }
  const { findings, state, words: said } = felt
  return {
    estimate: null,
    points,
    formula,
    findings,
    ...(state === null ? {} : { overrule: { state, words: said } }),
    ...(state === 'below' ? { atMost: { value: 0, words: said } } : {}),
  }
}

interface Felt {
  readonly drag: string | null
  readonly play: string | null
  readonly state: 'below' | 'above' | 'provisional' | null
  readonly words: string
  readonly findings: readonly Finding[]
}

/** Is there side play, by dial? */
function hasPlay(answers: Answers, id: string): boolean {
  const { estimate, findings } = answers.of(byDial(id))
  return answers.stale(byDial(id)) === null && estimate !== null && isValid(findings) && estimate.value > estimate.U
}

/** Both words together. Common practice: slight drag and no side play is right; drag and side play cannot both be. */
function feltOf(answers: Answers, id: string): Felt {
  const word = (point: string) => (answers.stale(point) === null ? answers.of(point).word : null)
  const drag = word(`drag-${id}`)
  const play = word(`side-play-${id}`) ?? (hasPlay(answers, id) ? 'some' : null)
  const said = (state: Felt['state'], words: string, findings: readonly Finding[] = []): Felt => ({ drag, play, state, words, findings })
  if (drag === null && play === null) return said(null, '')
  // Nothing that has play is preloaded, whatever nobody said of the drag.
  if (drag === null && hasPlay(answers, id)) return said('below', 'side play by dial: too little')
  if (drag === null || play === null)
    return said(null, '', [{ gate: 'hand', level: 'note', words: 'Say both: drag, and side play. One alone does not tell.' }])
  if (play === 'some')
    return drag === 'none'
      ? said('below', 'no drag, and side play: too little')
      : said(null, '', [
          {
            gate: 'hand',
            level: 'fail',
            words:
              'Drag and side play contradict each other: a damaged track, a cocked pin, or a seal is in. Find it, then say both again.',
          },
        ])
  if (drag === 'none') return said('below', 'neither drag nor side play: no preload that can be felt')
  if (drag === 'much') return said('above', 'much drag, no side play: too much')
  return said('provisional', 'slight drag, no side play: right, by feel')
}

/** What both words, or the drag alone, come to where the torque was read too. */
function handFound({ drag, state, words }: Felt): Pick<HandWord, 'state' | 'words'> | null {
  if (state === 'below' || state === 'above') return { state, words: `by hand ${words}` }
  if (state === null && drag === 'none') return { state: 'below', words: 'by hand no drag: no preload that can be felt' }
  return state === null && drag === 'much' ? { state: 'above', words: 'by hand much drag: too much' } : null
}

/** A figure that the hand does not believe. */
function handAgainst({ drag, play }: Felt, { value, U }: Estimate): Finding[] {
  const drags = value - U > 0
  if (drags && drag === 'none')
    return [
      {
        gate: 'hand',
        level: 'warn',
        words: 'By hand there is no drag, and the gauge reads some: does it drag elsewhere, is the gauge at its zero?',
      },
    ]
  if (!drags && (drag === 'slight' || drag === 'much'))
    return [{ gate: 'hand', level: 'warn', words: 'By hand it drags, and the gauge reads nothing that can be told: take a finer gauge.' }]
  return play === 'some' && drags && drag === null
    ? [{ gate: 'hand', level: 'warn', words: 'Side play, and yet it takes torque to turn: say the drag too.' }]
    : []
}
