import { about, boxOf, laidOut, type Box, type Spot, type Wanting } from './labels'

/** What stands on the limit band, px and words; what there is none of is null. */
export interface BandWords {
  readonly width: number
  /** limit lines */
  readonly edges: readonly number[]
  /** ends of the limits that are drawn, an open one at the edge */
  readonly zone: { readonly left: number; readonly right: number } | null
  readonly breakAt: number | null
  /** of the axes: where, in words, and on which base line */
  readonly ticks: readonly { readonly at: number; readonly text: string; readonly y: number }[]
  readonly title: string | null
  readonly below: string
  readonly above: string
  readonly limits: string
  readonly measured: { readonly at: number; readonly text: string } | null
  readonly predicted: { readonly at: number; readonly text: string; readonly words: string } | null
}

/** Half of what a mark covers of the line it stands on. */
const MARK = 8
/** Widths of letters: of words at 13 px, of figures at 14 px. */
const wordsWide = (text: string) => 7.1 * text.length + 6
const figuresWide = (text: string) => 8.7 * text.length + 6
const AXIS_FIGURE = 7.6

/**
 * Where everything on the band stands: none on a limit, on the break, or on another. The figure that was measured first, what the pack would
 * leave next; what has no room is left out here and told below the band.
 * @param rows  of the drawing: its top and bottom edge, the line the marks stand on
 */
export function bandLabels(
  { width, edges, zone, breakAt, ticks, title, below, above, limits, measured, predicted }: BandWords,
  rows: { readonly top: number; readonly bottom: number; readonly line: number },
): ReadonlyMap<string, Spot> {
  const { top, bottom, line } = rows
  const column = (x: number, half: number): Box => ({ left: x - half, right: x + half, top, bottom })
  const taken: Box[] = [
    ...edges.map(edge => column(edge, 2.5)),
    ...(breakAt === null ? [] : [{ left: breakAt - 14, right: breakAt + 14, top: 0, bottom: bottom + 40 }]),
    ...ticks.map(({ at, text, y }) => boxOf({ x: at, y, anchor: 'middle' }, text.length * AXIS_FIGURE, 12)),
    ...[measured, predicted].flatMap(mark =>
      mark ? [{ left: mark.at - MARK, right: mark.at + MARK, top: line - MARK, bottom: line + MARK }] : [],
    ),
  ]
  const beside = (y: number): Spot[] => [
    ...(zone
      ? [
          { x: zone.right + 8, y, anchor: 'start' as const },
          { x: zone.left - 8, y, anchor: 'end' as const },
        ]
      : []),
    ...(zone
      ? [
          { x: zone.left + 8, y, anchor: 'start' as const },
          { x: zone.right - 8, y, anchor: 'end' as const },
        ]
      : []),
  ]
  /** At the left end, or behind the first limit that stands there. */
  const atLeft = (y: number): Spot[] => [10, ...edges.map(edge => edge + 8)].map(x => ({ x, y, anchor: 'start' }))
  const between: Spot[] =
    measured && predicted ? about((measured.at + predicted.at) / 2, line - 8, Math.abs(measured.at - predicted.at) / 2) : []
  const wanted: Wanting[] = [
    ...(measured
      ? [
          {
            id: 'measured',
            width: figuresWide(measured.text),
            size: 14,
            spots: [...about(measured.at, line - 15, 70), ...about(measured.at, line + 24, 70)],
          },
        ]
      : []),
    ...(predicted
      ? [
          {
            id: 'predicted',
            width: figuresWide(predicted.text),
            size: 14,
            spots: [...about(predicted.at, line + 24, 70), ...about(predicted.at, line - 15, 70)],
          },
        ]
      : []),
    ...(title === null ? [] : [{ id: 'title', width: wordsWide(title), size: 13, spots: atLeft(48) }]),
    { id: 'limits', width: wordsWide(limits), size: 13, spots: limits === '' ? [] : beside(42) },
    { id: 'below', width: wordsWide(below), size: 12.5, spots: atLeft(line + 5) },
    {
      id: 'above',
      width: wordsWide(above),
      size: 12.5,
      spots: [width - 10, ...edges.map(edge => edge - 8)].map(x => ({ x, y: line + 5, anchor: 'end' })),
    },
    ...(predicted
      ? [{ id: 'words', width: wordsWide(predicted.words), size: 13, spots: measured ? between : about(predicted.at, line - 13, width) }]
      : []),
  ]
  // What is left blank, because it stands below on a phone, takes no place and is not drawn.
  const told = wanted.filter(({ id }) => ({ below, above, words: predicted?.words })[id] !== '')
  return laidOut(told, taken, { left: 3, right: width - 3, top: 0, bottom: bottom + 40 })
}

/** Figures of an axis that leave each other room, and are no figure twice. */
export function spaced<Tick extends { readonly at: number; readonly value: number }>(
  ticks: readonly Tick[],
  text: (value: number) => string,
): Tick[] {
  const kept: Tick[] = []
  for (const tick of [...ticks].sort((a, b) => a.at - b.at)) {
    const last = kept.at(-1)
    const room = last ? ((text(last.value).length + text(tick.value).length) / 2) * AXIS_FIGURE + 6 : 0
    if (!last || tick.at - last.at >= room) kept.push(tick)
  }
  return kept
}
