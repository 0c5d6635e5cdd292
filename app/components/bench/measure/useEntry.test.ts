import { describe, expect, it, vi } from 'vitest'
import { nextTick, ref, shallowRef } from 'vue'
import { parseLength } from '#core/quantity/parse-length'
import { EMPTY_DRAFT, type Draft } from '../../../composables/bench/useDraft'
import { useEntry, type EntryState } from './useEntry'

const field = () => ({ focus: vi.fn(), select: vi.fn() }) as unknown as HTMLInputElement
function open(far: string, back = '', word = false) {
  const draft = ref<Draft>({ ...EMPTY_DRAFT, far, back })
  const read = (text: string) =>
    text === '' ? { ok: true as const, value: 0 as never, unit: 'thou' as const, rounded: false } : parseLength(text, 'thou')
  const state = ref<EntryState>({
    unit: 'thou',
    other: 'mm',
    heatFault: null,
    word,
    start: read(''),
    far: parseLength(far, 'thou'),
    back: read(back),
  })
  const log = vi.fn()
  const answer = vi.fn()
  const list = { focus: vi.fn(), querySelector: () => null } as unknown as HTMLElement
  const fields = { first: shallowRef(field()), second: shallowRef(field()), choiceList: shallowRef(list) }
  const entry = useEntry({ fields, state, draft, missing: () => 'Type it first.', log, answer })
  return { entry, log, answer, list, first: fields.first.value, second: fields.second.value }
}

describe('the entry fields of the bench', () => {
  it('logs what can be read, and is ready for the next', async () => {
    const { entry, log, first } = open('18')
    entry.submit()
    await nextTick()
    expect(log).toHaveBeenCalledOnce()
    expect(first.focus).toHaveBeenCalled()
  })
  it('says what is missing only once it was tried', () => {
    const { entry, log } = open('')
    expect(entry.reason.value).toBeNull()
    entry.submit()
    expect(entry.reason.value).toBe('Type it first.')
    expect(log).not.toHaveBeenCalled()
  })
  it('logs an answer in a word at once', () => {
    const { entry, log } = open('binds', '', true)
    entry.firstEntered()
    expect(entry.reason.value).toBeNull()
    expect(log).toHaveBeenCalledOnce()
  })
  it('goes to the field that is wrong, and selects what the next figure takes the place of', () => {
    const { entry, log, second } = open('18', 'x')
    entry.submit()
    expect(log).not.toHaveBeenCalled()
    expect(second.focus).toHaveBeenCalled()
    expect(second.select).toHaveBeenCalled()
    const wrong = open('18z')
    wrong.entry.firstEntered()
    expect(wrong.first.select).toHaveBeenCalledOnce()
    expect(wrong.second.focus).not.toHaveBeenCalled()
    expect(entry.reason.value).toContain('not a length')
  })
  it('asks about a figure that can be read two ways instead of logging it', () => {
    const { entry, log } = open('.018')
    entry.submit()
    expect(log).not.toHaveBeenCalled()
    expect(entry.asking.value!.choices).toHaveLength(2)
  })
  describe('at the question', () => {
    const press = (key: string) => ({ key, preventDefault: vi.fn(), stopPropagation: vi.fn() }) as unknown as KeyboardEvent
    it('Enter goes to no answer that was not typed', () => {
      const { entry, list } = open('.018')
      entry.submit()
      expect(list.focus).toHaveBeenCalledOnce()
    })
    it('what is typed anew goes where the doubtful figure stands, not where Enter was pressed', () => {
      const { entry, first, second } = open('.018', '5')
      entry.submit()
      entry.answerByKey(press('.'))
      expect(first.select).toHaveBeenCalledOnce()
      expect(second.focus).not.toHaveBeenCalled()
    })
    it('a digit answers', () => {
      const { entry, answer, log } = open('.018')
      entry.submit()
      entry.answerByKey(press('3'))
      expect(answer).not.toHaveBeenCalled()
      entry.answerByKey(press('2'))
      expect(answer).toHaveBeenCalledExactlyOnceWith('.018', 457)
      expect(log).not.toHaveBeenCalled()
    })
  })
  it('shows the check’s unit, or the other system, beside what is typed', () =>
    expect(open('18').entry.beside.value).toBe('thou · 0.457 mm'))
})
