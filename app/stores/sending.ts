import { useIntervalFn } from '@vueuse/core'
import { ref, shallowRef, type ShallowRef } from 'vue'
import type { CheckView } from '#shared/types'
import type { CheckRequest } from '#shared/writes'
import { AwayError, RefusedError, api, write as send } from '~/composables/server/useApi'
import { usePreferences } from './preferences'
import { requestOf, storedWrites, storeWrite, type PendingWrite } from './outbox'

export type Connection = 'saved' | 'sending' | 'away' | 'stale' | 'gone'

const RETRY_MS = 2_000

const isMissing = (error: unknown): boolean => error instanceof RefusedError && error.status === 404

/**
 * What is on its way to the server. A write is kept in this browser until the server has answered it: in its order, over a reload, over a
 * server that is away. It belongs to the check it was written to, also when another one is on the bench before it has gone.
 *
 * @param view the check on the bench
 * @param show puts an answer on the bench, if it is of the check that is there
 */
export function useSending(view: ShallowRef<CheckView | null>, show: (next: CheckView) => void, tell: (written: CheckView) => void) {
  const pending = shallowRef<readonly PendingWrite[]>([])
  const connection = ref<Connection>('saved')
  const changed = ref<readonly string[]>([])
  /** what the server said, where it answered and yet took nothing */
  const why = ref<string | null>(null)
  const refused = ref<readonly { words: string; reason: string }[]>([])
  /** The newest version seen here of each check that was open. */
  const versions = new Map<string, number>()
  const running = new Map<string, Promise<void>>()

  const isHere = (id: string) => view.value?.document.id === id
  const waitingFor = (id: string) => (isHere(id) ? pending.value : storedWrites(id))

  async function fetchInto(id: string): Promise<void> {
    const next = await api<CheckView>(`/api/checks/${id}`)
    versions.set(id, next.version)
    show(next)
  }
  /** One after the other, each onto the version the one before left: what is written here never stands against itself. */
  let last: Promise<unknown> = Promise.resolve()
  function sendNext(id: string, op: string, { path, body }: CheckRequest): Promise<void> {
    const mine = last.then(async () => {
      const next = await send(`POST /api/checks/:id/${path}`, { op, version: versions.get(id)!, ...body }, id)
      versions.set(id, next.version)
      show(next)
      tell(next)
    })
    last = mine.catch(() => undefined)
    return mine
  }

  function setStale(what: readonly string[]): void {
    connection.value = 'stale'
    changed.value = what
  }

  /** What waits for this check from an earlier visit. */
  function pickUp(id: string): void {
    pending.value = storedWrites(id)
    refused.value = []
  }

  /** Fetches the check anew; what was waiting goes on top of it. */
  async function reload(id = view.value?.document.id): Promise<void> {
    if (!id) return
    await fetchInto(id)
    if (!isHere(id)) return
    connection.value = 'saved'
    changed.value = []
    await flush(id)
  }

  /** Sends what waits for a check, oldest first. Stops when the server is away or somebody else was faster. */
  function flush(id: string): Promise<void> {
    if (isHere(id) && (connection.value === 'stale' || connection.value === 'gone')) return Promise.resolve()
    const run = running.get(id) ?? drain(id).finally(() => running.delete(id))
    running.set(id, run)
    return run
  }

  async function drain(id: string): Promise<void> {
    for (let [write] = waitingFor(id); write; [write] = waitingFor(id)) {
      const { op } = write
      if (isHere(id) && connection.value !== 'away') connection.value = 'sending'
      try {
        await sendNext(id, op, requestOf(write))
      } catch (error) {
        // Refused with nobody to tell: it stays, and is refused again when the check is next on the bench.
        if (!isHere(id) || (await isGone(id, error)) || !isOver(error, write)) return
      }
      if (isHere(id)) pending.value = pending.value.filter(other => other.op !== op)
      storeWrite(id, write, false)
    }
    if (isHere(id)) connection.value = 'saved'
  }

  /** Is the check itself not there any more? What waits for it stays in this browser until somebody drops it. */
  async function isGone(id: string, error: unknown): Promise<boolean> {
    if (!isMissing(error)) return false
    const gone = await api(`/api/checks/${id}`).then(() => false, isMissing)
    if (gone && isHere(id)) connection.value = 'gone'
    return gone
  }

  /** True when the write is over (refused for good and set aside); false when it has to wait. */
  function isOver(error: unknown, write: PendingWrite): boolean {
    if (error instanceof RefusedError && error.refusal.changed) {
      setStale(error.refusal.changed)
      return false
    }
    if (error instanceof RefusedError && error.status < 500) {
      refused.value = [...refused.value, { words: write.words, reason: error.message }]
      return true
    }
    why.value = error instanceof RefusedError ? error.message : null
    connection.value = 'away'
    return false
  }

  /** Asks whether the server is back, and sends what waited. */
  async function comeBack(id: string): Promise<void> {
    try {
      if (pending.value.length > 0) return await flush(id)
      await fetchInto(id)
      if (isHere(id)) connection.value = 'saved'
    } catch (error) {
      if (!(await isGone(id, error)) && !(error instanceof AwayError)) throw error
    }
  }
  useIntervalFn(() => {
    if (connection.value === 'away' && view.value) void comeBack(view.value.document.id)
  }, RETRY_MS)

  /** A write that may wait: it is shown at once and goes when it can. */
  function queue(command: PendingWrite): void {
    const { id } = view.value!.document
    const write = { ...command, who: usePreferences().signer }
    pending.value = [...pending.value, write]
    storeWrite(id, write, true)
    void flush(id)
  }

  /** Writes that need the server's answer go one after the other, each onto what the one before left: a field left in haste must not outrun itself. */
  let turn: Promise<unknown> = Promise.resolve()
  function command(request: CheckRequest, op: string): Promise<void> {
    const { id } = view.value!.document
    const mine = turn.then(() => commandNow(id, request, op))
    turn = mine.catch(() => {})
    return mine
  }

  /** A write that needs the server's answer: set-up, fitting, signature. What waits is sent before it. */
  async function commandNow(id: string, request: CheckRequest, op: string): Promise<void> {
    await flush(id)
    if (waitingFor(id).length > 0) throw new AwayError('Readings are still waiting to be sent.')
    const state = (next: Connection) => {
      if (isHere(id)) connection.value = next
    }
    try {
      state('sending')
      await sendNext(id, op, request)
      state('saved')
    } catch (error) {
      if (error instanceof RefusedError && error.refusal.changed && isHere(id)) setStale(error.refusal.changed)
      else if (!(await isGone(id, error))) state(error instanceof AwayError ? 'away' : 'saved')
      throw error
    }
  }

  const dismissRefused = () => {
    refused.value = []
  }

  return { pending, connection, changed, why, refused, setStale, isGone, pickUp, reload, queue, command, dismissRefused }
}
