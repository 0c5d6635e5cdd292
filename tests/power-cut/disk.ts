import { mkdirSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { dirname, join, relative } from 'node:path'
import { SyncedFiles, type FileCalls, type OpenFile } from '../../server/database/files'

/** What reached the file layer, in its order. Paths are below the folder. */
export type Step =
  | { readonly does: 'write'; readonly path: string; readonly at: number; readonly bytes: Uint8Array }
  | { readonly does: 'size'; readonly path: string; readonly to: number }
  | { readonly does: 'make'; readonly path: string; readonly folder: boolean }
  | { readonly does: 'rename'; readonly path: string; readonly to: string }
  | { readonly does: 'remove'; readonly path: string }
  | { readonly does: 'sync'; readonly path: string }

type Node = { readonly name: string }

/** The same files as in use, writing down everything that is asked of the disk. */
export class RecordedFiles extends SyncedFiles {
  readonly steps: Step[] = []
  constructor(private readonly folder: string) {
    super(folder)
  }
  protected override attach(calls: FileCalls): void {
    super.attach(calls)
    const { stream_ops: stream, node_ops: node, realPath } = calls as unknown as Calls
    const at = (of: unknown) => relative(this.folder, realPath(of))
    const note = (step: Step) => void this.steps.push(step)
    const { write, fsync } = stream
    stream.write = (file, from, offset, length, position) => {
      note({ does: 'write', path: at(file.node), at: position, bytes: Uint8Array.from(from.subarray(offset, offset + length)) })
      return write(file, from, offset, length, position)
    }
    stream.fsync = file => {
      const done = fsync(file)
      note({ does: 'sync', path: at(file.node) })
      return done
    }
    const sized = (set: Calls['stream_ops']['setattr']) => (of: { node?: unknown }, attributes: { size?: number }) => {
      set(of, attributes)
      if (attributes.size !== undefined) note({ does: 'size', path: at(of.node ?? of), to: attributes.size })
    }
    stream.setattr = sized(stream.setattr)
    node.setattr = sized(node.setattr)
    const { mknod, rename, unlink, rmdir } = node
    node.mknod = (parent, name, mode, device) => {
      const made = mknod(parent, name, mode, device)
      note({ does: 'make', path: at(made), folder: (mode & 0o170000) === 0o040000 })
      return made
    }
    node.rename = (old, parent, name) => {
      const path = at(old)
      rename(old, parent, name)
      note({ does: 'rename', path, to: join(at(parent), name) })
    }
    const gone = (remove: typeof unlink) => (parent: Node, name: string) => {
      remove(parent, name)
      note({ does: 'remove', path: join(at(parent), name) })
    }
    node.unlink = gone(unlink)
    node.rmdir = gone(rmdir)
  }
}
interface Calls {
  readonly realPath: (node: unknown) => string
  readonly stream_ops: {
    write: (file: OpenFile, from: Uint8Array, offset: number, length: number, position: number) => number
    fsync: (file: OpenFile) => number
    setattr: (of: { node?: unknown }, attributes: { size?: number }) => void
  }
  readonly node_ops: {
    setattr: (of: { node?: unknown }, attributes: { size?: number }) => void
    mknod: (parent: Node, name: string, mode: number, device: number) => Node
    rename: (old: Node, parent: Node, name: string) => void
    unlink: (parent: Node, name: string) => void
    rmdir: (parent: Node, name: string) => void
  }
}

const SECTOR = 512
/** Written, but not known to be on the disk yet. */
type Pending = Extract<Step, { does: 'write' | 'size' }>

/** A file by itself, whatever its name is. */
class File {
  private readonly pending: Pending[] = []
  constructor(private synced: Uint8Array) {}
  put(step: Pending): void {
    this.pending.push(step)
  }
  sync(): void {
    this.synced = this.read(() => true)
    this.pending.length = 0
  }
  /** @param kept  whether a sector that was not synced is there all the same */
  read(kept: () => boolean): Uint8Array {
    let now = this.synced
    const upTo = (size: number, exactly: boolean) => {
      if (exactly ? now.length === size : now.length >= size) return
      const next = new Uint8Array(size)
      next.set(now.subarray(0, size))
      now = next
    }
    if (this.pending.length > 0) now = Uint8Array.from(now)
    for (const step of this.pending) {
      if (step.does === 'size') {
        if (kept()) upTo(step.to, true)
        continue
      }
      for (let from = 0; from < step.bytes.length; from += SECTOR) {
        const part = step.bytes.subarray(from, from + SECTOR)
        if (!kept()) continue
        upTo(step.at + from + part.length, false)
        now.set(part, step.at + from)
      }
    }
    return now
  }
}
const FOLDER = 'folder'
type Names = Map<string, File | typeof FOLDER>

/**
 * What a disk may hold when the power goes after some steps. What a file was written since it was last synced is there or not, sector by
 * sector; of the names made, changed and removed since anything was last synced, the later ones are not there, as with a journal of names.
 * @param before  the folder before the first step
 * @param into  where it is laid out
 * @param chance  0 to 1, anew at every call
 */
export function afterPowerCut(before: string, into: string, steps: readonly Step[], chance: () => number): void {
  const names: Names = new Map(
    readdirSync(before, { recursive: true, withFileTypes: true }).map(entry => {
      const path = join(entry.parentPath, entry.name)
      return [relative(before, path), entry.isDirectory() ? FOLDER : new File(readFileSync(path))]
    }),
  )
  const lastSync = steps.findLastIndex(({ does }) => does === 'sync')
  const open = steps.filter(({ does }, i) => i > lastSync && ['make', 'rename', 'remove'].includes(does))
  const lost = new Set(open.slice(Math.floor(chance() * (open.length + 1))))
  // A file whose name is lost is still written to, by those that have it open.
  const nameless: Names = new Map()
  const file = (path: string) => (nameless.get(path) ?? names.get(path)) as File
  for (const step of steps) {
    const into = lost.has(step) ? nameless : names
    switch (step.does) {
      case 'make':
        into.set(step.path, step.folder ? FOLDER : new File(new Uint8Array()))
        break
      case 'rename': {
        const [from, to] = [step.path, step.to]
        for (const [name, what] of [...names]) {
          if (name !== from && !name.startsWith(`${from}/`)) continue
          into.set(to + name.slice(from.length), what)
          if (into === names) names.delete(name)
        }
        break
      }
      case 'remove':
        if (into === names) names.delete(step.path)
        break
      case 'sync':
        if (names.get(step.path) !== FOLDER && step.path !== '') file(step.path).sync()
        break
      default:
        file(step.path).put(step)
    }
  }
  rmSync(into, { recursive: true, force: true })
  mkdirSync(into, { recursive: true })
  // On some disks most of it got there, on others little.
  const share = chance()
  for (const [name, what] of [...names].sort(([a], [b]) => (a < b ? -1 : 1))) {
    if (what === FOLDER) mkdirSync(join(into, name), { recursive: true })
    else {
      mkdirSync(dirname(join(into, name)), { recursive: true })
      writeFileSync(
        join(into, name),
        what.read(() => chance() < share),
      )
    }
  }
}
