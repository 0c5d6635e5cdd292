import { spreadsOf } from '#core/check/evaluate/repeatability'
import type { CheckDocument } from '#core/check/document'
import type { Bench } from '#core/command/command'
import { apply } from '#core/command/apply'
import type { Happening } from '#core/command/happening'
import { serviceFigures } from '#core/trend/service-figures'
import { checkAnswer } from '#core/worksheet/evaluate'
import { updateSettings } from '../database/checks'
import type { Sql } from '../database/client'
import { useGauge } from '../database/gauges'
import { insertClearing, insertCondition, insertLeftOut, insertStruck } from '../database/conditions'
import { insertLap, insertLapEnd, insertLapPass } from '../database/laps'
import { insertLimits } from '../database/limits'
import { dropWants, settle, wantFor } from '../database/orders'
import { bindPart, insertPart, insertPartChange } from '../database/parts'
import { HERE, insertReading, insertVoid, keepSpreads } from '../database/readings'
import { releaseFromOthers, reserve } from '../database/reserves'
import { insertReopening, insertSignOff } from '../database/sign-offs'
import { insertLot, insertMovement } from '../database/stock'
import { keepProofs } from '../database/proofs'
import { keepFigures } from '../database/trends'
import { proofsOf } from '#core/check/evaluate/refit-spread'
import { insertTick, insertTrial, listPack } from '../database/trials'

interface Writing {
  readonly op: string
  readonly jobId: string
  readonly who: string
  /** the bench before */
  readonly bench: Bench
}

/**
 * Stores one thing that happened to a check, by its table.
 * @returns it, with its place in the order of what happened where it has one
 */
export async function store(sql: Sql, happening: Happening, { op, jobId, bench, who }: Writing): Promise<Happening> {
  const { document, lots } = bench
  const { id } = document
  switch (happening.type) {
    case 'read': {
      const { reading } = happening
      const { order, taken } = await insertReading(sql, happening.trial, reading, HERE)
      return { ...happening, reading: { ...reading, order, ...(taken === null ? {} : { taken }) } }
    }
    case 'voided':
      await insertVoid(sql, happening.reading, happening.reason)
      return happening
    case 'ticked':
      await insertTick(sql, id, happening, happening.ticked)
      return happening
    case 'left-out':
      await insertLeftOut(sql, happening.trial, happening.point, happening.reason)
      return happening
    case 'said':
      await insertCondition(sql, happening.trial, happening.condition, happening.state)
      return happening
    case 'cleared':
      return { ...happening, clearing: { ...happening.clearing, order: await insertClearing(sql, id, happening.clearing) } }
    case 'fitted':
      await insertTrial(sql, id, happening.trial)
      await settle(sql, id, happening.trial.refitted)
      return happening
    case 'listed':
      await listPack(sql, happening.trial, happening.place, happening.pack, true, happening.pieces)
      return happening
    case 'promised':
      await reserve(sql, id, happening.place, happening.pack)
      return happening
    case 'wanted':
      await wantFor(sql, id, happening.place, happening.pack, who)
      return happening
    case 'settings-changed':
      await updateSettings(sql, { id, ...happening.settings })
      return happening
    case 'limited':
      await insertLimits(sql, id, happening.result, happening.role, happening.set)
      return happening
    case 'gauged':
      await useGauge(sql, id, happening.key, happening.gauge.id)
      return happening
    case 'rested':
      if (happening.added) await insertPart(sql, jobId, happening.part)
      await bindPart(sql, id, happening.role, happening.part.id)
      return happening
    case 'part-changed': {
      const part = document.parts[happening.change.role] ?? null
      const order = await insertPartChange(sql, {
        id: part === null ? `${id}:${op}`.slice(0, 120) : op,
        partId: part,
        checkId: part === null ? id : null,
        reason: happening.change.reason,
        by: happening.by,
        at: happening.change.at,
      })
      return keepStruck({ ...happening, change: { ...happening.change, order } })
    }
    case 'lap-begun':
      await insertLap(sql, id, happening.lap)
      return happening
    case 'lap-passed':
      await insertLapPass(sql, happening.lap, happening.pass)
      return happening
    case 'lap-ended':
      await insertLapEnd(sql, happening.lap, happening.lotId)
      return happening
    case 'lot-added':
      await insertLot(sql, happening.lot)
      return happening
    case 'moved':
      await insertMovement(sql, happening.movement)
      return happening
    case 'claimed':
      await releaseFromOthers(sql, id, happening.lotId, happening.count)
      return happening
    case 'signed':
      await insertSignOff(sql, op, id, happening.signOff, {
        inputs: document,
        answer: checkAnswer(document, lots),
        figures: happening.signOff.figures,
        pieces: happening.signOff.pieces,
      })
      await dropWants(sql, id)
      await keepFigures(sql, id, serviceFigures({ ...document, signOff: happening.signOff }, lots))
      await keepProofs(sql, id, proofsOf(document, lots))
      return happening
    case 'reopened':
      await keepFigures(sql, id, [])
      await keepProofs(sql, id, [])
      return keepStruck({
        ...happening,
        reopening: { ...happening.reopening, order: await insertReopening(sql, id, happening.reopening) },
      })
  }

  /** With what it strikes out of what was said. */
  async function keepStruck(struckBy: Happening): Promise<Happening> {
    await insertStruck(sql, id, apply(bench, struckBy).document.struck.slice(document.struck.length))
    return struckBy
  }
}

/** What changes what a check teaches of its gauges. */
const TEACHES: readonly Happening['type'][] = ['read', 'voided', 'settings-changed', 'limited', 'part-changed']

/** Keeps what the check teaches of its gauges, where that may have changed. */
export async function teach(
  sql: Sql,
  happenings: readonly Happening[],
  document: CheckDocument,
  before: CheckDocument,
  workshop: string,
): Promise<void> {
  if (!happenings.some(({ type }) => TEACHES.includes(type))) return
  const spreads = spreadsOf(document, workshop)
  if (JSON.stringify(spreads) !== JSON.stringify(spreadsOf(before, workshop))) await keepSpreads(sql, document, spreads)
}
