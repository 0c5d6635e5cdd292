import { useStorage } from 'nitropack/runtime'
import type { Faces } from './pdf'

let read: Promise<Faces> | undefined

/** The faces that come with the program. */
export function faces(): Promise<Faces> {
  read ??= Promise.all([face('400Regular'), face('700Bold')]).then(([regular, bold]) => ({ regular, bold }))
  return read
}

async function face(weight: string): Promise<Buffer> {
  const bytes = await useStorage('assets:faces').getItemRaw<Uint8Array>(`${weight}/Inter_${weight}.ttf`)
  if (!bytes) throw new Error(`The face ${weight} is not in the build.`)
  return Buffer.from(bytes)
}
