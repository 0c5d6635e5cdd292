import { checkKind } from '#core/check/registry'
import { nm, thou } from '#core/quantity/length'
import type { CheckView } from '#shared/types'
import type { Database } from '../server/database/client'
import { importStock } from '../server/import/drawer'
import { changeSettings, fitPack, listFoundPack, logReading, signOff, tickStep } from '../server/service/check-commands'
import { checkView } from '../server/service/check-view'
import { createJob } from '../server/service/jobs'
import { createCheck } from '../server/service/new-check'

const AT = '2026-11-25T08:00:00.000Z'
let operations = 0

/** A shaft of a unit with 9 thou of play and a shim of 10 in it, of 3 to 6; a shim of 5 put in for it, 4.4 read, signed by T. Marl. */
export async function signedService(db: Database, unit: string) {
  const id = `service-${operations++}`
  await importStock(db, `id,family,nominal,count,measured\n${id}-ten,Shims,10 thou,2,10 thou\n${id}-five,Shims,5 thou,2,5 thou\n`)
  await createJob(db, { op: `j${id}`, id: `j${id}`, unit, title: 'Service' })
  const { document } = await createCheck(db, `j${id}`, { op: `c${id}`, id, kind: 'shaft-end-play', settings: {} })
  const first = document.trials[0]!.id
  let view = await checkView(db, id)
  const head = () => ({ op: `${id}-${operations++}`, version: view.version })
  const told = async (answered: Promise<CheckView>) => {
    view = await answered
  }
  const set = { kind: 'two-sided', lower: thou(3), upper: thou(6), unit: 'thou', source: { kind: 'book' } } as const
  const settings = { family: 'Shims', rule: 'plain', limits: [{ result: 'play', role: 'book', set }] } as const
  await told(changeSettings(db, id, { ...head(), settings: settings as never }))
  await told(listFoundPack(db, id, { ...head(), place: 'pack', pieces: [{ lotId: `${id}-ten`, count: 1 }] }))
  const read = (trialId: string, far: number) =>
    logReading(db, id, {
      ...head(),
      id: `${id}-r${operations}`,
      trialId,
      point: 'travel',
      start: nm(0),
      far: thou(far),
      back: nm(0),
      at: AT,
    })
  for (const far of [9, 9.1, 8.9]) await told(read(first, far))
  const second = `${id}-t2`
  await told(
    fitPack(db, id, {
      ...head(),
      trialId: second,
      onto: first,
      packs: [{ place: 'pack', pieces: [{ lotId: `${id}-five`, count: 1 }] }],
    }),
  )
  for (const far of [4.4, 4.5, 4.3]) await told(read(second, far))
  for (const { id: step, required } of checkKind('shaft-end-play').procedure(view.document.setup))
    if (required) await told(tickStep(db, id, { ...head(), step, trial: second, ticked: true }))
  await told(signOff(db, id, { ...head(), by: 'T. Marl' }))
  return { id, job: `j${id}`, lots: { out: `${id}-ten`, in: `${id}-five` }, view, head }
}
