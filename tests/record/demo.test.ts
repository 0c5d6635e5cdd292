import { describe, it } from 'vitest'
import { CORE_VERSION } from '#core/version'
import { checkAnswer } from '#core/worksheet/evaluate'
import { readWorksheet } from '#core/worksheet/read'
import { demo, DEMO_WORKSHEETS } from '../demo-files'
import { compare, figures, lifeOf, share } from './record'

/** Years of services are many of the same: what is recorded of one kind of check is recorded once. */
const files = DEMO_WORKSHEETS.filter(name => !name.includes('-services.'))
/** Another life for each check, and for each run of several. */
const MOST_LIVES = 4
const LIVES = share(1, MOST_LIVES)

describe.each(files)('the record of %s', file => {
  const reading = readWorksheet(demo(file))
  if (!reading.ok) throw new Error(reading.faults[0]!.reason)
  const { jobs, lots } = reading.worksheet
  const checks = jobs.flatMap(job => job.checks)
  const name = file.replace('.worksheet.json', '')

  it('as the demo has it', () =>
    compare(
      [
        `core ${CORE_VERSION}`,
        ...checks.flatMap(check => ['', check.title, ...figures(checkAnswer(check, lots), { most: 3, budgets: true })]),
      ],
      `${name}.as-found`,
    ))
  it('worked on at random', () => {
    const text = checks.flatMap((document, at) =>
      Array.from({ length: LIVES }, (_, life) => [
        '',
        `${document.title}, life ${life}`,
        ...lifeOf(
          { document: { ...document, signOff: null }, lots, reserves: {} },
          { seed: at * MOST_LIVES + life + 1 + (at % 2), steps: 48, look: 48 },
        ),
      ]).flat(),
    )
    compare(text, `${name}.lives`)
  })
})
