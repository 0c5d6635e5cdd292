import type { Estimate } from '../reading/estimate'
import type { Pack } from '../pack/lot'
import type { Exact } from '../quantity/figure'

/** One way to fill a place: which pieces, how they are set, and what every result would come to. */
export interface CatalogueEntry {
  /** `7 thou, mark to 3:42` */
  readonly words: string
  readonly pieces: Pack
  /** what is set by hand with them, as the reading that records it; null: nothing */
  readonly setting: ({ readonly point: string } & ({ readonly figure: Exact } | { readonly word: string })) | null
  /** the less the better, among those that are as sure and have as many pieces */
  readonly merit: number
  /** by kind of result and position; of a place whose pieces count by their thickness, that result is added */
  readonly leaves: readonly {
    readonly result: string
    readonly position: string | null
    readonly estimate: Estimate
    /** the value is the most it can leave: nothing that can be told from zero was measured */
    readonly atMost?: true
  }[]
}

/** What there is to choose for a place, as the kind reckons it. */
export interface Catalogue {
  readonly place: string
  /** what an entry is: `Pair, and where it points` */
  readonly title: string
  readonly entries: readonly CatalogueEntry[]
  /** why there is nothing, or what is to be known */
  readonly note: string | null
  /** what has to be done before any of it is put in; left out: nothing */
  readonly hold?: string
  /** what else can be done where none of it reaches the limits */
  readonly elsewise: string
  /** how it is put in */
  readonly advice: string
}
