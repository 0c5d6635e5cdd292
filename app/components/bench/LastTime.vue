<script setup lang="ts">
import type { ResultEvaluation } from '#core/check/evaluate/evaluated'
import { unitOfResult } from '#core/check/common/results'
import { formatChange, formatFigure, unitName } from '#core/quantity/figure'
import { api } from '~/composables/server/useApi'
import { dayText } from '#core/quantity/day'
import { usePreferences } from '~/stores/preferences'
import type { LastTime } from '#shared/record'

/** What the same check of this unit came to last time, beside what is measured now. */
const props = defineProps<{ check: string; shown: ResultEvaluation }>()
const preferences = usePreferences()
const last = ref<LastTime | null>(null)
onMounted(async () => {
  // Without the server there is nothing to compare with; the bench works on.
  last.value = await api<{ last: LastTime | null }>(`/api/checks/${props.check}/last`).then(
    answer => answer.last,
    () => null,
  )
})
const unit = computed(() => unitOfResult(props.shown.kind, preferences.system))
const own = computed(() => last.value?.figures.find(({ result }) => result === props.shown.id) ?? null)
const show = ({ value, U }: { value: number; U: number }) => `${formatFigure(value, unit.value)} ± ${formatChange(U, unit.value)}`
</script>

<template>
  <p v-if="last && own" class="text-[13.5px] text-mute" data-test="last-time">
    <NuxtLink class="link" :to="`/checks/${last.check}`">Last time</NuxtLink>, {{ dayText(last.day) }}:
    <template v-if="own.found">came in with <span class="figure text-ink">{{ show(own.found) }}</span>, </template>went out with
    <span class="figure text-ink">{{ show(own.left) }}</span> {{ unitName(unit)
    }}<template v-if="last.meterReading !== null"> at {{ last.meterReading.toLocaleString('en-GB') }}</template>.
  </p>
</template>
