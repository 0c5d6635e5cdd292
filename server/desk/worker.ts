// Runs in a worker: papers, backups and their trials, readings for other programs, while the benches are served elsewhere.
import 'reflect-metadata'
import { createWriteStream } from 'node:fs'
import { writeFile } from 'node:fs/promises'
import { pipeline } from 'node:stream/promises'
import { parentPort } from 'node:worker_threads'
import type { Progress } from '#shared/types'
import { readyBackup, tryRestore } from '../backup/restore'
import { writeBackupFile } from '../backup/write'
import { openDatabase, type Database } from '../database/client'
import type { Schema } from '../database/schema'
import { readingsCsv } from '../export/readings'
import { Refused } from '../http/refuse'
import { labelsPdf } from '../label/pdf'
import { reportPdf, type Faces, type Files } from '../report/pdf'
import type { Asked, DeskJob, DeskJobs, Said, Tables } from './jobs'

type Work = {
  readonly [Job in DeskJob]: (given: DeskJobs[Job]['given'], said: (progress: Progress) => void) => Promise<DeskJobs[Job]['gives']>
}

const schemaOf = ({ migrations, packed, bare }: Tables): Schema => ({
  migrations,
  prepared: of => Promise.resolve(of.size === migrations.size ? packed : bare),
})

/** On a copy of a folder nothing has to reach the disk. */
async function onCopy<Result>(folder: string, tables: Tables, work: (db: Database) => Promise<Result>): Promise<Result> {
  const db = await openDatabase(folder, schemaOf(tables), { say: () => undefined, small: true })
  return work(db).finally(() => db.close())
}
/** What came over as plain bytes. */
const facesOf = ({ regular, bold }: Faces): Faces => ({ regular: Buffer.from(regular), bold: Buffer.from(bold) })
const filesOf = (files: Files): Files => new Map([...files].map(([id, bytes]) => [id, Buffer.from(bytes)]))

const work: Work = {
  async report({ report, paper, faces, files, to }, said) {
    await writeFile(to, await reportPdf(report, paper, facesOf(faces), filesOf(files), said))
  },
  async labels({ labels, sheet, skip, faces, to }) {
    await writeFile(to, await labelsPdf(labels, sheet, skip, facesOf(faces)))
  },
  backup: ({ folder, tables, to }, said) => onCopy(folder, tables, db => writeBackupFile(db, to, said)),
  readings: ({ folder, tables, to }, said) =>
    onCopy(folder, tables, db => pipeline(readingsCsv(db, said), createWriteStream(to, { flags: 'wx', mode: 0o600 }))),
  trial: ({ path, tables }) => tryRestore(path, schemaOf(tables)),
  readied: ({ path, tables }) => readyBackup(path, schemaOf(tables)),
}

const say = (said: Said) => parentPort!.postMessage(said)
parentPort!.on('message', ({ job, given }: Asked) => {
  const done = work[job] as (given: unknown, said: (progress: Progress) => void) => Promise<unknown>
  done(given, progress => say({ progress })).then(
    gives => say({ gives }),
    (error: unknown) => {
      if (error instanceof Refused) return say({ refused: { status: error.status, refusal: error.refusal } })
      const { stack, message, code } = error as Error & { code?: string }
      say({ fault: stack ?? message, code })
    },
  )
})
