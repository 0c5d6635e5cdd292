import { rmSync } from 'node:fs'
import { ensureBuilt } from '../../scripts/prepare.mjs'
import { DEMO_LOADED, LOAD_ANEW, openWorkshop } from './workshop'

// Once, before the servers start side by side: the build, and a demo that is loaded, of which every file gets a copy.
export default async function build(): Promise<() => void> {
  ensureBuilt()
  const demo = await openWorkshop('demo', LOAD_ANEW)
  await demo.stop()
  process.env[DEMO_LOADED] = demo.folder
  return () => rmSync(demo.folder, { recursive: true, force: true })
}
