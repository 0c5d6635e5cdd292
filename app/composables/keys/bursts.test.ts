import { describe, expect, it } from 'vitest'
import { Burst, byHand, type Press } from './bursts'

/** Keys, so many ms apart. */
const presses = (keys: readonly string[], gap: number, more: Partial<Press> = {}): Press[] =>
  keys.map((key, i) => ({ key, at: 1_000 + i * gap, repeat: false, ...more }))
const kinds = (list: readonly Press[], burst = new Burst()) => list.map(press => burst.press(press))
const signs = (text: string) => [...text, 'Enter']

describe('a scan', () => {
  it('is four signs or more that come faster than a hand, and Enter', () => {
    expect(kinds(presses(signs('FZV6'), 5))).toEqual(['first', 'next', 'next', 'next', 'scan'])
    expect(kinds(presses(signs('FZV6'), 50)).at(-1)).toBe('scan')
    const burst = new Burst()
    kinds(presses(signs('N6204'), 12), burst)
    expect(burst.text).toBe('N6204')
  })
  it.each([
    ['three signs', presses(signs('V62'), 5)],
    ['a hand', presses(signs('FZV62041'), 51)],
    ['a hand that hurries at the end', [...presses([...'12.4'], 90), { key: 'Enter', at: 1_275, repeat: false }]],
    ['an Enter that comes later', [...presses([...'6204'], 5), { key: 'Enter', at: 1_100, repeat: false }]],
    ['a key that is held', presses(signs('vvvvvv'), 30, { repeat: true })],
    ['an Enter that is held', [...presses([...'62041'], 5), { key: 'Enter', at: 1_025, repeat: true }]],
    ['signs with an arrow among them', presses(['6', '2', 'ArrowDown', '0', '4', '1', 'Enter'], 5)],
  ])('is not %s', (_what, list) => expect(kinds(list)).not.toContain('scan'))
  it('may have capitals: Shift is no sign of it', () => {
    expect(kinds(presses(['Shift', 'F', 'Shift', 'Z', 'V', '6', 'Enter'], 8)).at(-1)).toBe('scan')
  })
  it('begins anew after a pause: what was pressed before is no part of it', () => {
    const burst = new Burst()
    expect(kinds([{ key: 'v', at: 0, repeat: false }, ...presses(signs('6204'), 5)], burst)).toEqual([
      'first',
      'first',
      'next',
      'next',
      'next',
      'scan',
    ])
    expect(burst.text).toBe('6204')
  })
  it('of a slow scanner is one where that is set', () => {
    expect(kinds(presses(signs('FZV6'), 110)).at(-1)).toBe('else')
    expect(kinds(presses(signs('FZV6'), 110), new Burst(() => 120)).at(-1)).toBe('scan')
  })
  it('of a code of our own may take its time, and has no fewest', () => {
    expect(kinds(presses(signs('QFG00127'), 400)).at(-1)).toBe('scan')
    expect(kinds(presses(signs('QFG'), 400)).at(-1)).toBe('scan')
    expect(kinds(presses(signs('QFG00127'), 1_501)).at(-1)).toBe('else')
    // A letter alone holds nobody up.
    expect(kinds(presses(['q', '?'], 400))).toEqual(['first', 'first'])
    const burst = new Burst()
    kinds(presses(['q'], 1), burst)
    expect(burst.wait).toBeLessThan(100)
    burst.press({ key: 'f', at: 1_300, repeat: false })
    expect(burst.wait).toBe(1_500)
  })
})

describe('what was typed before the program was there', () => {
  it('keeps what a hand typed, and nothing of a scan', () => {
    expect(byHand(presses([...'/tord'], 80))).toBe('/tord')
    expect(byHand(presses([...'FZV62041'], 4))).toBe('')
    expect(byHand([...presses([...'6204'], 4), { key: 'v', at: 3_000, repeat: false }])).toBe('v')
    expect(byHand(presses([...'vz'], 4))).toBe('vz')
  })
})
