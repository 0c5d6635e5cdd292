import { describe, it } from 'vitest'
import { buildsFor, kitFaults } from '#core/method/bore-gauge/builder'
import { nextLeaves, stacks } from '#core/method/feeler/leaves'
import { calipersCheck, micrometerSetting } from '#core/method/micrometer/setting'
import { markFor, scaleMarks, scaleStep, sideOf, stripFor } from '#core/method/plastic-strip/scale'
import { choosePacks } from '#core/choice/answer/chooser/choose'
import { prepareDrawer } from '#core/choice/answer/chooser/prepare'
import { lapProgress } from '#core/pack/lapping'
import { readLedger } from '#core/choice/grounds/ledger'
import { lotMap, type Lot, type Pack } from '#core/pack/lot'
import { makePlan } from '#core/choice/answer/make-plan'
import { orderPlan } from '#core/choice/answer/order-plan'
import { readKit } from '#core/pack/read-kit'
import { readPack, stuckPairs } from '#core/pack/read-pack'
import { newLot } from '#core/command/found-pack'
import { formatFigure, parseFigure, type Unit } from '#core/quantity/figure'
import { NM_PER, nm, thou, type LengthUnit } from '#core/quantity/length'
import { marksFault } from '#core/quantity/marks'
import { parseLength, parseRange } from '#core/quantity/parse-length'
import { parseSum } from '#core/quantity/parse-sum'
import { parseTemperature } from '#core/quantity/temperature'
import { estimateFigure, estimatePlay } from '#core/reading/estimate'
import { gateFigures, gateSeries } from '#core/reading/gates'
import { readingWords, type Reading } from '#core/reading/reading'
import { judge } from '#core/verdict/decide'
import { describeLimits, limitsFault, type LimitSet } from '#core/verdict/limits'
import { readingsToSettle } from '#core/verdict/settle'
import { checkWorksheet } from '#core/worksheet/read'
import { demo } from '../demo-files'
import { gauge } from '../documents'
import { stream } from './lives'
import { compare, share, short } from './record'

const LENGTHS: readonly LengthUnit[] = ['thou', 'mm', 'in', 'um', 'tenth']
/** What is read of a text, or why not, in a few words. */
const read = (reading: object): string => {
  const { ok, value, reason, low, high, ask } = reading as {
    ok: boolean
    value?: number
    low?: number
    high?: number
    reason?: string
    ask?: unknown
  }
  if (ok) return low === undefined ? String(value) : `${low}..${high}`
  return ask === undefined ? `no: ${reason}` : `asks: ${reason}`
}

