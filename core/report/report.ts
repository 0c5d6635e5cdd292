import type { Drawing } from './drawing'

/** A part of a report: plain words, so that screen, paper and file say the same. */
export type Block =
  | { readonly kind: 'heading'; readonly level: 1 | 2; readonly text: string }
  | { readonly kind: 'text'; readonly text: string; readonly tone: 'plain' | 'caution' | 'small' }
  | { readonly kind: 'facts'; readonly facts: readonly (readonly [label: string, value: string])[] }
  | { readonly kind: 'drawing'; readonly drawing: Drawing }
  | { readonly kind: 'photos'; readonly photos: readonly ReportPhoto[] }
  | {
      readonly kind: 'table'
      readonly title: string
      readonly head: readonly string[]
      readonly rows: readonly (readonly string[])[]
      /** columns that hold figures, set to the right */
      readonly figures: readonly number[]
    }

/** A photograph of the record, by its id; pixels. */
export interface ReportPhoto {
  readonly id: string
  readonly caption: string
  readonly width: number
  readonly height: number
}

/** One page for the customer, or all of it for whoever has to believe it. */
export type ReportLength = 'page' | 'full'
export const REPORT_LENGTHS: readonly ReportLength[] = ['page', 'full']

export interface Report {
  /** unit and job */
  readonly title: string
  readonly subtitle: string
  readonly blocks: readonly Block[]
  /** SHA-256 of the record, 64 hexadecimal digits */
  readonly digest: string
  /** what stands under every page */
  readonly foot: string
}

export const heading = (level: 1 | 2, text: string): Block => ({ kind: 'heading', level, text })
export const text = (words: string, tone: 'plain' | 'caution' | 'small' = 'plain'): Block => ({ kind: 'text', text: words, tone })
export const drawings = (...all: readonly (Drawing | null)[]): Block[] =>
  all.flatMap(drawing => (drawing === null ? [] : [{ kind: 'drawing' as const, drawing }]))
export const photos = (all: readonly ReportPhoto[]): Block[] => (all.length === 0 ? [] : [{ kind: 'photos', photos: all }])
/** Facts that are known; the others are left out. */
export const facts = (all: readonly (readonly [label: string, value: string | null])[]): Block => ({
  kind: 'facts',
  facts: all.flatMap(([label, value]) => (value ? [[label, value] as const] : [])),
})
export const table = (
  title: string,
  head: readonly string[],
  rows: readonly (readonly string[])[],
  figures: readonly number[] = [],
): Block[] => (rows.length === 0 ? [] : [{ kind: 'table', title, head, rows, figures }])
