// npm run -s evaluate -- FILE   (or - for standard input): a worksheet in, the evaluation of each check out, as JSON.
import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import highsLoader from 'highs'
import { checkKind } from '../core/check/registry'
import { highsSolver } from '../core/choice/answer/allocation/solver'
import { evaluateWorksheet } from '../core/worksheet/evaluate'
import { formerRecordText, recordText } from '../core/worksheet/record'
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
// Loading the solver takes a moment: only where several places share a drawer.
const several = reading.worksheet.jobs.some(job => job.checks.some(check => checkKind(check.kind).places(check.setup).length > 1))
const solve = several ? highsSolver(await highsLoader()) : null
const digestOf = (words: string) => createHash('sha256').update(words, 'utf8').digest('hex')
const digests = { digest: digestOf(recordText(reading.worksheet)), formerDigest: digestOf(formerRecordText(reading.worksheet)) }
process.stdout.write(`${JSON.stringify(evaluateWorksheet(reading.worksheet, solve, digests), null, 1)}\n`)
