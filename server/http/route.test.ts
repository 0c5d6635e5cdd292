import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { requestTo } from '#shared/writes'

const API = 'server/api'
const table = [...readFileSync('shared/writes.ts', 'utf8').matchAll(/^ {2}'((?:POST|PATCH) [^']+)': \[/gm)].map(([, key]) => key!)
const writing = readdirSync(API, { recursive: true })
  .map(String)
  .flatMap(file => {
    const [, path, method] = /^(.*?)(?:\/?index)?\.(post|patch)\.ts$/.exec(file) ?? []
    return path === undefined ? [] : [{ file, key: `${method!.toUpperCase()} /api/${path.replace('[id]', ':id')}` }]
  })
/** What they take is no command of the table: a file, or nothing at all. */
const OTHERS = [
  'POST /api/backup',
  'POST /api/copies',
  'POST /api/jobs/:id/photos',
  'POST /api/labels/pdf',
  'POST /api/limits/csv',
  'POST /api/stock/csv',
  'POST /api/units/:id/photos',
  'POST /api/worksheets',
]

describe('the table of writes', () => {
  it.each(writing.filter(({ key }) => !OTHERS.includes(key)))('is what $file takes', ({ file, key }) => {
    expect(readFileSync(join(API, file), 'utf8')).toContain(`export default taking('${key}',`)
    expect(table).toContain(key)
  })
  it('names nothing without a route', () => expect(writing.map(({ key }) => key).sort()).toEqual([...table, ...OTHERS].sort()))
  it('makes an address of a name, whatever is in it', () => {
    expect(requestTo('PATCH /api/gauges/:id', 'dial 1/2')).toEqual({ method: 'PATCH', path: '/api/gauges/dial%201%2F2' })
    expect(requestTo('POST /api/gauges')).toEqual({ method: 'POST', path: '/api/gauges' })
  })
})
