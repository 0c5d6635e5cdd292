import type { CheckDocument, LimitPair, Trial } from '../check/document'
import { checkKind } from '../check/registry'
import { strike } from '../check/said'
import { inDrawerOrder, type Lot, type Pack } from '../pack/lot'
import type { Bench } from './command'
import type { Happening } from './happening'

/** The bench after something happened. What happened already changes nothing: a reading is not there twice. */
export function apply(bench: Bench, happening: Happening): Bench {
  switch (happening.type) {
    case 'lot-added':
      return bench.lots.some(({ id }) => id === happening.lot.id)
        ? bench
        : { ...bench, lots: [...bench.lots, { ...happening.lot, onHand: 0 }].sort(inDrawerOrder) }
    case 'moved': {
      const { lotId, change } = happening.movement
      return { ...bench, lots: bench.lots.map((lot): Lot => (lot.id === lotId ? { ...lot, onHand: lot.onHand + change } : lot)) }
    }
    case 'claimed':
      return {
        ...bench,
        lots: bench.lots.map(lot => (lot.id === happening.lotId ? { ...lot, reserved: Math.max(0, lot.reserved - happening.count) } : lot)),
      }
    case 'promised':
      return { ...bench, reserves: withPromise(bench.reserves, happening.place, happening.pack) }
    // The list is the shop's: neither the check nor the drawer is another for it.
    case 'wanted':
      return bench
    default:
      return { ...bench, document: changed(bench.document, happening) }
  }
}

function withPromise(reserves: Bench['reserves'], place: string, pack: Pack): Bench['reserves'] {
  const { [place]: _, ...others } = reserves
  return pack.length === 0 ? others : { ...others, [place]: [...pack].sort((a, b) => (a.lotId < b.lotId ? -1 : 1)) }
}

type OfCheck = Exclude<Happening, { readonly type: 'lot-added' | 'moved' | 'claimed' | 'promised' | 'wanted' }>

function changed(document: CheckDocument, happening: OfCheck): CheckDocument {
  const inTrial = (id: string, change: (trial: Trial) => Trial): CheckDocument => ({
    ...document,
    trials: document.trials.map(trial => (trial.id === id ? change(trial) : trial)),
  })
  switch (happening.type) {
    case 'read': {
      const { reading } = happening
      const here = document.trials.some(({ readings }) => readings.some(({ id }) => id === reading.id))
      return here
        ? document
        : inTrial(happening.trial, trial => ({
            ...trial,
            readings: [...trial.readings, { ...reading, order: reading.order ?? nextOrder(document) }],
          }))
    }
    case 'voided':
      return {
        ...document,
        trials: document.trials.map(trial => ({
          ...trial,
          readings: trial.readings.map(reading =>
            reading.id === happening.reading ? { ...reading, voided: { reason: happening.reason } } : reading,
          ),
        })),
      }
    case 'ticked': {
      const { step, trial, ticked } = happening
      const others = document.ticks.filter(tick => tick.step !== step || tick.trial !== trial)
      return { ...document, ticks: ticked ? [...others, { step, trial }] : others }
    }
    case 'left-out': {
      const { point, reason } = happening
      return inTrial(happening.trial, trial => {
        const { [point]: _, ...others } = trial.leftOut
        return { ...trial, leftOut: reason === null ? others : { ...others, [point]: reason } }
      })
    }
    case 'said':
      return inTrial(happening.trial, trial => ({
        ...trial,
        conditions: { ...trial.conditions, [happening.condition]: happening.state },
      }))
    case 'cleared': {
      const { clearing } = happening
      return { ...document, clearings: [...document.clearings, { ...clearing, order: clearing.order ?? nextOrder(document) }] }
    }
    case 'fitted':
      return document.trials.some(({ id }) => id === happening.trial.id)
        ? document
        : { ...document, trials: [...document.trials, { ...happening.trial, readings: [] }] }
    case 'listed': {
      const { trial: id, place, pack, pieces } = happening
      return inTrial(id, trial => ({
        ...trial,
        packs: { ...trial.packs, [place]: pack },
        pieces: { ...trial.pieces, ...pieces },
        unlisted: trial.unlisted.filter(other => other !== place),
      }))
    }
    case 'settings-changed': {
      const { working, ...settings } = happening.settings
      return { ...document, ...settings, limits: { ...document.limits, working } }
    }
    case 'limited': {
      const { result, role, set } = happening
      const { [result]: pair, ...others } = document.limits.sets
      const next: LimitPair = { ...(pair ?? { book: null, shop: null }), [role]: set }
      return {
        ...document,
        limits: { ...document.limits, sets: next.book === null && next.shop === null ? others : { ...others, [result]: next } },
      }
    }
    case 'gauged':
      return { ...document, gauges: { ...document.gauges, [happening.key]: happening.gauge } }
    case 'rested':
      return { ...document, parts: { ...document.parts, [happening.role]: happening.part.id } }
    case 'part-changed': {
      const change = { ...happening.change, order: happening.change.order ?? nextOrder(document) }
      return { ...strike(document, change.order, []), partChanges: [...document.partChanges, change] }
    }
    case 'lap-begun':
      return { ...document, laps: [...document.laps, { ...happening.lap, passes: [], end: null }] }
    case 'lap-passed':
      return {
        ...document,
        laps: document.laps.map(lap => (lap.id === happening.lap ? { ...lap, passes: [...lap.passes, happening.pass] } : lap)),
      }
    case 'lap-ended':
      return {
        ...document,
        laps: document.laps.map(lap => (lap.id === happening.lap ? { ...lap, end: { lotId: happening.lotId } } : lap)),
      }
    case 'signed':
      return { ...document, signOff: happening.signOff }
    case 'reopened': {
      const reopened = { ...happening.reopening, order: happening.reopening.order ?? nextOrder(document) }
      return { ...strike(document, reopened.order, onceOf(document)), signOff: null, reopened }
    }
  }
}

/** Steps whose ticks no reopening takes away. */
const onceOf = ({ kind, setup }: Pick<CheckDocument, 'kind' | 'setup'>): string[] =>
  checkKind(kind)
    .procedure(setup)
    .flatMap(({ id, once }) => (once ? [id] : []))

/** After everything that has its place already. */
const nextOrder = ({ trials, partChanges, clearings, reopened }: CheckDocument): number =>
  1 +
  Math.max(
    0,
    reopened?.order ?? 0,
    ...partChanges.map(({ order }) => order),
    ...clearings.map(({ order }) => order),
    ...trials.flatMap(({ readings }) => readings.map(({ order }) => order ?? 0)),
  )
