import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'

/** A file of the invented workshop, as text. */
export const demo = (name: string): string => readFileSync(join('demo', name), 'utf8')
/** Its worksheets, by name. */
export const DEMO_WORKSHEETS: readonly string[] = readdirSync('demo').filter(name => name.endsWith('.worksheet.json'))
