import { spawn } from 'node:child_process'
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeEach, describe, expect, it } from 'vitest'
import { claim } from './claim'
import { openDatabase } from './client'
import { SyncedFiles } from './files'
import { schemaOf } from './from-source'
import { LEAST_FREE, NoRoom, Room } from './room'

const small = schemaOf(new Map([['0001_a.sql', 'CREATE TABLE a (x int)']]))
const MB = 1024 * 1024
const home = mkdtempSync(join(tmpdir(), 'finitum-folder-'))
let count = 0
let folder = ''
beforeEach(() => {
  folder = join(home, String(count++))
})
afterAll(() => rmSync(home, { recursive: true, force: true }))

describe('a data folder', () => {
  it('is one process’s alone, who says who it is; it is let go of when that is killed', async () => {
    const script = `require('fs-native-extensions').tryLock(require('fs').openSync(process.argv[1] + '/lock', 'a+')) && console.log('held'); setInterval(() => {}, 1000)`
    mkdirSync(folder)
    const other = spawn(process.execPath, ['-e', script, folder], { stdio: ['ignore', 'pipe', 'inherit'] })
    await new Promise(resolve => other.stdout.once('data', resolve))
    expect(() => claim(folder)).toThrow(`The data folder ${folder} is open in another Finitum. Close that one, or set FINITUM_DATA`)
    other.kill('SIGKILL')
    await new Promise(resolve => other.once('exit', resolve))
    const mine = claim(folder)
    expect(readFileSync(join(folder, 'lock'), 'utf8')).toContain(`process ${process.pid} on `)
    expect(() => claim(folder)).toThrow(`is open in another Finitum (process ${process.pid} on`)
    expect(mine.holds()).toBe(true)
    mine.release()
    claim(folder).release()
  })
  it('a long statement asked for twice at once, outside and inside a transaction, is answered twice', async () => {
    const db = await openDatabase(undefined, small)
    const long = { name: 'long', values: 1, statement: 'SELECT $1::text AS said' }
    const both = await Promise.all([
      db.transaction(sql => sql.prepared(long, ['in'])),
      db.prepared(long, ['a']),
      db.prepared(long, ['b']),
      db.transaction(sql => sql.prepared(long, ['in again'])),
    ])
    expect(both).toEqual(['in', 'a', 'b', 'in again'].map(said => [{ said }]))
    expect(await db.prepared(long, ['later'])).toEqual([{ said: 'later' }])
    await db.close()
  })
  it('taken away or replaced is no longer held', () => {
    const mine = claim(folder)
    renameSync(folder, `${folder}-away`)
    expect(mine.holds()).toBe(false)
    const other = claim(folder)
    expect([mine.holds(), other.holds()]).toEqual([false, true])
    mine.release()
    other.release()
  })
  it('that cannot be written is said to be', () => {
    writeFileSync(folder, '')
    expect(() => claim(join(folder, 'shop'))).toThrow(
      /^The data folder .*shop cannot be written \(ENOTDIR\)\. Set FINITUM_DATA to one that can\.$/,
    )
  })
})

describe('a database in it', () => {
  it('half made, by a process that was killed, is made anew', async () => {
    mkdirSync(join(folder, 'database.making/base'), { recursive: true })
    const db = await openDatabase(join(folder, 'database'), small)
    expect(await db.rows('SELECT * FROM a')).toEqual([])
    await db.close()
    expect(readdirSync(folder)).toEqual(['database'])
  })
  it('damaged is said to be, with what to do, and left as it is', async () => {
    const place = join(folder, 'database')
    await (await openDatabase(place, small)).close()
    truncateSync(join(place, 'global/pg_control'), 100)
    await expect(openDatabase(place, small)).rejects.toThrow(
      /^The database in .* is damaged \(.+\)\. Nothing was changed\. Put a copy back/,
    )
    rmSync(join(place, 'global/pg_control'))
    await expect(openDatabase(place, small)).rejects.toThrow('is damaged (global/pg_control is missing)')
    mkdirSync(join(folder, 'other'))
    rmSync(join(place, 'PG_VERSION'))
    await expect(openDatabase(place, small)).rejects.toThrow('is damaged (PG_VERSION is missing)')
  })
})

describe('room on the disk', () => {
  it('is seen before anything is written, and some is kept in reserve', () => {
    mkdirSync(folder)
    let free = 500 * MB
    const room = new Room(folder, () => free)
    room.assertStart()
    room.assertWrite()
    expect(statSync(join(folder, 'spare')).size).toBe(32 * MB)
    free = LEAST_FREE
    room.assertWrite()
    free = LEAST_FREE - 1
    expect(() => room.assertWrite()).toThrow(NoRoom)
    expect(() => room.assertWrite()).toThrow(/nearly full: nothing was stored\. Make room on it; what was typed waits in the browser\.$/)
    free = 0
    room.assertStart()
    expect(room.release()).toBe(true)
    expect(room.release()).toBe(false)
    expect(() => room.assertStart()).toThrow(
      /is full: 0 MB are free, 24 MB are needed to start\. Make room and start again; nothing is lost\.$/,
    )
    free = LEAST_FREE + 63 * MB
    room.assertWrite()
    expect(existsSync(join(folder, 'spare'))).toBe(false)
    free += MB
    room.assertWrite()
    expect(existsSync(join(folder, 'spare'))).toBe(true)
  })
  it('running out in the middle of a write, the reserve finishes it', async () => {
    let left = Infinity
    let given = 0
    class Small extends SyncedFiles {
      protected override attach(calls: Parameters<SyncedFiles['attach']>[0]): void {
        const { write } = calls.stream_ops
        calls.stream_ops.write = (file, from, offset, length, position) => {
          if (length > left) throw Object.assign(new Error('no space'), { name: 'ErrnoError', errno: 51 })
          left -= length
          return write(file, from, offset, length, position)
        }
        super.attach(calls)
      }
    }
    const place = join(folder, 'database')
    const files = (of: string) =>
      new Small(of, () => {
        if (given++ > 0) return false
        left = Infinity
        return true
      })
    const db = await openDatabase(place, small, { files })
    left = 10_000
    await db.transaction(sql => sql.rows('INSERT INTO a SELECT n FROM generate_series(1, 5000) n'))
    await db.rows('CHECKPOINT')
    expect(given).toBe(1)
    await db.close()
    const again = await openDatabase(place, small)
    expect(await again.rows('SELECT count(*)::integer AS n FROM a')).toEqual([{ n: 5000 }])
    await again.close()
  })
})
