import { setHeader } from 'h3'
import { photoBytes } from '../../../database/photos'
import { notFound } from '../../../http/refuse'
import { idParam, route } from '../../../http/route'

export default route(async (event, db) => {
  const bytes = await photoBytes(db, idParam(event, 'photograph'))
  if (!bytes) throw notFound('photograph')
  setHeader(event, 'content-type', 'image/jpeg')
  return Buffer.from(bytes)
})
