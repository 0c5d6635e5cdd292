/**
 * How pieces move the result: play = base + Σ c·t. Every piece of a place has the same sensitivity c.
 *
 * −1 fills the gap (thrust washer, snap ring, shim behind a race); +1 sets it (shim under a cover, spacer between races).
 * `pair`: the pieces go in equal pairs, one each side, so a choice of one size moves the play by 2c.
 */
export interface Response {
  readonly perPiece: 1 | -1
  readonly pair: boolean
}

/**
 * Change of play for one pick from the drawer (a piece, or an equal pair), per thickness.
 * @example perPick({ perPiece: 1, pair: true }) // 2
 */
export const perPick = (response: Response): number => response.perPiece * (response.pair ? 2 : 1)
export const piecesPerPick = (response: Response): number => (response.pair ? 2 : 1)
