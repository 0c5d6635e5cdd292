import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { v4 as uuid } from 'uuid'
import type { CheckDocument } from '#core/check/document'
import type { Bench } from '#core/command/command'
import type { Lot } from '#core/pack/lot'
import type { CheckView } from '#shared/types'
import type { DraftReading } from '~/composables/bench/useDraft'
import { useOthers } from './others'
import { foreseen } from './outbox'
import { useSending } from './sending'

/**
 * The check on the bench: what the server last said, with what is still on its way put on top. Readings, voids and ticks are
 * shown at once and kept in this browser until the server has them; the rest waits for its answer.
 */
export const useBench = defineStore('bench', () => {
  const view = shallowRef<CheckView | null>(null)
  let opened = ''
  /** An answer that comes late, when another check is open, does not take its place. */
  const show = (next: CheckView) => {
    if (next.document.id === opened) view.value = next
  }
  const sending = useSending(view, show, written => others.tell(written))
  const others = useOthers(view, sending.connection, sending.setStale, sending.isGone)

  /** The server's answer with what waits put on top, as the server will take it. */
  const ahead = computed<Bench | null>(() => view.value && sending.pending.value.reduce<Bench>(foreseen, view.value))
  const document = computed<CheckDocument | null>(() => ahead.value?.document ?? null)
  const lots = computed<readonly Lot[]>(() => view.value?.lots ?? [])
  const current = computed(() => document.value?.trials.at(-1) ?? null)
  const waiting = computed(() => sending.pending.value.length)

  async function open(id: string): Promise<void> {
    others.watchFor(true)
    opened = id
    if (view.value?.document.id !== id) view.value = null
    sending.pickUp(id)
    await sending.reload(id)
  }
  const leave = () => others.watchFor(false)

  const head = () => ({ op: uuid(), at: new Date().toISOString() })
  function logReading(reading: DraftReading, words: string): void {
    const made = head()
    // Order of the newest part change this reading knows of: what is replaced later makes it stale, whenever it arrives.
    const seen = Math.max(0, ...document.value!.partChanges.map(change => change.order))
    sending.queue({ ...made, kind: 'read', trialId: current.value!.id, seen, reading: { ...reading, id: uuid(), at: made.at }, words })
  }
  const voidReading = (readingId: string, reason: string) =>
    sending.queue({ ...head(), kind: 'void', readingId, reason, words: `void: ${reason}` })
  const leaveOut = (point: string, trial: string, reason: string | null, words: string) =>
    sending.queue({ ...head(), kind: 'leave-out', point, trial, reason, words })
  const tick = (step: string, trial: string, ticked: boolean, words: string) =>
    sending.queue({ ...head(), kind: 'tick', step, trial, ticked, words })

  const say = (condition: string, trial: string, state: string, words: string) =>
    sending.queue({ ...head(), kind: 'say', condition, trial, state, words })

  const { connection, changed, why, refused, reload, command, dismissRefused } = sending
  return {
    view,
    document,
    lots,
    current,
    waiting,
    connection,
    why,
    changed,
    refused,
    open,
    leave,
    reload,
    logReading,
    voidReading,
    tick,
    leaveOut,
    say,
    command,
    dismissRefused,
  }
})
