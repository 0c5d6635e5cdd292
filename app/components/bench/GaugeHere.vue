<script setup lang="ts">
import type { AheadWords } from '#core/check/sentence/advice-words'
import { GAUGE_NAME, type GaugeKind } from '#core/reading/gauge'
import type { UnitSystem } from '#core/quantity/length'
import type { RegisteredGauge } from '#shared/types'

/** Before the first reading: a gauge that cannot tell the figure, or one that is not there; with the right one, or a new one, on the spot. */
const props = defineProps<{
  ahead: AheadWords | null
  /** what the point in hand asks for, and the register has none of; null: it has */
  lacks: { readonly key: string; readonly kind: GaugeKind } | null
  system: UnitSystem
}>()
const emit = defineEmits<{ take: [key: string, gauge: string]; made: [RegisteredGauge] }>()
/** The register has it before it is taken from there. */
function made(key: string, gauge: RegisteredGauge): void {
  emit('made', gauge)
  emit('take', key, gauge.id)
}
const entering = ref(false)
const wanted = computed(() => props.lacks ?? props.ahead)
watch(
  () => wanted.value?.key,
  () => {
    entering.value = false
  },
)
</script>

<template>
  <div v-if="wanted" data-test="gauge-ahead">
    <p class="flex flex-wrap items-baseline gap-x-3" :class="ahead?.decides && !lacks ? 'text-[14px] text-mute' : 'text-near'">
      <span v-if="lacks">{{ GAUGE_NAME[lacks.kind] }}: the register has none, and nothing can be read here without one.</span>
      <span v-else>{{ ahead!.words }}</span>
      <button v-for="{ id, name } in lacks ? [] : ahead!.finer" :key="id" type="button" class="link" @click="emit('take', ahead!.key, id)">
        Take {{ name }}
      </button>
      <button v-if="!entering" type="button" class="link" @click="entering = true">New gauge</button>
    </p>
    <LazyNewGaugeHere v-if="entering" :kind="wanted.kind" :system="system" @made="made(wanted.key, $event)" @close="entering = false" />
  </div>
</template>
