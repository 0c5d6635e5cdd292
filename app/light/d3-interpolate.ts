// What the scales here go between are figures: the package also knows colours, dates, transforms and texts, and drags all of them along.

/** @returns the figure a part of the way between two */
export const interpolateNumber =
  (from: number, to: number) =>
  (part: number): number =>
    +from * (1 - part) + +to * part
export const interpolateRound =
  (from: number, to: number) =>
  (part: number): number =>
    Math.round(+from * (1 - part) + +to * part)
export const interpolate = interpolateNumber
/** Scales in pieces are not drawn here. */
export function piecewise(): never {
  throw new Error('No scale of several pieces is drawn here.')
}
