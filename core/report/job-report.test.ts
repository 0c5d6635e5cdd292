import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { GAUGES, checkOf, gauge, plays, trial } from '../../tests/documents'
import { newLot } from '../command/found-pack'
import { sign } from '../command/sign'
import type { Lot } from '../pack/lot'
import { thou } from '../quantity/length'
import { twoSided } from '../verdict/limits'
import type { CheckDocument } from '../check/document'
import { evaluateWorksheet } from '../worksheet/evaluate'
import { readWorksheet } from '../worksheet/read'
import { recordText } from '../worksheet/record'
import { writeWorksheet } from '../worksheet/worksheet'
import { evaluateCheck } from '../check/evaluate/evaluate-check'
import { jobReport, type ReportOf } from './job-report'
import type { Block, ReportLength } from './report'

const LOTS = [10, 6, 4].map(size => ({ ...newLot({ id: `s${size}`, family: 'shims', nominal: thou(size), tags: [] }, true), onHand: 2 }))
const pack = (...sizes: number[]) => ({ pack: sizes.map(size => ({ lotId: `s${size}`, count: 1 })) })
const voided = { ...plays('travel', 12)[0]!, id: 'v', voided: { reason: 'base moved' } }
const CHECK: CheckDocument = checkOf('shaft-end-play', {
  title: 'Input shaft end play',
  family: 'shims',
  gauges: { ...GAUGES, 'dial-indicator': gauge('dial-indicator', thou(0.5), { name: 'Dial D-1', lastCheck: '2026-06-15' }) },
  limits: {
    working: 'book',
    sets: {
      play: {
        book: twoSided(thou(2), thou(4), 'thou', { kind: 'book', text: 'Reduction box manual', page: '4-15', revision: 'C' }),
        shop: null,
      },
    },
  },
  setup: { pack: 'under-cover' },
  trials: [
    trial('t1', [...plays('travel', 9, 9, 9), voided], { packs: pack(10) }),
    trial('t2', plays('travel', 3, 3, 3), { packs: pack(4), refitted: ['pack'] }),
  ],
  partChanges: [],
})
const job = (check: CheckDocument) => ({
  id: 'j',
  unit: { name: 'Mail launch', description: '' },
  title: 'Reduction box',
  notes: '',
  parts: [],
  checks: [check],
})
/** Its checks evaluated before, as whoever asks for a report has to. */
const reported = (of: Omit<ReportOf, 'checks'>, lots: readonly Lot[] = LOTS) =>
  jobReport({
    ...of,
    checks: of.job.checks
      .filter(({ id }) => of.only === null || id === of.only)
      .map(check => ({ check, evaluation: evaluateCheck(check, lots) })),
  })
const report = (check: CheckDocument, length: ReportLength) =>
  reported({
    job: job(check),
    photos: [],
    digest: 'd'.repeat(64),
    length,
    time: at => at.slice(0, 10),
    at: '2026-11-27T09:00:00.000Z',
    only: null,
  })
const table = (blocks: readonly Block[], title: string) => {
  const found = blocks.find(block => block.kind === 'table' && block.title.startsWith(title))
  return found?.kind === 'table' ? found.rows : null
}
const facts = (blocks: readonly Block[], label: string) =>
  blocks.flatMap(block => (block.kind === 'facts' ? block.facts.filter(([name]) => name === label).map(([, value]) => value) : []))

describe('photographs in a report', () => {
  it('stand with what they are of; a report of one check has its own alone', () => {
    const photo = (id: string, check: string | null) => ({
      id,
      caption: id,
      width: 9,
      height: 6,
      check: check === null ? null : { id: check },
    })
    const ids = (only: string | null) =>
      reported({
        job: job(CHECK),
        photos: [photo('whole', null), photo('bore', CHECK.id), photo('elsewhere', 'of-another')],
        digest: '',
        length: 'page',
        time: at => at,
        at: '',
        only,
      }).blocks.flatMap(block => (block.kind === 'photos' ? block.photos.map(({ id }) => id) : []))
    expect([ids(null), ids(CHECK.id)]).toEqual([['whole', 'bore'], ['bore']])
  })
})

