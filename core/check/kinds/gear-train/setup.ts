import { choice, count, name, torque, type SetupOf } from '../../setup'

/** Gaps a chain has at most. */
export const MOST_GAPS = 6
const NAMES = ['Planet to planet', 'Hub to drum', 'Rear end play', 'Gap 4', 'Gap 5', 'Gap 6'] as const

const called = (i: number) => name({ label: `Gap ${i}, in build order`, free: true, initial: NAMES[i - 1]! })
const read = (i: number, initial: 'dial' | 'hand') =>
  choice({
    label: `Gap ${i} is read`,
    options: [
      { value: 'dial', label: 'by a dial' },
      { value: 'hand', label: 'by hand, as a range' },
      { value: 'feeler', label: 'by feeler' },
    ],
    initial,
  })
/** Only what is built later can be moved besides: a chain has no loop. */
const shares = <const Later extends string>(i: number, later: readonly Later[]) =>
  choice({
    label: `What goes into gap ${i} moves`,
    options: [
      { value: 'own', label: 'this gap alone' },
      ...later.flatMap(gap => [
        { value: `with-${gap}` as const, label: `gap ${gap} too: thicker closes both` },
        { value: `against-${gap}` as const, label: `gap ${gap} too: thicker opens it` },
      ]),
    ],
    initial: 'own',
  })

export const FIELDS = {
  gaps: count({ label: 'Gaps in the chain', least: 2, most: MOST_GAPS, initial: 3 }),
  name1: called(1),
  by1: read(1, 'hand'),
  shares1: shares(1, ['2', '3', '4', '5', '6']),
  name2: called(2),
  by2: read(2, 'hand'),
  shares2: shares(2, ['3', '4', '5', '6']),
  name3: called(3),
  by3: read(3, 'dial'),
  shares3: shares(3, ['4', '5', '6']),
  name4: called(4),
  by4: read(4, 'dial'),
  shares4: shares(4, ['5', '6']),
  name5: called(5),
  by5: read(5, 'dial'),
  shares5: shares(5, ['6']),
  name6: called(6),
  by6: read(6, 'dial'),
  stack: choice({
    label: 'A stack of washers and races',
    options: [
      { value: 'kept', label: 'is kept as it was' },
      { value: 'replaced', label: 'is replaced by a bearing and shims: the total is kept' },
    ],
    initial: 'kept',
  }),
  stackBy: choice({
    label: 'Stacks measured by',
    options: [
      { value: 'calipers', label: 'Calipers across all of it' },
      { value: 'micrometer', label: 'Micrometer' },
    ],
    initial: 'calipers',
  }),
  bush: choice({
    label: 'A bush that locates a bearing',
    options: [
      { value: 'none', label: 'None' },
      { value: 'proud', label: 'Proud of the case, below the face of the bearing' },
    ],
    initial: 'none',
  }),
  freewheel: choice({
    label: 'Freewheel, seen as it is built',
    free: true,
    options: [
      { value: 'none', label: 'None' },
      { value: 'clockwise', label: 'Locks clockwise, turns the other way' },
      { value: 'anticlockwise', label: 'Locks anticlockwise, turns clockwise' },
    ],
    initial: 'none',
  }),
  ringAt: count({
    label: 'Ring opening at, o’clock',
    hint: 'with the case upright; zero: none',
    free: true,
    least: 0,
    most: 12,
    initial: 0,
  }),
  lies: choice({
    label: 'On the bench the case',
    free: true,
    options: [
      { value: 'upright', label: 'stands upright' },
      { value: 'left', label: 'lies a quarter turn to the left' },
      { value: 'right', label: 'lies a quarter turn to the right' },
      { value: 'over', label: 'lies upside down' },
    ],
    initial: 'upright',
  }),
  bolt: torque({ label: 'Feed bolt, to be torqued to', hint: 'blank: there is none', free: true, asksUnit: true }),
}
export type TrainSetup = SetupOf<typeof FIELDS>

const from = (least: number) => (setup: Pick<TrainSetup, 'gaps'>) => setup.gaps >= least
export const ASKED = {
  shares1: from(2),
  name3: from(3),
  by3: from(3),
  shares2: from(3),
  name4: from(4),
  by4: from(4),
  shares3: from(4),
  name5: from(5),
  by5: from(5),
  shares4: from(5),
  name6: from(6),
  by6: from(6),
  shares5: from(6),
  stackBy: ({ stack }: TrainSetup) => stack === 'replaced',
  lies: ({ ringAt }: TrainSetup) => ringAt > 0,
}

export interface Gap {
  /** `1`, first built */
  readonly id: string
  readonly name: string
  readonly by: 'dial' | 'hand' | 'feeler'
  /** the gap its pieces move besides, and which way: 1 closes both */
  readonly also: { readonly gap: string; readonly perPiece: 1 | -1 } | null
}

/** The gaps in build order. */
export function gapsOf(setup: TrainSetup): Gap[] {
  const names = [setup.name1, setup.name2, setup.name3, setup.name4, setup.name5, setup.name6]
  const by = [setup.by1, setup.by2, setup.by3, setup.by4, setup.by5, setup.by6]
  const shared: string[] = [setup.shares1, setup.shares2, setup.shares3, setup.shares4, setup.shares5, 'own']
  return Array.from({ length: setup.gaps }, (_, i) => {
    const [how, gap] = shared[i]!.split('-')
    return {
      id: String(i + 1),
      name: names[i]!,
      by: by[i]!,
      also: gap !== undefined && Number(gap) <= setup.gaps ? { gap, perPiece: how === 'with' ? -1 : 1 } : null,
    }
  })
}
export const packAtGap = (gap: string): string => `pack-${gap}`
export const STACK = 'stack'

/** Where a ring opening has to be on the bench: a case that lies a quarter to the left has its 12 at 9. */
export function hourOnBench({ ringAt, lies }: Pick<TrainSetup, 'ringAt' | 'lies'>): number {
  const turned = { upright: 0, left: -3, right: 3, over: 6 }[lies]
  return ((ringAt + turned + 23) % 12) + 1
}
