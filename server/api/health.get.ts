import type { Health } from '#shared/record'
import { copiesFault } from '../backup/copies'
import { route } from '../http/route'

export default route(async (_event, db): Promise<Health> => {
  const [counts] = await db.rows<Pick<Health, 'jobs' | 'lots'>>(
    'SELECT (SELECT count(*) FROM job)::integer AS jobs, (SELECT count(*) FROM lot)::integer AS lots',
  )
  return { ready: true, ...counts!, open: process.env.FINITUM_OPEN === 'yes', copies: await copiesFault(db) }
})
