import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, it } from 'vitest'
import { openDatabase } from '../../server/database/client'
import { stream } from '../reference/drawers'
import { afterPowerCut, RecordedFiles } from './disk'
import { schema } from '../../server/database/from-source'

const CUTS = Number(process.env.POWER_CUTS ?? 2)
const home = mkdtempSync(join(tmpdir(), 'finitum-power-'))
afterAll(() => rmSync(home, { recursive: true, force: true }))

describe('the power goes', () => {
  it(
    `at ${CUTS} moments of a busy hour: every write that was answered is there, and the database opens`,
    async () => {
      const [data, before, after] = ['database', 'before', 'after'].map(name => join(home, name)) as [string, string, string]
      await (await openDatabase(data, schema)).close()
      cpSync(data, before, { recursive: true })
      const files = new RecordedFiles(data)
      const db = await openDatabase(data, schema, { files: () => files })
      /** how many steps the disk was asked for when a write was answered */
      const answered: number[] = []
      for (let i = 0; i < 120; i++) {
        await db.transaction(async sql => {
          await sql.rows('INSERT INTO unit (id, name) VALUES ($1, $2)', [`u${i}`, `Unit ${i} ${'x'.repeat(i * 7)}`])
          await sql.rows('INSERT INTO event (id, subject, version, what) VALUES ($1, $2, 1, $3)', [`e${i}`, `u${i}`, 'made'])
        })
        answered.push(files.steps.length)
        if (i % 50 === 30) await db.rows('CHECKPOINT')
      }
      const random = stream(Number(process.env.SEED ?? 9))
      for (let cut = 0; cut < CUTS; cut++) {
        const at = Math.floor(random() * (files.steps.length + 1))
        afterPowerCut(before, after, files.steps.slice(0, at), random)
        const opened = await openDatabase(after, schema)
        const there = new Set((await opened.rows<{ id: string }>('SELECT id FROM unit')).map(({ id }) => id))
        const events = await opened.rows<{ subject: string }>('SELECT subject FROM event')
        await opened.close()
        const least = answered.filter(steps => steps <= at).length
        expect(
          [...Array(least).keys()].filter(i => !there.has(`u${i}`)),
          `cut ${cut} at step ${at}`,
        ).toEqual([])
        expect(events.map(({ subject }) => subject).sort()).toEqual([...there].sort())
      }
      await db.close()
    },
    120_000 + CUTS * 8_000,
  )
})
