// npm start -- --check [FOLDER]: is a copy of a data folder whole? Exit 0: it is; 1: it is not, or cannot be told.
import { cpSync, existsSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { claim } from '../server/database/claim'
import { openDatabase } from '../server/database/client'
import { verify } from '../server/database/verify'
import { schema } from '../server/database/from-source'

const folder = resolve(process.argv[2] ?? '.')
const place = join(folder, 'database')

/** The folder itself stays as it is: opening one writes to it. */
async function check(): Promise<string> {
  if (!existsSync(place)) throw new Error(`There is no Finitum data in ${folder}.`)
  const held = claim(folder)
  const copy = mkdtempSync(join(tmpdir(), 'finitum-check-'))
  try {
    cpSync(place, join(copy, 'database'), { recursive: true })
    const db = await openDatabase(join(copy, 'database'), schema, { say: () => undefined })
    const { counts, faults } = await verify(db)
    await db.close()
    if (faults.length > 0) throw new Error(`${folder} is damaged. ${faults.join(' ')}`)
    const { jobs, checks, readings, sizes, signatures } = counts
    return `${folder} is whole: ${jobs} jobs, ${checks} checks, ${readings} readings, ${sizes} sizes, ${signatures} signatures.`
  } finally {
    rmSync(copy, { recursive: true, force: true })
    held.release()
  }
}

check().then(
  sentence => process.stdout.write(`${sentence}\n`),
  (error: Error) => {
    process.stderr.write(`${error.message}\n`)
    process.exitCode = 1
  },
)
