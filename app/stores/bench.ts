import { useBroadcastChannel, useIntervalFn } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { v4 as uuid } from 'uuid'
import type { CheckDocument } from '#core/check/document'
import type { Bench } from '#core/command/command'
import type { Lot } from '#core/pack/lot'
import type { CheckView } from '#shared/types'
import { AwayError, RefusedError, api } from '~/composables/useApi'
import type { DraftReading } from '~/composables/useDraft'
import { foreseen, requestOf, storedWrites, storeWrite, type PendingWrite } from './outbox'

export type Connection = 'saved' | 'sending' | 'away' | 'stale'

const RETRY_MS = 2_000
/** How often an open check asks whether another machine was faster. */
const LOOK_MS = 10_000

/**
 * The check on the bench: what the server last said, with what is still on its way put on top. Readings, voids and ticks are
 * shown at once and kept in this browser until the server has them; the rest waits for its answer.
 */
export const useBench = defineStore('bench', () => {
  const view = shallowRef<CheckView | null>(null)
  const pending = shallowRef<readonly PendingWrite[]>([])
  const connection = ref<Connection>('saved')
  const changed = ref<readonly string[]>([])
  const refused = ref<readonly { words: string; reason: string }[]>([])
  let running: Promise<void> | null = null
  /** The check is on the screen: only then is it asked about. What waits is sent all the same. */
  let shown = false

  /** The server's answer with what waits put on top, as the server will take it. */
  const ahead = computed<Bench | null>(() => view.value && pending.value.reduce<Bench>(foreseen, view.value))
  const document = computed<CheckDocument | null>(() => ahead.value?.document ?? null)
  const lots = computed<readonly Lot[]>(() => view.value?.lots ?? [])
  const current = computed(() => document.value?.trials.at(-1) ?? null)
  const waiting = computed(() => pending.value.length)

  const news = useBroadcastChannel<{ checkId: string; version: number }, { checkId: string; version: number }>({ name: 'finitum.checks' })
  watch(news.data, message => {
    if (message && view.value && message.checkId === view.value.document.id && message.version > view.value.version)
      setStale(['Changed in another tab'])
  })
  useIntervalFn(() => {
    if (connection.value === 'away' && view.value) void comeBack()
  }, RETRY_MS)
  useIntervalFn(() => {
    if (shown && connection.value === 'saved' && view.value && globalThis.document.visibilityState === 'visible') void look()
  }, LOOK_MS)

  function setStale(what: readonly string[]): void {
    connection.value = 'stale'
    changed.value = what
  }

  function take(next: CheckView): void {
    view.value = next
    news.post({ checkId: next.document.id, version: next.version })
  }

  const leave = () => {
    shown = false
  }
  async function open(id: string): Promise<void> {
    shown = true
    if (view.value?.document.id !== id) view.value = null
    pending.value = storedWrites(id)
    refused.value = []
    await reload(id)
  }

  /** A newer version on the server, written by another machine, is said at once and not only at the next write. */
  async function look(): Promise<void> {
    const {
      document: { id },
      version,
    } = view.value!
    const newer = await api<CheckView>(`/api/checks/${id}`).catch(() => null)
    if (
      newer &&
      view.value?.document.id === id &&
      view.value.version === version &&
      newer.version > version &&
      connection.value === 'saved'
    )
      setStale(['Changed on another machine'])
  }

  /** Fetches the check anew; what was waiting goes on top of it. */
  async function reload(id = view.value?.document.id): Promise<void> {
    if (!id) return
    view.value = await api<CheckView>(`/api/checks/${id}`)
    connection.value = 'saved'
    changed.value = []
    await flush()
  }

  /** Sends what waits, oldest first. Stops when the server is away or somebody else was faster. */
  function flush(): Promise<void> {
    if (!view.value || connection.value === 'stale') return Promise.resolve()
    running ??= drain().finally(() => {
      running = null
    })
    return running
  }

  async function drain(): Promise<void> {
    const id = view.value!.document.id
    while (pending.value.length > 0) {
      if (connection.value !== 'away') connection.value = 'sending'
      const write = pending.value[0]!
      try {
        await send(write)
      } catch (error) {
        if (!handled(error, write)) return
      }
      pending.value = pending.value.filter(other => other.op !== write.op)
      storeWrite(id, write, false)
    }
    connection.value = 'saved'
  }

  /** Asks whether the server is back, and sends what waited. */
  async function comeBack(): Promise<void> {
    try {
      const newer = await api<CheckView>(`/api/checks/${view.value!.document.id}`)
      if (pending.value.length === 0) {
        take(newer)
        connection.value = 'saved'
      } else await flush()
    } catch (error) {
      if (!(error instanceof AwayError)) throw error
    }
  }

  async function send(write: PendingWrite): Promise<void> {
    const { path, body } = requestOf(write, view.value!.version)
    take(await api<CheckView>(`/api/checks/${view.value!.document.id}/${path}`, { body }))
  }

  /** True when the write is over (refused for good and set aside); false when it has to wait. */
  function handled(error: unknown, write: PendingWrite): boolean {
    if (error instanceof RefusedError && error.refusal.changed) {
      setStale(error.refusal.changed)
      return false
    }
    if (error instanceof RefusedError && error.status < 500) {
      refused.value = [...refused.value, { words: write.words, reason: error.message }]
      return true
    }
    connection.value = 'away'
    return false
  }

  function queue(write: PendingWrite): void {
    pending.value = [...pending.value, write]
    storeWrite(view.value!.document.id, write, true)
    void flush()
  }

  const head = () => ({ op: uuid(), at: new Date().toISOString() })
  function logReading(reading: DraftReading, words: string): void {
    const made = head()
    // Order of the newest part change this reading knows of: what is replaced later makes it stale, whenever it arrives.
    const seen = Math.max(0, ...document.value!.partChanges.map(change => change.order))
    queue({ ...made, kind: 'read', trialId: current.value!.id, seen, reading: { ...reading, id: uuid(), at: made.at }, words })
  }
  const voidReading = (readingId: string, reason: string) => queue({ ...head(), kind: 'void', readingId, reason, words: `void: ${reason}` })
  const tick = (step: string, trial: string | null, ticked: boolean, words: string) =>
    queue({ ...head(), kind: 'tick', step, trial, ticked, words })

  /** Writes that need the server's answer go one after the other, each onto what the one before left: a field left in haste must not outrun itself. */
  let turn: Promise<unknown> = Promise.resolve()
  function command(path: string, body: Record<string, unknown>): Promise<void> {
    const mine = turn.then(() => commandNow(path, body))
    turn = mine.catch(() => {})
    return mine
  }

  /** A write that needs the server's answer: set-up, fitting, signature. What waits is sent before it. */
  async function commandNow(path: string, body: Record<string, unknown>): Promise<void> {
    await flush()
    if (waiting.value > 0) throw new AwayError('Readings are still waiting to be sent.')
    try {
      connection.value = 'sending'
      take(
        await api<CheckView>(`/api/checks/${view.value!.document.id}/${path}`, {
          body: { op: uuid(), version: view.value!.version, ...body },
        }),
      )
      connection.value = 'saved'
    } catch (error) {
      if (error instanceof RefusedError && error.refusal.changed) setStale(error.refusal.changed)
      else connection.value = error instanceof AwayError ? 'away' : 'saved'
      throw error
    }
  }

  const dismissRefused = () => {
    refused.value = []
  }

  return {
    view,
    document,
    lots,
    current,
    waiting,
    connection,
    changed,
    refused,
    open,
    leave,
    reload,
    flush,
    logReading,
    voidReading,
    tick,
    command,
    dismissRefused,
  }
})
