import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { checkWorksheet, readWorksheet } from '#core/worksheet/read'
import type { Worksheet } from '#core/worksheet/worksheet'
import { demo } from '../../tests/demo-files'
import { stream } from '../../tests/reference/drawers'
import { runs } from '../../tests/runs'
import { slipIn } from '../../tests/spoil'
import { openDatabase, type Database } from '../database/client'
import { schema } from '../database/from-source'
import { Refused } from '../http/refuse'
import { checkView } from '../service/check-view'
import { exportJob } from '../service/export'
import { importWorksheet } from './worksheet'

const AT = '2026-05-04T13:05:00Z'
const read = readWorksheet(demo('2-fire-pump.worksheet.json'))
if (!read.ok) throw new Error('The demo cannot be read.')
const pump: Worksheet = read.worksheet
const [job] = pump.jobs as [Worksheet['jobs'][number]]
const [check] = job.checks as [Worksheet['jobs'][number]['checks'][number]]
const [trial] = check.trials as [(typeof check.trials)[number]]
const lot = pump.lots[0]!.id
const place = Object.keys(trial.packs)[0]!
/** With a piece lapped to size, which the demo has none of. */
const sheet = {
  ...pump,
  jobs: [
    {
      ...job,
      checks: [
        {
          ...check,
          laps: [
            {
              id: 'lap',
              place,
              lotId: lot,
              trial: trial.id,
              target: 50_000,
              low: 40_000,
              high: 60_000,
              at: AT,
              passes: [{ id: 'pass', figures: [50_000, 50_000, 50_100, 50_000], at: AT }],
              end: null,
            },
          ],
        },
      ],
    },
  ],
}
let db: Database
beforeAll(async () => {
  db = await openDatabase(undefined, schema)
}, 60_000)
afterAll(() => db.close())

/** The same with another first check. */
const withCheck = (change: object) => ({ ...sheet, jobs: [{ ...sheet.jobs[0]!, checks: [{ ...sheet.jobs[0]!.checks[0]!, ...change }] }] })
const withTrial = (change: object) => withCheck({ trials: [{ ...trial, ...change }, ...check.trials.slice(1)] })
const withLap = (change: object) => withCheck({ laps: [{ ...sheet.jobs[0]!.checks[0]!.laps[0]!, ...change }] })
const bring = (value: unknown) =>
  importWorksheet(db, JSON.stringify(value), true).then(
    ({ jobIds }) => ({ jobIds, said: '' }),
    (error: unknown) => {
      if (!(error instanceof Refused) || error.status >= 500) throw error
      return { jobIds: [] as readonly string[], said: error.refusal.faults.map(({ path, reason }) => `${path}: ${reason}`).join(' ') }
    },
  )

describe('a worksheet that was spoilt', () => {
  it('is the one it was, unspoilt', async () => {
    expect((await bring(sheet)).jobIds).toHaveLength(1)
    // As a copy it comes in again, with what was lapped.
    expect(await bring(sheet)).toMatchObject({ said: '' })
  })
  it.each<[string, object, RegExp]>([
    ['month 99', withLap({ at: '2026-99-04T13:05:00Z' }), /laps\/0\/at: There is no such date/],
    ['the 31st of a short month', withTrial({ at: '2026-06-31T13:05:00Z' }), /trials\/0\/at: There is no such date/],
    ['year 0', withTrial({ at: '0000-05-04T13:05:00Z' }), /trials\/0\/at: There is no such date/],
    ['no time at all', withTrial({ at: 'yesterday' }), /not a date and time/],
    [
      'a size twice in a pack',
      withTrial({
        packs: {
          [place]: [
            { lotId: lot, count: 1 },
            { lotId: lot, count: 2 },
          ],
        },
      }),
      /is there twice: say how many/,
    ],
    ['a place refitted twice', withTrial({ refitted: [place, place] }), /refitted: The place .* is there twice/],
    ['a lap for a fitting there is not', withLap({ trial: 'none' }), /laps\/0\/trial: No fitting/],
    [
      'a lap twice',
      withCheck({ laps: [...sheet.jobs[0]!.checks[0]!.laps, ...sheet.jobs[0]!.checks[0]!.laps] }),
      /laps of all checks: The id “.*” is used twice/,
    ],
  ])('by %s is refused, with the place', async (_what, spoilt, said) => expect((await bring(spoilt)).said).toMatch(said))

  it('no more: a piece lapped for a check that goes by another family now goes out with it', async () => {
    const bare = { ...trial, packs: {}, pieces: {}, unlisted: [], refitted: [] }
    const { jobIds } = await bring(withCheck({ family: 'elsewhere', trials: [bare] }))
    const back = checkWorksheet(JSON.parse(JSON.stringify(await exportJob(db, jobIds[0]!))))
    expect(back.ok ? [] : back.faults).toEqual([])
  })

  const COUNT = runs(150, 15)
  it(
    `anywhere, ${COUNT} times, is refused with a sentence, or all of it can be used afterwards`,
    async () => {
      const random = stream(2_612)
      let taken = 0
      for (let i = 0; i < COUNT; i++) {
        let spoilt = sheet
        for (let times = 0; times <= random() * 2; times++) spoilt = slipIn(random, spoilt)
        const { jobIds } = await bring(spoilt).catch((error: Error) => {
          throw new Error(`${JSON.stringify(spoilt).slice(0, 4_000)}: ${error.stack}`)
        })
        for (const id of jobIds) {
          taken++
          const out = await exportJob(db, id)
          const back = checkWorksheet(JSON.parse(JSON.stringify(out)))
          expect(back.ok ? [] : back.faults).toEqual([])
          for (const one of out.jobs[0]!.checks) expect((await checkView(db, one.id)).document.id).toBe(one.id)
        }
      }
      expect(taken).toBeGreaterThan(COUNT / 10)
    },
    COUNT * 6_000,
  )
})
