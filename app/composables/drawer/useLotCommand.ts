import type { StockLot } from '#core/shop/shop'
import { ref, toRef } from 'vue'
import type { StockView } from '#shared/types'
import type { BodyOf, NamedWrite } from '#shared/writes'
import { write } from '../server/useApi'
import { useForm } from '../server/useForm'
import { useTurns } from '../server/useTurns'

type LotWrite = Extract<NamedWrite, `${string} /api/stock/lots/${string}`>
/** What every write to a size begins with. */
interface Head {
  readonly op: string
  readonly version: number
}

/** Writes to one size of the drawer, and what the server says against them, by the form that sent it. */
export function useLotCommand(lot: () => StockLot, changed: (view: StockView) => void) {
  const form = useForm()
  const inTurn = useTurns()
  const sender = ref('')

  /**
   * @param body  given a name too, for what is made of it: a piece told apart
   * @returns whether it was done
   */
  const send = <Key extends LotWrite>(what: string, key: Key, body: (head: Head, name: string) => BodyOf<Key>): Promise<boolean> =>
    inTurn(what, () => {
      sender.value = what
      return form.submit(({ op, id: name }) => {
        const { id, version } = lot()
        return write(key, body({ op, version }, name), id)
      }, changed)
    })
  /** Says it at a field of a form without asking the server. */
  function refuse(what: string, path: string, reason: string): void {
    sender.value = what
    form.refuse([{ path, reason }])
  }
  const fault = (what: string, path: string): string | undefined => (sender.value === what ? form.fault(path) : undefined)
  /** What is said of none of its fields; asked for below them. */
  const rest = (what: string): string | null => (sender.value === what ? form.rest() : null)

  /** `stale`: what this page has not seen of the size */
  return { send, refuse, fault, rest, stale: toRef(form, 'behind'), busy: toRef(form, 'busy') }
}
