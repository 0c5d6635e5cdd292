import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, shallowRef, watchEffect } from 'vue'
import type { FormatOptions } from '#core/quantity/figure'
import { unitFor, otherUnit, formatLength } from '#core/quantity/format-length'
import type { UnitSystem } from '#core/quantity/length'
import { GAP_MS } from '~/composables/keys/bursts'
import { SIGNER } from '~/composables/server/useApi'

/** What this screen prefers: unit system and theme. A check is shown in its own unit, and the shop’s stays as it was. */
export const usePreferences = defineStore('preferences', () => {
  const shop = useLocalStorage<UnitSystem>('finitum.system', 'inch')
  /** as a check is shown that has a unit of its own, while it is open */
  const here = shallowRef<{ readonly system: UnitSystem } | null>(null)
  const system = computed<UnitSystem>({
    get: () => here.value?.system ?? shop.value,
    set: to => {
      if (here.value) here.value = { system: to }
      else shop.value = to
    },
  })
  const showAs = (own: UnitSystem | null) => {
    here.value = own && { system: own }
  }
  const theme = useLocalStorage<'light' | 'dark'>('finitum.theme', matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light')
  const signer = useLocalStorage(SIGNER, '')
  /** signs of one scan come within so many ms */
  const scanGap = useLocalStorage('finitum.scan', GAP_MS)
  watchEffect(() => {
    document.documentElement.dataset.theme = theme.value
  })
  const unit = computed(() => unitFor(system.value))
  const other = computed(() => otherUnit(unit.value))
  const show = (length: number, options: FormatOptions = {}) => formatLength(length, unit.value, options)
  const showOther = (length: number, options: FormatOptions = {}) => formatLength(length, other.value, options)
  const toggleSystem = () => {
    system.value = system.value === 'inch' ? 'metric' : 'inch'
  }
  const toggleTheme = () => {
    theme.value = theme.value === 'light' ? 'dark' : 'light'
  }
  return { system, showAs, theme, signer, scanGap, unit, other, show, showOther, toggleSystem, toggleTheme }
})
