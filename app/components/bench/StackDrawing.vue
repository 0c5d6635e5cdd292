<script setup lang="ts">
import { formatLength } from '#core/quantity/format-length'
import { UNIT_NAME } from '#core/quantity/length'
import type { Stack } from '~/components/bench/kinds/stacks'
import { usePreferences } from '~/stores/preferences'

/** A stack bottom up: what is measured to one scale, the rest as thick as its name needs; its table beside it, top first. */
const props = defineProps<{ stack: Stack }>()
const preferences = usePreferences()
/** Height of what is not measured, and of everything measured together, px. */
const PART = 22
const MEASURED = 96
const WIDTH = 92
const scale = computed(() => {
  const total = props.stack.layers.reduce((sum, { size }) => sum + (size ?? 0), 0)
  return total > 0 ? MEASURED / total : 0
})
const drawn = computed(() => {
  let y = 0
  return [...props.stack.layers].reverse().map(layer => {
    const height = layer.size === null ? PART : Math.max(1, layer.size * scale.value)
    const at = { ...layer, y, height }
    y += height
    return at
  })
})
const height = computed(() => drawn.value.reduce((sum, layer) => sum + layer.height, 0))
/** 96 px stand for an inch on the screen. */
const times = computed(() => Math.round((scale.value * 25.4e6) / 96))
const FILL = { metal: 'var(--steel)', pack: 'var(--brass)', gap: 'var(--sheet)' } as const
</script>

<template>
  <figure class="mt-3" data-test="stack">
    <figcaption class="label mb-1">{{ stack.label }}</figcaption>
    <div class="flex items-start gap-4">
      <svg
        :width="WIDTH + 2"
        :height="height + 2"
        :viewBox="`-1 -1 ${WIDTH + 2} ${height + 2}`"
        class="shrink-0"
        role="img"
        :aria-label="`${stack.label}, to scale: ${[...stack.layers].map(({ label }) => label).join(', ')}`"
        :data-drawing="stack.label"
      >
        <rect
          v-for="(layer, i) in drawn"
          :key="i"
          x="0"
          :y="layer.y"
          :width="WIDTH"
          :height="layer.height"
          :fill="FILL[layer.look]"
          :stroke="layer.look === 'pack' ? 'var(--brass-line)' : 'var(--ink)'"
          :stroke-dasharray="layer.look === 'gap' ? '4 3' : undefined"
        />
      </svg>
      <table class="tight flex-1 text-[13px]">
        <tbody>
          <tr v-for="(layer, i) in drawn" :key="i">
            <td>{{ layer.label }}</td>
            <td class="figure text-right">{{ layer.size === null ? '' : formatLength(layer.size, preferences.unit) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="times > 0" class="mt-1 text-[12.5px] text-mute">
      Measured parts × {{ times }}, {{ UNIT_NAME[preferences.unit] }}; the others not to scale.
    </p>
  </figure>
</template>
