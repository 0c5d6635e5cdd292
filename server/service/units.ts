import { evaluateCheck } from '#core/check/evaluate/evaluate-check'
import { matchedSet } from '#core/check/evaluate/matched-set'
import { checkKinds } from '#core/check/registry'
import type { UnitChangeDto } from '#shared/dto/job'
import type { UnitView } from '#shared/record'
import type { Database, Sql } from '../database/client'
import { insertEvent } from '../database/events'
import { jobsOfUnit, signedOfKinds } from '../database/jobs'
import { photosOfUnit } from '../database/photos'
import { changesOnUnit, unitById, unitByName, unitFacts, updateUnit } from '../database/units'
import { notFound, refuse } from '../http/refuse'
import { loadCheck } from './check-view'
import { assertFresh } from './command'
import { isRepeat } from './once'

/** Kinds that match parts to each other. */
const MATCHING = checkKinds.filter(({ matched }) => matched !== undefined).map(({ id }) => id)

export async function unitView(sql: Sql, id: string): Promise<UnitView> {
  const unit = await unitById(sql, id)
  if (!unit) throw notFound('unit')
  const { name, description, notes, version } = unit
  return {
    ...{ id, name, description, notes, version },
    ...unitFacts(unit),
    jobs: await jobsOfUnit(sql, id),
    changes: (await changesOnUnit(sql, id)).map(change => ({ ...change, at: change.at.toISOString() })),
    photos: await photosOfUnit(sql, id),
    sets: await setsOf(sql, id),
  }
}

/** The sets its signed checks make, those that no longer hold with them. */
async function setsOf(sql: Sql, unitId: string): Promise<UnitView['sets']> {
  const sets: UnitView['sets'][number][] = []
  for (const check of await signedOfKinds(sql, unitId, MATCHING)) {
    const { document, lots } = await loadCheck(sql, check.id)
    const set = matchedSet(document, evaluateCheck(document, lots))
    if (set) sets.push({ check, set, entryUnit: document.entryUnit })
  }
  return sets
}

export const changeUnit = (db: Database, id: string, dto: UnitChangeDto): Promise<UnitView> =>
  db.transaction(async sql => {
    const unit = await unitById(sql, id)
    if (!unit) throw notFound('unit')
    if (!(await isRepeat(sql, dto))) {
      await assertFresh(sql, id, dto.version, unit.version)
      const name = dto.name?.trim() ?? unit.name
      const namesake = await unitByName(sql, name)
      if (namesake && namesake.id !== id) throw refuse(409, 'Another unit has this name.', 'name')
      await updateUnit(sql, {
        id,
        name,
        description: dto.description?.trim() ?? unit.description,
        type: dto.type?.trim() ?? unit.type,
        meter: dto.meter === undefined ? unit.meter : dto.meter,
        notes: dto.notes ?? unit.notes,
      })
      await insertEvent(sql, dto, { subject: id, version: unit.version + 1, what: 'Unit changed' })
    }
    return unitView(sql, id)
  })
