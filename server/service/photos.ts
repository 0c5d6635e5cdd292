import type { NewPhotoDto, PhotoChangeDto } from '#shared/dto/photo'
import type { RemovalDto } from '#shared/dto/command'
import type { Photo } from '#shared/types'
import { checkIdsOfJob } from '../database/checks'
import type { Database, Sql } from '../database/client'
import { insertEvent } from '../database/events'
import { jobRow } from '../database/jobs'
import { insertPhoto, photoRow, photosOfJob, photosOfUnit, updateCaption, type PhotoOf } from '../database/photos'
import { unitById } from '../database/units'
import { notFound, refuse } from '../http/refuse'
import { cleaned } from '../photo/clean'
import { assertFresh } from './command'
import { isRepeat } from './once'
import { removePhotoRow } from './removal'

/** Photographs of one thing; a record is not an album. */
const MOST = 60

/** Those beside this one. */
const beside = (sql: Sql, of: PhotoOf): Promise<Photo[]> => ('unit' in of ? photosOfUnit(sql, of.unit) : photosOfJob(sql, of.job))

/** Adds a photograph, as the record keeps it. @param path  of its file @returns all of the unit, or of the job */
export async function addPhoto(db: Database, of: PhotoOf, dto: NewPhotoDto, path: string): Promise<Photo[]> {
  // Unfolding it takes its time: others do not wait for that.
  const { bytes, width, height } = await cleaned(path)
  return db.transaction(async sql => {
    if (await isRepeat(sql, dto)) return beside(sql, of)
    if ('unit' in of ? !(await unitById(sql, of.unit)) : !(await jobRow(sql, of.job))) throw notFound('unit' in of ? 'unit' : 'job')
    if ('job' in of && of.check !== null && !(await checkIdsOfJob(sql, of.job)).includes(of.check)) throw notFound('check')
    if ((await beside(sql, of)).length >= MOST) throw refuse(422, `There are ${MOST} photographs already: remove one first.`, 'photo')
    await insertPhoto(sql, of, { id: dto.op, caption: dto.caption?.trim() ?? '', width, height, bytes, who: dto.who?.trim() ?? '' })
    await insertEvent(sql, dto, { subject: dto.op, version: 1, what: 'Photograph added' })
    return beside(sql, of)
  })
}

/** What a photograph that is there is of. */
async function ownerOf(sql: Sql, id: string): Promise<PhotoOf & { readonly version: number }> {
  const row = await photoRow(sql, id)
  if (!row) throw notFound('photograph')
  return { ...(row.unit_id === null ? { job: row.job_id!, check: null } : { unit: row.unit_id }), version: row.version }
}

export const changePhoto = (db: Database, id: string, dto: PhotoChangeDto): Promise<Photo[]> =>
  db.transaction(async sql => {
    const owner = await ownerOf(sql, id)
    if (!(await isRepeat(sql, dto))) {
      await assertFresh(sql, id, dto.version, owner.version)
      await updateCaption(sql, id, dto.caption.trim())
      await insertEvent(sql, dto, { subject: id, version: owner.version + 1, what: `Photograph: “${dto.caption.trim()}”` })
    }
    return beside(sql, owner)
  })

export const removePhoto = (db: Database, id: string, dto: RemovalDto): Promise<Photo[]> =>
  db.transaction(async sql => {
    const owner = await ownerOf(sql, id)
    await removePhotoRow(sql, id, dto)
    return beside(sql, owner)
  })
