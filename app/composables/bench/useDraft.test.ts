// @vitest-environment node
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import { thou, type LengthUnit, type Nm } from '#core/quantity/length'
import type { Entry } from '#core/reading/reading'
import { useDraft, type DraftForm } from './useDraft'
import { markedText } from '#core/quantity/format-length'
import { exactText } from '../words/sizeText'

const store = new Map<string, string>()
beforeEach(() => {
  store.clear()
  vi.stubGlobal('sessionStorage', {
    getItem: (k: string) => store.get(k) ?? null,
    setItem: (k: string, v: string) => void store.set(k, v),
    removeItem: (k: string) => void store.delete(k),
  })
})
const open = (perTurn: number | null = null, entry: Entry = 'travel', unit: LengthUnit = 'thou') =>
  useDraft(
    'c1',
    ref<DraftForm>({
      point: 'travel',
      entry,
      unit,
      warm: true,
      backwards: 'What does not go must be thicker than what goes.',
      canBeNone: entry === 'travel',
      torqueUnit: 'N·m',
      asks: { plausible: entry === 'figure' ? thou(40_000) : thou(250) },
      perTurn: perTurn as Nm | null,
    }),
  )

describe('the reading that is being typed', () => {
  it('is nothing until the far figure can be read', () => {
    const { draft, reading } = open()
    expect(reading.value).toBeNull()
    draft.value.far = '18 th'
    expect(reading.value).toBeNull()
    draft.value.far = '18 thou'
    expect(reading.value).toEqual({ point: 'travel', start: 0, far: thou(18), back: 0 })
  })
  it('comes back to where it started when nothing is said', () => {
    const { draft, reading } = open()
    draft.value = { ...draft.value, far: '3', start: '-1' }
    expect(reading.value).toMatchObject({ start: -thou(1), far: thou(3), back: -thou(1) })
    draft.value.back = '0.5'
    draft.value.springBack = true
    expect(reading.value).toMatchObject({ back: thou(0.5), springBack: true })
  })
  it('asks once about an entry that can be read two ways', () => {
    const { draft, reading, far, answer } = open()
    draft.value.far = '.018'
    expect(reading.value).toBeNull()
    expect(!far.value.ok && far.value.choices).toHaveLength(2)
    answer('.018', thou(18))
    expect(reading.value).toMatchObject({ far: thou(18) })
    // Typed again it is another entry.
    draft.value.far = '.01'
    draft.value.far = '.018'
    expect(far.value.ok).toBe(false)
  })
  it('reads turns of the counter and the pointer', () => {
    const { draft, reading, far } = open(thou(100))
    draft.value.far = '2:37'
    expect(reading.value).toMatchObject({ far: thou(237) })
    draft.value.far = '-1:98'
    expect(reading.value).toMatchObject({ far: -thou(2) })
    draft.value.far = '2:137'
    expect(!far.value.ok && far.value.reason).toContain('less than one turn')
    const plain = open(null)
    plain.draft.value.far = '2:37'
    expect(!plain.far.value.ok && plain.far.value.reason).toContain('no revolution counter')
  })
  it('takes one figure where one is asked for', () => {
    const { draft, reading } = open(null, 'figure', 'in')
    draft.value.far = '1.7767'
    expect(reading.value).toEqual({ point: 'travel', figure: 45_128_180 })
  })
  it('takes what goes and what does not, a typed range, or one snug stack', () => {
    const { draft, reading, back } = open(null, 'range')
    draft.value = { ...draft.value, far: '5', back: '6', leaves: '2' }
    expect(reading.value).toEqual({ point: 'travel', low: thou(5), high: thou(6), leaves: 2 })
    draft.value = { ...draft.value, back: '4' }
    expect(reading.value).toBeNull()
    expect(!back.value.ok && back.value.reason).toContain('thicker than what goes')
    draft.value = { ...draft.value, far: '15..20', back: '', leaves: '' }
    expect(reading.value).toEqual({ point: 'travel', low: thou(15), high: thou(20) })
    draft.value = { ...draft.value, far: '5' }
    expect(reading.value).toEqual({ point: 'travel', low: thou(5), high: thou(5) })
  })
  it('is cleared by logging', () => {
    const { draft, reading, clear } = open()
    draft.value.far = '18'
    clear()
    expect(reading.value).toBeNull()
    expect(draft.value).toMatchObject({ far: '', back: '', springBack: false })
  })
})

describe('sizes as text', () => {
  it('never shows another figure than is held', () => {
    expect(exactText(6350, 'thou')).toBe('0.25')
    expect(exactText(6350, 'mm')).toBe('0.25 thou')
    expect(exactText(1_000, 'thou')).toBe('0.001 mm')
    expect(exactText(35_000_000, 'in')).toBe('35 mm')
    expect(exactText(12_345_678, 'thou')).toBe('486.050315')
    expect(exactText(thou(3), 'thou')).toBe('3')
    expect(exactText(450_000, 'mm')).toBe('0.45')
  })
  it('names a size in the system it was made in', () => {
    expect(markedText(thou(4))).toBe('4 thou')
    expect(markedText(thou(63.25))).toBe('63.25 thou')
    expect(markedText(100_000)).toBe('0.10 mm')
    expect(markedText(1_421_000)).toBe('1.421 mm')
  })
  it('a stack of feelers is typed as it lies in the hand, and counted', () => {
    const { draft, reading, far } = open(null, 'range')
    draft.value = { ...draft.value, far: '15+16+17+9', back: '15+16+17+10' }
    expect(reading.value).toEqual({ point: 'travel', low: thou(57), high: thou(58), leaves: 4 })
    draft.value = { ...draft.value, leaves: '5' }
    expect(reading.value).toMatchObject({ leaves: 5 })
    draft.value = { ...draft.value, far: '57', leaves: '' }
    expect(reading.value).toEqual({ point: 'travel', low: thou(57), high: thou(58) })
    draft.value = { ...draft.value, far: '200+200' }
    expect(far.value).toMatchObject({ ok: false, reason: expect.stringContaining('is a lot') })
    // A dial shows one figure.
    const dial = open(null, 'travel')
    dial.draft.value = { ...dial.draft.value, far: '5+5' }
    expect(dial.reading.value).toBeNull()
  })
  it('notes the temperature of a warm part, in either scale, and the stone of a pass', () => {
    const { draft, reading, heatFault, clear } = open(null, 'pass')
    draft.value = { ...draft.value, far: '-3', celsius: '86 F', stone: 'medium' }
    expect(reading.value).toEqual({ point: 'travel', figure: -thou(3), celsius: 30, stone: 'medium' })
    draft.value.celsius = '-5'
    expect(reading.value).toMatchObject({ celsius: -5 })
    draft.value.celsius = 'warm'
    expect(reading.value).toBeNull()
    expect(heatFault.value).toContain('is no temperature')
    clear()
    expect(draft.value).toMatchObject({ far: '', celsius: '', stone: 'medium' })
  })
  it('“binds” and “none felt” are answers where a movement is read', () => {
    const { draft, reading } = open()
    draft.value = { ...draft.value, far: 'None felt' }
    expect(reading.value).toEqual({ point: 'travel', word: 'none-felt' })
    draft.value = { ...draft.value, far: 'it binds' }
    expect(reading.value).toEqual({ point: 'travel', word: 'binds' })
    const size = open(null, 'figure')
    size.draft.value = { ...size.draft.value, far: 'binds' }
    expect(size.reading.value).toBeNull()
  })
})
