<script setup lang="ts">
/** A dial at the far end of a train that is lifted by a lever: where base and tip stand. Not to scale. */
const props = defineProps<{ gaps: number }>()
const STEP = 18
const shown = computed(() => Math.min(props.gaps, 4))
</script>

<template>
  <svg
    viewBox="0 0 340 128"
    class="w-full max-w-[330px]"
    role="img"
    :aria-label="`A chain of ${gaps} gaps: base on the case, tip on the last part, lifted by a lever and let go`"
    fill="none"
    stroke="var(--ink)"
    stroke-width="1.4"
  >
    <path d="M20 10h14v108H20zM20 104h180v14H20z" fill="var(--paper)" />
    <g v-for="i in shown" :key="i">
      <path :d="`M60 ${112 - i * STEP}h120v8h-120z`" fill="var(--steel)" />
      <LitPlace :at="String(i)"><path :d="`M72 ${123 - i * STEP}h96`" stroke="var(--brass-line)" stroke-width="3" /></LitPlace>
    </g>
    <path d="M34 20h92" stroke="var(--accent)" stroke-width="2" />
    <SketchDial :x="138" :y="16" :r="12" :stem="[0, 84 - shown * STEP]" />
    <path d="M214 96l-34-8m34 8l56-26" stroke="var(--mute)" stroke-width="2" />
    <g font-size="11" fill="var(--ink)" stroke="none">
      <text x="160" y="18">tip on the last part</text>
      <text x="206" y="112">lever: to the stop, let go</text>
    </g>
  </svg>
</template>
