import { refuse, type Refused } from '../http/refuse'

let state: 'none' | 'coming' | 'restoring' = 'none'

/** Rows that would be cleared away a moment later are not taken. Null: nothing stands against a write. */
export const againstWriting = (): Refused | null =>
  state === 'restoring' ? refuse(503, 'A backup is being restored: nothing can be entered until it is done. What was typed is kept.') : null

/**
 * One restore at a time. While its file comes in the workshop can be used, and a workshop in use takes none; from then on nobody writes.
 * @throws Refused 409 where another one is under way
 */
export async function oneRestore<Result>(comesIn: () => Promise<void>, restore: () => Promise<Result>): Promise<Result> {
  if (state !== 'none') throw refuse(409, 'Another backup is being restored already.')
  state = 'coming'
  try {
    await comesIn()
    state = 'restoring'
    return await restore()
  } finally {
    state = 'none'
  }
}
