<script setup lang="ts">
/** A journal in its shells: where the bore and the journal are measured, or where the strip lies. Not to scale. */
defineProps<{ way: 'gauges' | 'strip'; stations: number; zeroedIn: 'ring' | 'micrometer' }>()
</script>

<template>
  <svg
    viewBox="0 0 340 132"
    class="w-full max-w-[300px]"
    role="img"
    :aria-label="
      way === 'strip'
        ? 'Section: plastic strip along the journal under the cap'
        : 'Section: bore in its shells measured vertically (A) and across (B); journal likewise'
    "
    fill="none"
    stroke="var(--ink)"
    stroke-width="1.5"
  >
    <path d="M18 8h96v58a48 48 0 0 1-96 0z" fill="var(--paper)" transform="translate(0 0)" />
    <circle cx="66" cy="66" r="40" fill="var(--brass)" stroke="var(--brass-line)" />
    <circle cx="66" cy="66" r="34" fill="var(--sheet)" />
    <path d="M14 66h104" stroke-dasharray="5 4" />
    <template v-if="way === 'strip'">
      <circle cx="66" cy="66" r="31" fill="var(--steel)" />
      <rect x="58" y="97" width="16" height="4" fill="var(--out)" stroke="none" />
    </template>
    <template v-else>
      <LitPlace at="A">
        <path d="M66 33v66m0-66l-4 7m4-7l4 7m-4 59l-4-7m4 7l4-7" stroke="var(--accent)" stroke-width="2" />
        <text x="70" y="58">A</text>
      </LitPlace>
      <LitPlace at="B">
        <path d="M33 66h66m-66 0l7-4m-7 4l7 4m59-4l-7-4m7 4l-7 4" stroke="var(--accent)" stroke-width="1.4" />
        <text x="78" y="79">B</text>
      </LitPlace>
    </template>
    <rect x="160" y="36" width="120" height="52" fill="var(--sheet)" />
    <path d="M160 26h-12v72h12M280 26h12v72h-12" fill="var(--paper)" />
    <template v-if="way === 'strip'">
      <rect x="170" y="84" width="100" height="4" fill="var(--out)" stroke="none" />
    </template>
    <template v-else>
      <LitPlace at="front">
        <path d="M182 36v52m0-52l-4 7m4-7l4 7m-4 45l-4-7m4 7l4-7" stroke="var(--accent)" stroke-width="2" />
        <text x="182" y="108" text-anchor="middle">front</text>
      </LitPlace>
      <LitPlace v-if="stations === 2" at="rear">
        <path d="M258 36v52m0-52l-4 7m4-7l4 7m-4 45l-4-7m4 7l4-7" stroke="var(--accent)" stroke-width="2" />
        <text x="258" y="108" text-anchor="middle">rear</text>
      </LitPlace>
    </template>
    <g font-size="11" fill="var(--mute)" stroke="none">
      <text x="66" y="128" text-anchor="middle">split across, A vertical</text>
    </g>
  </svg>
</template>