describe('the report of a job', () => {
  const short = report(CHECK, 'page').blocks
  it('sets before beside after, with the limits and where they are from', () => {
    expect(table(short, 'Before and after')).toEqual([
      ['End play, thou', '9.0 ± 0.2', 'Loose', '3.0 ± 0.2', 'In', '−6.0', 'Book 2 – 4 thou (Reduction box manual, p. 4-15, rev. C)'],
    ])
    expect(table(short, 'Pieces, thou')).toEqual([['Pack under the cover', '10', '4', '10']])
  })
  it('where nothing was changed there is no before, and in short no piece', () => {
    const found = { ...CHECK, trials: CHECK.trials.slice(0, 1) }
    const { blocks } = report(found, 'page')
    expect(table(blocks, 'As found')).toEqual([
      ['End play, thou', '9.0 ± 0.2', 'Loose', 'Book 2 – 4 thou (Reduction box manual, p. 4-15, rev. C)'],
    ])
    expect([table(blocks, 'Before and after'), table(blocks, 'Pieces, thou')]).toEqual([null, null])
    expect(table(report(found, 'full').blocks, 'Pieces, thou')).not.toBeNull()
  })
  it('says who signed, or that nobody did, and what it is not', () => {
    expect(facts(short, 'Signed')).toEqual(['not signed'])
    const signed = { ...CHECK, signOff: { at: '2026-11-26T08:00:00.000Z', by: 'T. Marl', reason: 'one step off', core: '2.0.0' } }
    const { blocks, digest, foot } = report(signed, 'page')
    expect([facts(blocks, 'Signed'), facts(blocks, 'Reason')]).toEqual([
      ['T. Marl, 2026-11-26, computed by version 2.0.0'],
      ['one step off'],
    ])
    const words = blocks.flatMap(block => (block.kind === 'text' ? [block.text] : []))
    expect(words.some(text => text.includes('replaces no inspection'))).toBe(true)
    expect(words.some(text => text.includes(digest))).toBe(true)
    expect(foot).toContain(digest.slice(0, 12))
  })
  it('in full: each series with what was struck out, gauges, budget, stacks, ledger, steps', () => {
    const { blocks } = report(CHECK, 'full')
    expect(table(blocks, 'Readings, as found')!.map(([, read, struck]) => [read, struck])).toEqual([
      ['9 thou', ''],
      ['9 thou', ''],
      ['9 thou', ''],
      ['12 thou', 'base moved'],
    ])
    expect(table(blocks, 'Gauges')!.some(row => row.includes('Dial D-1') && row.includes('15 Jun 2026'))).toBe(true)
    expect(table(blocks, 'Uncertainty of End play')!.at(-1)![0]).toContain('Combined; U =')
    expect(table(blocks, 'Stacks, fitting 2')).toEqual([['Pack under the cover', '4']])
    expect(table(blocks, 'Ledger')!.map(([number]) => number)).toEqual(['1', '2'])
    expect(table(blocks, 'Steps')!.length).toBeGreaterThan(4)
    expect(table(short, 'Readings')).toBeNull()
  })
  it('of one check holds no other; a job without any says so', () => {
    const two = { ...job(CHECK), checks: [CHECK, { ...CHECK, id: 'other', title: 'Output' }] }
    const of = (only: string | null, checks = two.checks) =>
      reported({
        job: { ...two, checks },
        photos: [],
        digest: '',
        length: 'page',
        time: at => at,
        at: '',
        only,
      }).blocks.flatMap(block => (block.kind === 'heading' ? [block.text] : []))
    expect([of(null), of('other'), of(null, [])]).toEqual([[], ['Output'], []])
  })
  it('of several checks in short is one page: what each was found and left at, what was done, who signed', () => {
    const signed = {
      ...CHECK,
      id: 'other',
      title: 'Output',
      signOff: { at: '2026-11-26T08:00:00.000Z', by: 'T. Marl', reason: 'one step off', core: '2.0.0' },
    }
    const idle = { ...CHECK, id: 'fourth', title: 'Coupling', trials: [{ ...CHECK.trials[0]!, readings: [] }] }
    const untouched = { ...CHECK, id: 'third', title: 'Idler', trials: CHECK.trials.slice(0, 1) }
    const { blocks } = reported({
      job: { ...job(CHECK), checks: [CHECK, signed, untouched, idle] },
      photos: Array.from({ length: 5 }, (_, i) => ({ id: `p${i}`, caption: '', width: 9, height: 6, check: null })),
      digest: '',
      length: 'page',
      time: at => at.slice(0, 10),
      at: '',
      only: null,
    })
    expect(table(blocks, 'What was measured')).toEqual([
      ['Input shaft end play', 'End play, thou', '9.0 ± 0.2', '3.0 ± 0.2', 'In', '2 – 4 thou'],
      ['Output', 'End play, thou', '9.0 ± 0.2', '3.0 ± 0.2', 'In', '2 – 4 thou'],
      ['Idler', 'End play, thou', '9.0 ± 0.2', '9.0 ± 0.2', 'Loose', '2 – 4 thou'],
      ['Coupling', 'not measured', '', '', 'To do', ''],
    ])
    expect(table(blocks, 'What was done')).toEqual([
      ['Input shaft end play', 'out 10, in 4 thou', 'not signed'],
      ['Output', 'out 10, in 4 thou; accepted: one step off', 'T. Marl, 2026-11-26'],
      ['Idler', 'measured, nothing changed', 'not signed'],
      ['Coupling', 'nothing yet', 'not signed'],
    ])
    expect(blocks.flatMap(block => (block.kind === 'photos' ? block.photos : []))).toHaveLength(3)
    expect(blocks.some(block => block.kind === 'text' && block.text === '2 more photographs in the full report.')).toBe(true)
  })
})

