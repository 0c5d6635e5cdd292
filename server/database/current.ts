import { useStorage } from 'nitropack/runtime'
import { forgetArrivals } from './arrivals'
import { openDatabase, type Database } from './client'
import { learnFromOlderChecks, takeStock } from './learn'

let opening: Promise<Database> | null = null

/** The one open database of this process. */
export function database(): Promise<Database> {
  opening ??= open()
  return opening
}

async function open(): Promise<Database> {
  const assets = useStorage('assets:migrations')
  const migrations = new Map<string, string>()
  for (const name of await assets.getKeys()) {
    if (name.endsWith('.sql')) migrations.set(name, String(await assets.getItem(name)))
  }
  const db = await openDatabase(process.env.FINITUM_DATA ? `${process.env.FINITUM_DATA}/database` : undefined, migrations)
  await forgetArrivals(db)
  await learnFromOlderChecks(db)
  await takeStock(db)
  return db
}

export async function closeDatabase(): Promise<void> {
  await (await opening)?.close()
  opening = null
}
