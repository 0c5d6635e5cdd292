<script setup lang="ts">
/** The two set-ups, a quarter turn apart: what is held, where the base stands, where the tip. Not to scale. */
defineProps<{ ears1: string; ears2: string }>()
</script>

<template>
  <svg
    viewBox="0 0 340 150"
    class="w-full max-w-[330px]"
    role="img"
    aria-label="Plane 1: base on the held yoke, tip on the bearing cap. Plane 2: shaft turned a quarter, base on the same yoke, tip on the flange yoke"
    fill="none"
    stroke="var(--ink)"
    stroke-width="1.4"
  >
    <g v-for="(at, i) in [76, 244]" :key="at">
      <path
        :d="`M${at - 58} 24h22v76h-22zM${at + 36} 24h22v76h-22z`"
        :fill="(i ? ears2 : ears1) === 'steel' ? 'var(--sheet)' : 'var(--hair)'"
      />
      <path :d="`M${at - 36} 50h72v24h-72z`" fill="var(--steel)" />
      <path :d="`M${at - 12} 26h24v72h-24z`" fill="var(--paper)" />
      <path :d="`M${at - 42} 44h5v36h-5zM${at + 37} 44h5v36h-5z`" fill="var(--brass)" stroke="var(--brass-line)" />
      <LitPlace :at="String(i + 1)">
        <path :d="`M${at - 26} 112h52m-52 0l6-4m-6 4l6 4m46-4l-6-4m6 4l-6 4`" stroke="var(--out)" stroke-width="1.7" />
        <SketchDial :x="at + 76" :y="62" :r="8" :stem="[-10, 0]" />
      </LitPlace>
    </g>
    <g font-size="11" fill="var(--ink)" stroke="none">
      <text x="22" y="16">plane 1: tip on the cap</text>
      <text x="176" y="16">plane 2: on the flange yoke</text>
      <text x="18" y="136">ring</text>
      <text x="84" y="136">push, pull</text>
    </g>
    <path d="M30 126l7-46" stroke="var(--mute)" stroke-width=".7" />
  </svg>
</template>
