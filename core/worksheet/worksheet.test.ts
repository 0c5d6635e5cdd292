import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import launch from '../../demo/1-mail-launch.worksheet.json'
import flywheel from '../../demo/7-fire-pump-flywheel.worksheet.json'
import { GAUGES, gauge } from '../../tests/documents'
import { checkKind, checkKinds } from '../check/registry'
import { apply } from '../command/apply'
import { decide } from '../command/decide'
import { beginCheck } from '../command/settings'
import { mm } from '../quantity/length'
import type { VerdictState } from '../verdict/decide'
import { evaluateWorksheet } from './evaluate'
import { checkWorksheet, readWorksheet } from './read'
import { WORKSHEET_LARGEST, writeWorksheet } from './worksheet'

const text = JSON.stringify(launch)
const good = readWorksheet(text)
const faultOf = (value: string | object) => {
  const reading = typeof value === 'string' ? readWorksheet(value) : checkWorksheet(value)
  return reading.ok ? null : reading.faults[0]!
}
const changed = (change: (sheet: typeof launch) => void) => {
  const copy = structuredClone(launch)
  change(copy)
  return copy
}

describe('the worksheet', () => {
  it('may leave out what the docs say may be left out', () => {
    if (!good.ok) throw new Error('demo')
    const { jobs, lots } = good.worksheet
    const sheet = writeWorksheet(jobs, lots, '2026-05-04T13:05:00.000Z')
    const { core: _, ...bare } = sheet
    const sparse = JSON.parse(
      JSON.stringify(bare, (key, value: unknown) =>
        ['written', 'leadDays', 'laps', 'widest', 'refitCost', 'slopes', 'struck'].includes(key) ? undefined : value,
      ),
    ) as object
    const reading = checkWorksheet(sparse)
    expect(reading.ok ? '' : reading.faults[0]!.path + reading.faults[0]!.reason).toBe('')
    expect(reading.ok && reading.worksheet.jobs).toEqual(jobs)
    expect(reading.ok && reading.worksheet.lots).toEqual(lots)
  })
  it('takes a signature in whatever state its figures were signed, so that what is written can be read', () => {
    const states: Record<VerdictState, true> = {
      'to-do': true,
      'part-read': true,
      'in': true,
      'doubted': true,
      'below': true,
      'above': true,
      'close': true,
      'no-limit': true,
      'not-valid': true,
      'provisional': true,
      'stale': true,
    }
    if (!good.ok) throw new Error('demo')
    const sheet = writeWorksheet(good.worksheet.jobs, good.worksheet.lots, '2026-05-04T13:05:00.000Z')
    const signed = (state: string) => {
      const copy = structuredClone(sheet)
      const figures = [{ id: 'play', value: 1, U: 1, state }]
      const check = copy.jobs[0]!.checks.find(({ trials }) => trials[0]!.readings.length > 0)!
      Object.assign(check, { signOff: { at: '2026-05-04T13:05:00.000Z', by: 'T. Marl', reason: null, core: '3.0.0', figures } })
      return copy
    }
    for (const state of Object.keys(states)) expect(faultOf(signed(state))?.reason ?? null, state).toBeNull()
    expect(faultOf(signed('fine'))?.path).toContain('figures/0/state')
  })
  it('reads back what it writes', () => {
    if (!good.ok) throw new Error('demo')
    const { jobs, lots } = good.worksheet
    const again = readWorksheet(JSON.stringify(writeWorksheet(jobs, lots, '2026-05-04T13:05:00.000Z')))
    expect(again.ok && again.worksheet.jobs).toEqual(jobs)
    expect(again.ok && again.worksheet.lots).toEqual(lots)
  })
  it('gives every check its answer, plain JSON without infinities', () => {
    if (!good.ok) throw new Error('demo')
    const answer = evaluateWorksheet(good.worksheet)
    expect(answer.checks).toHaveLength(4)
    expect(JSON.parse(JSON.stringify(answer))).toEqual(answer)
    expect(answer.checks.find(c => c.id === 'launch-input')).toMatchObject({
      word: 'Loose',
      headline: 'play',
      gauge: { answer: 'wide' },
      places: [{ id: 'pack', choice: { proven: true, fallback: false } }],
    })
    expect(answer.checks.find(c => c.id === 'launch-idler')).toMatchObject({
      word: 'To do',
      results: [{ id: 'play', estimate: null }],
      places: [{ proposals: [] }],
    })
  })
  it('takes the part’s name off a reason that was written with it', () => {
    const at = '2026-05-04T12:00:00Z'
    const sheet = structuredClone(launch) as unknown as { jobs: { checks: { partChanges: object[] }[] }[] }
    sheet.jobs[0]!.checks[0]!.partChanges = [
      { role: 'shaft', at, reason: 'shaft: bent' },
      { role: 'shaft', at, reason: 'ground' },
      { role: '*', at, reason: 'dropped' },
    ]
    const read = checkWorksheet(sheet)
    expect(read.ok && read.worksheet.jobs[0]!.checks[0]!.partChanges.map(({ reason }) => reason)).toEqual(['bent', 'ground', 'dropped'])
  })
  it('says what is wrong with a text', () => {
    expect(faultOf('')!.reason).toContain('not a JSON file')
    for (const text of ['[]', 'null', '7', '"text"']) expect(faultOf(text)!.reason).toContain('JSON object is expected')
    expect(faultOf('{}')).toMatchObject({ path: 'format' })
    expect(faultOf(`"${'x'.repeat(WORKSHEET_LARGEST)}"`)!.reason).toContain('larger than 4 million')
    // A figure that may be none is asked for as the figure it should be.
    const lots = launch.lots.map((lot, i) => (i === 0 ? { ...lot, measured: 'thick' } : lot))
    expect(faultOf({ ...launch, lots })).toMatchObject({ path: 'lots/0/measured', reason: expect.not.stringContaining('null') })
    expect(faultOf({ ...launch, version: 7 })).toMatchObject({ path: 'version', reason: expect.stringContaining('version 7') })
  })
  it('counts nothing it cannot have, in an older version too: bringing ten million bearings up to date takes minutes', () => {
    const many = structuredClone(flywheel) as unknown as { jobs: { checks: { id: string; setup: Record<string, string> }[] }[] }
    many.jobs[0]!.checks.find(({ id }) => id === 'pb-mains')!.setup.positions = '9999999'
    expect(faultOf(many)).toMatchObject({
      path: expect.stringMatching(/setup\/positions$/),
      reason: expect.stringContaining('A whole number from 1 to'),
    })
  })
  it.each(['.', '..'])('takes no “%s” as an id: it is the name of a folder', id => {
    expect(faultOf(changed(({ jobs }) => (jobs[0]!.id = id)))).toMatchObject({ path: 'jobs/0/id' })
    expect(faultOf(changed(({ jobs }) => (jobs[0]!.id = `${id}a`)))?.path).not.toBe('jobs/0/id')
  })
  it('takes a reading that has no time, and a signature over a fitting that was not measured', () => {
    const sheet = structuredClone(launch)
    const check = sheet.jobs[0]!.checks.find(({ signOff, trials }) => signOff && trials.some(({ readings }) => readings.length > 0))!
    delete (check.trials.find(({ readings }) => readings.length > 0)!.readings[0] as { at?: string }).at
    ;(check.trials as unknown[]).push({ ...check.trials[0]!, id: 'unmeasured', readings: [] })
    expect(checkWorksheet(sheet)).toMatchObject({ ok: true })
  })
  it.each<[string, string, (sheet: typeof launch) => void]>([
    ['an id used twice', 'jobs', sheet => void sheet.jobs.push(structuredClone(sheet.jobs[0]!))],
    [
      'a point no kind has',
      'jobs/0/checks/0/trials/0/readings/0/point',
      sheet => {
        sheet.jobs[0]!.checks[0]!.trials[0]!.readings[0]!.point = 'nose'
      },
    ],
    [
      'a fitting at a place no kind has',
      'jobs/0/checks/0/trials/1/refitted',
      sheet => {
        sheet.jobs[0]!.checks[0]!.trials[1]!.refitted = ['sump']
      },
    ],
    [
      'a kind of a later version',
      'jobs/0/checks/0/kind',
      sheet => {
        sheet.jobs[0]!.checks[0]!.kind = 'tea'
      },
    ],
    [
      'a choice that is none',
      'jobs/0/checks/0/setup/pack',
      sheet => {
        sheet.jobs[0]!.checks[0]!.setup.pack = 'glued'
      },
    ],
    [
      'a day that is none',
      'jobs/0/checks/0/trials/0/at',
      sheet => {
        sheet.jobs[0]!.checks[0]!.trials[0]!.at = '2026-13-40T25:00:00Z'
      },
    ],
    [
      'a tick of no fitting',
      'jobs/0/checks/0/ticks/0/trial',
      sheet => {
        ;(sheet.jobs[0]!.checks[0]!.ticks[0] as { trial: string | null }).trial = 'ghost'
      },
    ],
    [
      'a reading on a day that is none',
      'jobs/0/checks/0/trials/0/readings/0/at',
      sheet => {
        ;(sheet.jobs[0]!.checks[0]!.trials[0]!.readings[0] as { at: string }).at = '2026-13-40T25:00:00Z'
      },
    ],
    [
      'a signature under nothing',
      'jobs/0/checks/0/signOff',
      sheet => {
        const check = sheet.jobs[0]!.checks[0]!
        check.signOff ??= { at: '2026-05-04T08:00:00Z', by: 'T. Marl', reason: null, core: '' } as never
        for (const trial of check.trials) trial.readings.length = 0
      },
    ],
    [
      'a negative thickness',
      'lots/0/nominal',
      sheet => {
        sheet.lots[0]!.nominal = -5
      },
    ],
    [
      'a missing field',
      'jobs/0/title',
      sheet => {
        delete (sheet.jobs[0] as { title?: string }).title
      },
    ],
  ])('says where: %s', (_what, path, change) => expect(faultOf(changed(change))!.path).toBe(path))

  it('never throws, whatever it is given (property)', () => {
    fc.assert(
      fc.property(fc.jsonValue(), fc.constantFrom('lots', 'jobs', 'version', 'format'), (value, key) => {
        expect(checkWorksheet({ ...launch, [key]: value }).ok).toBeTypeOf('boolean')
        expect(checkWorksheet(value).ok).toBe(false)
      }),
    )
  })
})

it.each(checkKinds.map(({ id }) => id))('a check of the kind %s, begun with every gauge there is, is read back', id => {
  const document = beginCheck(checkKind(id), { id: 'c', trialId: 't', at: '2026-05-04T08:00:00.000Z' })
  const register = [...Object.values(GAUGES), gauge('calipers', mm(0.01))]
  const outcome = decide(
    { document, lots: [], reserves: {} },
    { kind: 'change-settings', op: 'o', at: '2026-05-04T08:00:00.000Z', change: { title: id }, register, parts: [] },
  )
  if (!outcome.ok) throw new Error(outcome.faults[0]!.reason)
  const begun = outcome.happenings.reduce(apply, { document, lots: [], reserves: {} }).document
  const parts = Object.values(begun.parts).map(part => ({ id: part, name: 'part' }))
  const job = { id: 'j', unit: { name: 'Unit', description: '' }, title: 'Job', notes: '', parts, checks: [begun] }
  const sheet = writeWorksheet([job], [], '2026-05-04T09:00:00.000Z')
  expect(checkWorksheet(JSON.parse(JSON.stringify(sheet)))).toEqual({ ok: true, worksheet: sheet })
})
