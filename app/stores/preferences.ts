import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, watchEffect } from 'vue'
import type { FormatOptions } from '#core/quantity/figure'
import { unitFor, otherUnit, formatLength } from '#core/quantity/format-length'
import type { UnitSystem } from '#core/quantity/length'
import { GAP_MS } from '~/composables/keys/bursts'
import { SIGNER } from '~/composables/server/useApi'

/** What this screen prefers: unit system and theme. The unit shown is also the unit a bare figure takes. */
export const usePreferences = defineStore('preferences', () => {
  const system = useLocalStorage<UnitSystem>('finitum.system', 'inch')
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
  return { system, theme, signer, scanGap, unit, other, show, showOther, toggleSystem, toggleTheme }
})
