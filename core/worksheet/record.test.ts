import { createHash } from 'node:crypto'
import { describe, expect, it } from 'vitest'
import { DEMO_WORKSHEETS, demo } from '../../tests/demo-files'
import { readWorksheet } from './read'
import { formerRecordText, recordText } from './record'
import type { Worksheet } from './worksheet'

function sheetOf(name: string): Worksheet {
  const reading = readWorksheet(demo(name))
  if (!reading.ok) throw new Error(reading.faults[0]!.reason)
  return reading.worksheet
}
/** Every id of a worksheet: what its shop calls its jobs, checks, fittings, readings, parts, sizes, gauges. */
const idsOf = ({ jobs, lots }: Worksheet): string[] => [
  ...lots.map(({ id }) => id),
  ...jobs.flatMap(({ id, parts, checks }) => [
    id,
    ...parts.map(part => part.id),
    ...checks.flatMap(check => [
      check.id,
      ...check.trials.flatMap(trial => [trial.id, ...trial.readings.map(reading => reading.id)]),
      ...Object.values(check.gauges).map(gauge => gauge.id),
      ...check.laps.flatMap(lap => [lap.id, ...lap.passes.map(pass => pass.id)]),
    ]),
  ]),
]
/** As another shop would have it: under ids of its own, counted on from other numbers, its drawer in another order. */
function elsewhere(sheet: Worksheet): Worksheet {
  const ids = new Map([...new Set(idsOf(sheet))].map((id, i) => [id, `there-${(i * 7919) % 10_007}`]))
  const renamed = (word: string): string => {
    const [kind, id] = word.split(':read-')
    return ids.get(word) ?? (id !== undefined && ids.has(id) ? `${kind}:read-${ids.get(id)}` : word)
  }
  const walk = (value: unknown, key = ''): unknown => {
    if (typeof value === 'string') return renamed(value)
    if (typeof value === 'number') return key === 'order' ? value * 3 + 17 : value
    if (Array.isArray(value)) return value.map(one => walk(one))
    if (value === null || typeof value !== 'object') return value
    return Object.fromEntries(Object.entries(value).map(([name, one]) => [renamed(name), walk(one, name)]))
  }
  const there = walk(sheet) as Worksheet
  return { ...there, written: '2030-01-01T00:00:00.000Z', core: '9.9.9', lots: there.lots.toReversed() }
}

describe('the text of a record', () => {
  it.each(DEMO_WORKSHEETS)('%s: is the same in another shop, by other ids and other counts', name => {
    const sheet = sheetOf(name)
    const there = elsewhere(sheet)
    expect(recordText(there)).toBe(recordText(sheet))
    // The former text went by them.
    expect(formerRecordText(there)).not.toBe(formerRecordText(sheet))
  })
  it.each(DEMO_WORKSHEETS)('%s: changes with each figure and word that is altered', name => {
    const sheet = sheetOf(name)
    const plain = recordText(sheet)
    const altered = (change: (copy: Worksheet) => void) => {
      const copy = structuredClone(sheet)
      change(copy)
      return recordText(copy)
    }
    for (const [j, job] of sheet.jobs.slice(0, 3).entries())
      for (const [c, check] of job.checks.entries())
        for (const [t, trial] of check.trials.entries())
          for (const [r, reading] of trial.readings.slice(0, 8).entries()) {
            const path = `${name} ${check.id} ${t} ${r}`
            const figure = (['far', 'figure', 'low', 'word', 'pieces'] as const).find(field => field in reading)!
            expect(
              altered(copy => {
                const one = copy.jobs[j]!.checks[c]!.trials[t]!.readings[r] as unknown as Record<string, unknown>
                one[figure] = figure === 'word' ? 'other' : figure === 'pieces' ? [] : (one[figure] as number) + 1
              }),
              path,
            ).not.toBe(plain)
          }
  })
  it('has its former text beside it, so that what was printed before 3.5.0 can still be told', () => {
    // As version 3.4.0 printed it.
    const printed = {
      '1-mail-launch': '7cc54ae70acaa9c55f2a0c68e85522abc998cdc09cde7e6bf388a23ddc3793fc',
      '90-mail-launch-services': '9c92b5386ba606fdc56241cb7858825dd304ac0d90f577e8f56e0ff0c9c3f6bd',
    }
    for (const [name, digest] of Object.entries(printed))
      expect(
        createHash('sha256')
          .update(formerRecordText(sheetOf(`${name}.worksheet.json`)), 'utf8')
          .digest('hex'),
        name,
      ).toBe(digest)
  })
  it('changes with the piece that was put in, and with the gauge that read', () => {
    const sheet = sheetOf('1-mail-launch.worksheet.json')
    const plain = recordText(sheet)
    const text = JSON.stringify(sheet.jobs)
    const sizes = sheet.lots.filter(({ id }) => text.includes(`"lotId":"${id}"`))
    const [one, other] = [sizes[0]!, sizes.find(({ nominal }) => nominal !== sizes[0]!.nominal)!]
    const jobs = JSON.parse(text.replace(`"lotId":"${one.id}"`, `"lotId":"${other.id}"`)) as Worksheet['jobs']
    expect(recordText({ ...sheet, jobs })).not.toBe(plain)
    const [check] = sheet.jobs[0]!.checks
    const asking = (required: string) =>
      recordText({ ...sheet, jobs: [{ ...sheet.jobs[0]!, checks: [{ ...check!, packRules: { ...check!.packRules, required } }] }] })
    expect(asking(one.id)).not.toBe(asking(other.id))
    const coarser = JSON.parse(text.replace(/"graduation":(\d+)/, (_, step) => `"graduation":${2 * Number(step)}`)) as Worksheet['jobs']
    expect(recordText({ ...sheet, jobs: coarser })).not.toBe(plain)
  })
})