describe('the record of what is typed', () => {
  const FIGURES = [
    '0',
    '5',
    '-5',
    '+5',
    '.018',
    '18',
    '0.018',
    '1.234,5',
    '1,5',
    '2 1/4',
    '¼',
    '−3',
    '1e3',
    '',
    'x',
    '0.00001',
    '98765',
    '12:30',
    '5..6',
    '5-6',
    '3+3+1.5',
    '2x3',
  ]
  const UNITS = ['', ' thou', 'mm', ' in', '"', ' µm', ' um', ' tenths', ' °C', ' F', ' N·m', ' in lb', ' kgf', ' h', '°', ' furlong']
  it('figures, ranges, sums, temperatures', () =>
    compare(
      FIGURES.flatMap(figure =>
        UNITS.map(unit => {
          const text = figure + unit
          const sizes = { plausible: nm(300 * NM_PER.mm), least: nm(1), near: nm(38 * NM_PER.mm), name: 'size' } as const
          return [
            `${text}| play ${read(parseLength(text, 'thou', { plausible: thou(100), name: 'play' }))}`,
            `size ${read(parseLength(text, 'mm', sizes))}`,
            `range ${read(parseRange(text, 'tenth', {}))}`,
            `sum ${read(parseSum(text, 'thou', {}))}`,
            ...(['N·m', 'oz', 'h', '°'] as Unit[]).map(bare => `${bare} ${read(parseFigure(text, bare))}`),
            `warm ${read(parseTemperature(text))}`,
          ].join(' · ')
        }),
      ),
      'parts.figures',
    ))
  it('long ones', () =>
    compare(
      [398, 399, 400, 401, 1000, 1001].map(
        long =>
          `${long} ${short(parseLength('1'.padStart(long, ' '), 'thou'))} ${short(parseSum('1'.padEnd(long, '+1'), 'thou'))} ${short(readPack('5, '.repeat(long / 3), 'thou', []))}`,
      ),
      'parts.long',
    ))
  it('marks that are stored', () =>
    compare(
      [[0, 1, 2], [0, 1], [0, 120_000, 360_000], [0, 120_000, 359_999], [0, 0, 1], Array.from({ length: 73 }, (_, i) => i)].map(
        marks => `${marks.length} ${short(marksFault(marks))}`,
      ),
      'parts.marks',
    ))
  const lot = (id: string, size: number, more: Partial<Lot> = {}): Lot => ({
    ...newLot({ id, family: 'f', nominal: nm(size), tags: [] }, true),
    onHand: 2,
    ...more,
  })
  const LOTS = [
    lot('a', thou(2)),
    lot('b', thou(5), { mark: 'K' }),
    lot('c', thou(7), { colour: 'red' }),
    lot('d', thou(10)),
    lot('e', 250_000, { mark: '3' }),
    lot('f', thou(10), { mark: 'tray', apart: true }),
  ]
  const PACKS = [
    '10, 8, 3',
    '10,8',
    '2 x 5',
    '5 x 2',
    'K',
    'red',
    'Red; k',
    '3',
    '0.25 mm',
    '7+2',
    'none',
    '0',
    'nothing ',
    '5 K',
    '10 tray',
    '2*2',
    'x',
    '0.001 under',
    '12 x 12',
    '13 x 2',
    '-5',
    '7, , 2',
    '10 8',
    'two',
    '5 thou, 0.25mm',
    '99',
  ]
  it('packs, stuck pieces and kits', () =>
    compare(
      [
        ...PACKS.flatMap(text => LENGTHS.map(unit => `${text}|${unit} ${short(readPack(text, unit, LOTS))}`)),
        ...[4, 5, 7, 9, 12, 14, 17, 20].map(size => `stuck ${size} ${short(stuckPairs([nm(thou(size))] as never, LOTS))}`),
        ...[
          '57 red x4\n58 blue',
          '57 red 4\n57 red 2',
          'A 1.5 mm\nB 2',
          '3',
          '57.5x4',
          '.25 mm green x 2',
          '57 red x0',
          'x',
          '',
          '2 1/2 red',
          '60, 61 ,62',
          '57;red;4\n58;blue;4',
          '1. 2',
        ].flatMap(text => (['thou', 'mm'] as const).map(unit => `kit ${text.replaceAll('\n', '/')}|${unit} ${short(readKit(text, unit))}`)),
      ],
      'parts.packs',
    ))
})

