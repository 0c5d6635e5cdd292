import { readFileSync, readdirSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { describe, it } from 'vitest'
import { CORE_VERSION } from '#core/version'
import { checkAnswer } from '#core/worksheet/evaluate'
import { readWorksheet } from '#core/worksheet/read'
import { compare, lifeOf, lines } from './record'

const demo = new URL('../../demo/', import.meta.url)
/** Years of services are many of the same: what is recorded of one kind of check is recorded once. */
const files = readdirSync(fileURLToPath(demo)).filter(name => name.endsWith('.worksheet.json') && !name.includes('-services.'))
const LIVES = 4

describe.each(files)('the record of %s', file => {
  const reading = readWorksheet(readFileSync(new URL(file, demo), 'utf8'))
  if (!reading.ok) throw new Error(reading.faults[0]!.reason)
  const { jobs, lots } = reading.worksheet
  const checks = jobs.flatMap(job => job.checks)
  const name = file.replace('.worksheet.json', '')

  it('as the demo has it', () =>
    compare(
      [`core ${CORE_VERSION}`, ...checks.flatMap(check => ['', check.title, ...lines(checkAnswer(check, lots))])],
      `${name}.as-found`,
    ))
  it('worked on at random', () => {
    const text = checks.flatMap((document, at) =>
      Array.from({ length: LIVES }, (_, life) => [
        '',
        `${document.title}, life ${life}`,
        ...lifeOf({ document: { ...document, signOff: null }, lots, reserves: {} }, { seed: at * LIVES + life + 1, steps: 48, look: 12 }),
      ]).flat(),
    )
    compare(text, `${name}.lives`)
  })
})
