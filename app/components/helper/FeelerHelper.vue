<script setup lang="ts">
import { stacks } from '#core/method/feeler/leaves'
import { formatLength } from '#core/quantity/format-length'
import { UNIT_NAME, type Nm } from '#core/quantity/length'
import type { Gauge } from '#core/reading/gauge'
import { usePreferences } from '~/stores/preferences'

/** Which leaves make a gap: the nearest stacks either side, fewest leaves first. */
const props = defineProps<{ gauges: readonly Gauge[] }>()
const preferences = usePreferences()
const sets = computed(() => props.gauges.filter(gauge => gauge.kind === 'feeler-set'))
const picked = ref('')
const set = computed(() => sets.value.find(gauge => gauge.id === picked.value) ?? sets.value[0] ?? null)
const gap = ref<Nm | null>(null)
const near = computed(() => {
  if (!set.value || gap.value === null) return []
  const all = stacks(set.value.sizes as readonly Nm[])
  const at = all.findIndex(stack => stack.total >= gap.value!)
  const from = Math.max(0, (at < 0 ? all.length : at) - 3)
  return all.slice(from, from + 6)
})
const show = (value: number) => formatLength(value, preferences.unit, { trim: true })
</script>

<template>
  <div class="grid gap-x-8 gap-y-3 lg:grid-cols-[300px_minmax(0,1fr)]" data-test="feeler-helper">
    <div class="space-y-3">
      <div v-if="sets.length">
        <label class="label mb-1 block" for="feeler-set">Set</label>
        <select id="feeler-set" class="field" :value="set?.id" @change="picked = ($event.target as HTMLSelectElement).value">
          <option v-for="gauge in sets" :key="gauge.id" :value="gauge.id">{{ gauge.name }}</option>
        </select>
      </div>
      <FigureField v-model="gap" label="Gap" :unit="preferences.unit" />
    </div>
    <table v-if="near.length" class="tight self-start">
      <thead>
        <tr>
          <th class="w-28 text-right">{{ UNIT_NAME[preferences.unit] }}</th>
          <th>leaves</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="stack in near" :key="stack.total" :class="stack.total === gap ? 'font-bold' : ''">
          <td class="figure text-right">{{ formatLength(stack.total, preferences.unit) }}</td>
          <td class="figure">{{ stack.leaves.map(show).join(' + ') }}</td>
          <td class="text-[13px] text-mute">{{ stack.total === gap ? 'exactly' : stack.total < gap! ? 'should go' : 'should not go' }}</td>
        </tr>
      </tbody>
    </table>
    <p v-else class="self-center text-mute">
      {{
        sets.length === 0
          ? 'No feeler set in the register yet.'
          : 'Type a gap: the stacks next to it are listed, each leaf once, four at most.'
      }}
    </p>
  </div>
</template>