describe('a record and its digest', () => {
  const sheet = (check: CheckDocument, lots = LOTS, written = '2026-11-27T09:00:00.000Z') => writeWorksheet([job(check)], lots, written)
  it('is the same whenever it is written and whatever else the drawer holds by then', () => {
    const plain = recordText(sheet(CHECK))
    expect(
      recordText(
        sheet(
          CHECK,
          LOTS.map(lot => ({ ...lot, onHand: 0 })),
          '2027-01-01T00:00:00.000Z',
        ),
      ),
    ).toBe(plain)
    // The 6 was never fitted; the 4 was.
    const thicker = (id: string) => LOTS.map(lot => (lot.id === id ? { ...lot, nominal: thou(7) } : lot))
    expect(recordText(sheet(CHECK, thicker('s6')))).toBe(plain)
    expect(recordText(sheet(CHECK, thicker('s4')))).not.toBe(plain)
    expect(recordText(sheet({ ...CHECK, title: 'Another' }))).not.toBe(plain)
    // Handed over since, it is the same record; another meter reading makes it another.
    const known = (facts: object) => recordText(writeWorksheet([{ ...job(CHECK), ...facts }], LOTS, ''))
    expect(known({ stage: 'handed-over', promised: '2026-12-01', unit: { ...job(CHECK).unit, type: 'Harbour launch' } })).toBe(plain)
    expect(known({ meterReading: 5590 })).not.toBe(plain)
  })
  it('is canonical: keys in order, whatever order they were written in (RFC 8785, 3.2.3)', () => {
    const turned = Object.fromEntries(Object.entries(CHECK).reverse()) as unknown as CheckDocument
    expect(recordText(sheet(turned))).toBe(recordText(sheet(CHECK)))
  })
  it('a signature keeps its figures, and the evaluation sets them beside those of now', () => {
    const steps = { ticks: [...CHECK.ticks, ...['refitted', 'torqued'].map(step => ({ step, trial: 't2' }))] }
    const outcome = sign(
      { document: { ...CHECK, ...steps }, lots: LOTS, reserves: {} } as never,
      { at: '2026-11-27T09:00:00.000Z', by: 'T. Marl' } as never,
    )
    if (!outcome.ok) throw new Error(JSON.stringify(outcome))
    const [signOff] = outcome.happenings.flatMap(happening => (happening.type === 'signed' ? [happening.signOff] : []))
    expect(signOff!.figures).toMatchObject([{ id: 'play', value: thou(3), state: 'in' }])
    const signed = (check: CheckDocument) => evaluateWorksheet(sheet(check)).checks[0]!.signed!.figures
    const held = { ...CHECK, ...steps, signOff: signOff! }
    expect(signed(held)).toMatchObject([{ id: 'play', same: true }])
    expect(evaluateWorksheet(sheet(held), null, { digest: 'abc', formerDigest: 'def' })).toMatchObject({
      digest: 'abc',
      formerDigest: 'def',
    })
    // Read otherwise by now: both stand there, and that they differ.
    const altered = { ...held, trials: held.trials.map(one => ({ ...one, readings: plays('travel', 3.5, 3.5, 3.5) })) }
    expect(signed(altered)).toMatchObject([{ id: 'play', signed: { value: thou(3) }, now: { value: thou(3.5) }, same: false }])
    const { figures: _, ...old } = signOff!
    expect(signed({ ...held, signOff: old })).toBeNull()
  })
})

