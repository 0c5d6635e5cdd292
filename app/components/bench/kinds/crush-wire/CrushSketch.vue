<script setup lang="ts">
/** A race in its case with two lengths of wire on it, opposite each other; a squashed piece with the three places it is read at. Not to scale. */
</script>

<template>
  <svg
    viewBox="0 0 340 136"
    class="w-full max-w-[330px]"
    role="img"
    aria-label="Two pieces of wire on the race, opposite each other; each piece is read at three places"
    fill="none"
    stroke="var(--ink)"
    stroke-width="1.4"
  >
    <circle cx="72" cy="66" r="58" fill="var(--paper)" />
    <circle cx="72" cy="66" r="46" fill="var(--steel)" />
    <circle cx="72" cy="66" r="26" fill="var(--sheet)" />
    <LitPlace at="A1/A2/A3">
      <path d="M56 27a42 42 0 0 1 32 0" stroke="var(--brass-line)" stroke-width="6" />
      <text x="68" y="18">A</text>
    </LitPlace>
    <LitPlace at="B1/B2/B3">
      <path d="M56 105a42 42 0 0 0 32 0" stroke="var(--brass-line)" stroke-width="6" />
      <text x="68" y="121">B</text>
    </LitPlace>
    <g font-size="11" fill="var(--ink)" stroke="none">
      <text x="62" y="70">race</text>
    </g>
    <path d="M168 44h140v14h-140z" fill="var(--brass)" stroke="var(--brass-line)" />
    <path d="M168 30h140M168 72h140" stroke="var(--mute)" stroke-dasharray="4 4" />
    <LitPlace v-for="(x, i) in [188, 238, 288]" :key="x" :at="`A${i + 1}/B${i + 1}`">
      <path :d="`M${x} 26v16m0 0l-4-6m4 6l4-6m-4 44v-20m0 0l-4 6m4-6l4 6`" stroke="var(--out)" stroke-width="1.7" />
      <text :x="x - 3" y="94">{{ i + 1 }}</text>
    </LitPlace>
    <g font-size="11" fill="var(--ink)" stroke="none">
      <text x="168" y="112">each piece at three places,</text>
      <text x="168" y="126">clear of letters and ends</text>
    </g>
  </svg>
</template>
