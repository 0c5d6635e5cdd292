<script setup lang="ts">
/** A crank web and journal in the block's thrust bearing, flywheel flange at the right; where dial or feeler goes. Not to scale. */
defineProps<{ thrust: 'fixed' | 'shimmed'; way: 'dial' | 'feeler' | 'feel' }>()
</script>

<template>
  <svg
    viewBox="0 0 340 118"
    class="w-full max-w-[300px]"
    role="img"
    :aria-label="`Section: ${way === 'feeler' ? 'feelers between the thrust face and the flange' : way === 'feel' ? 'shaft moved by hand' : 'dial on the shaft\'s end'}; ${thrust === 'shimmed' ? 'shims at the flange' : 'fixed thrust bearing'}`"
    fill="none"
    stroke="var(--ink)"
    stroke-width="1.5"
  >
    <path d="M8 46h34V16h26v86H42V72H8z" fill="var(--sheet)" />
    <rect x="68" y="44" width="140" height="30" fill="var(--sheet)" />
    <path d="M88 8h74v32h-8v-8H96v8h-8zM88 110h74V78h-8v8H96v-8h-8z" fill="var(--paper)" />
    <path d="M80 26h8v18h-8zM80 74h8v18h-8z" fill="var(--steel)" />
    <path d="M162 26h8v18h-8zM162 74h8v18h-8z" fill="var(--steel)" />
    <rect x="176" y="22" width="16" height="74" fill="var(--sheet)" />
    <rect v-if="thrust === 'shimmed'" x="192" y="30" width="8" height="58" fill="var(--brass)" stroke="var(--brass-line)" />
    <rect :x="thrust === 'shimmed' ? 200 : 192" y="10" width="20" height="98" fill="var(--paper)" />
    <SketchDial v-if="way === 'dial'" :x="290" :y="59" :stem="[-50, 0]" />
    <template v-else-if="way === 'feeler'">
      <path d="M173 4v34" stroke="var(--accent)" stroke-width="4" />
      <path d="M173 4q30-8 70 0" stroke="var(--accent)" stroke-width="2" />
    </template>
    <path d="M226 96h40m-40 0l7-5m-7 5l7 5m33-5l-7-5m7 5l-7 5" stroke="var(--out)" stroke-width="1.7" />
  </svg>
</template>
