import { describe, expect, it } from 'vitest'
import { GAUGES, checkOf, gauge, trial } from '../../../tests/documents'
import { decide } from '../../command/decide'
import { apply } from '../../command/apply'
import type { Bench, SettingsChange } from '../../command/command'
import { mm, nm, thou } from '../../quantity/length'
import { suits } from '../../reading/gauge'
import { evaluateCheck } from './evaluate-check'
import { gaugeNeeds, gaugeOf, keySuits, likelyGauge, type GaugeNeed } from './gauge-needs'
import { checkKind } from '../registry'

const kind = checkKind('roller-big-end')
const setup = { ...kind.defaultSetup, rods: '1' }
const points = kind.points(setup)
const pin = points.find(({ id }) => id.startsWith('pin-'))!
const bag = points.find(({ id }) => id.startsWith('bag-'))!
const [large, small] = [
  gauge('micrometer', mm(0.01), { id: 'large', range: { low: mm(25), high: mm(50) } }),
  gauge('micrometer', mm(0.001), { id: 'small', range: { low: mm(0), high: mm(25) } }),
]
const calipers = gauge('calipers', mm(0.02), { id: 'calipers', permissibleError: mm(0.03) })

describe('the gauges of a check', () => {
  it('pins and rollers can have a micrometer each; a check that names one reads both with it', () => {
    expect(gaugeNeeds(points).map(({ key, label }) => `${key}: ${label}`)).toEqual([
      'micrometer: Micrometer',
      'micrometer:rollers: Micrometer, rollers',
      'bore-gauge: Bore gauge',
    ])
    const one = { gauges: { micrometer: large } }
    expect([gaugeOf(one, pin), gaugeOf(one, bag)]).toEqual([large, large])
    const two = { gauges: { 'micrometer': large, 'micrometer:rollers': small } }
    expect([gaugeOf(two, pin), gaugeOf(two, bag)]).toEqual([large, small])
    expect(gaugeOf({ gauges: {} }, pin)).toBeNull()
  })
  it('the small one is likely for rollers, the other for anything else', () => {
    const [forPins, forRollers] = gaugeNeeds(points)
    expect([likelyGauge(forPins!, [small, large], 'inch'), likelyGauge(forRollers!, [large, small], 'inch')]).toEqual([large, small])
    expect(likelyGauge(forRollers!, [large], 'inch')).toBe(large)
  })
  it('one of the check’s own system is likely, where there is one', () => {
    const feelers: GaugeNeed = { key: 'feeler-set', kind: 'feeler-set', label: '', way: 'feeler', small: false }
    const metric = gauge('feeler-set', mm(0.05), { id: 'metric', unit: 'mm' })
    const inch = gauge('feeler-set', thou(1), { id: 'inch' })
    expect(likelyGauge(feelers, [metric, small, inch], 'inch')!.id).toBe('inch')
    expect(likelyGauge(feelers, [metric, small, inch], 'metric')!.id).toBe('metric')
    expect(likelyGauge(feelers, [small, metric], 'inch')!.id).toBe('metric')
  })
  it('calipers stand in for a micrometer, and for nothing else', () => {
    expect([suits('micrometer', calipers), suits('bore-gauge', calipers), suits('calipers', large)]).toEqual([true, false, false])
    expect([keySuits('micrometer:rollers', calipers), keySuits('bore-gauge', large)]).toEqual([true, false])
  })
  const bench: Bench = { document: checkOf('roller-big-end', { setup, gauges: GAUGES, trials: [trial('t1', [])] }), lots: [], reserves: {} }
  const set = (gauges: Record<string, string>, change: SettingsChange = {}) =>
    decide(bench, {
      kind: 'change-settings',
      op: 'o',
      at: '2026-05-04T08:00:00Z',
      change: { ...change, gauges },
      register: [large, small, calipers, GAUGES['bore-gauge']],
      parts: [],
    })
  it('of strips the finest is likely, while no limits ask for another', () => {
    const strip = (id: string, ...sizes: number[]) => gauge('plastic-strip', mm(0.01), { id, sizes: sizes.map(mm) })
    const all = [strip('coarse', 0.1, 0.2), strip('fine', 0.025, 0.076), strip('middle', 0.05, 0.15)]
    expect(
      likelyGauge({ key: 'plastic-strip', kind: 'plastic-strip', label: '', way: 'plastic-strip', small: false }, all, 'metric')!.id,
    ).toBe('fine')
    expect(all[0]!.id).toBe('coarse')
  })
  it('a bore gauge goes by its master, until it was chosen by hand or read with', () => {
    const bores = [25, 50].map(low => gauge('bore-gauge', mm(0.01), { id: `from ${low}`, range: { low: mm(low), high: mm(2 * low) } }))
    const after = (master: number, gauges: Record<string, string> = {}, read = false) => {
      const reading = { id: 'r', point: 'bore-1-A-front', at: '2026-05-04T08:00:00Z', order: 1, figure: nm(0), gauge: 'from 50' }
      const document = checkOf('roller-big-end', {
        setup,
        gauges: { 'bore-gauge': bores[1]! },
        trials: [trial('t1', read ? [reading] : [])],
      })
      const own = { document, lots: [], reserves: {} }
      const outcome = decide(own, {
        kind: 'change-settings',
        op: 'o',
        at: '2026-05-04T08:00:00Z',
        change: { setup: { master: String(mm(master)) }, gauges },
        register: bores,
        parts: [],
      })
      if (!outcome.ok) throw new Error(outcome.faults[0]!.reason)
      return outcome.happenings.reduce(apply, own).document.gauges['bore-gauge']!.id
    }
    expect([after(38), after(60), after(200)]).toEqual(['from 25', 'from 50', 'from 50'])
    expect([after(38, { 'bore-gauge': 'from 50' }), after(38, {}, true)]).toEqual(['from 50', 'from 50'])
  })
  it('each is chosen for what it is for; another is refused', () => {
    const outcome = set({ 'micrometer:rollers': 'small' })
    if (!outcome.ok) throw new Error(outcome.faults[0]!.reason)
    const { gauges } = outcome.happenings.reduce(apply, bench).document
    expect([gauges.micrometer!.id, gauges['micrometer:rollers']!.id]).toEqual([GAUGES.micrometer.id, 'small'])
    for (const [key, id] of [
      ['micrometer:valves', 'small'],
      ['bore-gauge', 'small'],
      ['micrometer', 'nowhere'],
    ] as const)
      expect(set({ [key]: id })).toMatchObject({ ok: false, faults: [{ path: `settings.gauges.${key}` }] })
  })
  it('a roller read with its own micrometer carries that one’s error, and the pin its own', () => {
    const figures = [...['A', 'B'].map(direction => ({ id: `p${direction}`, point: `pin-1-${direction}`, figure: mm(30) }))]
    const document = checkOf('roller-big-end', {
      setup,
      gauges: {
        ...GAUGES,
        'micrometer': { ...large, permissibleError: nm(9_000) },
        'micrometer:rollers': { ...small, permissibleError: nm(1_000) },
      },
      trials: [trial('t1', figures)],
    })
    const result = evaluateCheck(document, []).current.results.find(({ id }) => id === 'pin@1')!
    expect(result.estimate!.lines.find(({ source }) => source === 'gauge-error')!.u).toBeCloseTo(9_000 / Math.sqrt(3), 0)
  })
})