function demo(name: string) {
  const reading = readWorksheet(readFileSync(new URL(`../../demo/${name}.worksheet.json`, import.meta.url), 'utf8'))
  if (!reading.ok) throw new Error(reading.faults[0]!.reason)
  return reading.worksheet
}

describe('a page for the owner', () => {
  const page = (name: string) => {
    const { jobs, lots } = demo(name)
    const { blocks } = reported(
      { job: jobs[0]!, photos: [], digest: '', length: 'page', time: at => at.slice(0, 10), at: '', only: null },
      lots,
    )
    return { measured: table(blocks, 'What was measured')!, done: table(blocks, 'What was done')!, blocks }
  }
  it('has the worst figures of each check, and counts what there is no room for', () => {
    const { measured } = page('6-mail-launch-engine')
    const mains = measured.slice(2, 7)
    expect(mains.map(row => row.slice(0, 2))).toEqual([
      ['Main bearings', 'Main 4 clearance, least, mm'],
      ['', 'Main 4 clearance, most, mm'],
      ['', 'Main 4 journal diameter, mm'],
      ['', 'Main 1 clearance, least, mm'],
      ['', '5 more in full'],
    ])
    expect(mains[0]!.slice(2)).toEqual(['0.081 ± 0.004', '0.081 ± 0.004', 'Loose', '0.030 – 0.062 mm'])
    // Two figures of two: nothing is left.
    expect(measured.slice(-2).map(row => row[1])).toEqual(['Outer rotor end clearance, mm', 'Inner rotor end clearance, mm'])
  })
  it('tells limits in the unit of the figure, and a figure without limits as such', () => {
    expect(page('15-island-bus-clutch').measured[0]).toEqual([
      'Release bearing',
      'Compression at rest, thou',
      '462.7 ± 1.5',
      '462.7 ± 1.5',
      'Below',
      '500 – 750 thou',
    ])
    expect(page('2-fire-pump').measured[1]!.slice(4)).toEqual(['No limit known', '0.15 mm, no limits given'])
  })
  it('tells what was replaced, what is still to be done, and the caution of the kind, once', () => {
    expect(page('7-fire-pump-flywheel').done.at(-1)).toEqual([
      'Main bearings',
      'shells, main 2 – new ones, the old were scored',
      'not signed',
    ])
    const { done, blocks } = page('10-post-motorcycle-wheel')
    expect(done.map(([, words]) => words!.split(',')[0])).toEqual(['still to do: grease packed', 'still to do: axle torque on the machine'])
    const cautions = blocks.flatMap(block => (block.kind === 'text' && block.tone === 'caution' ? [block.text] : []))
    expect(cautions.length).toBe(new Set(cautions).size)
    expect(cautions.length).toBeGreaterThan(1)
    expect(page('18-fire-pump-housing').done[0]![1]).toMatch(
      /^in 6 \+ 6 thou; as found: at 12 0 thou, at 3 .*back at 12 .*; fitting 2: dowel marks point to \d+:\d\d o’clock, at 12 .*; still to do: /,
    )
  })
})

describe('drawings in a report', () => {
  it('of many figures are a few, what is out before what is in', () => {
    const { jobs, lots } = demo('6-mail-launch-engine')
    const drawn = (title: string) =>
      reported(
        {
          job: jobs[0]!,
          photos: [],
          digest: '',
          length: 'page',
          time: at => at,
          at: '',
          only: jobs[0]!.checks.find(check => check.title === title)!.id,
        },
        lots,
      ).blocks.flatMap(block => (block.kind === 'drawing' ? [block.drawing.label.split(' in its limits')[0]] : []))
    // Main 4 is loose, and the last of them.
    expect(drawn('Main bearings')).toEqual(['Main 4 clearance, least', 'Main 4 clearance, most', 'Main 1 clearance, least'])
  })
})
