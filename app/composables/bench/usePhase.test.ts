import { nextTick } from 'vue'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Phase } from '#core/method/step'
import { usePhase } from './usePhase'

const blur = vi.fn()
const focus = vi.fn()
beforeEach(() => {
  blur.mockReset()
  focus.mockReset()
  vi.stubGlobal('document', { activeElement: { blur } })
})
const opened = (reads: readonly Phase[] = ['measure'], idle: readonly Phase[] = []) =>
  usePhase(
    'measure',
    phase => reads.includes(phase),
    focus,
    phase => idle.includes(phase),
  )

describe('the phase that is open', () => {
  it('begins where the work is, and leaves the cursor alone', () => {
    expect(
      usePhase(
        'choose',
        () => true,
        focus,
        () => false,
      ).phase.value,
    ).toBe('choose')
    expect(focus).not.toHaveBeenCalled()
  })
  it('goes on and back, and stops at either end', () => {
    const { phase, step } = opened()
    const walk = [1, 1, 1, -1, -1, -1, -1].map(by => {
      step(by as 1 | -1)
      return phase.value
    })
    expect(walk).toEqual(['choose', 'prove', 'prove', 'choose', 'measure', 'setup', 'setup'])
  })
  it('goes on past a phase with nothing to do, and back through it', () => {
    const { phase, step } = opened([], ['choose'])
    step(1)
    expect(phase.value).toBe('prove')
    step(-1)
    expect(phase.value).toBe('choose')
  })
  it('puts the cursor into the field where a reading is wanted, and takes it away where keys are commands', async () => {
    const { open } = opened(['measure', 'prove'])
    open('prove')
    expect(focus).toHaveBeenCalledOnce()
    open('choose')
    await nextTick()
    expect(focus).toHaveBeenCalledOnce()
    expect(blur).toHaveBeenCalledOnce()
  })
})
