/** One press of a key, as the keyboard sent it. */
export interface Press {
  /** `a`, `7`, `Enter`, `Shift` */
  readonly key: string
  /** when it was pressed, not when the page came to it; ms */
  readonly at: number
  /** the key is held */
  readonly repeat: boolean
}

/** No hand types so many signs as fast as that; so many a code has at least. */
export const FEWEST = 4
/** Signs of one scan come within so many ms, where nothing else is set. */
export const GAP_MS = 50
/** A sign that may be a command waits so long for a second one, in ms. */
export const WAIT_MS = 60
/**
 * What begins like a code of our own is one until there is a pause that no scanner makes, in ms: a sign of it taken for a key of the bench
 * would be worse than a key that has to be pressed again.
 */
const OWN_MS = 1_500
const OWN = /^Q(F|$)/i

/**
 * Tells a scanner from a hand by how fast its signs come.
 * @example // 'FZV62041' and Enter, 5 ms each: 'first', 'next' seven times, 'scan'
 */
export class Burst {
  /** the signs so far */
  text = ''
  private last = -Infinity

  /** @param gap  between two signs of one scan at most, in ms */
  constructor(private readonly gap: () => number = () => GAP_MS) {}

  /** Such as is ours, whatever it turns out to be. */
  get own(): boolean {
    return /^QF/i.test(this.text)
  }

  /**
   * What a press is: the `first` sign of what may become a scan, the `next` one, the Enter that makes it a `scan`, a `modifier`, or anything
   * `else`, which ends what came before.
   */
  press({ key, at, repeat }: Press): 'first' | 'next' | 'scan' | 'modifier' | 'else' {
    if (key === 'Shift') return 'modifier'
    const sign = key.length === 1
    const before = this.text
    const since = at - this.last
    const within = before !== '' && !repeat && since >= 0 && since <= this.most(before, sign ? key : '')
    if (key === 'Enter' && within && (before.length >= FEWEST || this.own)) return 'scan'
    this.last = at
    this.text = sign && !repeat ? (within ? before : '') + key : ''
    if (this.text === '') return 'else'
    return within ? 'next' : 'first'
  }

  /** How late the next may come. */
  private most(text: string, next: string): number {
    return OWN.test(text + next) ? Math.max(OWN_MS, this.gap()) : this.gap()
  }
  /** How long nothing is done, so that nothing of a code is taken for a key. */
  get wait(): number {
    return this.own ? OWN_MS : Math.max(WAIT_MS, this.gap() + 10)
  }
  clear(): void {
    this.text = ''
  }
}

/** The signs that were pressed one by one, without those that came as fast as a scanner sends them. */
export function byHand(presses: readonly Press[], gap = GAP_MS): string {
  let text = ''
  for (let from = 0; from < presses.length;) {
    let to = from + 1
    while (to < presses.length && presses[to]!.at - presses[to - 1]!.at <= gap) to++
    if (to - from < FEWEST)
      text += presses
        .slice(from, to)
        .map(({ key }) => key)
        .join('')
    from = to
  }
  return text
}
