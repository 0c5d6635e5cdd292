import { route } from '../http/route'

export default route(async (_event, db) => {
  const [counts] = await db.rows<{ jobs: number; lots: number }>(
    'SELECT (SELECT count(*) FROM job)::integer AS jobs, (SELECT count(*) FROM lot)::integer AS lots',
  )
  return { ready: true, ...counts, open: process.env.FINITUM_OPEN === 'yes' }
})
