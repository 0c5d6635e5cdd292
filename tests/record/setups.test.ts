import { describe, it } from 'vitest'
import type { CheckKind, MeasuringPoint } from '#core/check/contract'
import type { CheckDocument } from '#core/check/document'
import { gaugeNeeds } from '#core/check/evaluate/gauge-needs'
import { ratesOf } from '#core/check/common/making'
import { zeroWordsAt } from '#core/check/evaluate/none-said'
import { plausibleAt } from '#core/check/evaluate/plausible'
import { checkKinds } from '#core/check/registry'
import { spreadsOf } from '#core/check/evaluate/repeatability'
import { fieldsFor, type Setup, type SetupField } from '#core/check/setup'
import { NM_PER, nm, thou } from '#core/quantity/length'
import { checkAnswer } from '#core/worksheet/evaluate'
import { twoSided } from '#core/verdict/limits'
import { checkOf, gauge, GAUGES, trial } from '../documents'
import { lotsFor } from './lots'
import { live, stream, type Draw } from './lives'
import { compare, figures, share, short } from './record'

/** So many set-ups of each kind, every field drawn at random: what one choice means beside another is seen. */
const SETUPS = share(8, 24)

const LENGTHS = [0.01, 0.3, 1.4, 3, 12, 38, 40, 90, 150].map(mm => mm * NM_PER.mm)
function drawn(field: SetupField, draw: Draw): string {
  const of = <T>(items: readonly T[]): T => items[draw(items.length)]!
  switch (field.kind) {
    case 'choice':
      return of(field.options).value
    case 'count':
      return String(field.least + draw(Math.min(field.most - field.least, 4) + 1))
    case 'length':
      return field.optional && draw(4) === 0
        ? ''
        : String(of([...LENGTHS, ...(field.least < 0 ? [-100_000] : [])].filter(size => size >= field.least)))
    case 'celsius':
      return of(['', '-20', '20', '41'])
    case 'torque':
      return of(['', '300000000', '1200000000'])
    case 'ratio':
      return of(['0.5', '1', '2.4', '9.2'])
    case 'price':
      return of(['', '450'])
    case 'text':
      return of(['Planet', 'hub to drum'])
    case 'marks':
      return of(['0 90000 180000 270000', '0 45000 90000 135000 180000 225000 270000 315000', '10000 130000 200000'])
  }
}

/** What a figure at a point is asked about, in a few words. */
function asked(document: CheckDocument, kind: CheckKind, point: MeasuringPoint): string {
  const { least, plausible, near } = plausibleAt(document, kind, point)
  return [
    least === undefined ? '' : `from ${least}`,
    plausible === undefined ? '' : `to ${plausible}`,
    near === undefined ? '' : `near ${near}`,
  ]
    .filter(Boolean)
    .join(' ')
}

/** What a set-up makes of a check, before anything is read, by name. */
function layout(document: CheckDocument): string[] {
  const kind = checkKinds.find(({ id }) => id === document.kind)!
  const { setup } = document
  const points = kind.points(setup)
  const named = (of: readonly { readonly id: string }[]) => of.map(({ id }) => id).join(' ')
  return [
    `  asked ${fieldsFor(kind.setupFields, setup)
      .map(({ id }) => id)
      .join(' ')}`,
    `  parts ${named(kind.parts(setup))}`,
    `  results ${named(kind.results(setup))}`,
    `  points ${points
      .map(point =>
        `${point.id} ${asked(document, kind, point)} ${zeroWordsAt(kind.results(setup), point)
          .map(({ value }) => value)
          .join('/')}`.trimEnd(),
      )
      .join(', ')}`,
    `  places ${named(kind.places(setup))}`,
    `  steps ${named(kind.procedure(setup))}`,
    `  gauges ${gaugeNeeds(points)
      .map(({ key }) => key)
      .join(' ')}`,
    `  conditions ${(kind.conditions?.(setup) ?? []).map(({ id, states }) => `${id} ${states.map(({ value }) => value).join('/')}`).join(', ')}`,
    `  reminders ${named(kind.reminders?.(setup) ?? [])}`,
    `  matched ${short(kind.matched?.(setup) ?? [])}`,
    `  suspicions ${kind
      .suspicions(setup)
      .map(({ effect }) => effect)
      .join(' ')}`,
    `  rates ${short(ratesOf(kind, setup))}`,
  ]
}

/** As taken in a workshop, and read in several times: what its gauges are known by. */
const takenHere = (document: CheckDocument): CheckDocument => ({
  ...document,
  trials: document.trials.map(one => ({
    ...one,
    readings: one.readings.map(reading => ({ ...reading, gauge: reading.gauge ?? 'dial-indicator', taken: `here/${reading.id}` })),
  })),
})

describe.each(checkKinds.map(kind => [kind.id, kind] as const))('the record of a %s', (id, kind) => {
  it('set up at random', () => {
    const draw = stream(id.length * 31 + id.charCodeAt(0))
    const text = Array.from({ length: SETUPS }, (_, at) => {
      const setup: Setup = Object.fromEntries(kind.setupFields.map(field => [field.id, drawn(field, draw)]))
      const limits = Object.fromEntries(
        kind.results(setup).flatMap(({ id: result, unit, scale, unjudged }) => {
          if (unjudged) return []
          const set = unit
            ? twoSided(1e9, 3e9, unit, { kind: 'book' })
            : scale === 'play'
              ? twoSided(thou(1), thou(3), 'thou', { kind: 'book' })
              : twoSided(nm(37.98 * NM_PER.mm), nm(38.02 * NM_PER.mm), 'mm', { kind: 'book' })
          return [[result, { book: set, shop: null }]]
        }),
      )
      const document = checkOf(id, {
        setup,
        gauges: { ...GAUGES, calipers: gauge('calipers', thou(1)) },
        limits: { working: 'tighter', sets: limits },
        rule: 'careful',
        trials: [trial('t1', [])],
        ticks: [],
      })
      const lots = lotsFor(kind, setup)
      // Diligent ones: every point is read, then things are done.
      const looks = [...live({ document, lots, reserves: {} }, 5000 + at * 2, 14)].filter((_, i) => i === 12)
      return [
        '',
        JSON.stringify(setup).replaceAll('"', ''),
        ...layout(document),
        ...looks.flatMap(({ did, bench }) => [
          `  ${did}`,
          ...figures(checkAnswer(bench.document, bench.lots)),
          `  known of gauges: ${short(spreadsOf(takenHere(bench.document), 'here'))}`,
        ]),
      ]
    }).flat()
    compare(text, `${id}.setups`)
  })
})