describe('the record of what readings say', () => {
  const draw = stream(77)
  const dial = (step: number) =>
    gauge('dial-indicator', nm(step), { hysteresis: nm(draw(2) * 2_000), repeatability: nm(1_000 + draw(3) * 1_000) })
  const LIMITS: readonly LimitSet[] = [
    { kind: 'two-sided', lower: thou(1), upper: thou(3), unit: 'thou', source: { kind: 'book' } },
    { kind: 'two-sided', lower: thou(0), upper: thou(2), lowerExcluded: true, unit: 'mm', source: { kind: 'shop' } },
    { kind: 'upper', upper: thou(2), upperExcluded: true, unit: 'thou', source: { kind: 'book' } },
    { kind: 'upper', upper: thou(2.5), unit: 'in', source: { kind: 'book' } },
    { kind: 'lower', lower: thou(2), unit: 'thou', source: { kind: 'book' } },
    { kind: 'lower', lower: thou(2), lowerExcluded: true, unit: 'um', source: { kind: 'book' } },
    { kind: 'figure', figure: thou(2), unit: 'thou', source: { kind: 'own' } },
    { kind: 'none', unit: 'thou', source: { kind: 'own' } },
    { kind: 'two-sided', lower: thou(3), upper: thou(1), unit: 'thou', source: { kind: 'own' } },
    { kind: 'upper', upper: thou(0), unit: 'thou', source: { kind: 'own' } },
  ]
  /** The word of each rule, the chance, and how many more readings would settle it. */
  const judgedBy = (estimate: { value: number; u: number; nu: number; n: number }, set: LimitSet): string => {
    const verdict = judge({ value: estimate.value, u: estimate.u, nu: estimate.nu }, set, 'careful')
    const more = (['careful', 'guarded'] as const).map(rule => readingsToSettle(estimate as never, set, rule) ?? '–')
    return `${verdict.plain}/${verdict.careful}/${verdict.guarded} ${verdict.chance === null ? '' : verdict.chance.inside.toFixed(3)} +${more.join('/')}`
  }
  it('series: gates, estimate, verdict, what one more would settle', () =>
    compare(
      Array.from({ length: share(60, 260) }, (_, at) => {
        const step = [2_540, 12_700, 25_400][at % 3]!
        const walk = draw(4) === 0 ? step / 2 : 0
        const count = 1 + draw(8)
        const repeats = Array.from({ length: count }, (_, i) => {
          const start = draw(3) ? 0 : draw(5) * step
          const far = thou(2) + (draw(7) - 3) * step * (draw(5) ? 0.5 : 3) + i * walk
          const sign = draw(20) ? 1 : -1
          return {
            id: `r${i}`,
            start: nm(Math.round(start)),
            far: nm(Math.round(start + sign * far)),
            back: nm(Math.round(start + (draw(4) - 1) * (draw(3) ? 0 : step) + i * walk * draw(2))),
            ...(draw(30) ? {} : { springBack: true }),
            ...(draw(12) ? {} : { voided: { reason: 'slip' } }),
          }
        })
        const options = {
          graduation: step,
          step: step / 2,
          band: [null, 20_000, 50_800, 100_000, 254_000][draw(5)]!,
          unit: 'thou' as const,
          guarded: draw(2) === 0,
        }
        const used = dial(step)
        const pooled = draw(2) ? { s: 3_000, nu: 4 + draw(9) } : null
        const play = estimatePlay(repeats, used, { pooled })
        const figures = repeats.map(({ id, far, voided }) => ({ id, figure: far, ...(voided ? { voided } : {}) }))
        const figure = estimateFigure(figures, used, draw(2) ? 1 : 2, { pooled })
        const gates = [...gateSeries(repeats, options), ...gateFigures(figures, options)].map(({ gate, level }) => `${gate} ${level}`)
        return [
          `${at} play ${play ? `${Math.round(play.value)} ± ${Math.round(play.U)} of ${play.n}, ν ${play.nu.toPrecision(4)}` : '–'}`,
          `figure ${figure ? `${Math.round(figure.value)} ± ${Math.round(figure.U)}` : '–'}`,
          `gates ${gates.join(', ')}`,
          ...(play ? LIMITS.slice(0, 5).map(set => judgedBy(play, set)) : []),
        ].join(' · ')
      }),
      'parts.series',
    ))
  it('readings and limits in words', () =>
    compare(
      [
        ...(['thou', 'mm', 'in'] as const).flatMap(unit =>
          (
            [
              { id: 'a', figure: thou(5.25) },
              { id: 'b', low: thou(5), high: thou(6) },
              { id: 'c', low: thou(5), high: thou(5) },
              { id: 'd', start: nm(0), far: thou(18), back: nm(0) },
              { id: 'e', word: 'binds', torque: 2e9 },
              { id: 'f', word: 'turns' },
              { id: 'g', pieces: ['a', 'b'] },
            ] as Reading[]
          ).map(reading => `${unit} ${readingWords(reading, unit)}`),
        ),
        ...LIMITS.flatMap(set =>
          (['thou', 'mm', 'N·m'] as Unit[]).map(
            unit => `${set.kind} ${describeLimits(set, unit)}|${describeLimits(set)}|${limitsFault(set)}|${limitsFault(set, 'torque')}`,
          ),
        ),
        ...[0, 0.4, -0.4, 12_699, 12_700, 25_400.5, -1e9].flatMap(value =>
          (['thou', 'mm', 'in', 'um', 'tenth', 'N·m', 'h', '°'] as Unit[]).map(
            unit =>
              `${value} ${formatFigure(value, unit, { sign: true })} ${formatFigure(value, unit, { trim: true, unit: true })} ${formatFigure(value, unit, { fine: true, decimals: 1 })}`,
          ),
        ),
      ],
      'parts.words',
    ))
  it('fittings: do they tell one story', () => {
    const lots = [2, 3, 5, 10].map((size, i): Lot => ({
      ...newLot({ id: `l${size}`, family: i === 3 ? 'other' : 'f', nominal: thou(size), tags: [] }, i % 2 === 0),
      onHand: 4,
    }))
    return compare(
      Array.from({ length: share(60, 120) }, (_, at) => {
        const c = at % 2 ? (1 as const) : (-1 as const)
        const count = 1 + draw(6)
        const trials = Array.from({ length: count }, (_, i) => {
          const pack: Pack = lots.flatMap(({ id }) => (draw(2) ? [{ lotId: id, count: 1 + draw(2) }] : []))
          const total = pack.reduce((sum, { lotId, count: of }) => sum + of * lots.find(({ id }) => id === lotId)!.nominal, 0)
          const off = draw(6) === 0 ? thou(3) : 0
          return {
            id: `t${i}`,
            pack,
            play: thou(40) + c * total * (draw(9) === 0 ? -1 : 1) + off + (draw(5) - 2) * 1_000,
            uOwn: 2_000 + draw(3) * 2_000,
            bound: draw(9) === 0,
          }
        })
        const ledger = readLedger(
          trials,
          { lots: lotMap(lots), family: 'f', response: { perPiece: c, pair: false }, most: 9, unit: 'thou', uShared: 1_500 },
          [
            { effect: 'more-play', words: 'm' },
            { effect: 'less-play', words: 'l' },
          ],
        )
        return `${at} ${ledger.state} ${ledger.suspect?.id ?? ''} ${ledger.signDoubtful ? 'sign' : ''} ${ledger.piece ? 'piece' : ''} ${ledger.words} | ${ledger.entries.map(({ base, u }) => `${Math.round(base ?? 0)} ± ${Math.round(u)}`).join(', ')}`
      }),
      'parts.ledger',
    )
  })
})

