<script setup lang="ts">
/** A dial at the far end of a train that is lifted by a lever: where base and tip stand. Not to scale. */
defineProps<{ gaps: number }>()
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
    <g v-for="i in Math.min(gaps, 4)" :key="i">
      <path :d="`M60 ${100 - i * 20}h120v12h-120z`" fill="var(--steel)" />
      <path :d="`M72 ${114 - i * 20}h96`" stroke="var(--brass-line)" stroke-width="4" />
    </g>
    <path d="M34 20h92" stroke="var(--accent)" stroke-width="2" />
    <circle cx="138" cy="20" r="11" stroke="var(--accent)" fill="var(--sheet)" />
    <path :d="`M138 31V${100 - Math.min(gaps, 4) * 20}`" stroke="var(--out)" stroke-width="1.8" />
    <path d="M214 96l-34-8m34 8l56-26" stroke="var(--mute)" stroke-width="2" />
    <g font-size="11" fill="var(--ink)" stroke="none">
      <text x="160" y="18">tip on the last part</text>
      <text x="206" y="112">lever: to the stop, let go</text>
    </g>
  </svg>
</template>
