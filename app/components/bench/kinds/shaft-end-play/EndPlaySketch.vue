<script setup lang="ts">
/** What is measured from where to where, and where the dial stands. Not to scale. */
defineProps<{ pack: 'under-cover' | 'in-gap' | 'single' | 'equal-pair' | 'none' }>()
</script>

<template>
  <svg
    viewBox="0 0 340 108"
    class="w-full max-w-[300px]"
    role="img"
    :aria-label="`Section: dial at the shaft's end; the pack sits ${pack === 'under-cover' ? 'under the cover' : pack === 'none' ? 'nowhere' : 'in the gap'}`"
    fill="none"
    stroke="var(--ink)"
    stroke-width="1.5"
  >
    <path d="M10 34h120V8h32v92h-32V74H10z" />
    <rect x="60" y="42" width="190" height="24" fill="var(--sheet)" />
    <rect x="150" y="30" width="12" height="48" fill="var(--sheet)" />
    <template v-if="pack === 'under-cover'">
      <rect x="162" y="10" width="8" height="20" fill="var(--brass)" stroke="var(--brass-line)" />
      <rect x="162" y="78" width="8" height="20" fill="var(--brass)" stroke="var(--brass-line)" />
      <path d="M170 8h30v34h-16v-8h-14zM170 100h30V66h-16v8h-14z" fill="var(--paper)" />
    </template>
    <template v-else>
      <path d="M176 8h24v34h-24zM176 66h24v34h-24z" fill="var(--paper)" />
      <template v-if="pack !== 'none'">
        <rect x="165" y="32" width="8" height="44" fill="var(--brass)" stroke="var(--brass-line)" />
      </template>
      <rect v-if="pack === 'equal-pair'" x="139" y="32" width="8" height="44" fill="var(--brass)" stroke="var(--brass-line)" />
    </template>
    <SketchDial :x="306" :y="54" :stem="[-36, 0]" />
    <path d="M212 88h40m-40 0l7-5m-7 5l7 5m33-5l-7-5m7 5l-7 5" stroke="var(--out)" stroke-width="1.7" />
  </svg>
</template>