describe('the record of helpers and work', () => {
  it('feelers, strips, micrometers, bore gauges, lapping', () => {
    const draw = stream(5)
    const sizes = [1.5, 2, 3, 4, 5, 6, 8, 10].map(size => thou(size))
    const kit = {
      anvils: [
        { name: '1', low: 34e6, high: 37e6, missing: false },
        { name: '2', low: 37e6, high: 41e6, missing: false },
        { name: '3', low: 40e6, high: 44e6, missing: true },
      ],
      washers: [
        { name: 'w1', length: 1e6, missing: false },
        { name: 'w2', length: 2e6, missing: false },
        { name: 'w3', length: 500_000, missing: true },
      ],
    }
    const marks = scaleMarks([25_400, 38_100, 50_800, 63_500], 10e6)
    compare(
      [
        `stacks ${stacks(sizes).length} ${stacks(sizes, 2).length}`,
        ...[0, 1, 1.4, 2.2, 7, 12.5, 30, 99].map(gap => `leaves ${gap} ${short(nextLeaves(sizes, thou(gap)))}`),
        `marks ${short(marks)}`,
        ...[1e6, 2e6, 4e6, 9e6, 11e6].map(width => `width ${width} ${short(markFor(marks, width))}`),
        ...[20_000, 25_400, 40_000, 76_200].map(
          gap =>
            `gap ${gap} ${short([scaleStep([25_400, 38_100, 50_800], gap), sideOf([25_400, 38_100, 50_000, 50_800, 75_000], 'inch'), sideOf([25_400, 50_000, 75_000], 'metric')])}`,
        ),
        ...[
          [1, 3],
          [0.5, 1],
          [2, 6],
          [4, 9],
        ].map(
          ([low, high]) =>
            `strip ${low} ${short(stripFor([{ sizes: [thou(1), thou(3)] }, { sizes: [thou(2), thou(6)] }, { sizes: [thou(4), thou(9)] }] as never, thou(low!) as never, thou(high!) as never))}`,
        ),
        ...[40e6, 40.005e6, 45.7638e6, 12.7e6].flatMap(target =>
          (['inch', 'metric'] as const).map(
            system =>
              `set ${target} ${system} ${short([micrometerSetting(target, system), calipersCheck(target, target + 30_000, system), calipersCheck(target, target + 640_000, system)])}`,
          ),
        ),
        ...[33e6, 35e6, 37e6, 38.5e6, 40.5e6, 43e6, 44e6, 47e6].map(target => `bore ${target} ${short(buildsFor(kit as never, target))}`),
        short(
          kitFaults({
            ...kit,
            anvils: [...kit.anvils, { name: '1', low: 5, high: 4, missing: false }],
            washers: [{ name: 'w', length: 0, missing: false }],
          } as never),
        ),
        ...Array.from({ length: 60 }, (_, at) => {
          const target = thou(10)
          const passes = Array.from({ length: draw(3) }, (_, i) => ({
            id: `p${i}`,
            at: '',
            figures: [0, 1, 2, 3].map(() => nm(target + (draw(60) - 12) * 640)),
          }))
          const ends = [null, nm(target - 5_000)][draw(2)]!
          return `lap ${at} ${short(lapProgress({ target, low: ends, high: draw(2) ? null : nm(target + 5_000), passes }, draw(2) ? 'thou' : 'mm'))}`
        }),
      ],
      'parts.helpers',
    )
  })
  it('what to make and what to order', () => {
    const draw = stream(9)
    compare(
      Array.from({ length: 60 }, (_, at) => {
        const lot = (i: number, more: Partial<Lot> = {}): Lot =>
          ({
            ...newLot({ id: `l${i}`, family: 'f', nominal: thou(2 + draw(30)), tags: [] }, draw(2) === 0),
            onHand: draw(3),
            cost: draw(2) ? 30 + draw(50) : null,
            leadDays: draw(2) ? draw(9) : null,
            ...more,
          }) as Lot
        const drawer = Array.from({ length: 3 + draw(4) }, (_, i) => lot(i))
        const fitted: Pack = drawer.slice(0, 1 + draw(2)).map(({ id }) => ({ lotId: id, count: 1 }))
        const response = { perPiece: at % 2 ? (1 as const) : (-1 as const), pair: at % 5 === 0 }
        const limits = [
          {
            kind: 'two-sided' as const,
            lower: thou(2),
            upper: thou(2.4 + draw(3)),
            unit: 'thou' as const,
            source: { kind: 'book' as const },
          },
          { kind: 'upper' as const, upper: thou(3), unit: 'thou' as const, source: { kind: 'book' as const } },
          { kind: 'lower' as const, lower: thou(2), unit: 'thou' as const, source: { kind: 'book' as const } },
          null,
        ][draw(4)]!
        const measured = { play: thou(draw(24)) as number, u: 2_000, nu: 9 }
        const request = {
          drawer,
          fitted,
          response,
          rules: { most: 4 },
          question: {
            measured,
            from: measured,
            before: [],
            uRefit: 2_540,
            aim: nm(thou(2.5)),
            limits,
            rule: 'careful' as const,
            unit: 'thou' as const,
            id: 'play',
            label: 'Play',
            cannotBind: 'above' as const,
            bound: false,
            atLeast: null,
            doubts: [],
            oddNow: false,
          },
        }
        const made = makePlan({ ...request, sheets: draw(2) ? [lot(90, { shape: 'sheet', onHand: 1 })] : [], lappable: draw(4) > 0 })
        const merit = (['pieces', 'changes', 'cost'] as const).map(by =>
          choosePacks(prepareDrawer(drawer, fitted, response, { most: 4, order: by }), request.question).proposals.map(({ pack }) => pack),
        )
        const order = orderPlan(request)
        const packs = (list: readonly Pack[]) =>
          list
            .slice(0, 2)
            .map(pack => pack.map(({ lotId, count }) => `${count} ${lotId}`).join(' + '))
            .join(' or ')
        return [
          `${at} made ${made.map(({ amount, target, inside }) => `${amount}→${target} ${inside?.toFixed(3) ?? ''}`).join(', ')}`,
          `order ${order?.words}`,
          `at even odds ${orderPlan(request, 0.5)?.words}`,
          ...merit.map((list, i) => `by ${['pieces', 'changes', 'cost'][i]} ${packs(list)}`),
        ]
          .join(' · ')
          .trimEnd()
      }),
      'parts.plans',
    )
  })
})

