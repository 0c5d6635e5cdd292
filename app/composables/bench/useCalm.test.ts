import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { computed, effectScope, nextTick, ref } from 'vue'
import { useCalm } from './useCalm'

const frames: (() => void)[] = []
beforeEach(() => {
  vi.useFakeTimers()
  frames.length = 0
  vi.stubGlobal('document', { hidden: false })
  vi.stubGlobal('requestAnimationFrame', (run: () => void) => frames.push(run))
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})
const painted = () => {
  for (const run of frames.splice(0)) run()
  vi.runAllTimers()
}
const beside = () => {
  const figure = ref(1)
  const calm = effectScope().run(() => useCalm({ figure, twice: computed(() => 2 * figure.value) }))!
  return { figure, calm, seen: () => [calm.figure.value, calm.twice.value] }
}

describe('what stands beside the verdict', () => {
  it('begins as it is, and comes after the paint, all of it together', async () => {
    const { figure, seen } = beside()
    expect(seen()).toEqual([1, 2])
    figure.value = 5
    await nextTick()
    expect(seen()).toEqual([1, 2])
    painted()
    expect(seen()).toEqual([5, 10])
  })
  it('of several keys before it, only the last', async () => {
    const { figure, seen } = beside()
    for (const next of [2, 3, 4]) {
      figure.value = next
      await nextTick()
    }
    expect(frames).toHaveLength(1)
    painted()
    expect(seen()).toEqual([4, 8])
  })
  it('in a page nobody sees it comes without a paint', async () => {
    vi.stubGlobal('document', { hidden: true })
    const { figure, seen } = beside()
    figure.value = 7
    await nextTick()
    expect(frames).toHaveLength(0)
    vi.runAllTimers()
    expect(seen()).toEqual([7, 14])
  })
})
