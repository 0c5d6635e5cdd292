import { closeSync, fsyncSync, openSync } from 'node:fs'
import { PGlite } from '@electric-sql/pglite'
import { NodeFS } from '@electric-sql/pglite/nodefs'

/** The part of an open file of the embedded server's file layer that is used here. */
export interface OpenFile {
  /** descriptor; a folder has none */
  readonly nfd?: number
  readonly node: unknown
}
/** Where the embedded server's file calls end up. */
export interface FileCalls {
  readonly realPath: (node: unknown) => string
  readonly stream_ops: {
    write: (file: OpenFile, from: Uint8Array, offset: number, length: number, position: number) => number
    fsync?: (file: OpenFile) => number
  }
  readonly node_ops: Record<string, (...args: never[]) => unknown>
}
type Options = Parameters<NodeFS['init']>[1]

/** What is written reaches the disk: as the database is started by itself, it never waits for that. */
export const SYNCED: readonly string[] = [
  ...PGlite.defaultStartParams.filter(param => param !== '-F'),
  // The other ways of syncing do nothing in this build.
  ...['-c', 'wal_sync_method=fsync'],
  // What the system keeps of the files in its own memory need not be kept twice.
  ...['-c', 'shared_buffers=32MB'],
  // Little log is kept: it is written out at quiet moments.
  ...['-c', 'min_wal_size=32MB', '-c', 'max_wal_size=64MB'],
]

/** Bytes that reached a file or folder are on the disk when this returns. */
export function syncPath(path: string): void {
  const handle = openSync(path, 'r')
  try {
    fsyncSync(handle)
  } finally {
    closeSync(handle)
  }
}

/**
 * The files of the embedded database, with its own requests to sync carried out: the layer it comes with drops them.
 * @param spare  makes room on a full disk; true when there is some now. The database stops for good where it cannot write its log.
 */
export class SyncedFiles extends NodeFS {
  constructor(
    folder: string,
    private readonly spare: () => boolean = () => false,
  ) {
    super(folder)
  }

  override async init(lite: PGlite, given: Options): ReturnType<NodeFS['init']> {
    const made = await super.init(lite, given)
    const { preRun } = made.emscriptenOpts
    const attach = (module: unknown) => this.attach((module as { NODEFS: FileCalls }).NODEFS)
    made.emscriptenOpts.preRun = [...((preRun ?? []) as []), attach] as typeof preRun
    return made
  }

  protected attach(calls: FileCalls): void {
    const { write } = calls.stream_ops
    calls.stream_ops.fsync = file => {
      if (file.nfd === undefined) syncPath(calls.realPath(file.node))
      else fsyncSync(file.nfd)
      return 0
    }
    calls.stream_ops.write = (...args) => {
      try {
        return write(...args)
      } catch (error) {
        if (isFull(error) && this.spare()) return write(...args)
        throw error
      }
    }
  }
}

/** ENOSPC as the file layer calls it. */
const NO_SPACE = 51
const isFull = (error: unknown): boolean => (error as { errno?: number }).errno === NO_SPACE