describe('the record of worksheets that are wrong', () => {
  const FILES = ['1-mail-launch', '6-mail-launch-engine', '14-quarry-loader-differential', '18-fire-pump-housing']
  const places = (value: unknown, path: (string | number)[] = []): (string | number)[][] =>
    value !== null && typeof value === 'object'
      ? Object.entries(value).flatMap(([key, child]) => [
          [...path, Array.isArray(value) ? Number(key) : key],
          ...places(child, [...path, Array.isArray(value) ? Number(key) : key]),
        ])
      : []
  const WRONG: readonly unknown[] = [undefined, null, '', 'ghost', -1, 1.5, 0, true, [], {}, 'x'.repeat(300)]
  it.each(FILES)('%s', file => {
    const draw = stream(file.length)
    const sheet = JSON.parse(demo(`${file}.worksheet.json`)) as object
    const all = places(sheet)
    compare(
      Array.from({ length: share(80, 220) }, () => {
        const path = all[draw(all.length)]!
        const value = WRONG[draw(WRONG.length)]
        const copy = structuredClone(sheet) as Record<string | number, never>
        const parent = path.slice(0, -1).reduce<Record<string | number, never>>((at, key) => at[key] as never, copy)
        if (value === undefined) Reflect.deleteProperty(parent, path.at(-1)!)
        else parent[path.at(-1)!] = value as never
        const read = checkWorksheet(copy)
        const faults = read.ok
          ? 'read'
          : read.faults
              .slice(0, 3)
              .map(fault => `${fault.path}: ${fault.reason}`)
              .join(' | ')
        return `${path.join('/')} = ${value === undefined ? 'gone' : JSON.stringify(value).slice(0, 20)} → ${faults}`
      }),
      `parts.wrong.${file}`,
    )
  })
})
