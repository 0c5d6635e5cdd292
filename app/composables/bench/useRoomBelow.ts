import { useEventListener, useResizeObserver } from '@vueuse/core'
import { computed, onMounted, ref, type Ref } from 'vue'

/** What stands at the foot of the window and what is said of a cell below the sheet, px. */
const KEPT_FREE = 132
/** Less would be no sheet, px. */
const LEAST = 176
/** In a narrower window everything stands in one column and the page scrolls, px. */
const WIDE = 1024

/**
 * How high a box may be so that it ends above the foot of the window, whatever stands over it; null: as it comes.
 * @param box  scrolls inside
 */
export function useRoomBelow(box: Readonly<Ref<HTMLElement | null | undefined>>) {
  const top = ref<number | null>(null)
  const height = ref(0)
  function measure(): void {
    height.value = window.innerHeight
    top.value = box.value && window.innerWidth >= WIDE ? box.value.getBoundingClientRect().top + window.scrollY : null
  }
  // Whatever grows over it makes the page it is on longer, or stands before that page.
  const over = computed(() => {
    const page = box.value?.closest<HTMLElement>('[data-page]')
    return page ? [page, ...[...page.parentElement!.children].filter(one => one !== page)].filter(one => one instanceof HTMLElement) : []
  })
  useResizeObserver(over, measure)
  useEventListener('resize', measure)
  onMounted(measure)
  return computed(() => (top.value === null ? null : Math.max(LEAST, height.value - top.value - KEPT_FREE)))
}
