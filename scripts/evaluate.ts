// npm run -s evaluate -- FILE   (or - for standard input): a worksheet in, the evaluation of each check out, as JSON.
import { readFileSync } from 'node:fs'
import { evaluateWorksheet } from '../core/worksheet/evaluate'
import { readWorksheet } from '../core/worksheet/read'

function fail(message: string): never {
  process.stderr.write(`${message}\n`)
  process.exit(2)
}

const [file, ...rest] = process.argv.slice(2)
if (!file || rest.length > 0) fail('Use: npm run -s evaluate -- FILE, or - for standard input.')
let text: string
try {
  text = readFileSync(file === '-' ? 0 : file, 'utf8')
} catch (error) {
  fail(`Cannot read ${file}: ${(error as NodeJS.ErrnoException).code === 'ENOENT' ? 'there is no such file' : (error as Error).message}.`)
}
const reading = readWorksheet(text)
if (!reading.ok) fail(reading.faults.map(fault => `${fault.path || 'file'}: ${fault.reason}`).join('\n'))
process.stdout.write(`${JSON.stringify(evaluateWorksheet(reading.worksheet), null, 1)}\n`)
