<script setup lang="ts">
/** Clutch and fork in section: F to the fingers, R to the bearing, both from the plane where the units meet; the pivot that is screwed. Not to scale. */
const props = defineProps<{ bell: 'engine' | 'gearbox' }>()
/** Where both depths begin: the plane the units part at. */
const plane = computed(() => (props.bell === 'engine' ? 206 : 74))
/** Arrow head at the far end of either depth. */
const head = computed(() => (props.bell === 'engine' ? '6-4m-6 4l6 4' : '-6-4m6 4l-6 4'))
</script>

<template>
  <svg
    viewBox="0 0 340 168"
    class="w-full max-w-[330px]"
    role="img"
    :aria-label="`Section: F to the fingers and R to the release bearing, both from the ${bell === 'engine' ? 'gearbox' : 'engine'} side of the bell housing; the fork on its pivot`"
    fill="none"
    stroke="var(--ink)"
    stroke-width="1.4"
  >
    <path d="M8 24h32v120H8z" fill="var(--paper)" />
    <path d="M40 52h16v64H40zM56 58l26 16v20l-26 16z" fill="var(--steel)" />
    <path :d="`M74 24h132v10H74z`" :fill="bell === 'engine' ? 'var(--paper)' : 'var(--sheet)'" />
    <path d="M206 24h44v120h-44z" fill="var(--sheet)" />
    <path d="M112 70h18v28h-18z" fill="var(--steel)" />
    <path d="M130 80h76v8h-76z" fill="var(--paper)" />
    <path d="M138 62l6 84h8l-6-84z" fill="var(--brass)" stroke="var(--brass-line)" />
    <LitPlace at="pivot/engaged">
      <path d="M150 118h56v8h-56z" fill="var(--steel)" />
      <circle cx="150" cy="122" r="6" fill="var(--sheet)" />
    </LitPlace>
    <path :d="`M${plane} 14v136`" stroke="var(--accent)" stroke-dasharray="4 3" />
    <LitPlace at="f">
      <path :d="`M${plane} 44H82m0 0l${head}`" stroke="var(--out)" stroke-width="1.7" />
      <text x="96" y="57">F</text>
    </LitPlace>
    <LitPlace at="r">
      <path :d="`M${plane} 104H112m0 0l${head}`" stroke="var(--out)" stroke-width="1.7" />
      <text x="176" y="101">R</text>
    </LitPlace>
    <path d="M82 60v52M112 98v14" stroke="var(--mute)" stroke-width=".7" />
    <g font-size="11" fill="var(--ink)" stroke="none">
      <text x="112" y="161">fork</text>
      <text x="168" y="140">pivot</text>
      <text x="8" y="18">engine</text>
      <text x="210" y="18">gearbox</text>
      <text x="87" y="122">gap</text>
    </g>
  </svg>
</template>
