<script setup lang="ts">
/** Pump body with its rotors under a straight edge, or strip under the cover. Not to scale. */
defineProps<{ way: 'feeler' | 'strip' }>()
</script>

<template>
  <svg
    viewBox="0 0 340 112"
    class="w-full max-w-[300px]"
    role="img"
    :aria-label="
      way === 'strip'
        ? 'Section: plastic strip on the rotors under the cover'
        : 'Section: straight edge across the body, feelers between it and the rotors'
    "
    fill="none"
    stroke="var(--ink)"
    stroke-width="1.5"
  >
    <path d="M40 40h44v44h132V40h44v64H40z" fill="var(--paper)" />
    <rect x="88" y="48" width="40" height="36" fill="var(--brass)" stroke="var(--brass-line)" />
    <rect x="132" y="48" width="36" height="36" fill="var(--sheet)" />
    <rect x="172" y="48" width="40" height="36" fill="var(--brass)" stroke="var(--brass-line)" />
    <rect x="26" y="24" width="248" height="16" fill="var(--steel)" />
    <template v-if="way === 'strip'">
      <LitPlace at="outer"><path d="M94 45h26" stroke="var(--out)" stroke-width="4" /></LitPlace>
      <LitPlace at="inner"><path d="M138 45h24" stroke="var(--out)" stroke-width="4" /></LitPlace>
    </template>
    <template v-else>
      <LitPlace at="outer"><path d="M92 44h34" stroke="var(--accent)" stroke-width="4" /></LitPlace>
      <LitPlace at="inner"><path d="M134 44h34" stroke="var(--accent)" stroke-width="4" /></LitPlace>
      <path d="M168 44q70 -2 118 -34" stroke="var(--accent)" stroke-width="2" />
    </template>
    <g font-size="11" fill="var(--mute)" stroke="none">
      <text x="30" y="18">{{ way === 'strip' ? 'cover' : 'straight edge' }}</text>
      <LitPlace at="outer"><text x="108" y="98" text-anchor="middle">outer</text></LitPlace>
      <LitPlace at="inner"><text x="150" y="98" text-anchor="middle">inner</text></LitPlace>
    </g>
  </svg>
</template>
