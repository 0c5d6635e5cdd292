// Runs in a worker: reads and judges a file, and works out its rows, while the benches are served elsewhere.
import { parentPort } from 'node:worker_threads'
import { readDrawer } from './drawer-csv'
import type { Numbers } from './import-rows'
import { WorksheetIn, type Group, type Opened, type Piece, type ShopSide } from './worksheet-in'

let sheet: WorksheetIn | null = null

const calls = {
  drawer: readDrawer,
  open(text: string, asCopy: boolean): Opened {
    const { opened, sheet: read } = WorksheetIn.open(text, asCopy)
    sheet = read
    return opened
  },
  claims: () => sheet!.claims(),
  claimant: (table: string, ids: readonly string[]) => sheet!.claimant(table, ids),
  here: (shop: ShopSide) => sheet!.here(shop),
  /** Between two files nothing of either is kept. */
  forget(): void {
    sheet = null
  },
  rows: (group: Group, first: Numbers): Piece[] => sheet!.rowsOf(group, first),
}
export type Calls = typeof calls
export interface Question {
  readonly id: number
  readonly call: keyof Calls
  readonly args: readonly unknown[]
}
export type Answer = { readonly id: number } & ({ readonly value: unknown } | { readonly fault: string })

parentPort?.on('message', ({ id, call, args }: Question) => {
  const work = calls[call] as (...args: readonly unknown[]) => unknown
  let answer: Answer
  try {
    answer = { id, value: work(...args) }
  } catch (error) {
    answer = { id, fault: error instanceof Error ? (error.stack ?? error.message) : String(error) }
  }
  parentPort!.postMessage(answer)
})
